package lochan.core.lake.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleBinaryOperator;
import lochan.core.Measure;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate.Kind;
import lochan.core.lake.structure.StructureFinder.Filter;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("slow")
class StructureFinderTest {

    private static final double SIDE = 3000;
    private static final double FLOOR = 15;

    private static double basin(double x, double y) {
        return Terrain.basin(x, y, SIDE, 0.05, FLOOR);
    }

    private static List<Candidate> find(double cellM, Filter wanted, DoubleBinaryOperator depth) {
        return StructureFinder.find(grid(cellM, depth), wanted);
    }

    private static DepthGrid grid(double cellM, DoubleBinaryOperator depth) {
        return Terrain.of((int) (SIDE / cellM), cellM, depth);
    }

    private static List<Candidate> of(List<Candidate> all, Kind kind) {
        return all.stream().filter(c -> c.kind() == kind).toList();
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 10, 20})
    void aPlainBasinHasNoHumpSaddleOrPoint(double cellM) {
        List<Candidate> all = find(cellM, Filter.USUAL, StructureFinderTest::basin);

        assertThat(all)
                .extracting(Candidate::kind)
                .doesNotContain(Kind.HUMP, Kind.SADDLE, Kind.POINT, Kind.LEDGE, Kind.BLUFF, Kind.POCKET);
    }

    /** Two humps with a saddle between them, a third alone, and two ridges from the south shore: all of them, and nothing else. */
    @ParameterizedTest
    @ValueSource(doubles = {5, 10, 20})
    void findsAllHumpsSaddlesAndPointsAndNothingElse(double cellM) {
        DoubleBinaryOperator depth = (x, y) -> basin(x, y)
                - Math.max(Terrain.bump(x, y, 1300, 1700, 8, 150), Terrain.bump(x, y, 1650, 1700, 6, 150))
                - Terrain.bump(x, y, 2200, 2300, 4, 90)
                - Terrain.ridge(x, y, 900, 600, 5, 70)
                - Terrain.ridge(x, y, 2100, 500, 4, 60);
        DepthGrid grid = grid(cellM, depth);
        List<Candidate> all = StructureFinder.find(grid, Filter.USUAL);

        List<Candidate> humps = of(all, Kind.HUMP);
        assertThat(humps).hasSize(3);
        assertPlace(grid, humps.get(0), 1300, 1700, 20);
        assertThat(humps)
                .anySatisfy(h -> assertPlace(grid, h, 1650, 1700, 20))
                .anySatisfy(h -> assertPlace(grid, h, 2200, 2300, 20));
        assertThat(humps).anySatisfy(h -> assertThat(h.prominenceM()).isCloseTo(4, within(0.3)));

        List<Candidate> saddles = of(all, Kind.SADDLE);
        assertThat(saddles).anySatisfy(s -> {
            assertPlace(grid, s, 1475, 1700, 40);
            assertThat(s.otherRiseM()).isGreaterThan(s.prominenceM());
        });
        List<Candidate> points = of(all, Kind.POINT);
        assertThat(points)
                .hasSize(2)
                .anySatisfy(p -> assertThat(grid.x(p.cell())).isCloseTo(900, within(30.0)))
                .anySatisfy(p -> assertThat(grid.x(p.cell())).isCloseTo(2100, within(30.0)));
        assertThat(points).allSatisfy(p -> assertThat(grid.y(p.cell())).isBetween(100.0, 700.0));
        assertThat(all).extracting(Candidate::kind).doesNotContain(Kind.POCKET, Kind.BLUFF);
    }

    private static void assertPlace(DepthGrid grid, Candidate c, double x, double y, double withinM) {
        assertThat(Math.hypot(grid.x(c.cell()) - x, grid.y(c.cell()) - y))
                .as(c.toString())
                .isLessThanOrEqualTo(withinM + grid.cellSize());
    }

    @Test
    void aHumpsProminenceAndAreaEndAtTheSaddleThatClosesIt() {
        DepthGrid grid = grid(5, (x, y) -> basin(x, y) - Terrain.bump(x, y, 1500, 1500, 6, 100));
        Candidate hump = of(StructureFinder.find(grid, Filter.USUAL), Kind.HUMP).getFirst();

        assertThat(hump.depthM()).isCloseTo(FLOOR - 6, within(0.05));
        assertThat(hump.prominenceM()).isCloseTo(6, within(0.05));
        assertThat(hump.deepWaterM()).isCloseTo(100 * Math.sqrt(Math.log(2)), within(6.0));
        assertThat(hump.why().code()).isEqualTo(StructureReason.HUMP);
        assertThat(hump.why().values())
                .extracting(v -> ((Measure) v).value())
                .satisfiesExactly(rise -> assertThat(rise).isCloseTo(6, within(0.05)), top -> assertThat(top)
                        .isCloseTo(9, within(0.05)));
    }

    @Test
    void aHumpNearTheShoreIsClosedByTheSaddleBetween() {
        DepthGrid grid = grid(5, (x, y) -> basin(x, y) - Terrain.bump(x, y, 1500, 300, 7, 40));
        List<Candidate> all = StructureFinder.find(grid, Filter.USUAL);

        assertThat(of(all, Kind.HUMP)).hasSize(1);
        assertThat(of(all, Kind.SADDLE)).singleElement().satisfies(s -> {
            assertThat(s.otherRiseM()).as("up to the shore").isNull();
            assertThat(s.prominenceM()).isEqualTo(of(all, Kind.HUMP).getFirst().prominenceM());
            assertThat(grid.y(s.cell())).isLessThan(300);
            assertThat(s.why().code()).isEqualTo(StructureReason.SADDLE_TO_SHORE);
        });
    }

    @Test
    void smallRisesAreLeftOutUntilTheyAreAskedFor() {
        DoubleBinaryOperator depth = (x, y) -> basin(x, y) - Terrain.bump(x, y, 1500, 1500, 0.6, 60);

        assertThat(of(find(10, Filter.USUAL, depth), Kind.HUMP)).isEmpty();
        assertThat(of(find(10, new Filter(null, null, 0.5), depth), Kind.HUMP)).hasSize(1);
    }

    @Test
    void aBandKeepsWhatLiesInIt() {
        DoubleBinaryOperator depth =
                (x, y) -> basin(x, y) - Terrain.bump(x, y, 1000, 1500, 9, 100) - Terrain.bump(x, y, 2000, 1500, 3, 100);

        assertThat(of(find(10, new Filter(4.0, 8.0, 1), depth), Kind.HUMP))
                .singleElement()
                .satisfies(h -> assertThat(h.depthM()).isCloseTo(6, within(0.1)));
        assertThatThrownBy(() -> new Filter(8.0, 4.0, 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("shallower end first");
    }

    @Test
    void aChannelEdgeIsALedge() {
        DoubleBinaryOperator channel =
                (x, y) -> Math.min(basin(x, y), 5 + 6 / (1 + Math.exp(-(60 - Math.abs(x - 1500)) / 6)));
        List<Candidate> ledges = of(find(5, Filter.USUAL, channel), Kind.LEDGE);

        assertThat(ledges).as("both sides of the channel").hasSize(2);
        assertThat(ledges).allSatisfy(l -> assertThat(l.prominenceM()).isBetween(2.5, 6.0));
    }

    @Test
    void aSteepShoreIsABluff() {
        DepthGrid grid = grid(
                5,
                (x, y) -> Math.min(
                        FLOOR,
                        Math.min(
                                Math.min((x - 100) * 0.05, (SIDE - x - 100) * 0.8),
                                Math.min(y - 100, SIDE - y - 100) * 0.05)));
        List<Candidate> bluffs = of(StructureFinder.find(grid, Filter.USUAL), Kind.BLUFF);

        assertThat(bluffs).singleElement().satisfies(b -> assertThat(grid.x(b.cell()))
                .isGreaterThan(SIDE - 140));
    }

    @Test
    void aBayBehindANarrowMouthIsAPocketWithAStagingPlaceOutside() {
        DoubleBinaryOperator lake = (x, y) -> {
            boolean main = y > 1000 && y < 2800 && x > 200 && x < 2800;
            boolean mouth = Math.abs(x - 1500) < 22 && y > 900 && y <= 1000;
            boolean bay = Math.hypot(x - 1500, y - 750) < 160;
            return main ? Math.min(9, 1 + (y - 1000) * 0.02) : mouth || bay ? 1.5 : -1;
        };
        DepthGrid grid = grid(5, lake);
        List<Candidate> all = StructureFinder.find(grid, Filter.USUAL);

        assertThat(of(all, Kind.POCKET)).singleElement().satisfies(p -> {
            assertPlace(grid, p, 1500, 750, 60);
            assertThat(p.areaM2()).isCloseTo(Math.PI * 160 * 160, within(12_000.0));
        });
        assertThat(of(all, Kind.STAGING)).singleElement().satisfies(s -> assertThat(grid.y(s.cell()))
                .isBetween(1000.0, 1100.0));
    }

    /** 40 ha at 4 m below a steeper shore, in cells of 1.5 m whose numbers vary by a tenth of a metre from one to the next. */
    @Test
    void aFlatOfAFineAndRoughGridIsFound() {
        SplittableRandom random = new SplittableRandom(1);
        DepthGrid grid = Terrain.of(1000, 1.5, (x, y) -> {
            double out = x - 60;
            boolean beside = y > 430 && y < 1070;
            double bottom = beside && out > 40 ? Math.max(4, 4 + (out - 660) * 0.08) : out * 0.1;
            return out <= 0 ? 0 : Math.min(20, bottom) + 0.1 * random.nextGaussian();
        });

        List<Candidate> flats = StructureFinder.find(grid, StructureFinder.Filter.USUAL).stream()
                .filter(c -> c.kind() == Candidate.Kind.FLAT)
                .toList();

        assertThat(flats).hasSize(1);
        assertThat(flats.getFirst().depthM()).isCloseTo(4, within(0.5));
        assertThat(flats.getFirst().areaM2()).isCloseTo(400_000, within(60_000.0));
    }

    @Test
    void levelWaterInTheBandIsAFlat() {
        DoubleBinaryOperator shelf = (x, y) ->
                basin(x, y) <= 0 ? -1 : x < 1200 ? Math.min(3, basin(x, y)) : Math.min(FLOOR, 3 + (x - 1200) * 0.05);

        assertThat(of(find(10, new Filter(2.0, 4.0, 1), shelf), Kind.FLAT))
                .isNotEmpty()
                .first()
                .satisfies(f -> assertThat(f.areaM2()).isGreaterThan(1_000_000));
    }

    /**
     * A shelf of 4 km that falls by 7 m, depths to the decimetre, with three flats in it: each is found, none is the
     * shelf.
     */
    @Test
    void eachFlatOnAGentleShelfIsOneOfItsOwn() {
        double[][] flats = {{1200, 1000, 2.8, 310}, {2600, 2400, 4.6, 250}, {900, 3000, 5.8, 220}};
        DepthGrid grid = Terrain.of(500, 8, (x, y) -> {
            if (x < 60 || y < 60 || x > 3940 || y > 3940) {
                return -1;
            }
            double depth = 0.6 + 7 * (0.3 * x + 0.7 * y) / 4000;
            for (double[] f : flats) {
                double away = Math.hypot(x - f[0], y - f[1]) - f[3];
                double share = Math.clamp(away / 150, 0, 1);
                depth = share * depth + (1 - share) * f[2];
            }
            return Math.round(10 * depth) / 10.0;
        });

        List<Candidate> found = StructureFinder.find(grid, StructureFinder.Filter.USUAL).stream()
                .filter(c -> c.kind() == Candidate.Kind.FLAT)
                .toList();

        for (double[] f : flats) {
            double hectares = Math.PI * f[3] * f[3];
            assertThat(found).as("the flat at %.1f m", f[2]).anySatisfy(c -> {
                assertThat(c.depthM()).isCloseTo(f[2], within(0.2));
                assertThat(c.areaM2()).isBetween(0.6 * hectares, 1.8 * hectares);
            });
        }
        assertThat(found).allSatisfy(c -> assertThat(c.areaM2()).isLessThan(1_000_000));
    }
}
