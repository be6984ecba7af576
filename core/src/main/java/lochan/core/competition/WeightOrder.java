package lochan.core.competition;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Which of two fish is heavier, from their weights as far as the scale can tell and from what the balance said. Both hold through
 * a third fish: a &gt; b and b &gt; c give a &gt; c.
 */
final class WeightOrder {

    private final Function<String, Double> grams;
    /** Holds, by fish, those the balance found lighter; where a later weight disagrees, the scale is right. */
    private final Map<String, Set<String>> weighed = new HashMap<>();

    private final double resolutionGrams;

    /**
     * @param grams           the weight of a fish, null where not weighed
     * @param balances        what the balance said
     * @param resolutionGrams weights closer than this do not decide; null: only equal ones do not
     */
    WeightOrder(Function<String, Double> grams, Collection<Entry.Balance> balances, @Nullable Double resolutionGrams) {
        this.grams = grams;
        balances.forEach(
                b -> weighed.computeIfAbsent(b.heavier(), h -> new HashSet<>()).add(b.lighter()));
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

    /** Those of some fish that none of them is known to be lighter than. */
    List<String> lightest(List<String> fish) {
        return fish.stream()
                .filter(a -> fish.stream().noneMatch(b -> heavier(a, b).orElse(false)))
                .toList();
    }

    /**
     * The two fish to put on the balance when the lightest is sought. Only one fish can be ruled out by a weighing, and only when both may still be
     * the lightest: m such fish take m &minus; 1 weighings, whatever they say, and no way takes fewer. Which two are weighed decides how many
     * are left for the next cull: those that the fewest others wait behind, as in a tournament drawn evenly (Knuth, The
     * Art of
     * Computer Programming 3, 5.2.3 and 5.3.3).
     *
     * @param open fish that may be the lightest, two or more
     * @param all  these and the ones known to be heavier
     */
    Verdict nextWeighing(List<String> open, List<String> all) {
        List<String> evenly = open.stream()
                .sorted(Comparator.comparing(a -> waitingBehind(a, all)))
                .toList();
        return Verdict.balance(evenly.get(0), evenly.get(1));
    }

    /** Fish that would be open if this one went: those that nothing else is known to be lighter than. */
    private long waitingBehind(String gone, List<String> fish) {
        List<String> rest = fish.stream().filter(f -> !f.equals(gone)).toList();
        return 1L + lightest(rest).size() - lightest(fish).size();
    }

    /** Whether the balance already said, itself or through other fish, that a is heavier. */
    boolean balanceSaid(String a, String b) {
        return reaches(a, b);
    }

    private int byScale(String a, String b) {
        Double x = grams.apply(a);
        Double y = grams.apply(b);
        return x == null || y == null || Math.abs(x - y) < resolutionGrams ? 0 : Double.compare(x, y);
    }

    /**
     * Whether a way leads down from one fish to another. Steps by the scale alone join into one such step, so a way that the scale itself does not see
     * goes over what the balance said.
     */
    private boolean reaches(String from, String to) {
        Set<String> seen = new HashSet<>(Set.of(from));
        Deque<String> open = new ArrayDeque<>(weighed.isEmpty() ? Set.of() : seen);
        while (!open.isEmpty()) {
            String fish = open.pop();
            if (byScale(fish, to) > 0) {
                return true;
            }
            weighed.forEach((heavier, lighter) -> {
                if (heavier.equals(fish) || byScale(fish, heavier) > 0) {
                    lighter.stream()
                            .filter(l -> byScale(heavier, l) >= 0)
                            .filter(seen::add)
                            .forEach(open::push);
                }
            });
            if (seen.contains(to)) {
                return true;
            }
        }
        return false;
    }
}
