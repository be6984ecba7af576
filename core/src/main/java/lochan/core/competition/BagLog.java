package lochan.core.competition;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import lochan.core.Lookup;
import lochan.core.Measure;
import lochan.core.Violation;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.practice.Outcome;
import org.jspecify.annotations.Nullable;

/**
 * Replays the append-only log of a competition under the event's rules. The livewell is never stored: the entries give
 * it,
 * in their order. A released fish never comes back, whatever is corrected or voided later.
 */
public final class BagLog {

    private static final double MOST_GRAMS = 30_000;
    private static final double MOST_MM = 1500;
    private static final double MOST_CELSIUS = 40;
    /** A scale that is off by more of the known weight is no scale. */
    private static final double MOST_OFF = 0.5;

    private final Event event;
    private final Map<String, Entry> entries = new HashMap<>();
    private final Set<String> voided = new HashSet<>();
    /** Catches that their void took out of the livewell, and may bring back. */
    private final Set<String> droppedByVoid = new HashSet<>();

    /** What counts of them, by the id of the bite. */
    private final Map<String, List<Entry.Loss>> losses = new HashMap<>();

    private final Catches catches = new Catches();
    private final Set<Entry.Balance> balances = new LinkedHashSet<>();
    private final ScaleChecks scale = new ScaleChecks();
    private final Map<Integer, Livewell> livewells = new TreeMap<>();
    private final List<BagRow> rows = new ArrayList<>();

    public BagLog(Event event) {
        this.event = event;
    }

    /** The rules it is judged by. */
    public Event event() {
        return event;
    }

    /**
     * Replays a whole log.
     *
     * @throws IllegalArgumentException when an entry cannot stand where it is; {@link #append} tells more
     */
    public static BagLog replay(Event event, List<Entry> entries) {
        BagLog log = new BagLog(event);
        for (Entry entry : entries) {
            log.append(entry).ifPresent(v -> {
                throw new IllegalArgumentException("entry " + entry.id() + ": " + v.reason());
            });
        }
        return log;
    }

    /**
     * Adds an entry.
     *
     * @return what forbids it, with the entry's field; empty when it was added
     */
    public Optional<Violation> append(Entry entry) {
        Optional<Violation> refusal = refusal(entry);
        if (refusal.isEmpty()) {
            entries.put(entry.id(), entry);
            rows.add(apply(entry));
        }
        return refusal;
    }

    /** One row for each entry, in their order. */
    public List<BagRow> rows() {
        return List.copyOf(rows);
    }

    /** The livewell of a day, empty when nothing was logged on it. */
    public Bag bag(int day) {
        return livewell(day).bag();
    }

    /** Returns the entries of a day that are not void, in the order written; a bite says how its fish was lost as the last entry about it does. */
    public List<Entry> valid(int day) {
        return rows.stream()
                .filter(r -> r.day() == day && !isVoided(r.entry().id()))
                .map(r -> completed(r.entry()))
                .toList();
    }

    /** Returns a bite with what a later {@link Entry.Loss} says of it; any other entry as it is. */
    public Entry completed(Entry entry) {
        List<Entry.Loss> of = losses.getOrDefault(entry.id(), List.of());
        return entry instanceof Entry.Bite b && !of.isEmpty()
                ? new Entry.Bite(
                        b.id(),
                        b.at(),
                        b.spotId(),
                        b.presentationId(),
                        b.outcome(),
                        of.getLast().way())
                : entry;
    }

    /** A fish as the log knows it now, kept or not. */
    public Fish fish(String catchId) {
        return livewell(catches.of(catchId).day()).fish(catchId);
    }

    public boolean isVoided(String entryId) {
        return voided.contains(entryId);
    }

    private Optional<Violation> refusal(Entry entry) {
        if (entries.containsKey(entry.id())) {
            return violation("id", LogProblem.ID_TWICE, entry.id());
        }
        return switch (entry) {
            case Entry.Catch c -> refusal(c);
            case Entry.Balance b -> refusal(b);
            case Entry.Died d -> notACatch("catch", d.catchId()).or(() -> inLivewellOrHand(d.catchId()));
            case Entry.Correct c -> refusal(c);
            case Entry.Void v -> refusal(v);
            case Entry.Official o -> refusal(o);
            case Entry.ScaleCheck s -> refusal(s);
            case Entry.LivewellReading w -> refusal(w);
            case Entry.Loss l -> refusal(l);
            case Entry.Bite s -> Optional.empty();
            case Entry.Fishing f -> Optional.empty();
        };
    }

