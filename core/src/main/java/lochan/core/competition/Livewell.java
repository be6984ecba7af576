package lochan.core.competition;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Penalties;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import org.jspecify.annotations.Nullable;

/** The livewell of one day while the log is replayed: who is in it, who wears which tag, who waits for the balance. */
final class Livewell {

    private static final double LENGTH_TOLERANCE_MM = 1e-6;

    private final Event event;
    private final Catches catches;
    private final Collection<Entry.Balance> balances;
    private final List<String> kept = new ArrayList<>();
    private final Map<String, String> tags = new HashMap<>();
    private @Nullable String inHand;
    private @Nullable Verdict pending;
    private Entry.@Nullable Official official;

    Livewell(Event event, Catches catches, Collection<Entry.Balance> balances) {
        this.event = event;
        this.catches = catches;
        this.balances = balances;
    }

    @Nullable
    String inHand() {
        return inHand;
    }

    boolean holds(String fish) {
        return kept.contains(fish);
    }

    boolean hasRoomFor(String fish) {
        return kept.size() < event.rules().countingFish() && !speciesIsFull(fish) && !overIsFull(fish);
    }

    void official(Entry.@Nullable Official entry) {
        official = entry;
    }

    /** Decides on a fish in hand and does what was decided. */
    Verdict take(String fish) {
        Verdict verdict = decide(fish);
        boolean waits = verdict.decision() == Decision.BALANCE;
        inHand = waits ? fish : null;
        pending = waits ? verdict : null;
        switch (verdict.decision()) {
            case KEEP -> keep(fish, null);
            case CULL -> keep(fish, remove(requireNonNull(verdict.released())));
            case RELEASE, BALANCE -> {}
        }
        return verdict;
    }

    /** Puts a fish back whose entry had been voided by mistake. */
    void putBack(String fish) {
        keep(fish, null);
    }

    /** Takes a fish out whose entry is void. */
    void drop(String fish) {
        remove(fish);
        if (fish.equals(inHand)) {
            inHand = null;
            pending = null;
        }
    }

    @Nullable
    String tag(String fish) {
        return tags.get(fish);
    }

    private String remove(String fish) {
        kept.remove(fish);
        return tags.remove(fish);
    }

    private void keep(String fish, @Nullable String freedTag) {
        kept.add(fish);
        tags.put(fish, tagFor(fish, freedTag));
    }

    /** The tag wished for, else the one that is free now, else the next. */
    private String tagFor(String fish, @Nullable String freedTag) {
        String wished = catches.of(fish).entry().tag();
        if (wished != null && !tags.containsValue(wished)) {
            return wished;
        }
        return freedTag != null
                ? freedTag
                : TagNames.firstFree(event.rules().scoring().tags(), tags.values());
    }

    private static Verdict.@Nullable Reason full(boolean overIsFull, boolean speciesIsFull) {
        if (overIsFull) {
            return Verdict.Reason.OVER_FULL;
        }
        return speciesIsFull ? Verdict.Reason.SPECIES_FULL : null;
    }

    private Verdict decide(String fish) {
        Optional<Verdict.Reason> forbidden = forbidden(fish);
        if (forbidden.isPresent()) {
            return Verdict.release(forbidden.get(), fish);
        }
        boolean overIsFull = overIsFull(fish);
        boolean speciesIsFull = speciesIsFull(fish);
        if (!overIsFull && !speciesIsFull && kept.size() < event.rules().countingFish()) {
            return Verdict.keep();
        }
        if (!event.rules().culling()) {
            return Verdict.release(Verdict.Reason.NO_CULLING, fish);
        }
        List<String> rivals = rivals(fish);
        Verdict.Reason full = full(overIsFull, speciesIsFull);
        if (rivals.isEmpty()) {
            return Verdict.release(full == null ? Verdict.Reason.NOTHING_TO_CULL : full, fish);
        }
        return against(fish, rivals, full == null ? Verdict.Reason.TOO_LIGHT : full);
    }

    /** The fish of the livewell that may go for another one: alive, of the kind that is full. */
    private List<String> rivals(String fish) {
        boolean over = overIsFull(fish);
        boolean kind = over || speciesIsFull(fish);
        return kept.stream()
                .filter(other -> catches.of(other).alive())
                .filter(other -> !kind || species(other) == species(fish))
                .filter(other -> !over || isOver(other))
                .toList();
    }

    /** Why a fish may not be kept at all; empty when it may. */
    private Optional<Verdict.Reason> forbidden(String fish) {
        CatchRecord record = catches.of(fish);
        Double least = rule(fish).map(SpeciesRule::minGrams).orElse(null);
        boolean light = record.grams() != null && least != null && record.grams() < least;
        Double mm = record.mm();
        boolean inSlot = mm != null
                && rule(fish).map(SpeciesRule::slot).filter(s -> s.holds(mm)).isPresent();
        if (isShort(fish)) {
            return Optional.of(Verdict.Reason.SHORT);
        }
        if (inSlot) {
            return Optional.of(Verdict.Reason.IN_SLOT);
        }
        if (light) {
            return Optional.of(Verdict.Reason.LIGHT);
        }
        return Optional.empty();
    }

    private @Nullable Species species(String fish) {
        return catches.of(fish).entry().species();
    }

