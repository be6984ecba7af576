package lochan.core.lake;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/** Runs of the boat from one place to another. */
public interface Runs {

    /** Runs shorter than this do not leave the place: no set-up time is needed. */
    Duration SAME_PLACE = Duration.ofMillis(600);

    /**
     * A run.
     *
     * @param metres way of it
     * @param time   under way, set-up time not included
     */
    record Run(double metres, Duration time) {}

    /** The quickest run; empty when there is none by water. */
    Optional<Run> between(Position from, Position to);

    /** The corners of the quickest run, both ends included; empty when there is none. */
    Optional<List<Position>> route(Position from, Position to);

    /** Time from arriving at a place to the first cast. */
    Duration setUpTime();

    /** Time from leaving one spot to the first cast at another, no set-up time when they are one place; empty when there is no run. */
    default Optional<Duration> runAndSetUp(Position from, Position to) {
        return between(from, to).map(this::withSetUp);
    }

    /** Time of a run with set-up time; none where it does not leave the place. */
    default Duration withSetUp(Run run) {
        return run.time().compareTo(SAME_PLACE) < 0 ? Duration.ZERO : run.time().plus(setUpTime());
    }

    /** The runs of a boat on a lake; straight ones when none is known. */
    static Runs of(@Nullable Lake lake, Boat boat, Assumptions.Planning planning) {
        return lake == null ? straight(boat, planning) : new LakeRuns(lake, boat);
    }

    /** Runs where no lake is known: the great circle lengthened by a factor, at running speed. */
    static Runs straight(Boat boat, Assumptions.Planning planning) {
        return new StraightRuns(boat, planning.straightRunFactor());
    }

    static Duration seconds(double seconds) {
        return Duration.ofMillis(Math.round(1000 * seconds));
    }
}
