package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.event.Brief;
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
    public static List<Strike> strikes(Brief brief, List<Entry> entries, int day) {
        BagLog log = BagLog.replay(brief, entries);
        List<Strike> strikes = new ArrayList<>();
        for (BagRow row : log.rows()) {
            if (row.day() == day && !log.isVoided(row.entry().id())) {
                switch (row.entry()) {
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
        }
        return strikes;
    }

    /**
     * What the log tells of a day until a time: efforts by what was said to be fished, each until the next was said or the day's check-in.
     *
     * @param entries up to that time
     */
    public static Today of(Brief brief, List<Entry> entries, int day, Instant until) {
        BagLog log = BagLog.replay(brief, entries);
        List<Entry.Fishing> said = log.rows().stream().filter(r -> r.day() == day && !log.isVoided(r.entry().id())).map(BagRow::entry).filter(Entry.Fishing.class::isInstance)
                .map(Entry.Fishing.class::cast).sorted(Comparator.comparing(Entry.Fishing::at)).toList();
        Instant checkIn = brief.day(day).checkIn();
        Instant end = until.isBefore(checkIn) ? until : checkIn;
        Today today = NOTHING;
        for (int i = 0; i < said.size(); i++) {
            Entry.Fishing f = said.get(i);
            Instant to = i + 1 < said.size() && said.get(i + 1).at().isBefore(end) ? said.get(i + 1).at() : end;
            if (f.spotId() != null && f.presentationId() != null) {
                today = today.fishedOn(new Cell(f.spotId(), f.presentationId()), f.at(), to);
            }
        }
        return new Today(today.efforts(), strikes(brief, entries, day));
    }

    /** What the log says is fished at a time; null: nothing. */
    public static Cell fishing(Brief brief, List<Entry> entries, int day, Instant at) {
        BagLog log = BagLog.replay(brief, entries);
        return log.rows().stream().filter(r -> r.day() == day && !log.isVoided(r.entry().id()) && !r.entry().at().isAfter(at)).map(BagRow::entry)
                .filter(Entry.Fishing.class::isInstance).map(Entry.Fishing.class::cast).max(Comparator.comparing(Entry.Fishing::at))
                .filter(f -> f.spotId() != null && f.presentationId() != null).map(f -> new Cell(f.spotId(), f.presentationId())).orElse(null);
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