    /** Whether a fish is longer than its slot; one that was not measured is not. */
    private boolean isOver(String fish) {
        Double mm = catches.of(fish).mm();
        return mm != null
                && rule(fish).map(SpeciesRule::slot).filter(s -> mm > s.toMm()).isPresent();
    }

    private boolean overIsFull(String fish) {
        Integer most =
                rule(fish).map(SpeciesRule::slot).map(SpeciesRule.Slot::over).orElse(null);
        return most != null
                && isOver(fish)
                && kept.stream()
                                .filter(other -> species(other) == species(fish) && isOver(other))
                                .count()
                        >= most;
    }

    /** The fish against those that may be culled. Lengths are never weighed off: of equal ones the fish of the bag stays. */
    private Verdict against(String fish, List<String> rivals, Verdict.Reason tooLight) {
        List<String> open = open(fish, rivals);
        if (open.size() > 1 && !byLength()) {
            return order().nextWeighing(open, both(fish, rivals));
        }
        return open.contains(fish) ? Verdict.release(tooLight, fish) : Verdict.cull(open.getFirst());
    }

    /**
     * The fish that may have to go: the one in hand and those of the livewell that may be the lightest. Two measured fish of the livewell that cannot be told
     * apart are not worth a weighing of their own: the one with the smaller reading goes, of equal ones the one longer in the livewell.
     */
    private List<String> open(String fish, List<String> rivals) {
        WeightOrder order = order();
        List<String> lightest = order.lightest(rivals);
        Optional<String> least =
                lightest.stream().filter(f -> measure(f) != null).min(Comparator.comparing(this::measure));
        return order.lightest(both(
                fish,
                lightest.stream()
                        .filter(f -> measure(f) == null || f.equals(least.orElse(null)))
                        .toList()));
    }

    private static List<String> both(String fish, List<String> rivals) {
        return Stream.concat(Stream.of(fish), rivals.stream()).toList();
    }

    private WeightOrder order() {
        return byLength()
                ? new WeightOrder(this::measure, List.of(), null)
                : new WeightOrder(this::measure, balances, event.rules().scaleGrams());
    }

    private boolean byLength() {
        return event.rules().format() == Format.LIMIT_LENGTH;
    }

    /** What a fish counts for: its weight, g, or its length, mm; null: not measured. */
    private @Nullable Double measure(String fish) {
        CatchRecord record = catches.of(fish);
        if (!byLength()) {
            return record.grams();
        }
        if (record.mm() == null) {
            return null;
        }
        return Double.valueOf(event.rules().scoring().countedMm(record.mm()));
    }

    /** Weighings until the fish in hand is settled: each rules out one of those that may be the lightest. */
    private int weighings() {
        String fish = inHand;
        return fish == null ? 0 : open(fish, rivals(fish)).size() - 1;
    }

    private boolean isShort(String fish) {
        CatchRecord record = catches.of(fish);
        Double minimum = rule(fish).map(SpeciesRule::minLengthMm).orElse(null);
        return record.mm() != null && minimum != null && record.mm() < minimum - LENGTH_TOLERANCE_MM;
    }

    private boolean speciesIsFull(String fish) {
        Integer most = rule(fish).map(SpeciesRule::bagLimit).orElse(null);
        return most != null
                && kept.stream()
                                .filter(other -> catches.of(other).entry().species()
                                        == catches.of(fish).entry().species())
                                .count()
                        >= most;
    }

    private Optional<SpeciesRule> rule(String fish) {
        return Optional.ofNullable(catches.of(fish).entry().species()).flatMap(event.rules()::rule);
    }

    Bag bag() {
        List<Fish> fish = kept.stream().map(this::fish).toList();
        Bag.Sums sums = sums();
        return new Bag(
                fish,
                inHand == null ? null : fish(inHand),
                pending,
                weighings(),
                event.rules().countingFish(),
                byLength() ? Bag.Sums.NONE : sums,
                byLength() ? sums : Bag.Sums.NONE,
                official);
    }

    private Bag.Sums sums() {
        Double total = kept.stream().anyMatch(f -> measure(f) == null)
                ? null
                : Double.valueOf(kept.stream().mapToDouble(this::measure).sum());
        List<String> live = kept.stream().filter(f -> catches.of(f).alive()).toList();
        boolean measured = !live.isEmpty() && live.stream().allMatch(f -> measure(f) != null);
        Double smallest = measured
                ? Double.valueOf(live.stream().mapToDouble(this::measure).min().getAsDouble())
                : null;
        return new Bag.Sums(
                total,
                total == null || byLength() ? total : Double.valueOf(total - penalty()),
                smallest,
                kept.size() < event.rules().countingFish() || !event.rules().culling() ? null : smallest);
    }

    /** What dead fish and short ones in the livewell take off, g. */
    private double penalty() {
        Penalties off = event.rules().penalties();
        return kept.stream().filter(f -> !catches.of(f).alive()).count() * orNothing(off.deadFishGrams())
                + kept.stream().filter(this::isShort).count() * orNothing(off.shortFishGrams());
    }

    private static double orNothing(@Nullable Double grams) {
        return grams == null ? 0 : grams;
    }

    Fish fish(String id) {
        CatchRecord record = catches.of(id);
        return new Fish(
                id,
                record.entry().species(),
                record.grams(),
                byLength() ? measure(id) : record.mm(),
                record.alive(),
                isShort(id),
                tags.get(id));
    }
}
