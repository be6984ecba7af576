package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import org.junit.jupiter.api.Test;

/** A lake 2 km by 2 km with an island of 200 m in its middle. */
class ShoreWindTest {

    private static final double LAT = 45;
    private static final Lake LAKE = new Lake(List.of(new Lake.Body(square(1000), List.of(square(100)))), List.of());
    private static final ShoreWind SHORE = new ShoreWind(LAKE, Assumptions.DEFAULTS.bank());

    private static List<Position> square(double half) {
        return List.of(at(-half, -half), at(half, -half), at(half, half), at(-half, half));
    }

    private static Position at(double east, double north) {
        return new Position(LAT + north / Position.METRES_PER_DEGREE, -118 + east / Position.metresPerDegreeEast(LAT));
    }

    private static double north(Position p) {
        return (p.lat() - LAT) * Position.METRES_PER_DEGREE;
    }

    private static List<BankSide> sides(double fromDeg, Predicate<Position> where) {
        List<BankSide> sides = SHORE.sides(5.0, fromDeg);
        return IntStream.range(0, sides.size())
                .filter(i -> where.test(SHORE.places().get(i)))
                .mapToObj(sides::get)
                .toList();
    }

    @Test
    void placesLieInTheWaterAroundAllOfTheShore() {
        assertThat(SHORE.places()).allMatch(LAKE::holds).hasSizeBetween(8800 / 120 - 2, 8800 / 120 + 2);
        assertThat(SHORE.places())
                .filteredOn(p -> Math.abs(north(p)) < 200)
                .as("the island's too")
                .hasSizeGreaterThan(6);
    }

    @Test
    void aSouthWindBlowsOntoTheNorthShoreAndLeavesTheSouthShoreSlick() {
        assertThat(sides(180, p -> north(p) > 990)).hasSizeGreaterThan(12).containsOnly(BankSide.BLOWN);
        assertThat(sides(180, p -> north(p) < -990)).hasSizeGreaterThan(12).containsOnly(BankSide.SLICK);
        assertThat(sides(0, p -> north(p) < -990)).as("and the other way round").containsOnly(BankSide.BLOWN);
    }

    @Test
    void theBankOfASpotIsToldAsThatOfTheShoreBesideIt() {
        for (double fromDeg = 0; fromDeg < 360; fromDeg += 45) {
            for (int i = 0; i < SHORE.places().size(); i++) {
                assertThat(SHORE.side(SHORE.places().get(i), 5.0, fromDeg))
                        .isEqualTo(SHORE.sides(5.0, fromDeg).get(i));
            }
        }
        assertThat(SHORE.side(at(500, 500), 5.0, 180.0)).as("no bank is near").isNull();
    }

    @Test
    void aLakeWithALongShoreHasNoMorePlacesThanCanBeDrawn() {
        Lake large = new Lake(List.of(new Lake.Body(square(40_000), List.of())), List.of());

        assertThat(new ShoreWind(large, Assumptions.DEFAULTS.bank()).places()).hasSizeBetween(390, 400);
    }
}
