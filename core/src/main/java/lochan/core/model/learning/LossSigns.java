package lochan.core.model.learning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.Reason;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.SetupChange;
import lochan.core.practice.Bite;
import lochan.core.practice.Hooks;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.tackle.Lure;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.jspecify.annotations.Nullable;

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
 * @param remedies     what to change, most important first
 */
public record LossSigns(
        Presentation presentation,
        Hooks hooks,
        int tried,
        int missed,
        int lost,
        double usual,
        double chance,
        List<Reason> remedies) {

    public LossSigns {
        remedies = List.copyOf(remedies);
    }

    /** A list of more remedies is none. */
    private static final int MOST_WAYS = 2;

    /**
     * Of every presentation that shows them; none before a few bites were not landed.
     *
     * @param lures sheets that are known
     */
    public static List<LossSigns> of(EventData event, List<Lure> lures, Assumptions a) {
        List<LossSigns> signs = new ArrayList<>();
        for (Presentation p : event.presentations()) {
            List<SetupChange> changes = event.notebook().changes().stream()
                    .filter(c -> c.presentationId().equals(p.id()))
                    .toList();
            List<Bite> since = new ArrayList<>();
            for (PracticeStop stop : event.stops()) {
                for (Bite bite : stop.bites()) {
                    var at = bite.at() == null ? stop.start() : bite.at();
                    if (p.id().equals(stop.presentationOf(bite))
                            && bite.outcome().triesLanding()
                            && changes.stream().noneMatch(c -> c.at().isAfter(at))) {
                        since.add(bite);
                    }
                }
            }
            Hooks hooks = changes.stream()
                    .filter(c -> c.hooks() != null)
                    .reduce((x, y) -> y.at().isAfter(x.at()) ? y : x)
                    .map(SetupChange::hooks)
                    .orElse(p.hooks());
            Lure lure = lures.stream().filter(l -> l.isOf(p.id())).findFirst().orElse(null);
            LossSigns sign = of(p, hooks, lure, since, a);
            if (sign.missed + sign.lost >= a.notebook().losses()
                    && sign.chance >= a.notebook().sureOfLosses()) {
                signs.add(sign);
            }
        }
        return signs;
    }

    private static LossSigns of(Presentation p, Hooks hooks, @Nullable Lure lure, List<Bite> bites, Assumptions a) {
        int missed = count(bites, Outcome.MISSED);
        int lost = count(bites, Outcome.LOST);
        double usual = hooks.priorLanding(a.landing());
        double n = a.landing().priorBites();
        double chance = BetaDistribution.of(n * usual + bites.size() - missed - lost, n * (1 - usual) + missed + lost)
                .cumulativeProbability(usual);
        return new LossSigns(
                p, hooks, bites.size(), missed, lost, usual, chance, remedies(bites, hooks, lure, missed, lost));
    }

    private static int count(List<Bite> bites, Outcome outcome) {
        return (int) bites.stream().filter(b -> b.outcome() == outcome).count();
    }

    /** Goes by the ways noted, the most frequent first; by the outcomes where none was noted. */
    private static List<Reason> remedies(List<Bite> bites, Hooks hooks, @Nullable Lure lure, int missed, int lost) {
        Map<LossWay, Long> ways = bites.stream()
                .map(b -> b.notes().lossWay())
                .filter(Objects::nonNull)
                .collect(Collectors.groupingBy(w -> w, TreeMap::new, Collectors.counting()));
        return ways.isEmpty()
                ? List.of(byOutcome(hooks, missed, lost).with())
                : ways.entrySet().stream()
                        .sorted(Map.Entry.<LossWay, Long>comparingByValue().reversed())
                        .limit(MOST_WAYS)
                        .map(e -> LossRemedy.of(e.getKey(), hooks, lure).with())
                        .toList();
    }

    private static LossReason byOutcome(Hooks hooks, int missed, int lost) {
        if (missed >= lost) {
            return hooks == Hooks.SINGLE ? LossReason.MISSED_SINGLE : LossReason.SHORT;
        }
        return switch (hooks) {
            case SINGLE -> LossReason.LOST_SINGLE;
            case TREBLE -> LossReason.LOST_TREBLE;
            case MULTI -> LossReason.LOST_MULTI;
        };
    }
}
