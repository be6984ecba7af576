package lochan.core.lures.deck;

import java.util.Arrays;

/**
 * Which setup goes on which rod so that what has to be covered is covered best: over all ways to rig, the largest
 * Σ_d worth_d · max over the rigged setups s of cover_ds, and among those the best fit of rods. A rod carries one setup, a setup one rod. Exact:
 * for every set of setups the best fit is found by taking the rods one after another, O(rods · setups · 2^setups).
 *
 * @param setupOfRod the setup on each rod; −1: not rigged
 * @param covered    what is covered
 * @param fit        Σ fit of the rods that are rigged
 */
public record RodChoice(int[] setupOfRod, double covered, double fit) {

    /** More setups than these are not looked at: a deck has fewer rods. */
    static final int MOST_SETUPS = 15;

    private static final double EQUAL = 1e-9;

    /**
     * What has to be decided.
     *
     * @param worth  of each that has to be covered, 0 or more
     * @param cover  by what has to be covered, then setup: the share of its worth that the setup keeps, 0 to 1
     * @param fit    by rod, then setup: how well the rod carries it, 0 not at all, to 1
     */
    public record Problem(double[] worth, double[][] cover, double[][] fit) {

        int setups() {
            if (fit.length == 0) {
                if (cover.length == 0) {
                    return 0;
                }
                return cover[0].length;
            }
            return fit[0].length;
        }

        /** The worth covered by a set of setups, given as bits. */
        double covered(int set) {
            double sum = 0;
            for (int d = 0; d < worth.length; d++) {
                double best = 0;
                for (int s = 0; s < cover[d].length; s++) {
                    best = (set >> s & 1) == 1 ? Math.max(best, cover[d][s]) : best;
                }
                sum += worth[d] * best;
            }
            return sum;
        }

        /** Returns the problem with a rod left at home. */
        public Problem withoutRod(int rod) {
            double[][] rest = new double[fit.length - 1][];
            for (int r = 0; r < rest.length; r++) {
                rest[r] = fit[r < rod ? r : r + 1];
            }
            return new Problem(worth, cover, rest);
        }
    }

    /** @throws IllegalArgumentException when there are more setups than can be looked at */
    public static RodChoice best(Problem p) {
        int setups = p.setups();
        if (setups > MOST_SETUPS) {
            throw new IllegalArgumentException("setups is " + setups + ", expected " + MOST_SETUPS + " at most");
        }
        double[][] fits = fits(p, setups);
        int rods = p.fit().length;
        int chosen = 0;
        double covered = 0;
        for (int set = 1; set < 1 << setups; set++) {
            if (fits[rods][set] >= 0) {
                double here = p.covered(set);
                if (here > covered + EQUAL || (here > covered - EQUAL && better(set, chosen, fits[rods]))) {
                    chosen = set;
                    covered = Math.max(here, covered);
                }
            }
        }
        return new RodChoice(assigned(p, fits, chosen), p.covered(chosen), Math.max(0, fits[rods][chosen]));
    }

    /** Of two sets that cover alike the one on fewer rods, then the one that fits better. */
    private static boolean better(int set, int than, double[] fit) {
        int rods = Integer.bitCount(set);
        int others = Integer.bitCount(than);
        return rods < others || (rods == others && fit[set] > fit[than]);
    }

    /** By number of rods looked at, then set: the best fit with which they carry it; −1 when they cannot. */
    private static double[][] fits(Problem p, int setups) {
        int rods = p.fit().length;
        double[][] best = new double[rods + 1][1 << setups];
        Arrays.fill(best[0], -1);
        best[0][0] = 0;
        for (int r = 0; r < rods; r++) {
            for (int set = 0; set < 1 << setups; set++) {
                best[r + 1][set] = best[r][set];
                for (int s = 0; s < setups; s++) {
                    int rest = set & ~(1 << s);
                    if (rest != set && p.fit()[r][s] > 0 && best[r][rest] >= 0) {
                        best[r + 1][set] = Math.max(best[r + 1][set], best[r][rest] + p.fit()[r][s]);
                    }
                }
            }
        }
        return best;
    }

    private static int[] assigned(Problem p, double[][] fits, int chosen) {
        int[] setupOfRod = new int[p.fit().length];
        Arrays.fill(setupOfRod, -1);
        int set = chosen;
        for (int r = setupOfRod.length - 1; r >= 0; r--) {
            if (fits[r][set] == fits[r + 1][set]) {
                continue;
            }
            for (int s = 0; s < p.setups() && setupOfRod[r] < 0; s++) {
                int rest = set & ~(1 << s);
                if (rest != set
                        && p.fit()[r][s] > 0
                        && fits[r][rest] >= 0
                        && fits[r][rest] + p.fit()[r][s] == fits[r + 1][set]) {
                    setupOfRod[r] = s;
                    set = rest;
                }
            }
        }
        return setupOfRod;
    }
}
