package lochan.core.rate;

import java.util.List;
import lochan.core.Assumptions;
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
        double landed = count(presentation, stops, true);
        double notLanded = count(presentation, stops, false);
        return new LandingChance(a.priorStrikes() * prior + landed, a.priorStrikes() * (1 - prior) + notLanded);
    }

    public double mean() {
        return alpha / (alpha + beta);
    }

    private static long count(Presentation presentation, List<PracticeStop> stops, boolean landed) {
        return stops.stream().flatMap(stop -> stop.bites().stream()
                .filter(b -> presentation.id().equals(stop.presentationOf(b)))
                .filter(b -> b.outcome().triesLanding() && (b.outcome() == Outcome.LANDED) == landed)).count();
    }
}
