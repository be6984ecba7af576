package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.Fished;
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
        for (Entry entry : log.standing(day)) {
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

    /** What the log tells of a day until a time. */
    public static Today of(BagLog log, int day, Instant until) {
        return of(log, day, until, List.of());
    }

    /** The same; where the log never says what is fished, but has other entries of the day by then, what the day's plan has. */
    public static Today of(BagLog log, int day, Instant until, List<PlanStop> plan) {
        Today today = NOTHING;
        for (Fished f : Fished.of(log, day, until, plan)) {
            today = today.fishedOn(new Cell(f.spotId(), f.presentationId()), f.from(), f.to());
        }
        return today.with(strikes(log, day).stream().filter(s -> !s.at().isAfter(until)).toList());
    }

    /** What the log says is fished at a time; null: nothing. */
    public static Cell fishing(BagLog log, int day, Instant at) {
        Fished now = Fished.at(log, day, at);
        return now == null ? null : new Cell(now.spotId(), now.presentationId());
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