    private Optional<Violation> refusal(Entry.Catch entry) {
        String waiting = livewell(event.dayOf(entry.at())).inHand();
        if (waiting != null) {
            return violation("id", LogProblem.FISH_IN_HAND, waiting);
        }
        if (event.rules().format() == Format.LIMIT_LENGTH && entry.mm() == null) {
            return violation("mm", LogProblem.LENGTH_MISSING);
        }
        return measures(entry.grams(), entry.mm());
    }

    private static Optional<Violation> refusal(Entry.Official o) {
        if ((o.grams() != null && !(o.grams() >= 0)) || (o.mm() != null && !(o.mm() >= 0))) {
            return violation(
                    "grams", LogProblem.OFFICIAL_RANGE, requireNonNull(o.grams() == null ? o.mm() : o.grams()));
        }
        if (o.lateMinutes() != null && !(o.lateMinutes() >= 0)) {
            return violation("lateMinutes", LogProblem.LATE_RANGE, o.lateMinutes());
        }
        return o.place() != null && o.place() < 1
                ? violation("place", LogProblem.PLACE_RANGE, o.place())
                : Optional.empty();
    }

    private static Optional<Violation> refusal(Entry.ScaleCheck s) {
        if (!(s.knownGrams() > 0 && s.knownGrams() < MOST_GRAMS)) {
            return violation(
                    "knownGrams",
                    LogProblem.KNOWN_WEIGHT_RANGE,
                    Measure.weight(s.knownGrams()),
                    Measure.weight(MOST_GRAMS));
        }
        return s.readGrams() > 0 && Math.abs(s.offsetGrams()) <= MOST_OFF * s.knownGrams()
                ? Optional.empty()
                : violation(
                        "readGrams",
                        LogProblem.SCALE_FAR_OFF,
                        Measure.weight(s.readGrams()),
                        Measure.weight(s.knownGrams()));
    }

    private static Optional<Violation> refusal(Entry.LivewellReading w) {
        return w.celsius() >= 0 && w.celsius() <= MOST_CELSIUS
                ? Optional.empty()
                : violation(
                        "celsius",
                        LogProblem.LIVEWELL_RANGE,
                        Measure.temperature(w.celsius()),
                        Measure.temperature(0),
                        Measure.temperature(MOST_CELSIUS));
    }

    private Optional<Violation> refusal(Entry.Balance entry) {
        Optional<Violation> unknown =
                notACatch("heavier", entry.heavier()).or(() -> notACatch("lighter", entry.lighter()));
        if (unknown.isPresent()) {
            return unknown;
        }
        if (entry.heavier().equals(entry.lighter())) {
            return violation("lighter", LogProblem.FISH_AGAINST_ITSELF);
        }
        if (order().balanceSaid(entry.lighter(), entry.heavier())) {
            return violation("heavier", LogProblem.BALANCE_CONTRADICTS, entry.lighter());
        }
        return Optional.empty();
    }

    private Optional<Violation> refusal(Entry.Correct entry) {
        if (entry.grams() == null && entry.mm() == null) {
            return violation("grams", LogProblem.CORRECTION_EMPTY);
        }
        return notACatch("catch", entry.catchId()).or(() -> measures(entry.grams(), entry.mm()));
    }

    private Optional<Violation> refusal(Entry.Loss entry) {
        boolean lost = entries.get(entry.entryId()) instanceof Entry.Bite b
                && b.outcome() != Outcome.SHAKEN
                && !voided.contains(b.id());
        return lost ? Optional.empty() : violation("entry", LogProblem.NO_LOST_FISH, entry.entryId());
    }

    private Optional<Violation> refusal(Entry.Void entry) {
        Entry target = entries.get(entry.entryId());
        if (target == null) {
            return violation("entry", LogProblem.NO_ENTRY, entry.entryId());
        }
        if (voided.contains(entry.entryId())) {
            return violation("entry", LogProblem.VOID_ALREADY, entry.entryId());
        }
        if (target instanceof Entry.Void undone && entries.get(undone.entryId()) instanceof Entry.Void) {
            return violation("entry", LogProblem.VOID_OF_A_RETURN, target.id());
        }
        if (target instanceof Entry.Void undone
                && entries.get(undone.entryId()) instanceof Entry.Catch fish
                && droppedByVoid.contains(fish.id())
                && !canComeBack(fish.id())) {
            return violation("entry", LogProblem.NO_ROOM_TO_RETURN, fish.id());
        }
        return Optional.empty();
    }

    private boolean canComeBack(String fish) {
        Livewell livewell = livewell(catches.of(fish).day());
        return livewell.inHand() == null && livewell.hasRoomFor(fish);
    }

