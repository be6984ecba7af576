package lochan.core.planning.valuation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import lochan.core.competition.Bag;
import lochan.core.competition.Fish;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.model.size.Survival;
import lochan.core.plan.PlanStop;
import org.jspecify.annotations.Nullable;

/** Values plans over the scenarios of a set, by the formula of {@code model.md} §7 and by simulating the fish one by one. */
public final class PlanValuer {

    private final ScenarioSet scenarios;
    private final List<Fish> bag;
    private final BestFish bestFish;
    private final FishVisits fishVisits;
    /** By the known fish that are caught, as bits: the bag with them. */
    private final BestFish[] withFish;

    /** @param bag what is in the bag already; fish not weighed are left out */
    public PlanValuer(ScenarioSet scenarios, Bag bag) {
        this(scenarios, bag.fish());
    }

    /** Values from an empty bag. */
    public PlanValuer(ScenarioSet scenarios) {
        this(scenarios, List.of());
    }

    public PlanValuer(ScenarioSet scenarios, List<Fish> fish) {
        this.scenarios = scenarios;
        this.bag = fish.stream().filter(f -> f.grams() != null).toList();
        this.bestFish = new BestFish(
                scenarios.model().event().rules().countingFish(),
                bag.stream().map(Fish::grams).toList());
        this.fishVisits = FishVisits.of(scenarios.model());
        this.withFish = new BestFish[1 << fishVisits.count()];
        this.withFish[0] = bestFish;
    }

    /** V, grams: the formula averaged over the scenarios. */
    public double formula(List<PlanStop> stops) {
        return formula(stops, scenarios.count());
    }

    /** Chance that a plan brings not one keeper, averaged over the scenarios: the mean of exp(−Λ(0)). */
    public double chanceOfNone(List<PlanStop> stops) {
        return Arrays.stream(outcomes(parts(stops, new HashMap<>()), scenarios.count(), true)
                        .keepers())
                .map(lambda -> Math.exp(-lambda))
                .average()
                .orElse(1);
    }

    /** V over the first so many scenarios, which are a random sample of all. */
    double formula(List<PlanStop> stops, int first) {
        return Arrays.stream(
                        outcomes(parts(stops, new HashMap<>()), first, false).grams())
                .average()
                .orElse(0);
    }

    /** Returns the sum of a day's parts in each of the first scenarios; no known fish is visited. */
    public Outcomes outcomes(List<Schedule.Segment> fishing, int first, boolean spread) {
        return outcomes(segments(fishing, new HashMap<>()), null, 0, first, spread);
    }

    /** Returns the outcomes in all scenarios after some bites of the day at a cell. */
    public Outcomes outcomesAfter(Cell bitten, int bitesSoFar, List<PlanStop> stops) {
        Fishing parts = parts(stops, new HashMap<>(Map.of(bitten.spotId(), 0)));
        return outcomes(parts, scenarios.cell(bitten), bitesSoFar, scenarios.count(), false);
    }

    private Fishing parts(List<PlanStop> stops, Map<String, Integer> pools) {
        Fishing parts = segments(Schedule.segments(stops, scenarios.model().bins()), pools);
        parts.visits = fishVisits.of(stops);
        return parts;
    }

    /** @param pools numbers that spots have already */
    private Fishing segments(List<Schedule.Segment> fishing, Map<String, Integer> pools) {
        Fishing parts = new Fishing(fishing.size());
        for (Schedule.Segment s : fishing) {
            parts.add(
                    scenarios.cell(s.cell()),
                    pools.computeIfAbsent(s.cell().spotId(), x -> pools.size()),
                    s.bin(),
                    s.hours());
        }
        return parts;
    }

    /** Parts of a day in their order, so far as they are filled in: a cell, the number of its spot, a bin and hours of it. */
    public static final class Fishing {

        private CellScenarios[] cells;
        private int[] pools;
        private int[] bins;
        private double[] hours;
        private int count;
        /** To known fish. */
        private int[] visits = {};

        public Fishing(int room) {
            cells = new CellScenarios[room];
            pools = new int[room];
            bins = new int[room];
            hours = new double[room];
        }

        public void clear() {
            count = 0;
            Arrays.fill(visits, 0);
        }

