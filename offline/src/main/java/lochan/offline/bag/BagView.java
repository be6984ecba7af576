package lochan.offline.bag;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.BagRow;
import lochan.core.competition.Entry;
import lochan.core.competition.EventResult;
import lochan.core.competition.Fish;
import lochan.core.competition.FishedStretch;
import lochan.core.competition.LivewellCare;
import lochan.core.competition.TagNames;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Scoring;
import lochan.core.event.TieBreak;
import lochan.core.practice.Outcome;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A competition day as its page shows it, all derived from the log and in words.
 *
 * @param day     number of the day, from 1
 * @param clock   the time now
 * @param hours   what is left of the day
 * @param total   the bag; "–" while a fish is not measured
 * @param net     the same less penalties; null: the same
 * @param count   as "3 of 5"
 * @param needs   what a new fish must beat; null: there is room
 * @param told    the decision on the last entry; null: it brought none
 * @param last    the entry that undo takes back; null: none
 * @param fishing what is fished now; null: nothing
 * @param unexplained the last entry, where it is a fish lost or missed and the log doesn't say how; null else
 * @param pair    two fish for the balance; null: nothing waits
 * @param slots    fish of the bag, the best first, and the room left
 * @param lines   entries of the day, the last first
 * @param livewell what the fish in the livewell need; null: none are in it
 * @param tags    tags to choose from
 * @param results what each day counts; empty before the first weigh-in
 * @param sum     what all days come to; null: one day only, or nothing yet
 */