    private static Optional<Violation> measures(@Nullable Double grams, @Nullable Double mm) {
        if (grams != null && !(grams > 0 && grams < MOST_GRAMS)) {
            return violation("grams", LogProblem.WEIGHT_RANGE, Measure.weight(grams), Measure.weight(MOST_GRAMS));
        }
        if (mm != null && !(mm > 0 && mm < MOST_MM)) {
            return violation("mm", LogProblem.LENGTH_RANGE, Measure.length(mm), Measure.length(MOST_MM));
        }
        return Optional.empty();
    }

    private Optional<Violation> notACatch(String field, String id) {
        return catches.has(id) && !voided.contains(id) ? Optional.empty() : violation(field, LogProblem.NO_CATCH, id);
    }

    private Optional<Violation> inLivewellOrHand(String fish) {
        Livewell livewell = livewell(catches.of(fish).day());
        return livewell.holds(fish) || fish.equals(livewell.inHand())
                ? Optional.empty()
                : violation("catch", LogProblem.NOT_IN_LIVEWELL, fish);
    }

    private static Optional<Violation> violation(String field, LogProblem problem, Object... values) {
        return Optional.of(new Violation(field, problem, values));
    }

    private BagRow apply(Entry entry) {
        return switch (entry) {
            case Entry.Catch c -> {
                int day = event.dayOf(c.at());
                catches.put(new CatchRecord(c, day, scale.now()));
                yield row(entry, day, livewell(day).take(c.id()), c.id());
            }
            case Entry.Void _,
                    Entry.Balance _,
                    Entry.Died _,
                    Entry.Correct _,
                    Entry.Official _,
                    Entry.ScaleCheck _,
                    Entry.Loss _ -> counted(entry);
            case Entry.Bite _, Entry.LivewellReading _, Entry.Fishing _ -> row(entry, day(entry), null, null);
        };
    }

    private BagRow counted(Entry entry) {
        count(entry, true);
        return settled(entry, day(entry));
    }

    /** Makes an entry count or not count. */
    private void count(Entry entry, boolean counts) {
        switch (entry) {
            case Entry.Balance b -> {
                if (counts) {
                    balances.add(b);
                } else {
                    balances.remove(b);
                }
            }
            case Entry.Died d -> catches.of(d.catchId()).died(d.id(), counts);
            case Entry.Correct c -> catches.of(c.catchId()).correct(c, scale.now(), counts);
            case Entry.ScaleCheck s -> scale.count(s, counts);
            case Entry.Official o -> livewell(day(o)).official(counts ? o : null);
            case Entry.Void v -> {
                if (counts) {
                    voided.add(v.entryId());
                } else {
                    voided.remove(v.entryId());
                }
                count(Lookup.of(entries, v.entryId()), !counts);
            }
            case Entry.Catch c -> countCatch(c.id(), counts);
            case Entry.Loss l -> {
                List<Entry.Loss> of = losses.computeIfAbsent(l.entryId(), b -> new ArrayList<>());
                if (counts) {
                    of.add(l);
                } else {
                    of.remove(l);
                }
            }
            case Entry.Bite s -> {}
            case Entry.LivewellReading w -> {}
            case Entry.Fishing f -> {}
        }
    }

    private void countCatch(String fish, boolean counts) {
        Livewell livewell = livewell(catches.of(fish).day());
        if (counts) {
            if (droppedByVoid.remove(fish)) {
                livewell.putBack(fish);
            }
        } else {
            if (livewell.holds(fish)) {
                droppedByVoid.add(fish);
            }
            livewell.drop(fish);
        }
    }

    /** The row of an entry that may have settled the fish in hand. */
    private BagRow settled(Entry entry, int day) {
        String fish = livewell(day).inHand();
        return row(entry, day, fish == null ? null : livewell(day).take(fish), fish);
    }

    private BagRow row(Entry entry, int day, @Nullable Verdict verdict, @Nullable String fish) {
        Livewell livewell = livewell(day);
        return new BagRow(entry, verdict, fish, fish == null ? null : livewell.tag(fish), day, livewell.bag());
    }

    private int day(Entry entry) {
        String about = entry.about();
        return about == null ? event.dayOf(entry.at()) : day(Lookup.of(entries, about));
    }

    private Livewell livewell(int day) {
        return livewells.computeIfAbsent(day, d -> new Livewell(event, catches, balances));
    }

    private WeightOrder order() {
        return new WeightOrder(
                id -> catches.of(id).grams(), balances, event.rules().scaleGrams());
    }
}
