package lochan.core.planning.search;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import lochan.core.event.Event;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.FishVisits;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Schedule;
import org.jspecify.annotations.Nullable;

/**
 * Two competition days planned together: of what is fished at a spot on the first, a share is still missing on the second, so that a spot may
 * be better saved. The first day is planned freely and then once more without each of its longest-fished spots; after each the second is
 * planned on what is left; the sum of both decides.
 */
public final class TwoDays {

    private static final int MOST_SAVED = 4;

    private TwoDays() {}

    /**
     * Both days.
     *
     * @param savedSpotId spot that the first day leaves alone; null: none
     * @param firstGrams  V of the first day
     * @param secondGrams V of the second after the first
     */
    public record Pair(
            @Nullable String savedSpotId,
            List<PlanStop> first,
            List<PlanStop> second,
            double firstGrams,
            double secondGrams) {

        public Pair {
            first = List.copyOf(first);
            second = List.copyOf(second);
        }

        public double grams() {
            return firstGrams + secondGrams;
        }
    }

    /**
     * Scenarios of a later day after a plan of an earlier one. What was fished is computed at the later day's rates for the same times of day.
     *
     * @param earlier the earlier day's number
     */
    public static ScenarioSet after(ScenarioSet later, int earlier, List<PlanStop> fished) {
        DayModel model = later.model();
        Event event = model.event().event();
        Duration ahead = Duration.between(
                event.day(earlier).start(), event.day(model.day()).start());
        double share = model.assumptions().depletion().overnight();
        List<PlanStop> shifted = fished.stream()
                .map(s -> s.during(s.arrive().plus(ahead), s.leave().plus(ahead)))
                .toList();
        Map<String, double[]> missing = new HashMap<>();
        for (Schedule.Segment s : Schedule.segments(shifted, model.bins())) {
            CellScenarios cell = later.cell(s.cell());
            double[] of = missing.computeIfAbsent(s.cell().spotId(), x -> new double[later.count()]);
            for (int j = 0; j < of.length; j++) {
                of[j] += share * cell.bitesPerHour(j, s.bin()) * s.hours();
            }
        }
        return later.after(missing, FishVisits.of(model).of(shifted));
    }

    /**
     * The ways to spread two days, best first; the freely planned first day is among them.
     *
     * @param first  scenarios of the first day, whose number is one before the second's
     * @param wishes for the first day; the second has its strategy
     * @param goOn   asked before each way with the number done; false ends it with what was found, one at least
     */
    public static List<Pair> ways(
            ScenarioSet first,
            ScenarioSet second,
            DayRuns runs,
            DayPlanner.Wishes wishes,
            long seed,
            int rounds,
            IntPredicate goOn) {
        Pair free = pair(null, first, second, runs, wishes, seed, rounds);
        List<Pair> ways = new ArrayList<>(List.of(free));
        Map<String, Duration> dwell = new HashMap<>();
        free.first().stream()
                .filter(s -> !s.locked())
                .forEach(s -> dwell.merge(s.spotId(), Duration.between(s.arrive(), s.leave()), Duration::plus));
        List<String> longest = dwell.entrySet().stream()
                .sorted(Map.Entry.<String, Duration>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(MOST_SAVED)
                .map(Map.Entry::getKey)
                .toList();
        for (String spot : longest) {
            if (!goOn.test(ways.size())) {
                break;
            }
            DayPlanner.Wishes without = new DayPlanner.Wishes(
                    wishes.strategy(),
                    wishes.locked(),
                    c -> wishes.usable().test(c) && !c.spotId().equals(spot));
            ways.add(pair(spot, first, second, runs, without, seed, rounds));
        }
        ways.sort(Comparator.comparingDouble(Pair::grams).reversed());
        return List.copyOf(ways);
    }

    private static Pair pair(
            @Nullable String saved,
            ScenarioSet first,
            ScenarioSet second,
            DayRuns runs,
            DayPlanner.Wishes wishes,
            long seed,
            int rounds) {
        List<PlanStop> one = new DayPlanner(first, runs, wishes, seed).plan(rounds, i -> true);
        ScenarioSet left = after(second, first.model().day(), one);
        List<PlanStop> two =
                new DayPlanner(left, runs, DayPlanner.Wishes.of(wishes.strategy()), seed).plan(rounds, i -> true);
        return new Pair(saved, one, two, new PlanValuer(first).formula(one), new PlanValuer(left).formula(two));
    }
}
