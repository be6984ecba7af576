package lochan.core.rate;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;

/**
 * The chance to land a strike, known as Beta(8·q₀ + landed, 8·(1 − q₀) + lost + missed) ({@code model.md} §3).
 *
 * @param alpha first shape
 * @param beta  second shape
 */
public record LandingChance(double alpha, double beta) {

    public static LandingChance of(Presentation presentation, List<PracticeStop> stops, Assumptions.Landing a) {
        double prior = presentation.hooks().priorLanding(a);
        int landed = 0;
        int notLanded = 0;
        for (PracticeStop stop : stops) {
            for (Bite bite : stop.bites()) {
                if (bite.outcome().triesLanding() && presentation.id().equals(stop.presentationOf(bite))) {
                    if (bite.outcome() == Outcome.LANDED) {
                        landed++;
                    } else {
                        notLanded++;
                    }
                }
            }
        }
        return new LandingChance(a.priorStrikes() * prior + landed, a.priorStrikes() * (1 - prior) + notLanded);
    }

    public double mean() {
        return alpha / (alpha + beta);
    }
}
