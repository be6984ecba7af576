package lochan.core.model.scenario;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.event.Species;
import lochan.core.lake.Spot;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.Survival;
import lochan.core.notebook.KnownFish;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.jspecify.annotations.Nullable;

/**
 * N draws of everything unknown on one competition day ({@code model.md} §5): rates, landing chances, sizes, who got there first, and
 * the day effect that fails whole patterns at once,
 * <pre>ln D_ap = 0.5·(√¼·Z_day + √¼·Z_zone + √½·Z_ap) − 0.5²/2</pre>
 * Safe for use by several threads.
 */
public final class ScenarioSet {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    private final DayModel model;
    private final int count;
    private final long seed;
    private final Draws draws;
    private final Survival survival;
    private final double[][] sizeEffects;
    private final Map<Cell, CellScenarios> cells = new HashMap<>();
    /** Of which this set is a part, or which it follows; null: it is whole. */
    private final @Nullable ScenarioSet all;
    /** Numbers of the part; null: all of them. */
    private final int @Nullable [] which;

    private final Map<String, double[]> fishedBefore;
    private final Map<String, double[]> landing = new HashMap<>();
    /** By known fish, then scenario: visits until it is caught; {@link Integer#MAX_VALUE}: never that day. */
    private final int[][] visitsNeeded;

    /**
     * @param count number of scenarios, 1 or more
     * @param seed  the same seed gives the same scenarios
     */
    public ScenarioSet(DayModel model, int count, long seed) {
        if (count < 1) {
            throw new IllegalArgumentException("scenarios is " + count + ", expected 1 or more");
        }
        this.model = model;
        this.count = count;
        this.seed = seed;
        this.draws = new Draws(count, seed);
        this.survival = new Survival(
                model.event().rules().species(), model.assumptions().size());
        this.sizeEffects = drawSizes();
        this.all = null;
        this.which = null;
        this.fishedBefore = Map.of();
        this.visitsNeeded = drawVisits();
    }

    private ScenarioSet(
            ScenarioSet all, int @Nullable [] which, Map<String, double[]> fishedBefore, int[][] visitsNeeded) {
        this.model = all.model;
        this.count = which == null ? all.count : which.length;
        this.seed = all.seed;
        this.draws = all.draws;
        this.survival = all.survival;
        this.sizeEffects = all.sizeEffects;
        this.all = all;
        this.which = which;
        this.fishedBefore = Map.copyOf(fishedBefore);
        this.visitsNeeded = visitsNeeded;
    }

    /**
     * Some of the scenarios as a set of their own.
     *
     * @param numbers of the scenarios, from 0
     */
    public ScenarioSet only(int[] numbers) {
        Map<String, double[]> parts = new HashMap<>();
        fishedBefore.forEach((spot, i) ->
                parts.put(spot, IntStream.of(numbers).mapToDouble(j -> i[j]).toArray()));
        int[][] visits = Arrays.stream(visitsNeeded)
                .map(v -> IntStream.of(numbers).map(j -> v[j]).toArray())
                .toArray(int[][]::new);
        return new ScenarioSet(this, numbers.clone(), parts, visits);
    }

    /**
     * Returns the scenarios after some spots were fished, as on the day before.
     *
     * @param undiminished I of {@code model.md} §6 that is missing at a spot, by scenario; a spot without is untouched
     * @param visited      by known fish, visits it had; what they caught is gone
     */
    public ScenarioSet after(Map<String, double[]> undiminished, int[] visited) {
        int[][] visits = new int[visitsNeeded.length][];
        for (int i = 0; i < visits.length; i++) {
            int had = visited[i];
            visits[i] = Arrays.stream(visitsNeeded[i])
                    .map(n -> n <= had ? Integer.MAX_VALUE : n == Integer.MAX_VALUE ? n : n - had)
                    .toArray();
        }
        return new ScenarioSet(this, null, undiminished, visits);
    }

    /** Visits after which a known fish is caught in a scenario, 1 or more; {@link Integer#MAX_VALUE} when it is not. */
    public int visitsNeeded(int knownFish, int scenario) {
        return visitsNeeded[knownFish][scenario];
    }

    /**
     * Each visit catches a fish with its chance c, so the visits it takes are geometric: ⌈ln(1 − u)/ln(1 − c)⌉ for u uniform. Where another boat
     * got there first it is spooked for the day.
     */
    private int[][] drawVisits() {
        List<KnownFishChance> fish = model.knownFish();
        int[][] visits = new int[fish.size()][count];
        for (int i = 0; i < visits.length; i++) {
            KnownFish known = fish.get(i).fish();
            double[] own = draws.normals("fish/" + known.id());
            boolean[] occupied = occupied(model.spot(known.spotId()));
            for (int j = 0; j < count; j++) {
                double needed = Math.ceil(Math.log(STANDARD.survivalProbability(own[j]))
                        / Math.log1p(-fish.get(i).chance()));
                visits[i][j] = occupied[j] ? Integer.MAX_VALUE : (int) Math.max(1, needed);
            }
        }
        return visits;
    }

    /** Where another boat got to a spot first, by scenario of the whole set. */
    private boolean[] occupied(Spot spot) {
        double[] first = draws.normals("first/" + spot.id());
        boolean[] occupied = new boolean[first.length];
        for (int j = 0; j < occupied.length; j++) {
            occupied[j] = STANDARD.cumulativeProbability(first[j]) < spot.crowdRisk();
        }
        return occupied;
    }

