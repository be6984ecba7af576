package lochan.core.model.rate;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import lochan.core.Assumptions;
import lochan.core.notebook.SetupChange;
import lochan.core.practice.Bite;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;

/**
 * The chance to land a bite, known as Beta(8·q₀ + landed, 8·(1 − q₀) + lost + missed) ({@code model.md} §3).
 *
 * @param alpha first shape
 * @param beta  second shape
 */
public record LandingChance(double alpha, double beta) {

    public static LandingChance of(Presentation presentation, List<PracticeStop> stops, Assumptions.Landing a) {
        return of(presentation, stops, List.of(), a, 1);
    }

    /**
     * Returns the chance where hooks, leader or rod were changed: bites before the last change say less, and the prior
     * is of the hooks now.
     *
     * @param changes  of any presentation
     * @param rerigged what a bite before the last change counts, 0 to 1
     */
    public static LandingChance of(
            Presentation presentation,
            List<PracticeStop> stops,
            List<SetupChange> changes,
            Assumptions.Landing a,
            double rerigged) {
        List<SetupChange> own = changes.stream()
                .filter(c -> c.presentationId().equals(presentation.id()))
                .sorted(Comparator.comparing(SetupChange::at))
                .toList();
        Hooks hooks = own.stream()
                .map(SetupChange::hooks)
                .filter(Objects::nonNull)
                .reduce((x, y) -> y)
                .orElse(presentation.hooks());
        double prior = hooks.priorLanding(a);
        double landed = 0;
        double notLanded = 0;
        for (PracticeStop stop : stops) {
            for (Bite bite : stop.bites()) {
                if (bite.outcome().triesLanding() && presentation.id().equals(stop.presentationOf(bite))) {
                    Instant at = bite.at() == null ? stop.start() : bite.at();
                    double counts = !own.isEmpty() && at.isBefore(own.getLast().at()) ? rerigged : 1;
                    if (bite.outcome() == Outcome.LANDED) {
                        landed += counts;
                    } else {
                        notLanded += counts;
                    }
                }
            }
        }
        return new LandingChance(a.priorBites() * prior + landed, a.priorBites() * (1 - prior) + notLanded);
    }

    public double mean() {
        return alpha / (alpha + beta);
    }
}
