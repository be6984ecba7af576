package lochan.core.lake.sounding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import org.junit.jupiter.api.Test;

/** Soundings against the surface they were drawn from. */
class SoundingsTest {

    private static final double SOUTH = 40;
    private static final double WEST = -100;
    private static final double EAST_M = Position.metresPerDegreeEast(SOUTH);
    private static final double SIDE_M = 2000;
    /** As usual, in cells of 8 m. */
    private static final SoundingRules RULES = new SoundingRules(0.3, 300, 5, 40, 3, 0.5, 0.12, 25, 250, 3, 30, 20);

    private static Position at(double eastM, double northM) {
        return new Position(SOUTH + northM / Position.METRES_PER_DEGREE, WEST + eastM / EAST_M);
    }

    private static Lake square() {
        return new Lake(
                List.of(new Lake.Body(List.of(at(0, 0), at(SIDE_M, 0), at(SIDE_M, SIDE_M), at(0, SIDE_M)), List.of())),
                List.of());
    }

    /** A bowl with a hump and a ditch in it, 0 at the shore. */
    private static double truth(double eastM, double northM) {
        double bowl = 12 * Math.sin(Math.PI * eastM / SIDE_M) * Math.sin(Math.PI * northM / SIDE_M);
        double hump = 4 * Math.exp(-(square(eastM - 700) + square(northM - 900)) / square(150));
        double ditch = 3 * Math.exp(-square(eastM - 1400) / square(80)) * Math.sin(Math.PI * northM / SIDE_M);
        return Math.max(0, bowl - hump + ditch);
    }

    private static double square(double x) {
        return x * x;
    }

    /** A boat that runs lines across the lake, a sounding every so many metres, with noise and spikes. */
    private static List<Sounding> survey(double linesM, double everyM, double noiseM, double spikes, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Sounding> taken = new ArrayList<>();
        for (double north = linesM / 2; north < SIDE_M; north += linesM) {
            for (double east = 10; east < SIDE_M; east += everyM) {
                double depth = truth(east, north) + noiseM * random.nextGaussian();
                boolean spike = random.nextDouble() < spikes;
                taken.add(new Sounding(at(east, north), spike ? depth * 2 + 5 : depth));
            }
        }
        return taken;
    }

    private record Error(double rms, double within30cm) {}

    private static Error error(DepthGrid grid, boolean measuredOnly) {
        double sum = 0;
        int near = 0;
        int n = 0;
        for (int i = 0; i < grid.size(); i++) {
            if (!grid.isLand(i) && !(measuredOnly && grid.isGuessed(i))) {
                double east = (grid.x(i) - WEST) * EAST_M;
                double north = (grid.y(i) - SOUTH) * Position.METRES_PER_DEGREE;
                double off = grid.depth(i) - truth(east, north);
                sum += off * off;
                near += Math.abs(off) <= 0.3 ? 1 : 0;
                n++;
            }
        }
        return new Error(Math.sqrt(sum / n), (double) near / n);
    }

    @Test
    void linesFortyMetresApartGiveTheBottomBack() throws BadGridException {
        SoundingCleaner.Cleaned cleaned = SoundingCleaner.clean(survey(40, 5, 0.05, 0.01, 1), 0, null, RULES);

        Error error = error(SoundingGrid.of(square(), cleaned.kept(), null, RULES), false);

        assertThat(error.rms()).as("root of the mean square error, m").isLessThan(0.15);
        assertThat(error.within30cm()).as("share within 0.3 m").isGreaterThan(0.98);
    }

    @Test
    void whatIsFarFromEverySoundingIsSaidToBeGuessedAndIsWorse() throws BadGridException {
        List<Sounding> sparse = SoundingCleaner.clean(survey(250, 5, 0.05, 0, 2), 0, null, RULES)
                .kept();

        DepthGrid grid = SoundingGrid.of(square(), sparse, null, RULES);

        assertThat(error(grid, true).rms()).isLessThan(0.5 * error(grid, false).rms());
        int guessed = grid.guessed().cardinality();
        assertThat((double) guessed / grid.size()).isBetween(0.6, 0.85);
        assertThat(grid.isGuessed(grid.cellAt(WEST + 1000 / EAST_M, SOUTH + 125 / Position.METRES_PER_DEGREE)))
                .as("on a line")
                .isFalse();
        assertThat(grid.isGuessed(grid.cellAt(WEST + 1000 / EAST_M, SOUTH + 250 / Position.METRES_PER_DEGREE)))
                .as("between lines")
                .isTrue();
    }

    @Test
    void spikesGoAndSteepBottomStays() {
        List<Sounding> clean = survey(40, 5, 0.05, 0, 3);
        List<Sounding> spiky = new ArrayList<>(clean);
        for (int i = 20; i < spiky.size(); i += 97) {
            spiky.set(i, new Sounding(clean.get(i).position(), clean.get(i).depthM() * 2 + 3));
        }

        SoundingCleaner.Cleaned ofClean = SoundingCleaner.clean(clean, 0, null, RULES);
        SoundingCleaner.Cleaned ofSpiky = SoundingCleaner.clean(spiky, 0, null, RULES);

        assertThat(ofClean.spikes()).as("of a bottom that falls 12 m").isLessThan(clean.size() / 500);
        assertThat(ofSpiky.spikes()).isGreaterThan((int) (0.95 * clean.size() / 97));
    }

