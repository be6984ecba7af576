package lochan.core.lake;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import lochan.core.event.Boat;
import lochan.core.event.Position;

/**
 * Runs of the boat when no lake is known.
 *
 * @param boat   its speeds
 * @param factor way on the water over the straight line
 */
record StraightRuns(Boat boat, double factor) implements Runs {

    @Override
    public Optional<Run> between(Position from, Position to) {
        double metres = factor * from.metresTo(to);
        return Optional.of(new Run(metres, Runs.seconds(metres / boat.runMps())));
    }

    @Override
    public Duration setUpTime() {
        return Runs.seconds(60 * boat.setUpMinutes());
    }

    @Override
    public Optional<List<Position>> route(Position from, Position to) {
        return Optional.of(List.of(from, to));
    }
}
