package lochan.core.lures.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import lochan.core.Assumptions;
import lochan.core.ReasonCode;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.SampleTackle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Expected depths and times are worked by hand from the formulas of {@link LureMotion}. */
class LurePathTest {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final double TAN_30 = 0.577;
    /** Steps of a tenth of a second at under a metre a second. */
    private static final double STEP_M = 0.12;
    /** The rated line: c·√kg = 0.30 mm for 12 lb fluorocarbon. */
    private static final FishingLine RATED = SampleTackle.LIGHT;

    private static LureMotion motion(Lure lure, LureObservation... seen) {
        return new LureMotion(lure, null, RATED, List.of(seen), ASSUMPTIONS.lurePath());
    }

    private static LurePath path(Lure lure, Cast cast, WaterSlice water) {
        return LurePath.of(motion(lure), cast, water, ASSUMPTIONS);
    }

    private static Cast cast(double metres, Retrieve retrieve, double speed) {
        return new Cast(metres, retrieve, speed, null, false);
    }

    private static List<ReasonCode> broken(Lure lure, Cast cast, WaterSlice water) {
        return PathCheck.of(motion(lure), cast, water, path(lure, cast, water), ASSUMPTIONS).stream()
                .filter(c -> !c.kept())
                .map(c -> c.reason().code())
                .toList();
    }

    @Test
    void theCountIsDepthOverRateOfFall() {
        assertThat(RATED.diameterMm()).isCloseTo(0.30, within(0.001));
        assertThat(motion(SampleTackle.SWIMBAIT).countTo(3, false)).isCloseTo(6, within(0.01));
        assertThat(motion(SampleTackle.SWIMBAIT).countTo(3, true)).isCloseTo(6 / 0.7, within(0.01));
        assertThat(path(SampleTackle.SWIMBAIT, cast(25, Retrieve.STEADY, 0.8), new WaterSlice(8, 8, 0, 3.0))
                        .countSeconds())
                .isCloseTo(6, within(0.11));
    }

    @Test
    void fourTimesTheWeightFallsTwiceAsFastAndThickLineSlows() {
        LureMotion heavy = new LureMotion(SampleTackle.SWIMBAIT, 4 * 10.6, RATED, List.of(), ASSUMPTIONS.lurePath());
        LureMotion thick = new LureMotion(
                SampleTackle.SWIMBAIT,
                null,
                new FishingLine(FishingLine.Kind.FLUOROCARBON, 4 * RATED.strengthKg()),
                List.of(),
                ASSUMPTIONS.lurePath());
        assertThat(heavy.fallMps(false)).isCloseTo(1.0, within(0.005));
        assertThat(thick.fallMps(false)).isCloseTo(0.5 * Math.pow(0.5, 0.4), within(0.005));
    }

    @Test
    void aSwimbaitAtItsHoldingSpeedStaysAtItsDepthUntilTheLineLiftsIt() {
        LurePath path = path(SampleTackle.SWIMBAIT, cast(30, Retrieve.STEADY, 0.8), new WaterSlice(8, 8, 0, 4.0));
        double liftedFrom = 4 / TAN_30;
        assertThat(path.points())
                .filteredOn(p -> p.seconds() > path.countSeconds() && p.fromBoatM() > liftedFrom + STEP_M)
                .allSatisfy(p -> assertThat(p.depthM()).isCloseTo(4, within(1e-6)));
        assertThat(path.points())
                .filteredOn(p -> p.fromBoatM() < liftedFrom - STEP_M)
                .allSatisfy(p -> assertThat(p.depthM()).isCloseTo(p.fromBoatM() * TAN_30, within(1e-6)));
        // In the zone from 3.4 m on the fall, over the level part, and up to 3.4 m of the lift.
        double seconds = 0.6 / 0.5 + (30 - 3.4 / TAN_30) / 0.8;
        assertThat(path.zoneShare()).isCloseTo(seconds / (4 / 0.5 + 29 / 0.8), within(0.01));
        assertThat(path.belowShare()).isZero();
    }

