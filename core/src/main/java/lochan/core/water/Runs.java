package lochan.core.water;

import java.time.Duration;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.event.Position;

/**
 * Runs of the boat when no lake is known: the great circle lengthened by a factor, at running speed.
 *
 * @param boat   its speeds
 * @param factor way on the water over the straight line
 */
public record Runs(Boat boat, double factor) {

    /** Runs shorter than this do not leave the place: no settling is needed. */
    private static final double SAME_PLACE_SECONDS = 0.6;

    public static Runs straight(Boat boat, Assumptions.Planning planning) {
        return new Runs(boat, planning.straightRunFactor());
    }

    public double metres(Position from, Position to) {
        return factor * from.metresTo(to);
    }

    /** Time under way, without settling. */
    public Duration run(Position from, Position to) {
        return Duration.ofMillis(Math.round(1000 * metres(from, to) / boat.runMps()));
    }

    /** Time from leaving one spot to the first cast at another; nothing when they are one place. */
    public Duration runAndSettle(Position from, Position to) {
        Duration run = run(from, to);
        boolean samePlace = run.toMillis() < 1000 * SAME_PLACE_SECONDS;
        return samePlace ? Duration.ZERO : run.plusSeconds(Math.round(60 * boat.settleMinutes()));
    }
}
