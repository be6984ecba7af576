package lochan.core.practice.track;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * A day's track taken apart. Times are half-open: [start, end).
 *
 * @param stops slow fishing for four minutes or more within one place
 * @param runs  faster moves
 * @param gaps  two minutes or more without a fix
 */
public record Track(List<Stop> stops, List<Run> runs, List<Gap> gaps) {

    public Track {
        stops = List.copyOf(stops);
        runs = List.copyOf(runs);
        gaps = List.copyOf(gaps);
    }

    /**
     * @param centre mean of its fixes
     * @param spotId the spot whose radius holds the centre, the nearest of several; null: none does
     */
    public record Stop(
            Instant start,
            Instant end,
            Position centre,
            @Nullable String spotId) {

        public Duration length() {
            return Duration.between(start, end);
        }
    }

    /**
     * @param metres    along the track
     * @param cruiseMps the speed at or below which half of its way was run, m/s
     */
    public record Run(Instant start, Instant end, double metres, double cruiseMps) {

        /** Mean speed, m/s. */
        public double mps() {
            return metres / (Duration.between(start, end).toMillis() / 1000.0);
        }
    }

    /** From the last fix before it to the first after it. */
    public record Gap(Instant start, Instant end) {}
}
