package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.plan.PlanStop;
import lochan.core.rate.Cell;

/**
 * What was done on a competition day so far.
 *
 * @param efforts in the order of time, none overlapping another
 * @param strikes in the order of time; only those whose cell is known
 */
public record Today(List<Effort> efforts, List<Strike> strikes) {

    public static final Today NOTHING = new Today(List.of(), List.of());

    /** Fishing a cell in [from, to). */
    public record Effort(Cell cell, Instant from, Instant to) {

        public Effort {
            if (to.isBefore(from)) {
                throw new IllegalArgumentException("effort runs from " + from + " to " + to + ", expected the earlier first");
            }
        }
    }

    /** A strike at a cell, landed or not. */
    public record Strike(Cell cell, Instant at) { }

    public Today {
        efforts = List.copyOf(efforts);
        strikes = strikes.stream().sorted(Comparator.comparing(Strike::at)).toList();
    }

    /** The strikes of a day that the log tells of; a void entry tells nothing, nor does one that names no spot or no presentation. */
    public static List<Strike> strikes(BagLog log, int day) {
        List<Strike> strikes = new ArrayList<>();
        for (Entry entry : standing(log, day)) {
            switch (entry) {
                case Entry.Catch c -> add(strikes, c.spotId(), c.presentationId(), c.at());
                case Entry.Strike s -> add(strikes, s.spotId(), s.presentationId(), s.at());
                case Entry.Balance b -> { }
                case Entry.Died d -> { }
                case Entry.Correct c -> { }
                case Entry.Void v -> { }
                case Entry.Official o -> { }
                case Entry.ScaleCheck s -> { }
                case Entry.WellWater w -> { }
                case Entry.Fishing f -> { }
            }
        }
        return strikes;
    }

    private static List<Entry> standing(BagLog log, int day) {
        return log.rows().stream().filter(r -> r.day() == day && !log.isVoided(r.entry().id())).map(BagRow::entry).toList();
    }

    private static List<Entry.Fishing> said(BagLog log, int day) {
        return standing(log, day).stream().filter(Entry.Fishing.class::isInstance).map(Entry.Fishing.class::cast).sorted(Comparator.comparing(Entry.Fishing::at)).toList();
    }

    /** What the log tells of a day until a time: efforts by what was said to be fished, each until the next was said or the day's check-in. */
    public static Today of(BagLog log, int day, Instant until) {
        List<Entry.Fishing> said = said(log, day);
        Instant checkIn = log.brief().day(day).checkIn();
        Instant end = until.isBefore(checkIn) ? until : checkIn;
        Today today = NOTHING;
        for (int i = 0; i < said.size(); i++) {
            Entry.Fishing f = said.get(i);
            Instant to = i + 1 < said.size() && said.get(i + 1).at().isBefore(end) ? said.get(i + 1).at() : end;
            if (f.spotId() != null && f.presentationId() != null) {
                today = today.fishedOn(new Cell(f.spotId(), f.presentationId()), f.at(), to);
            }
        }
        return today.with(strikes(log, day).stream().filter(s -> !s.at().isAfter(until)).toList());
    }

    /** The same; where the log never says what is fished, but has other entries of the day by then, what the day's plan has. */
    public static Today of(BagLog log, int day, Instant until, List<PlanStop> plan) {
        Today told = of(log, day, until);
        if (!said(log, day).isEmpty() || standing(log, day).stream().noneMatch(e -> e.at().isBefore(until))) {
            return told;
        }
        Today planned = NOTHING;
        for (PlanStop s : plan) {
            planned = planned.fishedOn(Cell.of(s), s.arrive(), s.leave().isBefore(until) ? s.leave() : until);
        }
        return planned.with(told.strikes());
    }

    /** What the log says is fished at a time; null: nothing. */
    public static Cell fishing(BagLog log, int day, Instant at) {
        return said(log, day).stream().filter(f -> !f.at().isAfter(at)).reduce((earlier, later) -> later)
                .filter(f -> f.spotId() != null && f.presentationId() != null).map(f -> new Cell(f.spotId(), f.presentationId())).orElse(null);
    }

    /** The same efforts with other strikes. */
    public Today with(List<Strike> others) {
        return new Today(efforts, others);
    }

    private static void add(List<Strike> strikes, String spot, String presentation, Instant at) {
        if (spot != null && presentation != null) {
            strikes.add(new Strike(new Cell(spot, presentation), at));
        }
    }

    /** The same after fishing a cell until a time without another strike. */
    public Today fishedOn(Cell cell, Instant from, Instant to) {
        if (!to.isAfter(from)) {
            return this;
        }
        List<Effort> more = new ArrayList<>(efforts);
        more.add(new Effort(cell, from, to));
        return new Today(more, strikes);
    }

    /** Strikes had at a spot before a time. */
    public int strikesAt(String spotId, Instant before) {
        return (int) strikes.stream().filter(s -> s.cell().spotId().equals(spotId) && s.at().isBefore(before)).count();
    }

    /** Strikes had at a cell. */
    public int strikesAt(Cell cell) {
        return (int) strikes.stream().filter(s -> s.cell().equals(cell)).count();
    }
}
