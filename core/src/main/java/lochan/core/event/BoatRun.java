package lochan.core.event;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A run of the boat as a track showed it, over [start, end).
 *
 * @param metres  way of it
 * @param mps     the speed at or below which half of its way was run, m/s: crawling through a slow zone hardly moves it
 * @param windMps wind at the time, m/s; null: unknown
 */
public record BoatRun(
        Instant start,
        Instant end,
        double metres,
        double mps,
        @Nullable Double windMps) {}
