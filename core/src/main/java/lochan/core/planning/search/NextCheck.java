package lochan.core.planning.search;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;

/**
 * What half an hour of practice somewhere would be worth on the competition day ({@code model.md} §11): for 0, 1, 2 and 3 or more bites,
 * weighed by their predictive chances, the day is planned again with that stop in the log, and the mean gain over the plan without
 * looking is taken. Bites at an unknown gamma rate are negative binomial: with shape α and rate β, and effort e,
 * <pre>P(0) = (β/(β+e))^α,  P(n) = P(n−1)·(α+n−1)/n·e/(β+e)</pre>
 * Both plans are valued with what is known after the look: one that changes no plan is worth nothing. A spot fished on the day is not proposed for it
 * again, nor twice, and at most a third of the proposals lie within one pattern: a chooser that goes back to its favourites learns less.
 */
public final class NextCheck {

    private static final Duration LOOK = Duration.ofMinutes(30);
    private static final int MOST_BITES = 3;
    /** How far above the mean a rate is hoped for: what did best in simulated seasons. */
    private static final double HOPE_SDS = 0.7;
    /** One in so many proposals may lie within one pattern. */
    private static final int PATTERN_SHARE = 3;

    private final EventData event;
    private final int day;
    private final Assumptions assumptions;
    private final Function<ScenarioSet, List<PlanStop>> planner;
    private final int scenarios;
    private final long seed;

    /**
     * @param planner   finds a plan for the day of some scenarios
     * @param scenarios for each plan
     */
    public NextCheck(
            EventData event,
            int day,
            Assumptions assumptions,
            Function<ScenarioSet, List<PlanStop>> planner,
            int scenarios,
            long seed) {
        this.event = event;
        this.day = day;
        this.assumptions = assumptions;
        this.planner = planner;
        this.scenarios = scenarios;
        this.seed = seed;
    }

    /**
     * A place to look at.
     *
     * @param grams           what half an hour there is worth on the competition day, 0 or more
     * @param chanceOfNothing chance of no bite
     * @param untriedOfKind   spots of its type where the presentation was never fished, itself included
     */
    public record Look(Cell cell, double grams, double chanceOfNothing, int untriedOfKind) {}

    /**
     * The most rewarding looks among some cells, best first.
     *
     * @param at   when the look would begin
     * @param goOn asked before each with the number done; false ends it with what was looked at so far
     */
    public List<Look> of(List<Cell> cells, Instant at, IntPredicate goOn) {
        DayModel now = new FittedDayModel(event, day, assumptions);
        List<PlanStop> without = planner.apply(new ScenarioSet(now, scenarios, seed));
        List<Look> looks = new ArrayList<>();
        for (Cell cell : cells) {
            if (!goOn.test(looks.size())) {
                break;
            }
            looks.add(look(cell, at, now, without));
        }
        looks.sort(Comparator.comparingDouble(Look::grams).reversed());
        return List.copyOf(looks);
    }

    /**
     * Cells to choose a look from: those whose rate is least known against what they may bring, with the highest mean + {@value #HOPE_SDS} sd of their
     * ln rate. One at each spot, none off limits or fished on the day of {@code at}, at most a third of them within one pattern where there are three patterns.
     *
     * @param at when the look would begin
     */
    public List<Cell> promising(int most, Instant at) {
        DayModel now = new FittedDayModel(event, day, assumptions);
        int bin = bin(now);
        LocalDate date = dateOf(at);
        Set<String> taken = event.stops().stream()
                .filter(s -> dateOf(s.start()).equals(date))
                .map(PracticeStop::spotId)
                .collect(Collectors.toCollection(HashSet::new));
        Map<Pattern, Integer> ofPattern = new HashMap<>();
        List<Cell> open = now.cells().stream()
                .filter(c -> now.isOpen(c) && !taken.contains(c.spotId()))
                .sorted(Comparator.comparingDouble((Cell c) -> hopeful(now.rate(c, bin)))
                        .reversed())
                .toList();
        int patterns = (int) open.stream().map(now::pattern).distinct().count();
        int mostOfPattern = Math.ceilDiv(most, Math.clamp(patterns, 1, PATTERN_SHARE));
        List<Cell> chosen = new ArrayList<>();
        open.forEach(c -> {
            if (chosen.size() < most
                    && !taken.contains(c.spotId())
                    && ofPattern.getOrDefault(now.pattern(c), 0) < mostOfPattern) {
                chosen.add(c);
                taken.add(c.spotId());
                ofPattern.merge(now.pattern(c), 1, Integer::sum);
            }
        });
        return chosen;
    }

    /** exp(E[ln λ] + 0.7·sd[ln λ]) of a gamma rate, by ln λ's log-normal of the same mean and variance. */
    private static double hopeful(GammaRate rate) {
        double variance = Math.log1p(1 / rate.shape());
        return rate.mean() * Math.exp(-variance / 2 + HOPE_SDS * Math.sqrt(variance));
    }

    private LocalDate dateOf(Instant at) {
        return at.atZone(event.timeZone()).toLocalDate();
    }

    /** The half hour that rates are computed for: a third into the day. */
    private static int bin(DayModel model) {
        return model.bins().size() / 3;
    }

    private Look look(Cell cell, Instant at, DayModel now, List<PlanStop> without) {
        GammaRate rate = now.rate(cell, bin(now));
        double effort = LOOK.toMinutes() / 60.0;
        double share = effort / (rate.rate() + effort);
        double chance = Math.exp(rate.shape() * Math.log1p(-share));
        double none = chance;
        double rest = 1;
        double mean = 0;
        for (int bites = 0; bites <= MOST_BITES; bites++) {
            double weight = bites == MOST_BITES ? rest : chance;
            mean += weight * gain(with(cell, at, bites), without);
            rest -= chance;
            chance *= (rate.shape() + bites) / (bites + 1) * share;
        }
        return new Look(cell, mean, none, untried(cell, now));
    }

    /** What planning again gains over a plan made before, when both are valued by an event's practice. */
    private double gain(EventData looked, List<PlanStop> before) {
        ScenarioSet after = new ScenarioSet(new FittedDayModel(looked, day, assumptions), scenarios, seed);
        PlanValuer valuer = new PlanValuer(after);
        return Math.max(0, valuer.formula(planner.apply(after)) - valuer.formula(before));
    }

    /** The event with half an hour more of practice in its log. */
    private EventData with(Cell cell, Instant at, int seen) {
        List<PracticeStop> stops = new ArrayList<>(event.stops());
        List<Bite> bites = Collections.nCopies(seen, new Bite(null, Outcome.SHAKEN, cell.presentationId(), null, null));
        stops.add(PracticeStopBuilder.builder()
                .id("look")
                .spotId(cell.spotId())
                .start(at)
                .end(at.plus(LOOK))
                .anglers(event.anglers())
                .presentations(List.of(new PresentationTime(cell.presentationId(), null)))
                .follows(0)
                .bites(bites)
                .conditions(Conditions.UNKNOWN)
                .build());
        return event.inPractice(stops);
    }

    private int untried(Cell cell, DayModel now) {
        String spotType = now.spot(cell.spotId()).spotType();
        Set<String> tried = event.stops().stream()
                .filter(s -> s.presentations().stream()
                        .anyMatch(p -> p.presentationId().equals(cell.presentationId())))
                .map(PracticeStop::spotId)
                .collect(Collectors.toSet());
        return (int) event.spots().stream()
                .filter(s -> s.spotType().equals(spotType) && !tried.contains(s.id()))
                .count();
    }
}