    @Test
    void unorderedSoundingsAreJudgedByWhatLiesAround() {
        List<Sounding> points = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            // Neighbours in the list lie 500 m apart.
            points.add(new Sounding(at(500 + 500 * (i % 2) + 5 * (i / 40), 500 + 5 * (i % 40)), 6));
        }
        points.set(150, new Sounding(points.get(150).position(), 11));

        assertThat(SoundingCleaner.clean(points, 0, null, RULES).spikes()).isEqualTo(1);
    }

    @Test
    void theTransducersDepthIsAddedAndFixesOnLandAreLeftOut() {
        List<Sounding> raw =
                List.of(new Sounding(at(100, 100), 4), new Sounding(at(-500, 100), 4), new Sounding(at(105, 100), 0));

        SoundingCleaner.Cleaned cleaned = SoundingCleaner.clean(
                raw, 0.25, p -> square().bodies().getFirst().holds(p), RULES);

        assertThat(cleaned.kept()).containsExactly(new Sounding(at(100, 100), 4.25));
        assertThat(cleaned.outside()).isEqualTo(1);
        assertThat(cleaned.impossible()).isEqualTo(1);
    }

    @Test
    void aSurveyThatReadsDeeperThanWhatIsKnownIsFoundOut() throws BadGridException {
        DepthGrid known = SoundingGrid.of(square(), survey(40, 5, 0.05, 0, 4), null, RULES);
        List<Sounding> later = survey(90, 5, 0.05, 0, 5).stream()
                .map(s -> new Sounding(s.position(), s.depthM() + 0.6))
                .toList();

        assertThat(SoundingGrid.deeperBy(later, known, RULES)).isCloseTo(0.6, within(0.05));
        assertThat(SoundingGrid.deeperBy(later.subList(0, 5), known, RULES)).isNull();
    }

    @Test
    void soundingsRefineAMapNearThemAndLeaveItElsewhere() throws BadGridException {
        DepthGrid truth = SoundingGrid.of(square(), survey(40, 5, 0, 0, 6), null, RULES);
        float[] shallower = truth.depths();
        for (int i = 0; i < shallower.length; i++) {
            shallower[i] *= 0.8f;
        }
        DepthGrid map = new DepthGrid(
                truth.columns(), truth.rows(), truth.west(), truth.south(), truth.cellSize(), true, shallower);
        List<Sounding> south = survey(40, 5, 0, 0, 7).stream()
                .filter(s -> s.position().lat() < SOUTH + 900 / Position.METRES_PER_DEGREE)
                .toList();

        DepthGrid refined = SoundingGrid.of(square(), south, map, RULES);

        int sounded = refined.cellAt(WEST + 1000 / EAST_M, SOUTH + 600 / Position.METRES_PER_DEGREE);
        int mapped = refined.cellAt(WEST + 1000 / EAST_M, SOUTH + 1500 / Position.METRES_PER_DEGREE);
        assertThat(refined.depth(sounded)).isCloseTo((float) truth(1000, 600), within(0.3f));
        int before = map.cellAt(refined.x(mapped), refined.y(mapped));
        assertThat(refined.depth(mapped)).isCloseTo(map.depth(before), within(0.1f));
        assertThat(refined.guessed().cardinality()).as("the map is no guess").isZero();
    }

    @Test
    void soundingsOfAnotherLakeAreRefused() {
        List<Sounding> elsewhere = List.of(new Sounding(new Position(41, -90), 5));

        assertThatThrownBy(() -> SoundingGrid.of(square(), elsewhere, null, RULES))
                .isInstanceOf(BadGridException.class)
                .hasMessageContaining("grids.soundings-off-lake");
    }

    /** A strip of soundings on a map of small cells: humps elsewhere stay, cells are no larger than they were. */
    @Test
    void aRefinementNeverLosesResolution() throws BadGridException {
        int cells = 400;
        double cell = SIDE_M / cells / Position.METRES_PER_DEGREE;
        float[] depths = new float[cells * cells];
        for (int i = 0; i < depths.length; i++) {
            boolean hump = i % cells % 40 == 20 && i / cells % 40 == 20;
            depths[i] = hump ? 2 : 6;
        }
        DepthGrid map = new DepthGrid(cells, cells, WEST, SOUTH, cell, true, depths);
        List<Sounding> strip = new ArrayList<>();
        for (int i = 0; i < 600; i++) {
            strip.add(new Sounding(at(900 + i % 30, 900 + i / 30.0 * 5), 4));
        }

        DepthGrid refined = SoundingGrid.of(square(), strip, map, SoundingRules.USUAL);

        assertThat(refined.cellSize()).isLessThanOrEqualTo(map.cellSize());
        Position sounded = strip.get(300).position();
        assertThat(refined.depth(refined.cellAt(sounded.lon(), sounded.lat()))).isCloseTo(4, within(0.1f));
        for (int i = 20 * cells + 20; i < map.size(); i += 40) {
            Position p = new Position(map.y(i), map.x(i));
            boolean far = strip.stream().noneMatch(s -> s.position().metresTo(p) < 70);
            if (far && square().holds(p)) {
                int there = refined.cellAt(p.lon(), p.lat());
                assertThat(refined.depth(there)).as("cell %d", i).isCloseTo(map.depth(i), within(0.7f));
            }
        }
    }
}