        /** Visits to known fish, for each; none unless filled in. */
        public int[] visits(int fish) {
            if (visits.length != fish) {
                visits = new int[fish];
            }
            return visits;
        }

        public void add(CellScenarios cell, int pool, int bin, double hoursOfBin) {
            if (count == cells.length) {
                cells = Arrays.copyOf(cells, 2 * count + 8);
                pools = Arrays.copyOf(pools, 2 * count + 8);
                bins = Arrays.copyOf(bins, 2 * count + 8);
                hours = Arrays.copyOf(hours, 2 * count + 8);
            }
            cells[count] = cell;
            pools[count] = pool;
            bins[count] = bin;
            hours[count++] = hoursOfBin;
        }

        private void fillFishedBefore(double[] fished, ScenarioSet scenarios, int scenario) {
            Arrays.fill(fished, 0);
            for (int i = 0; scenarios.isAfterFishing() && i < count; i++) {
                fished[pools[i]] = scenarios.fishedBefore(cells[i].cell().spotId(), scenario);
            }
        }

        private int spots() {
            int most = 0;
            for (int i = 0; i < count; i++) {
                most = Math.max(most, pools[i] + 1);
            }
            return most;
        }
    }

    /**
     * The catch of a day's fishing in each of the first scenarios.
     *
     * @param spread whether the spread within a scenario and the chance of a limit are wanted too
     */
    public Outcomes outcomes(Fishing parts, int first, boolean spread) {
        return outcomes(parts, null, 0, first, spread);
    }

    /**
     * Returns the outcomes after some bites of the day.
     *
     * @param bitten the cell they came at, its spot being number 0 of the parts; null: none came
     */
    private Outcomes outcomes(
            Fishing parts, @Nullable CellScenarios bitten, int bitesSoFar, int first, boolean spread) {
        Outcomes outcomes = new Outcomes(
                new double[first],
                new double[spread ? first : 0],
                new double[spread ? first : 0],
                new double[spread ? first : 0]);
        double[] lambda = new double[Survival.weights()];
        double[] fished = new double[Math.max(1, parts.spots())];
        for (int j = 0; j < first; j++) {
            Arrays.fill(lambda, 0);
            parts.fillFishedBefore(fished, scenarios, j);
            if (bitten != null) {
                fished[0] += bitten.undiminished(bitesSoFar);
                bitten.addLanded(lambda, bitesSoFar, j, scenarios.survival());
            }
            int i = 0;
            while (i < parts.count) {
                // Neighbouring parts of one cell catch alike: their bites are added before the sizes are.
                CellScenarios cell = parts.cells[i];
                int pool = parts.pools[i];
                double before = fished[pool];
                while (i < parts.count && parts.cells[i] == cell) {
                    fished[pool] += cell.bitesPerHour(j, parts.bins[i]) * parts.hours[i];
                    i++;
                }
                double bites = cell.bites(fished[pool]) - cell.bites(before);
                cell.addLanded(lambda, bites, j, scenarios.survival());
            }
            int caught = fishVisits.caught(parts.visits, scenarios, j);
            BestFish best = bestFish(caught);
            outcomes.grams()[j] = best.value(lambda);
            if (spread) {
                outcomes.keepers()[j] = lambda[0] + Integer.bitCount(caught);
                outcomes.sdGrams()[j] = bestFish.spread(lambda);
                outcomes.limitChance()[j] = best.limitChance(lambda[0]);
            }
        }
        return outcomes;
    }

    /** The bag when some known fish are in it. */
    private BestFish bestFish(int caught) {
        if (withFish[caught] == null) {
            withFish[caught] = bestFish.with(IntStream.range(0, fishVisits.count())
                    .filter(i -> (caught >> i & 1) == 1)
                    .mapToObj(fishVisits::grams)
                    .toList());
        }
        return withFish[caught];
    }

    /**
     * The formula and the spread.
     *
     * @param days simulated days, spread evenly over the scenarios; each scenario gets one at least
     */
    public PlanValue value(List<PlanStop> stops, int days) {
        return simulated(stops, days, 1);
    }

    /** Returns the value as shown: every weight scaled by what finished events taught. */
    public PlanValue projection(List<PlanStop> stops, int days, Calibration calibration) {
        return simulated(stops, days, calibration.factor());
    }

