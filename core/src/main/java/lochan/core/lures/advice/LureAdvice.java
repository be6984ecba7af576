package lochan.core.lures.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.quantity.Units;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Retrieve;

/**
 * What speaks for and against a lure in a situation.
 *
 * @param lure    the lure
 * @param judged  each reason with its weight, in the order of the rules
 * @param score   Σ weight·score of the reasons
 */
public record LureAdvice(Lure lure, List<WeightedReason> judged, double score) {

    /**
     * A reason with its weight.
     *
     * @param weight of its rule, 0 or more
     */
    public record WeightedReason(Reason reason, double weight) {

        /** What it adds to the score: above 0 for, below against. */
        public double points() {
            return weight * reason.score();
        }
    }

    /** Judged by the rules' usual weights. */
    public static LureAdvice of(Lure lure, Situation at, Units units) {
        return of(lure, at, units, Map.of(), Assumptions.DEFAULTS.advice());
    }

    /**
     * @param weights of the rules the angler gave other weights
     */
    public static LureAdvice of(
            Lure lure, Situation at, Units units, Map<Rule, Double> weights, Assumptions.LureAdvice a) {
        List<WeightedReason> judged = new ArrayList<>();
        double score = 0;
        for (Reason r : LureAdviceRules.judge(lure, at, units, a)) {
            WeightedReason weighed = new WeightedReason(
                    r, weights.getOrDefault(r.rule(), r.rule().usualWeight()));
            judged.add(weighed);
            score += weighed.points();
        }
        return new LureAdvice(lure, judged, score);
    }

    /** Each reason with its weight, weightiest first. */
    public List<WeightedReason> reasons() {
        return judged.stream()
                .sorted(Comparator.comparingDouble((WeightedReason w) -> -Math.abs(w.points()))
                        .thenComparing(w -> w.reason().rule()))
                .toList();
    }

    /** All of some lures, best first; of equal ones in their order. */
    public static List<LureAdvice> ranked(
            List<Lure> lures, Situation at, Units units, Map<Rule, Double> weights, Assumptions.LureAdvice a) {
        return lures.stream()
                .map(l -> of(l, at, units, weights, a))
                .sorted(Comparator.comparingDouble((LureAdvice x) -> -x.score()))
                .toList();
    }

    /**
     * By what the rules would multiply the bite rate of a presentation never tried there, exp(score·c) within its bounds: rules of thumb may lean
     * a prior, not make it.
     */
    public double suitability(Assumptions.LureAdvice a) {
        return Math.clamp(Math.exp(a.lnPerPoint() * score), a.leastSuitability(), a.mostSuitability());
    }

    /** How it is worked there: under the boat where that is asked, off the bottom where the fish hang, else as usual. */
    public Retrieve retrieve(Situation at) {
        if (Boolean.TRUE.equals(at.vertical()) && lure.retrieves().contains(Retrieve.VERTICAL)) {
            return Retrieve.VERTICAL;
        }
        Retrieve usual = lure.retrieves().getFirst();
        return at.suspended() && lure.onBottom()
                ? lure.retrieves().stream()
                        .filter(Retrieve::leavesBottom)
                        .findFirst()
                        .orElse(usual)
                : usual;
    }

    /** Whether something rules it out: it does not come to the fish, or not through the cover. */
    public boolean ruledOut() {
        return judged.stream().anyMatch(w -> w.reason().score() <= -1 && w.weight() >= 1);
    }
}
