package lochan.core.competition;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Brief;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;

/** The live well of one day while the log is replayed: who is in it, who wears which tag, who waits for the balance. */
final class Well {

    private static final double LENGTH_TOLERANCE_MM = 1e-6;

    private final Brief brief;
    private final Map<String, CatchRecord> catches;
    private final Collection<Entry.Balance> balances;
    private final List<String> kept = new ArrayList<>();
    private final Map<String, String> tags = new HashMap<>();
    private String inHand;
    private Verdict pending;
    private Entry.Official official;

    Well(Brief brief, Map<String, CatchRecord> catches, Collection<Entry.Balance> balances) {
        this.brief = brief;
        this.catches = catches;
        this.balances = balances;
    }

    String inHand() {
        return inHand;
    }

    boolean holds(String fish) {
        return kept.contains(fish);
    }

    boolean hasRoomFor(String fish) {
        return kept.size() < brief.countingFish() && !speciesIsFull(fish) && !overIsFull(fish);
    }

    void official(Entry.Official entry) {
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
            case CULL -> keep(fish, remove(verdict.released()));
            case RELEASE, BALANCE -> { }
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

    String tag(String fish) {
        return tags.get(fish);
    }

    private String remove(String fish) {
        kept.remove(fish);
        return tags.remove(fish);
    }

    private void keep(String fish, String freedTag) {
        String wished = catches.get(fish).entry().tag();
        String tag = wished != null && !tags.containsValue(wished) ? wished
                : freedTag != null ? freedTag : TagNames.firstFree(tags.values());
        kept.add(fish);
        tags.put(fish, tag);
    }

    private Verdict decide(String fish) {
        Optional<Verdict.Reason> forbidden = forbidden(fish);
        if (forbidden.isPresent()) {
            return Verdict.release(forbidden.get(), fish);
        }
        boolean overIsFull = overIsFull(fish);
        boolean speciesIsFull = speciesIsFull(fish);
        if (!overIsFull && !speciesIsFull && kept.size() < brief.countingFish()) {
            return Verdict.keep();
        }
        if (!brief.culling()) {
            return Verdict.release(Verdict.Reason.NO_CULLING, fish);
        }
        List<String> rivals = kept.stream().filter(other -> catches.get(other).alive())
                .filter(other -> !speciesIsFull && !overIsFull || species(other) == species(fish)).filter(other -> !overIsFull || isOver(other)).toList();
        Verdict.Reason full = overIsFull ? Verdict.Reason.OVER_FULL : speciesIsFull ? Verdict.Reason.SPECIES_FULL : null;
        if (rivals.isEmpty()) {
            return Verdict.release(full == null ? Verdict.Reason.NOTHING_TO_CULL : full, fish);
        }
        return against(fish, rivals, full == null ? Verdict.Reason.TOO_LIGHT : full);
    }

    /** Why a fish may not be kept at all; empty when it may. */
    private Optional<Verdict.Reason> forbidden(String fish) {
        CatchRecord record = catches.get(fish);
        Double least = rule(fish).map(SpeciesRule::minGrams).orElse(null);
        boolean light = record.grams() != null && least != null && record.grams() < least;
        boolean inSlot = record.mm() != null && rule(fish).map(SpeciesRule::slot).filter(s -> s.holds(record.mm())).isPresent();
        return isShort(fish) ? Optional.of(Verdict.Reason.SHORT) : inSlot ? Optional.of(Verdict.Reason.IN_SLOT) : light ? Optional.of(Verdict.Reason.LIGHT) : Optional.empty();
    }

    private Species species(String fish) {
        return catches.get(fish).entry().species();
    }

    /** Whether a fish is longer than its slot; one that was not measured is not. */
    private boolean isOver(String fish) {
        Double mm = catches.get(fish).mm();
        return mm != null && rule(fish).map(SpeciesRule::slot).filter(s -> mm > s.toMm()).isPresent();
    }

    private boolean overIsFull(String fish) {
        Integer most = rule(fish).map(SpeciesRule::slot).map(SpeciesRule.Slot::over).orElse(null);
        return most != null && isOver(fish) && kept.stream().filter(other -> species(other) == species(fish) && isOver(other)).count() >= most;
    }

    /**
     * The fish against those that may be culled. Two weighed fish of the well that the scale cannot tell apart are not worth a
     * weighing of their own: the one with the smaller reading goes, of equal ones the one longer in the well.
     */
    private Verdict against(String fish, List<String> rivals, Verdict.Reason tooLight) {
        WeightOrder order = order();
        List<String> lightest = rivals.stream()
                .filter(a -> rivals.stream().noneMatch(b -> order.heavier(a, b).orElse(false)))
                .toList();
        if (rivals.stream().allMatch(rival -> order.heavier(rival, fish).orElse(false))) {
            return Verdict.release(tooLight, fish);
        }
        Optional<String> rival = lightestOf(lightest);
        if (rival.isEmpty()) {
            return unweighedWell(fish, lightest, order);
        }
        return order.heavier(fish, rival.get())
                .map(heavier -> heavier ? Verdict.cull(rival.get()) : Verdict.release(tooLight, fish))
                .orElseGet(() -> Verdict.balance(fish, rival.get()));
    }

    /** The one to cull among fish that no order tells apart; empty when it takes the balance to find it. */
    private Optional<String> lightestOf(List<String> lightest) {
        if (lightest.size() == 1) {
            return Optional.of(lightest.getFirst());
        }
        boolean weighed = lightest.stream().allMatch(f -> grams(f) != null);
        return weighed ? lightest.stream().min(java.util.Comparator.comparing(this::grams)) : Optional.empty();
    }

    private Verdict unweighedWell(String fish, List<String> lightest, WeightOrder order) {
        return lightest.stream()
                .filter(other -> order.heavier(fish, other).isEmpty())
                .findFirst()
                .map(other -> Verdict.balance(fish, other))
                .orElseGet(() -> Verdict.balance(lightest.get(0), lightest.get(1)));
    }

    private WeightOrder order() {
        Map<String, Double> grams = new HashMap<>();
        catches.forEach((id, record) -> grams.put(id, record.grams()));
        return new WeightOrder(grams, balances, brief.scaleGrams());
    }

    private boolean isShort(String fish) {
        CatchRecord record = catches.get(fish);
        Double minimum = rule(fish).map(SpeciesRule::minLengthMm).orElse(null);
        return record.mm() != null && minimum != null && record.mm() < minimum - LENGTH_TOLERANCE_MM;
    }

    private boolean speciesIsFull(String fish) {
        Integer most = rule(fish).map(SpeciesRule::bagLimit).orElse(null);
        return most != null && kept.stream()
                .filter(other -> catches.get(other).entry().species() == catches.get(fish).entry().species()).count() >= most;
    }

    private Optional<SpeciesRule> rule(String fish) {
        return Optional.ofNullable(catches.get(fish).entry().species()).flatMap(brief::rule);
    }

    private Double grams(String fish) {
        return catches.get(fish).grams();
    }

    Bag bag() {
        List<Fish> fish = kept.stream().map(this::fish).toList();
        Double total = sum(fish);
        long dead = fish.stream().filter(f -> !f.alive()).count();
        Double perDead = brief.penalties().deadFishGrams();
        Double net = total == null || perDead == null ? total : Double.valueOf(total - dead * perDead);
        List<Fish> live = fish.stream().filter(Fish::alive).toList();
        boolean weighed = !live.isEmpty() && live.stream().allMatch(f -> f.grams() != null);
        Double smallest = weighed ? live.stream().mapToDouble(Fish::grams).min().getAsDouble() : null;
        Double needs = fish.size() < brief.countingFish() || !brief.culling() ? null : smallest;
        return new Bag(fish, inHand == null ? null : fish(inHand), pending, brief.countingFish(), total, net, smallest, needs, official);
    }

    private Fish fish(String id) {
        CatchRecord record = catches.get(id);
        return new Fish(id, record.entry().species(), record.grams(), record.mm(), record.alive(), tags.get(id));
    }

    private static Double sum(List<Fish> fish) {
        return fish.stream().anyMatch(f -> f.grams() == null) ? null : Double.valueOf(fish.stream().mapToDouble(Fish::grams).sum());
    }
}
