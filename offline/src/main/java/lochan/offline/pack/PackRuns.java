package lochan.offline.pack;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import lochan.core.event.Position;
import lochan.core.lake.Runs;

/** Runs that were found at home between the places of an event; from anywhere else they are found here, on the water that was taken along. */
final class PackRuns implements Runs {

    private final Map<Position, Integer> places = new HashMap<>();
    private final Duration setUp;
    private final double[] metres;
    private final double[] millis;
    private final Supplier<Runs> found;

    /**
     * @param metres from place to place, row by row; less than 0: there is no way by water
     * @param millis under way
     * @param found  runs on the water that was taken along, made when they are first needed
     */
    PackRuns(List<Position> places, Duration setUp, double[] metres, double[] millis, Supplier<Runs> found) {
        places.forEach(p -> this.places.putIfAbsent(p, this.places.size()));
        this.setUp = setUp;
        this.metres = metres;
        this.millis = millis;
        this.found = found;
    }

    @Override
    public Optional<Run> between(Position from, Position to) {
        Integer row = places.get(from);
        Integer column = places.get(to);
        if (row == null || column == null) {
            return found.get().between(from, to);
        }
        int at = row * places.size() + column;
        return metres[at] < 0
                ? Optional.empty()
                : Optional.of(new Run(metres[at], Duration.ofMillis((long) millis[at])));
    }

    @Override
    public Optional<List<Position>> route(Position from, Position to) {
        return found.get().route(from, to);
    }

    @Override
    public Duration setUpTime() {
        return setUp;
    }
}
