package lochan.core.event;

import java.util.List;
import java.util.function.ToDoubleFunction;

/** How far places reach, in degrees. */
public record Extent(double south, double west, double north, double east) {

    /** @param places at least one */
    public static Extent of(List<Position> places) {
        return new Extent(
                least(places, Position::lat),
                least(places, Position::lon),
                -least(places, p -> -p.lat()),
                -least(places, p -> -p.lon()));
    }

    private static double least(List<Position> places, ToDoubleFunction<Position> of) {
        return places.stream().mapToDouble(of).min().orElseThrow();
    }
}