    /**
     * Days drawn fish by fish, in the order of their scenarios.
     *
     * @param days to draw in each scenario, 0 or more
     */
    public DrawnDays drawn(List<PlanStop> stops, int[] days) {
        return simulation(stops, j -> days[j]).drawn();
    }

    private PlanValue simulated(List<PlanStop> stops, int days, double factor) {
        int perScenario = Math.max(1, Math.ceilDiv(days, scenarios.count()));
        return simulation(stops, j -> perScenario).result(formula(stops), factor);
    }

    private Simulation simulation(List<PlanStop> stops, IntUnaryOperator daysOf) {
        EventData event = scenarios.model().event();
        Simulation simulation = new Simulation(
                event.event(),
                bag,
                hours(),
                scenarios.seed(),
                scenarios.model().assumptions().size());
        List<Schedule.Segment> segments =
                Schedule.segments(stops, scenarios.model().bins());
        CellScenarios[] cells =
                segments.stream().map(s -> scenarios.cell(s.cell())).toArray(CellScenarios[]::new);
        int[] pools = pools(segments);
        double[] bites = new double[cells.length];
        int[] hours = hourOf(segments);
        List<int[]> visits = stops.stream().map(s -> fishVisits.of(List.of(s))).toList();
        for (int j = 0; j < scenarios.count(); j++) {
            if (daysOf.applyAsInt(j) == 0) {
                continue;
            }
            double[] fished = new double[cells.length];
            for (int i = 0; i < cells.length; i++) {
                fished[pools[i]] = scenarios.fishedBefore(cells[i].cell().spotId(), j);
            }
            for (int i = 0; i < cells.length; i++) {
                bites[i] = bites(cells[i], segments.get(i), j, fished, pools[i]);
            }
            simulation.days(
                    daysOf.applyAsInt(j),
                    cells,
                    bites,
                    hours,
                    new Simulation.Sure(fishVisits.none() ? List.of() : caught(stops, visits, j)),
                    j,
                    scenarios.model().assumptions().size());
        }
        return simulation;
    }

    /**
     * Known fish that a plan catches in a scenario, each at the hour of the visit that does.
     *
     * @param visited by stop, then fish
     */
    private List<Simulation.Sure.Caught> caught(List<PlanStop> stops, List<int[]> visited, int scenario) {
        List<Simulation.Sure.Caught> caught = new ArrayList<>();
        int[] visits = new int[fishVisits.count()];
        for (int s = 0; s < visited.size(); s++) {
            int[] more = visited.get(s);
            for (int i = 0; i < visits.length; i++) {
                visits[i] += more[i];
                if (more[i] > 0 && visits[i] == scenarios.visitsNeeded(i, scenario)) {
                    caught.add(new Simulation.Sure.Caught(
                            fishVisits.hour(stops.get(s).arrive()),
                            fishVisits.grams(i),
                            fishVisits.fish(i).fish().species()));
                }
            }
        }
        return caught;
    }

    /** Expected bites of a segment in a scenario; what was fished at its spot before, by any presentation, is missing. */
    private static double bites(CellScenarios cell, Schedule.Segment segment, int scenario, double[] fished, int pool) {
        double before = fished[pool];
        fished[pool] += cell.bitesPerHour(scenario, segment.bin()) * segment.hours();
        return cell.bites(fished[pool]) - cell.bites(before);
    }

    /** For each segment the number of its spot. */
    private static int[] pools(List<Schedule.Segment> segments) {
        Map<String, Integer> spots = new HashMap<>();
        return segments.stream()
                .map(Schedule.Segment::cell)
                .map(Cell::spotId)
                .mapToInt(s -> spots.computeIfAbsent(s, x -> spots.size()))
                .toArray();
    }

    private int[] hourOf(List<Schedule.Segment> segments) {
        List<Bin> bins = scenarios.model().bins();
        return segments.stream()
                .mapToInt(s -> (int) java.time.Duration.between(
                                bins.getFirst().start(), bins.get(s.bin()).start())
                        .toHours())
                .toArray();
    }

    private int hours() {
        List<Bin> bins = scenarios.model().bins();
        return (int) Math.ceilDiv(
                java.time.Duration.between(
                                bins.getFirst().start(), bins.getLast().end())
                        .toMinutes(),
                60);
    }
}