    /** Whether another boat got to a spot first. */
    public boolean isOccupied(String spotId, int scenario) {
        int inAll = which == null ? scenario : which[scenario];
        return all == null ? occupied(model.spot(spotId))[inAll] : all.isOccupied(spotId, inAll);
    }

    /** Whether anything was fished before the day. */
    public boolean isAfterFishing() {
        return !fishedBefore.isEmpty();
    }

    /** I of {@code model.md} §6 that was fished at a spot before the day. */
    public double fishedBefore(String spotId, int scenario) {
        double[] i = fishedBefore.get(spotId);
        return i == null ? 0 : i[scenario];
    }

    public DayModel model() {
        return model;
    }

    public int count() {
        return count;
    }

    public long seed() {
        return seed;
    }

    public Survival survival() {
        return survival;
    }

    /** A cell in all scenarios, drawn when first asked for. */
    public synchronized CellScenarios cell(Cell cell) {
        return cells.computeIfAbsent(
                cell,
                c -> all == null
                        ? draw(c)
                        : which == null ? all.cell(c) : all.cell(c).only(which));
    }

    private double[][] drawSizes() {
        SizeModel sizes = model.sizes();
        double[][] normals = new double[sizes.unknowns()][];
        for (int i = 0; i < normals.length; i++) {
            normals[i] = draws.normals("size/" + i);
        }
        double[][] effects = new double[count][];
        double[] own = new double[normals.length];
        for (int j = 0; j < count; j++) {
            for (int i = 0; i < normals.length; i++) {
                own[i] = normals[i][j];
            }
            effects[j] = sizes.draw(own);
        }
        return effects;
    }

    private CellScenarios draw(Cell cell) {
        Spot spot = model.spot(cell.spotId());
        Pattern pattern = model.pattern(cell);
        QuantileCurve[] curves = new QuantileCurve[model.bins().size()];
        double[] held = new double[curves.length];
        for (int bin = 0; bin < curves.length; bin++) {
            curves[bin] = QuantileCurve.of(model.rate(cell, bin));
            held[bin] = model.ofTheHour(spot.id(), bin);
        }
        double decay = spot.stock().decay(model.assumptions().depletion());
        return new CellScenarios(
                cell,
                curves,
                held,
                draws.normals("rate/" + cell.spotId() + "/" + cell.presentationId()),
                rateFactors(spot, pattern),
                landing(cell.presentationId()),
                model.mix().of(pattern),
                meanLnGrams(cell, pattern),
                decay);
    }

    /** D × what other boats leave × lines in the water. */
    private double[] rateFactors(Spot spot, Pattern pattern) {
        Assumptions.DayEffect a = model.assumptions().day();
        double[] z = dayScores(spot.zone(), pattern);
        boolean[] occupied = occupied(spot);
        int lines = model.event().anglers();
        double strength = model.strength(pattern);
        double[] factors = new double[count];
        for (int j = 0; j < count; j++) {
            factors[j] = lines
                    * strength
                    * Math.exp(a.sd() * z[j] - a.sd() * a.sd() / 2)
                    * (occupied[j] ? a.crowdedFactor() : 1);
        }
        return factors;
    }

    /** D of a pattern in each scenario of a whole set, the mean over the zones of its spots. */
    public synchronized double[] dayEffect(Pattern pattern) {
        List<Spot> places = model.event().spots().stream()
                .filter(s -> s.spotType().equals(pattern.spotType()))
                .toList();
        List<Zone> zones = places.stream().map(Spot::zone).distinct().toList();
        double[] mean = new double[count];
        for (Zone zone : zones) {
            double[] z = dayScores(zone, pattern);
            double sd = model.assumptions().day().sd();
            for (int j = 0; j < count; j++) {
                mean[j] += Math.exp(sd * z[j] - sd * sd / 2) / zones.size();
            }
        }
        return mean;
    }

    /** The standard normal behind D. */
    private double[] dayScores(Zone zone, Pattern pattern) {
        Assumptions.DayEffect a = model.assumptions().day();
        double[] day = draws.normals("day");
        double[] ofZone = draws.normals("zone/" + zone);
        double[] own = draws.normals("pattern/" + pattern.spotType() + "/" + pattern.presentationId());
        double[] z = new double[count];
        for (int j = 0; j < count; j++) {
            z[j] = Math.sqrt(a.dayShare()) * day[j]
                    + Math.sqrt(a.zoneShare()) * ofZone[j]
                    + Math.sqrt(a.patternShare()) * own[j];
        }
        return z;
    }

    private double[] landing(String presentationId) {
        return landing.computeIfAbsent(presentationId, p -> {
            QuantileCurve curve = QuantileCurve.of(model.landing(p));
            double[] normals = draws.normals("landing/" + p);
            double[] chances = new double[count];
            for (int j = 0; j < count; j++) {
                chances[j] = curve.at(normals[j]);
            }
            return chances;
        });
    }

    private float[][] meanLnGrams(Cell cell, Pattern pattern) {
        List<Species> species = model.mix().species();
        float[][] means = new float[species.size()][count];
        for (int k = 0; k < means.length; k++) {
            int[] effects = model.sizes().effects(species.get(k), pattern, cell.spotId());
            for (int j = 0; j < count; j++) {
                means[k][j] = (float) SizeModel.meanOf(sizeEffects[j], effects);
            }
        }
        return means;
    }
}