@RecordBuilder
public record BagView(
        int day,
        String clock,
        Hours hours,
        String total,
        @Nullable String net,
        String count,
        @Nullable String needs,
        @Nullable Words told,
        @Nullable Last last,
        @Nullable Fished fishing,
        @Nullable Unexplained unexplained,
        @Nullable Pair pair,
        List<Slot> slots,
        List<Line> lines,
        @Nullable LivewellView livewell,
        List<String> tags,
        List<String> results,
        @Nullable String sum) {

    /** Width of a full bar in the slots's drawing. */
    static final double BAR_WIDTH = 200;

    private static final Duration SOON = Duration.ofMinutes(30);
    private static final Duration NOW = Duration.ofMinutes(10);
    private static final int MOST_SLOTS = 30;
    private static final int MOST_TAGS = 8;

    public BagView {
        slots = List.copyOf(slots);
        lines = List.copyOf(lines);
        tags = List.copyOf(tags);
        results = List.copyOf(results);
    }

    /**
     * The rest of the day.
     *
     * @param open  whether fish may be caught now
     * @param toGo  time to check-in; null when it is over
     * @param leave when to leave for check-in, in words; null: not known
     * @param tone  {@code calm}, {@code soon} or {@code now}
     */
    public record Hours(
            boolean open, @Nullable String toGo, @Nullable String leave, String tone) {}

    /** The entry that undo takes back, and what it said. */
    public record Last(String id, String what) {}

    /** A spot and a lure by their ids, and both in words. */
    public record Fished(String spot, String presentation, String words) {

        static @Nullable Fished at(BagLog log, Moment moment, Names names) {
            FishedStretch now = FishedStretch.at(log, moment.day(), moment.now());
            return now == null
                    ? null
                    : new Fished(now.spotId(), now.presentationId(), names.of(now.spotId(), now.presentationId()));
        }
    }

    /**
     * A bite that was not landed.
     *
     * @param outcome as the log has it
     */
    public record Unexplained(String id, String outcome) {

        static @Nullable Unexplained of(Entry entry) {
            return entry instanceof Entry.Bite b
                            && b.lossWay() == null
                            && (b.outcome() == Outcome.LOST || b.outcome() == Outcome.MISSED)
                    ? new Unexplained(b.id(), b.outcome().code())
                    : null;
        }
    }

    /**
     * A place in the slots.
     *
     * @param since how long it has been in the livewell; empty: it is not
     * @param kind {@code to-beat}: the fish that the next one must beat; {@code dead}, {@code short}, {@code empty} or {@code kept}
     * @param note the same in words
     */
    public record Slot(
            @Nullable String tag,
            String since,
            String measure,
            String species,
            double width,
            String kind,
            String note) {}

    /**
     * The livewell and the fish in it.
     *
     * @param state what is known of it
     * @param look  a reminder to look at it; null: not yet due
     * @param warm  what to do against warm water; null: it is not known to be warm
     */
    public record LivewellView(
            String state, @Nullable String look, @Nullable String warm) {}

    /** An entry of the day, and what it brought. */
    public record Line(
            String id,
            String time,
            String what,
            String brought,
            boolean isCatch,
            boolean voided,
            boolean mayVoid,
            boolean mayDie) {}

    /** Two fish for the balance, and how many weighings are left. */
    public record Pair(
            @Nullable String first,
            @Nullable String firstName,
            @Nullable String second,
            @Nullable String secondName,
            String left) {}

    /**
     * The moment the view is made for.
     *
     * @param day       number of the day shown
     * @param leaveBy  when to leave here at the latest; null: not known
     * @param leaveFor the shelter to leave for before lightning; null: check-in
     */
    public record Moment(
            int day,
            Instant now,
            @Nullable Instant leaveBy,
            @Nullable String leaveFor) {}

    public static BagView of(BagLog log, Names names, Moment moment, Units units) {
        Event event = log.event();
        Bag bag = log.bag(moment.day());
        ZoneId zone = event.timeZone();
        Map<String, Fish> seen = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        Words told = null;
        Last last = null;
        Unexplained unexplained = null;
        for (BagRow row : log.rows()) {
            remember(row, seen);
            Words words = row.verdict() == null ? null : Words.of(row, seen::get, event, units);
            if (row.day() == moment.day()) {
                told = words;
                Line line = line(row, log, bag, words, seen::get, names, zone, units);
                last = line.mayVoid() && !(row.entry() instanceof Entry.Void) ? new Last(line.id(), line.what()) : last;
                lines.add(line);
                if (!line.voided() && !(row.entry() instanceof Entry.Void)) {
                    unexplained = Unexplained.of(log.completed(row.entry()));
                }
            }
            row.bag().fish().forEach(f -> seen.put(f.id(), f));
        }
        boolean byLength = event.rules().format() == Format.LIMIT_LENGTH;
        Bag.Sums sums = byLength ? bag.length() : bag.weight();
        Function<Double, String> words = byLength ? units::length : units::weight;
        EventResult result = EventResult.of(event, log);
        LivewellCare care = LivewellCare.of(event, log, moment.day(), moment.now());
        return BagViewBuilder.builder()
                .day(moment.day())
                .clock(Times.clock(moment.now(), zone))
                .hours(hours(event.day(moment.day()), moment, zone))
                .total(words.apply(sums.total()))
                .net(Objects.equals(sums.total(), sums.net()) ? null : words.apply(sums.net()))
                .count(count(bag, event))
                .needs(sums.needs() == null ? null : words.apply(sums.needs()))
                .told(told)
                .last(last)
                .fishing(Fished.at(log, moment, names))
                .unexplained(unexplained)
                .pair(pair(bag))
                .slots(slots(bag, event, words, care))
                .lines(lines.reversed())
                .livewell(livewell(care, moment.now(), zone, units))
                .tags(tags(event))
                .results(results(result, event, words))
                .sum(sum(result, event, words, units))
                .build();
    }

    /** A fish just logged is no fish of the livewell yet when its verdict is shown. */
    private static void remember(BagRow row, Map<String, Fish> seen) {
        if (row.entry() instanceof Entry.Catch c) {
            seen.put(c.id(), new Fish(c.id(), c.species(), c.grams(), c.mm(), c.alive(), false, null));
        }
        if (row.entry() instanceof Entry.Correct c && seen.get(c.catchId()) instanceof Fish f) {
            seen.put(
                    f.id(),
                    new Fish(
                            f.id(),
                            f.species(),
                            c.grams() == null ? f.grams() : c.grams(),
                            c.mm() == null ? f.mm() : c.mm(),
                            f.alive(),
                            f.isShort(),
                            f.tag()));
        }
    }

    /** @param bag of the day as it is now */
    private static Line line(
            BagRow row,
            BagLog log,
            Bag bag,
            @Nullable Words words,
            Function<String, Fish> fish,
            Names names,
            ZoneId zone,
            Units units) {
        Entry entry = log.completed(row.entry());
        String id = entry.id();
        boolean inLivewell = row.bag().fish().stream().anyMatch(f -> f.id().equals(id));
        return new Line(
                id,
                Times.clock(entry.at(), zone),
                Words.of(entry, fish, names, units),
                words == null ? "" : words.act(),
                entry instanceof Entry.Catch,
                log.isVoided(id),
                !log.isVoided(id) && !undoesAnUndo(entry, log),
                entry instanceof Entry.Catch
                        && inLivewell
                        && bag.fish().stream().anyMatch(f -> f.id().equals(id) && f.alive()));
    }

    private static boolean undoesAnUndo(Entry entry, BagLog log) {
        return entry instanceof Entry.Void v
                && log.rows().stream()
                        .map(BagRow::entry)
                        .anyMatch(e -> e.id().equals(v.entryId()) && e instanceof Entry.Void);
    }

    private static Hours hours(CompetitionDay day, Moment moment, ZoneId zone) {
        Instant now = moment.now();
        Duration toCheckIn = Duration.between(now, day.checkIn());
        boolean open = !now.isBefore(day.start()) && now.isBefore(day.checkIn());
        Duration left = moment.leaveBy() == null ? toCheckIn : Duration.between(now, moment.leaveBy());
        return new Hours(
                open,
                toCheckIn.isNegative() ? null : Times.span(toCheckIn),
                moment.leaveBy() == null || !open ? null : leave(moment, moment.leaveBy(), left, zone),
                open ? urgency(left) : "calm");
    }

    private static String leave(Moment moment, Instant by, Duration left, ZoneId zone) {
        boolean home = moment.leaveFor() == null;
        if (left.toMinutes() < 1) {
            return Wording.text(home ? "bag.leave-now" : "bag.shelter-now", moment.leaveFor());
        }
        return Wording.text(
                home ? "bag.leave-by" : "bag.shelter-by", moment.leaveFor(), Times.clock(by, zone), Times.span(left));
    }

    private static String urgency(Duration left) {
        if (left.compareTo(NOW) < 0) {
            return "now";
        }
        return left.compareTo(SOON) < 0 ? "soon" : "calm";
    }

    private static String kind(Fish fish, boolean toBeat) {
        if (!fish.alive()) {
            return "dead";
        }
        if (fish.isShort()) {
            return "short";
        }
        return toBeat ? "to-beat" : "kept";
    }

    private static String count(Bag bag, Event event) {
        int fish = bag.fish().size();
        return event.rules().limit() == null || event.rules().format() == Format.EVERY_FISH
                ? Wording.text("bag.count", fish)
                : Wording.text("bag.count-of", fish, event.rules().limit());
    }

    private static List<Slot> slots(Bag bag, Event event, Function<Double, String> words, LivewellCare care) {
        boolean byLength = event.rules().format() == Format.LIMIT_LENGTH;
        Function<Fish, Double> measure = byLength ? Fish::mm : Fish::grams;
        Double needs = byLength ? bag.length().needs() : bag.needsGrams();
        double most = bag.fish().stream()
                .map(measure)
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(1);
        List<Slot> slots = new ArrayList<>();
        bag.fish().stream()
                .sorted(Comparator.comparing((Fish f) -> measure.apply(f) == null ? 0 : measure.apply(f))
                        .reversed())
                .forEach(f -> slots.add(slot(
                        f,
                        care.inLivewell().containsKey(f.id())
                                ? Times.span(care.inLivewell().get(f.id()))
                                : "",
                        measure.apply(f),
                        needs,
                        most,
                        words)));
        int places = Math.min(
                MOST_SLOTS,
                event.rules().limit() == null ? slots.size() : event.rules().limit());
        while (slots.size() < places) {
            slots.add(new Slot("–", "", "", "", 0, "empty", Wording.text("bag.slot-empty")));
        }
        return slots;
    }

    private static Slot slot(
            Fish fish,
            String since,
            Double measure,
            @Nullable Double needs,
            double most,
            Function<Double, String> words) {
        String kind = kind(fish, needs != null && needs.equals(measure));
        String note =
                switch (kind) {
                    case "dead" -> Wording.text("bag.slot-dead");
                    case "short" -> Wording.text("bag.slot-short");
                    case "to-beat" -> Wording.text("bag.slot-to-beat");
                    default -> "";
                };
        return new Slot(
                fish.tag(),
                since,
                measure == null ? Wording.text("bag.not-weighed") : words.apply(measure),
                fish.species() == null ? "" : fish.species().code(),
                measure == null ? BAR_WIDTH / 8 : BAR_WIDTH * measure / most,
                kind,
                note);
    }

    private static @Nullable LivewellView livewell(LivewellCare care, Instant now, ZoneId zone, Units units) {
        if (care.inLivewell().isEmpty() || now.isBefore(care.since())) {
            return null;
        }
        long fishHours = Math.round(care.fishHours());
        String state = Wording.text(
                        "bag.livewell-fish",
                        care.inLivewell().size(),
                        Times.span(Duration.between(care.since(), now)),
                        fishHours)
                + " "
                + (care.celsius() == null
                        ? Wording.text("bag.livewell-no-temperature")
                        : Wording.text(
                                "bag.livewell-temperature-at",
                                units.temperature(care.celsius()),
                                Times.clock(care.measured(), zone)));
        String warm = Wording.text("bag.livewell-warm", units.temperature(LivewellCare.WARM_C));
        return new LivewellView(
                state, care.isDue(now) ? Wording.text("bag.livewell-check") : null, care.isWarm() ? warm : null);
    }

    private static @Nullable Pair pair(Bag bag) {
        if (bag.pending() == null || bag.inHand() == null) {
            return null;
        }
        Map<String, String> names = new HashMap<>();
        bag.fish().forEach(f -> names.put(f.id(), f.tag()));
        names.put(bag.inHand().id(), Wording.text("bag.the-new-fish-first"));
        int more = bag.weighings() - 1;
        return new Pair(
                bag.pending().first(),
                names.get(bag.pending().first()),
                bag.pending().second(),
                names.get(bag.pending().second()),
                more == 0 ? Wording.text("bag.last-weighing") : Wording.text("bag.more-weighings", more));
    }

    private static List<String> tags(Event event) {
        return TagNames.first(
                event.rules().scoring().tags(),
                Math.min(
                        Math.max(MOST_TAGS, event.rules().scoring().tags().size()),
                        event.rules().limit() == null
                                ? MOST_TAGS
                                : event.rules().limit() + 1));
    }

    private static List<String> results(EventResult result, Event event, Function<Double, String> words) {
        if (result.days().stream().noneMatch(EventResult.Day::official)) {
            return List.of();
        }
        return result.days().stream()
                .filter(d -> d.brought() != null)
                .map(d -> result(d, event, words))
                .toList();
    }

    private static String result(EventResult.Day d, Event event, Function<Double, String> words) {
        String day = event.days().size() > 1 ? Wording.text("bag.result-day", d.number()) + " " : "";
        String bag = Wording.text(d.official() ? "bag.result-official" : "bag.result-by-log", words.apply(d.brought()));
        String place = d.place() == null ? "" : " " + Wording.text("bag.result-place", d.place());
        if (d.disqualified()) {
            return day + bag + " " + Wording.text("bag.result-too-late") + place;
        }
        String penalty = d.penalty() > 0
                ? " " + Wording.text("bag.result-penalty", words.apply(d.penalty()), words.apply(d.counted()))
                : "";
        return day + bag + penalty + place;
    }

    private static @Nullable String sum(EventResult result, Event event, Function<Double, String> words, Units units) {
        if (result.counted() == null || (event.days().size() < 2 && result.cut() == null)) {
            return null;
        }
        Scoring.Cut rule = event.rules().scoring().cut();
        String cut = rule == null || result.cut() == null
                ? ""
                : " " + Wording.text(result.cut() ? "bag.cut-made" : "bag.cut-missed", rule.places());
        String tie = event.rules().scoring().tieBreak() == TieBreak.BIGGEST_FISH && result.biggest() != null
                ? " " + Wording.text("bag.tie-biggest", units.weight(result.biggest()))
                : "";
        return Wording.text("bag.all-days", words.apply(result.counted())) + cut + tie;
    }
}