    @Test
    void aSlowerRetrieveSinksAndAFasterOneClimbs() {
        WaterSlice water = new WaterSlice(20, 20, 0, 4.0);
        assertThat(path(SampleTackle.SWIMBAIT, cast(40, Retrieve.STEADY, 0.4), water)
                        .deepestM())
                .isGreaterThan(6);
        assertThat(path(SampleTackle.SWIMBAIT, cast(40, Retrieve.STEADY, 1.2), water)
                        .deepestM())
                .isCloseTo(4, within(0.06));
    }

    @Test
    void aCrankbaitDivesAlongItsCurveAndTurnsWhereTheLineLiftsIt() {
        // 6·(1 − e^(−s/10)) = (30 − s)·0.577 at s = 20.94: 5.26 m.
        double s = 20.886;
        assertThat(6 * -Math.expm1(-s / 10)).isCloseTo((30 - s) * TAN_30, within(0.01));
        assertThat(motion(SampleTackle.DIVER).diveM(30)).isCloseTo((30 - s) * TAN_30, within(0.01));
        LurePath path = path(SampleTackle.DIVER, cast(30, Retrieve.STEADY, 1.2), new WaterSlice(9, 9, 0, null));
        assertThat(path.deepestM()).isCloseTo((30 - s) * TAN_30, within(STEP_M));
        assertThat(path.contactToM()).isNaN();
    }

    @Test
    void longCastsAndThinLineDiveDeeper() {
        LureMotion thin = new LureMotion(
                SampleTackle.DIVER,
                null,
                new FishingLine(FishingLine.Kind.FLUOROCARBON, RATED.strengthKg() / 4),
                List.of(),
                ASSUMPTIONS.lurePath());
        assertThat(thin.longDiveM()).isCloseTo(6 * Math.pow(2, 0.4), within(0.02));
        assertThat(motion(SampleTackle.DIVER).diveM(40))
                .isGreaterThan(motion(SampleTackle.DIVER).diveM(20) + 0.5);
    }

    @Test
    void aJigKeepsTheBottomUntilItsLineIsTooSteep() {
        LurePath path = path(SampleTackle.FOOTBALL, cast(25, Retrieve.DRAG, 0.5), new WaterSlice(5, 5, 0, null));
        assertThat(path.contactToM()).isCloseTo(5 / TAN_30, within(STEP_M));
        assertThat(path.deepestM()).isCloseTo(5, within(1e-9));
    }

    @Test
    void aTightLineSwingsTheLureTowardsTheBoat() {
        WaterSlice water = new WaterSlice(6, 6, 0, 6.0);
        LurePath tight = path(SampleTackle.SWIMBAIT, new Cast(20, Retrieve.STEADY, 0.8, null, true), water);
        assertThat(tight.points()).anySatisfy(p -> {
            assertThat(p.depthM()).isCloseTo(6, within(0.05));
            assertThat(p.fromBoatM()).isCloseTo(Math.sqrt(20 * 20 - 36), within(0.1));
        });
    }

