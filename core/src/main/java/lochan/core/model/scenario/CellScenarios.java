package lochan.core.model.scenario;

import lochan.core.model.rate.Cell;
import lochan.core.model.size.Survival;

/** One cell in all scenarios of a set. */
public final class CellScenarios {

    private static final int PROFILED = 512;
    private static final double TINY = 1e-3;

    private final Cell cell;
    private final int bins;
    /** Bites per hour by scenario, then bin: looked up far more often than drawn. */
    private final float[] bitesPerHour;

    private final double[] landing;
    private final double[] mix;
    private final float[][] meanLnGrams;
    private final double decay;
    /**
     * Landed legal fish heavier than each x of one bite, by scenario; null until first used, the same for every caller.
     */
    private final float[][] profiles;

    /** @param held what the wind leaves of the rate, by bin */
    CellScenarios(
            Cell cell,
            QuantileCurve[] curves,
            double[] held,
            double[] rateScore,
            double[] rateFactor,
            double[] landing,
            double[] mix,
            float[][] meanLnGrams,
            double decay) {
        this.cell = cell;
        this.bins = curves.length;
        this.bitesPerHour = new float[bins * rateScore.length];
        for (int j = 0; j < rateScore.length; j++) {
            for (int bin = 0; bin < bins; bin++) {
                bitesPerHour[j * bins + bin] = (float) (curves[bin].at(rateScore[j]) * held[bin] * rateFactor[j]);
            }
        }
        this.landing = landing;
        this.mix = mix;
        this.meanLnGrams = meanLnGrams;
        this.decay = decay;
        this.profiles = new float[landing.length <= PROFILED ? landing.length : 0][];
    }

    /** Returns the cells in some of the scenarios. */
    CellScenarios only(int[] which) {
        return new CellScenarios(this, which);
    }

    private CellScenarios(CellScenarios of, int[] which) {
        this.cell = of.cell;
        this.bins = of.bins;
        this.bitesPerHour = new float[bins * which.length];
        this.landing = new double[which.length];
        this.mix = of.mix;
        this.meanLnGrams = new float[of.meanLnGrams.length][which.length];
        this.decay = of.decay;
        for (int i = 0; i < which.length; i++) {
            System.arraycopy(of.bitesPerHour, which[i] * bins, bitesPerHour, i * bins, bins);
            landing[i] = of.landing[which[i]];
            for (int k = 0; k < meanLnGrams.length; k++) {
                meanLnGrams[k][i] = of.meanLnGrams[k][which[i]];
            }
        }
        this.profiles = new float[which.length <= PROFILED ? which.length : 0][];
    }

    public Cell cell() {
        return cell;
    }

    /** Undiminished bites that leave as few fish as some bites did: the I of {@link #bites}. */
    public double undiminished(double bites) {
        return Math.expm1(decay * bites) / decay;
    }

    /** Bites per hour of all lines in a bin, before depletion: the same quantile of the rate in every bin. */
    public double bitesPerHour(int scenario, int bin) {
        return bitesPerHour[scenario * bins + bin];
    }

    public double landing(int scenario) {
        return landing[scenario];
    }

    /** Chance of each species, in the order of the rules. */
    public double mix(int species) {
        return mix[species];
    }

    public int species() {
        return mix.length;
    }

    public double meanLnGrams(int scenario, int species) {
        return meanLnGrams[species][scenario];
    }

    /** Expected bites when I would have been had of undiminished fish: n(I) = ln(1 + d·I)/d ({@code model.md} §6). */
    public double bites(double undiminished) {
        double x = decay * undiminished;
        // Far quicker than log1p, and as exact: five terms of its series leave less than the last digit of a tiny x.
        return (x > TINY ? Math.log(1 + x) : x * (1 - x * (1 / 2.0 - x * (1 / 3.0 - x * (1 / 4.0 - x / 5))))) / decay;
    }

    /** Adds the landed legal fish heavier than x of some bites to each x of the grid. */
    public void addLanded(double[] sum, double bites, int scenario, Survival survival) {
        if (landing.length <= PROFILED) {
            float[] profile = profile(scenario, survival);
            for (int i = 0; i < sum.length; i++) {
                sum[i] += bites * profile[i];
            }
        } else {
            addSpecies(sum, bites, scenario, survival);
        }
    }

    /** Returns the profile of one bite, and keeps it: plans are tried on small sets many times. */
    private float[] profile(int scenario, Survival survival) {
        float[] profile = profiles[scenario];
        if (profile == null) {
            double[] one = new double[Survival.weights()];
            addSpecies(one, 1, scenario, survival);
            profile = new float[one.length];
            for (int i = 0; i < one.length; i++) {
                profile[i] = (float) one[i];
            }
            profiles[scenario] = profile;
        }
        return profile;
    }

    private void addSpecies(double[] sum, double bites, int scenario, Survival survival) {
        double landed = bites * landing[scenario];
        for (int k = 0; k < mix.length; k++) {
            survival.addTo(sum, landed * mix[k], k, meanLnGrams[k][scenario]);
        }
    }
}
