package lochan.core;

import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.rng.core.source64.SplitMix64;
import org.apache.commons.rng.core.source64.XoRoShiRo128PlusPlus;
import org.apache.commons.rng.core.source64.XoShiRo256PlusPlus;

/**
 * Generators of random numbers, the same for the same seed wherever they run: their first state is filled by SplitMix64 (Steele, Lea and Flood
 * 2014), as their authors advise (Blackman and Vigna 2021).
 */
public final class Randoms {

    private Randoms() {}

    /** For draws of scenarios and days. */
    public static UniformRandomProvider of(long seed) {
        return new XoShiRo256PlusPlus(state(seed, 4));
    }

    /** For searches, which draw more than they keep. */
    public static UniformRandomProvider quick(long seed) {
        return new XoRoShiRo128PlusPlus(state(seed, 2));
    }

    private static long[] state(long seed, int words) {
        SplitMix64 filler = new SplitMix64(seed);
        long[] state = new long[words];
        for (int i = 0; i < words; i++) {
            state[i] = filler.nextLong();
        }
        return state;
    }
}
