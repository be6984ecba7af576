package lochan.core.competition;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Which of two fish is heavier, from their weights as far as the scale can tell and from what the balance said. Both hold through
 * a third fish: a &gt; b and b &gt; c give a &gt; c.
 */
final class WeightOrder {

    private final Map<String, Double> grams;
    private final Collection<Entry.Balance> balances;
    private final double resolutionGrams;

    /**
     * @param grams           the fish and their weights, null where not weighed
     * @param balances        what the balance said
     * @param resolutionGrams weights closer than this do not decide; null: only equal ones do not
     */
    WeightOrder(Map<String, Double> grams, Collection<Entry.Balance> balances, Double resolutionGrams) {
        this.grams = grams;
        this.balances = balances;
        this.resolutionGrams = resolutionGrams == null ? Double.MIN_VALUE : resolutionGrams;
    }

    /** Whether a is heavier than b; empty when neither scale nor balance can tell. */
    Optional<Boolean> heavier(String a, String b) {
        int byScale = byScale(a, b);
        if (byScale != 0) {
            return Optional.of(byScale > 0);
        }
        boolean above = reaches(a, b);
        boolean below = reaches(b, a);
        return above == below ? Optional.empty() : Optional.of(above);
    }

    /** Whether the balance already said, itself or through other fish, that a is heavier. */
    boolean balanceSaid(String a, String b) {
        return reaches(a, b);
    }

    private int byScale(String a, String b) {
        Double x = grams.get(a);
        Double y = grams.get(b);
        return x == null || y == null || Math.abs(x - y) < resolutionGrams ? 0 : Double.compare(x, y);
    }

    private boolean reaches(String from, String to) {
        Set<String> seen = new HashSet<>(Set.of(from));
        Deque<String> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            String fish = open.pop();
            if (fish.equals(to)) {
                return true;
            }
            grams.keySet().stream().filter(other -> isAbove(fish, other) && seen.add(other)).forEach(open::push);
        }
        return false;
    }

    private boolean isAbove(String a, String b) {
        int byScale = byScale(a, b);
        return byScale != 0 ? byScale > 0 : balances.stream().anyMatch(e -> Objects.equals(e.heavier(), a) && Objects.equals(e.lighter(), b));
    }
}