    @Test
    void whatAnglersSawMovesTheSheetALittleEachTime() {
        double told = motion(SampleTackle.DIVER).diveM(30);
        LureObservation saw = new LureObservation(
                "o", SampleTackle.DIVER.id(), LureObservation.Saw.DIVE, told * 1.2, null, 30.0, null, RATED);
        assertThat(motion(SampleTackle.DIVER, saw).ownFactor()).isCloseTo(Math.exp(Math.log(1.2) / 3), within(1e-6));
        assertThat(motion(SampleTackle.DIVER, saw, saw, saw, saw).ownFactor())
                .isCloseTo(Math.exp(4 * Math.log(1.2) / 6), within(1e-6));
        assertThat(motion(SampleTackle.SWIMBAIT, saw).ownFactor()).isEqualTo(1);
        LureObservation fell = new LureObservation(
                "o", SampleTackle.SWIMBAIT.id(), LureObservation.Saw.FALL, 3, 12.0, null, null, RATED);
        assertThat(motion(SampleTackle.SWIMBAIT, fell).countTo(3, false))
                .isCloseTo(6 * Math.pow(2, 1 / 3.0), within(0.01));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void noLureGoesThroughTheBottomOrOutOfTheWaterOrAwayFromTheBoat(long seed) {
        Random random = new Random(seed);
        for (Lure lure : SampleTackle.ALL) {
            double castM = 10 + 30 * random.nextDouble();
            WaterSlice water = new WaterSlice(
                    0.5 + 12 * random.nextDouble(),
                    0.5 + 12 * random.nextDouble(),
                    random.nextDouble(),
                    random.nextBoolean() ? null : 0.5 + 5 * random.nextDouble());
            Retrieve retrieve = Retrieve.values()[random.nextInt(Retrieve.values().length)];
            LurePath path = path(
                    lure,
                    new Cast(
                            castM,
                            retrieve,
                            0.2 + random.nextDouble(),
                            random.nextBoolean() ? null : 20 * random.nextDouble(),
                            random.nextBoolean()),
                    water);
            double from = Double.MAX_VALUE;
            for (LurePath.Point p : path.points()) {
                assertThat(p.depthM()).isBetween(0.0, water.bottomM(p.fromBoatM(), castM) + STEP_M);
                assertThat(p.fromBoatM()).isLessThanOrEqualTo(from);
                from = p.fromBoatM();
            }
            assertThat(path.zoneShare() + path.belowShare()).isBetween(0.0, 1.0 + 1e-9);
            assertThat(path.points().getLast().seconds()).isLessThan(900.2);
        }
    }

    @Test
    void aCastThatRunsUnderTheFishIsTold() {
        assertThat(broken(SampleTackle.FOOTBALL, cast(25, Retrieve.DRAG, 0.5), new WaterSlice(6, 6, 0, 3.0)))
                .containsExactly(PathReason.BELOW_THE_FISH);
        assertThat(broken(SampleTackle.SWIMBAIT, cast(30, Retrieve.STEADY, 0.8), new WaterSlice(6, 6, 0, 3.0)))
                .isEmpty();
    }

    @Test
    void overBrushTwoFeetAreKept() {
        WaterSlice brush = new WaterSlice(5, 5, 1.5, 2.8);
        assertThat(broken(SampleTackle.SWIMBAIT, cast(30, Retrieve.STEADY, 0.8), brush))
                .isEmpty();
        assertThat(broken(SampleTackle.SWIMBAIT, cast(30, Retrieve.STEADY, 0.8), new WaterSlice(5, 5, 1.5, 3.3)))
                .containsExactly(PathReason.CLOSE_TO_COVER);
        assertThat(broken(SampleTackle.SWIMBAIT, cast(30, Retrieve.STEADY, 0.8), new WaterSlice(5, 5, 1.5, 4.2)))
                .containsExactly(PathReason.HITS_COVER);
    }

    @Test
    void straightDownOnlyInTwelveFeet() {
        assertThat(broken(SampleTackle.SPOON, cast(10, Retrieve.VERTICAL, 0.5), new WaterSlice(3, 3, 0, 2.8)))
                .contains(PathReason.TOO_SHALLOW);
        assertThat(broken(SampleTackle.SPOON, cast(10, Retrieve.VERTICAL, 0.5), new WaterSlice(7, 7, 0, 6.8)))
                .isEmpty();
    }

    @Test
    void aCrankbaitMustReachWhatItIsMeantToHit() {
        assertThat(broken(SampleTackle.DIVER, cast(30, Retrieve.STEADY, 1.2), new WaterSlice(7, 7, 0, null)))
                .contains(PathReason.MISSES_BOTTOM);
        assertThat(broken(SampleTackle.DIVER, cast(30, Retrieve.STEADY, 1.2), new WaterSlice(4.5, 4.5, 0, null)))
                .isEmpty();
    }

    @Test
    void impossibleNumbersAreRefused() {
        assertThatThrownBy(() -> new Cast(0, Retrieve.STEADY, 1, null, false)).hasMessageContaining("cast is 0.0 m");
        assertThatThrownBy(() -> new WaterSlice(Double.NaN, 3, 0, null)).hasMessageContaining("depths");
        assertThatThrownBy(() -> new LureMotion(SampleTackle.JIG, -1.0, RATED, List.of(), ASSUMPTIONS.lurePath()))
                .hasMessageContaining("-1.0 g");
    }
}
