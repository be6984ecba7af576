package lochan.core.model.learning;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.SetupChange;
import lochan.core.practice.Bite;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * Presentations whose bites are not landed as often as usual, since their hooks, leader or rod was changed last.
 *
 * @param presentation which
 * @param hooks        what it is hooked with
 * @param tried        bites that were to be landed
 * @param missed       of them missed, or short bites
 * @param lost         of them lost at the hook-set or on the way
 * @param usual        share of bites usually landed on such hooks
 * @param chance       chance that it lands less than that
 * @param suggestion   what to change, in words
 */
public record LossSigns(
        Presentation presentation,
        Hooks hooks,
        int tried,
        int missed,
        int lost,
        double usual,
        double chance,
        String suggestion) {

    /** Of every presentation that shows them; none before a few bites were not landed. */
    public static List<LossSigns> of(EventData event, Assumptions a) {
        List<LossSigns> signs = new ArrayList<>();
        for (Presentation p : event.presentations()) {
            List<SetupChange> changes = event.notebook().changes().stream()
                    .filter(c -> c.presentationId().equals(p.id()))
                    .toList();
            List<Outcome> since = new ArrayList<>();
            for (PracticeStop stop : event.stops()) {
                for (Bite bite : stop.bites()) {
                    var at = bite.at() == null ? stop.start() : bite.at();
                    if (p.id().equals(stop.presentationOf(bite))
                            && bite.outcome().triesLanding()
                            && changes.stream().noneMatch(c -> c.at().isAfter(at))) {
                        since.add(bite.outcome());
                    }
                }
            }
            Hooks hooks = changes.stream()
                    .filter(c -> c.hooks() != null)
                    .reduce((x, y) -> y.at().isAfter(x.at()) ? y : x)
                    .map(SetupChange::hooks)
                    .orElse(p.hooks());
            LossSigns sign = of(p, hooks, since, a);
            if (sign.missed + sign.lost >= a.notebook().losses()
                    && sign.chance >= a.notebook().sureOfLosses()) {
                signs.add(sign);
            }
        }
        return signs;
    }

    private static LossSigns of(Presentation p, Hooks hooks, List<Outcome> outcomes, Assumptions a) {
        int missed = (int) outcomes.stream().filter(o -> o == Outcome.MISSED).count();
        int lost = (int) outcomes.stream().filter(o -> o == Outcome.LOST).count();
        double usual = hooks.priorLanding(a.landing());
        double n = a.landing().priorBites();
        double chance = BetaDistribution.of(
                        n * usual + outcomes.size() - missed - lost, n * (1 - usual) + missed + lost)
                .cumulativeProbability(usual);
        return new LossSigns(p, hooks, outcomes.size(), missed, lost, usual, chance, suggestion(hooks, missed, lost));
    }

    private static String suggestion(Hooks hooks, int missed, int lost) {
        if (missed >= lost) {
            return hooks == Hooks.SINGLE
                    ? "short bites: a trailer hook, a shorter trailer, or a slower retrieve"
                    : "short bites: a smaller size, or a pause to let them take it";
        }
        return switch (hooks) {
            case SINGLE -> "losses: check the point, then a wider gap, a heavier leader or a softer rod";
            case TREBLE ->
                "losses: check the points, then larger or short-shanked trebles, a softer rod, or one solid hook in their place";
            case MULTI -> "losses: check the points, then fewer baits with stouter hooks";
        };
    }
}
