package lochan.core.lures.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Retrieve;

/**
 * Tells how well a lure suits a situation.
 *
 * @param lure    the lure
 * @param judged  the judgements with their weights, in the order of the rules
 * @param score   Σ weight·score of the judgements
 */
public record LureAdvice(Lure lure, List<WeightedJudgement> judged, double score) {

    /**
     * A judgement with its weight.
     *
     * @param weight of its rule, 0 or more
     */
    public record WeightedJudgement(Judgement judgement, double weight) {

        /** Returns the points it adds to the score: above 0 for, below against. */
        public double points() {
            return weight * judgement.score();
        }
    }

    /** Judged by the rules' usual weights. */
    public static LureAdvice of(Lure lure, Situation at) {
        return of(lure, at, Map.of(), Assumptions.DEFAULTS.advice());
    }

    /**
     * @param weights of the rules the angler gave other weights
     */
    public static LureAdvice of(Lure lure, Situation at, Map<Rule, Double> weights, Assumptions.LureAdvice a) {
        List<WeightedJudgement> judged = new ArrayList<>();
        double score = 0;
        for (Judgement r : LureAdviceRules.judge(lure, at, a)) {
            WeightedJudgement weighed = new WeightedJudgement(
                    r, weights.getOrDefault(r.rule(), r.rule().usualWeight()));
            judged.add(weighed);
            score += weighed.points();
        }
        return new LureAdvice(lure, judged, score);
    }

    /** Returns the judgements with their weights, weightiest first. */
    public List<WeightedJudgement> reasons() {
        return judged.stream()
                .sorted(Comparator.comparingDouble((WeightedJudgement w) -> -Math.abs(w.points()))
                        .thenComparing(w -> w.judgement().rule()))
                .toList();
    }

    /** All of some lures, best first; of equal ones in their order. */
    public static List<LureAdvice> ranked(
            List<Lure> lures, Situation at, Map<Rule, Double> weights, Assumptions.LureAdvice a) {
        return lures.stream()
                .map(l -> of(l, at, weights, a))
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
        return judged.stream().anyMatch(w -> w.judgement().score() <= -1 && w.weight() >= 1);
    }
}
