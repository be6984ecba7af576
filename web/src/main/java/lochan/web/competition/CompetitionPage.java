package lochan.web.competition;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.competition.Fish;
import lochan.core.competition.TagNames;
import lochan.core.event.Brief;
import lochan.core.event.CompetitionDay;
import lochan.core.quantity.Units;
import lochan.web.page.Dates;

/** The competition as its page shows it, all derived from the log. */
record CompetitionPage(int day, Bag bag, List<Slot> rack, String total, String net, String needs, Words words, List<Line> lines, Pair pair,
                       List<String> tags, String clock, boolean fishing, String toGo, boolean urgent) {

    /** Width of a full bar in the rack's drawing. */
    static final double BAR_WIDTH = 200;
    private static final long URGENT_MINUTES = 30;
    private static final int MOST_SLOTS = 30;

    /**
     * A place in the rack.
     *
     * @param toBeat whether this is the fish that the next one must beat
     */
    record Slot(String id, String tag, String weight, String species, double width, boolean toBeat, boolean dead, boolean empty) { }

    /** An entry of the day, and what it brought. */
    record Line(String id, String time, String what, String brought, boolean isCatch, boolean voided, boolean mayVoid, boolean mayDie) { }

    /** Two fish for the balance. */
    record Pair(String first, String firstName, String second, String secondName) { }

    static CompetitionPage of(Brief brief, List<Entry> entries, int day, Instant now, Units units) {
        BagLog log = BagLog.replay(brief, entries);
        Bag bag = log.bag(day);
        ZoneId zone = brief.timeZone();
        Map<String, Fish> seen = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        Words last = null;
        for (BagRow row : log.rows()) {
            Map<String, Fish> known = seen;
            remember(row, seen);
            Words words = row.verdict() == null ? null : Words.of(row, known::get, brief, units);
            if (row.day() == day) {
                last = row.entry() instanceof Entry.Catch || row.verdict() != null ? words : null;
                lines.add(line(row, log, words, known, zone, units));
            }
            row.bag().well().forEach(f -> seen.put(f.id(), f));
        }
        CompetitionDay hours = brief.days().get(day - 1);
        Duration toGo = Duration.between(now, hours.checkIn());
        boolean fishing = !now.isBefore(hours.start()) && now.isBefore(hours.checkIn());
        return new CompetitionPage(day, bag, rack(bag, brief, units), units.weight(bag.totalGrams()),
                Objects.equals(bag.totalGrams(), bag.netGrams()) ? null : units.weight(bag.netGrams()),
                bag.needsGrams() == null ? null : units.weight(bag.needsGrams()), last, lines.reversed(), pair(bag), tags(brief),
                Dates.clock(now, zone), fishing,
                toGo.isNegative() ? null : toGo.toHours() + " h " + String.format("%02d", toGo.toMinutesPart()) + " min",
                fishing && toGo.toMinutes() < URGENT_MINUTES);
    }

    /** A fish just logged is no fish of the well yet when its verdict is told. */
    private static void remember(BagRow row, Map<String, Fish> seen) {
        if (row.entry() instanceof Entry.Catch c) {
            seen.put(c.id(), new Fish(c.id(), c.species(), c.grams(), c.mm(), c.alive(), false, null));
        }
        if (row.entry() instanceof Entry.Correct c && seen.get(c.catchId()) instanceof Fish f) {
            seen.put(f.id(), new Fish(f.id(), f.species(), c.grams() == null ? f.grams() : c.grams(), c.mm() == null ? f.mm() : c.mm(), f.alive(), f.isShort(), f.tag()));
        }
    }

    private static Line line(BagRow row, BagLog log, Words words, Map<String, Fish> fish, ZoneId zone, Units units) {
        Entry entry = row.entry();
        String id = entry.id();
        boolean inWell = row.bag().well().stream().anyMatch(f -> f.id().equals(id));
        return new Line(id, Dates.clock(entry.at(), zone), Words.of(entry, fish::get, units),
                words == null ? "" : words.act(), entry instanceof Entry.Catch, log.isVoided(id), !log.isVoided(id) && !undoesAnUndo(entry, log),
                entry instanceof Entry.Catch && inWell && log.bag(row.day()).well().stream().anyMatch(f -> f.id().equals(id) && f.alive()));
    }

    private static boolean undoesAnUndo(Entry entry, BagLog log) {
        return entry instanceof Entry.Void v
                && log.rows().stream().map(BagRow::entry).anyMatch(e -> e.id().equals(v.entryId()) && e instanceof Entry.Void);
    }

    private static List<Slot> rack(Bag bag, Brief brief, Units units) {
        double heaviest = bag.well().stream().filter(f -> f.grams() != null).mapToDouble(Fish::grams).max().orElse(1);
        List<Slot> slots = new ArrayList<>();
        bag.well().stream().sorted(java.util.Comparator.comparing((Fish f) -> f.grams() == null ? 0 : f.grams()).reversed()).forEach(f ->
                slots.add(new Slot(f.id(), f.tag(), f.grams() == null ? "not weighed" : units.weight(f.grams()),
                        f.species() == null ? "" : f.species().code(), f.grams() == null ? BAR_WIDTH / 8 : BAR_WIDTH * f.grams() / heaviest,
                        bag.needsGrams() != null && f.alive() && bag.needsGrams().equals(f.grams()), !f.alive(), false)));
        int places = Math.min(MOST_SLOTS, brief.limit() == null ? slots.size() : brief.limit());
        while (slots.size() < places) {
            slots.add(new Slot("", "", "", "", 0, false, false, true));
        }
        return slots;
    }

    private static Pair pair(Bag bag) {
        if (bag.pending() == null) {
            return null;
        }
        Map<String, String> names = new HashMap<>();
        bag.well().forEach(f -> names.put(f.id(), f.tag()));
        names.put(bag.inHand().id(), "The new fish");
        return new Pair(bag.pending().first(), names.get(bag.pending().first()), bag.pending().second(), names.get(bag.pending().second()));
    }

    private static List<String> tags(Brief brief) {
        return TagNames.first(brief.scoring().tags(), Math.min(8, brief.limit() == null ? 8 : brief.limit() + 1));
    }
}
