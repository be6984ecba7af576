package lochan.core.lake.sounding;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.Median;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * Leaves out what sonar and fixes got wrong: depths that cannot be, fixes off the water, and spikes. A spike is a depth far from the median of
 * its neighbours along the way (Hampel 1974, "The influence curve and its role in robust estimation"); where the way is unknown or the
 * neighbours are too few, from the median of what lies around.
 */
public final class SoundingCleaner {

    private static final double MAD_TO_SIGMA = 1.4826;
    private static final int LEAST_NEIGHBOURS = 4;

    private final SoundingRules rules;
    private final List<Sounding> soundings;
    /** Numbers of the soundings in each square of about the reach of a neighbour. */
    private final Map<Long, List<Integer>> squares = new HashMap<>();

    /**
     * Soundings that passed, and how many did not.
     *
     * @param impossible no depth, or one that no lake has
     * @param outside    fixes off the water
     * @param spikes     far from their neighbours
     */
    public record Cleaned(List<Sounding> kept, int impossible, int outside, int spikes) {

        public Cleaned {
            kept = List.copyOf(kept);
        }
    }

    private SoundingCleaner(List<Sounding> soundings, SoundingRules rules) {
        this.soundings = soundings;
        this.rules = rules;
        for (int i = 0; i < soundings.size(); i++) {
            squares.computeIfAbsent(square(soundings.get(i).position(), 0, 0), s -> new ArrayList<>())
                    .add(i);
        }
    }

    /**
     * @param raw     in the order they were taken, where they have one
     * @param offsetM added to each depth, m: how deep the transducer hangs, or less when its display has that in it
     * @param onWater whether a fix may be on the water; null: every fix may
     */
    public static Cleaned clean(
            List<Sounding> raw, double offsetM, @Nullable Predicate<Position> onWater, SoundingRules rules) {
        List<Sounding> possible = new ArrayList<>();
        int impossible = 0;
        int outside = 0;
        for (Sounding s : raw) {
            double depth = s.depthM() + offsetM;
            if (!(depth >= rules.shallowestM() && depth <= rules.deepestM())) {
                impossible++;
            } else if (onWater != null && !onWater.test(s.position())) {
                outside++;
            } else {
                possible.add(new Sounding(s.position(), depth));
            }
        }
        SoundingCleaner cleaner = new SoundingCleaner(possible, rules);
        List<Sounding> kept = new ArrayList<>();
        for (int i = 0; i < possible.size(); i++) {
            if (!cleaner.isSpike(i)) {
                kept.add(possible.get(i));
            }
        }
        return new Cleaned(kept, impossible, outside, possible.size() - kept.size());
    }

    private boolean isSpike(int at) {
        double[] along = along(at);
        return along.length >= LEAST_NEIGHBOURS ? isFar(at, along) : isFar(at, around(at));
    }

    private boolean isFar(int at, double[] near) {
        if (near.length < LEAST_NEIGHBOURS) {
            return false;
        }
        double depth = soundings.get(at).depthM();
        double median = Median.of(near);
        double away = Math.abs(depth - median);
        double[] spread = Arrays.stream(near).map(d -> Math.abs(d - median)).toArray();
        double sigma = MAD_TO_SIGMA * Median.of(spread);
        return away > Math.max(rules.spikeM(), Math.max(rules.spikeShare() * median, rules.spikes() * sigma));
    }

    /** Depths taken just before and after one, as far as they are near it. */
    private double[] along(int at) {
        Position here = soundings.get(at).position();
        double[] near = new double[2 * rules.neighbours()];
        int n = 0;
        for (int i = Math.max(0, at - rules.neighbours());
                i <= Math.min(soundings.size() - 1, at + rules.neighbours());
                i++) {
            if (i != at && soundings.get(i).position().metresTo(here) <= rules.neighbourWithinM()) {
                near[n++] = soundings.get(i).depthM();
            }
        }
        return Arrays.copyOf(near, n);
    }

    private double[] around(int at) {
        Position here = soundings.get(at).position();
        List<Double> near = new ArrayList<>();
        for (int north = -1; north <= 1; north++) {
            for (int east = -1; east <= 1; east++) {
                for (int i : squares.getOrDefault(square(here, north, east), List.of())) {
                    if (i != at && soundings.get(i).position().metresTo(here) <= rules.neighbourWithinM()) {
                        near.add(soundings.get(i).depthM());
                    }
                }
            }
        }
        return near.stream().mapToDouble(d -> d).toArray();
    }

    private long square(Position p, int north, int east) {
        double side = rules.neighbourWithinM() / Position.METRES_PER_DEGREE;
        long row = (long) Math.floor(p.lat() / side) + north;
        long column = (long) Math.floor(p.lon() * Math.cos(Math.toRadians(Math.rint(p.lat()))) / side) + east;
        return (row << Integer.SIZE) ^ (column & 0xffff_ffffL);
    }
}
