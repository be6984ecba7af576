package lochan.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.plan.PlanStop;
import lochan.core.rate.Cell;
import lochan.core.scenario.ScenarioSet;
import lochan.core.search.TourSearch;
import lochan.core.water.Runs;

/**
 * Finds the plan of a competition day that is best by a stance: a search on some of the scenarios by two workers, whose best tours are then
 * made better on all of them. The same seed and rounds give the same plan.
 */
public final class DayPlanner {

    private static final int WORKERS = 2;
    private static final int SEARCHED_SCENARIOS = 32;
    private static final int POLISHED_SCENARIOS = 160;
    private static final int POLISHED = 1;
    /** Cells looked at, the best by an hour there: a plan has room for few. */
    private static final int CANDIDATES = 48;

    private final ScenarioSet scenarios;
    private final DayTours.RunTable runs;
    private final Wishes wishes;
    private final long seed;

    /**
     * What the angler wants.
     *
     * @param locked stops that stay as they are, in their order
     * @param usable what else may be planned
     */
    public record Wishes(Stance stance, List<PlanStop> locked, Predicate<Cell> usable) {

        public Wishes {
            locked = List.copyOf(locked);
        }

        /** Everything may be planned, nothing is locked. */
        public static Wishes of(Stance stance) {
            return new Wishes(stance, List.of(), c -> true);
        }

        /** @param avoid spots not to be planned */
        public static Wishes avoiding(Stance stance, List<PlanStop> locked, Set<String> avoid) {
            Set<String> spots = Set.copyOf(avoid);
            return new Wishes(stance, locked, c -> !spots.contains(c.spotId()));
        }
    }

    public DayPlanner(ScenarioSet scenarios, Runs runs, Wishes wishes, long seed) {
        this(scenarios, DayTours.RunTable.of(scenarios.model(), runs), wishes, seed);
    }

    DayPlanner(ScenarioSet scenarios, DayTours.RunTable runs, Wishes wishes, long seed) {
        this.scenarios = scenarios;
        this.runs = runs;
        this.wishes = wishes;
        this.seed = seed;
    }

    /**
     * The best plan after so many rounds of each worker.
     *
     * @param goOn asked before each round by its number; false ends the search with what was found so far
     * @throws IllegalArgumentException when the locked stops cannot all be kept
     */
    public List<PlanStop> plan(int rounds, IntPredicate goOn) {
        List<Cell> cells = candidates();
        // Drawn before workers share them.
        cells.forEach(scenarios::cell);
        wishes.locked().forEach(s -> scenarios.cell(new Cell(s.spotId(), s.presentationId())));
        List<TourSearch.Found> found = IntStream.range(0, WORKERS).parallel().mapToObj(w -> {
            DayTours tours = tours(cells, SEARCHED_SCENARIOS);
            return new TourSearch(tours, tours.given(), seed + w).rounds(rounds, goOn).elite().stream().limit(POLISHED).toList();
        }).flatMap(List::stream).toList();
        List<TourSearch.Found> polished = found.parallelStream().map(f -> {
            DayTours tours = tours(cells, POLISHED_SCENARIOS);
            return TourSearch.polished(tours, f.tour(), seed);
        }).toList();
        DayTours all = tours(cells, scenarios.count());
        return all.stops(polished.stream().map(TourSearch.Found::tour).max(Comparator.comparingDouble(t -> {
            all.slack(t);
            return all.value(t);
        })).orElseThrow());
    }

    private DayTours tours(List<Cell> cells, int count) {
        return new DayTours(scenarios, cells, wishes.locked(), wishes.stance(), count, runs);
    }

    private List<Cell> candidates() {
        List<Cell> all = scenarios.model().cells().stream().filter(wishes.usable())
                .filter(c -> !scenarios.model().event().offLimits(Objects.requireNonNull(scenarios.model().spot(c.spotId())))).toList();
        DayTours tours = tours(all, SEARCHED_SCENARIOS);
        List<Integer> order = new ArrayList<>(IntStream.range(0, all.size()).boxed().toList());
        order.sort(Comparator.comparingDouble(tours::promise).reversed());
        return order.stream().limit(CANDIDATES).map(all::get).toList();
    }
}
