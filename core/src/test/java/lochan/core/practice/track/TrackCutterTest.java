package lochan.core.practice.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Sample;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Zone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class TrackCutterTest {

    private static final Instant MORNING = Sample.at("06-03T05:30");

    /** A made-up day: what the boat did, and what its plotter noted of it. */
    private static final class Day {

        private final Random random;
        private final double noiseM;
        private final int everySeconds;
        private final List<Fix> fixes = new ArrayList<>();
        private final List<Track.Stop> truth = new ArrayList<>();
        private double x;
        private double y;
        private long second;
        private double slipX;
        private double slipY;

        Day(int seed, double noiseM, int everySeconds) {
            this.random = new Random(seed);
            this.noiseM = noiseM;
            this.everySeconds = everySeconds;
        }

        private void note() {
            // A receiver's error wanders: most of it is that of the second before.
            slipX = 0.9 * slipX + Math.sqrt(1 - 0.81) * noiseM * random.nextGaussian();
            slipY = 0.9 * slipY + Math.sqrt(1 - 0.81) * noiseM * random.nextGaussian();
            if (second % everySeconds == 0) {
                fixes.add(new Fix(now(), at(x + slipX, y + slipY)));
            }
            second++;
        }

        private Instant now() {
            return MORNING.plusSeconds(second);
        }

        static Position at(double east, double north) {
            return new Position(
                    Sample.LAUNCH.lat() + north / Position.METRES_PER_DEGREE,
                    Sample.LAUNCH.lon() + east / Position.metresPerDegreeEast(Sample.LAUNCH.lat()));
        }

        /** Works around a place with the trolling motor, slowly and with turns. */
        Day fish(int minutes) {
            Instant start = now();
            double homeX = x;
            double homeY = y;
            double heading = random.nextDouble() * 6.28;
            double speed = 0.2 + 0.5 * random.nextDouble();
            for (int s = 0; s < 60 * minutes; s++) {
                heading += 0.05 * random.nextGaussian();
                if (Math.hypot(x - homeX, y - homeY) > 60) {
                    heading = Math.atan2(homeY - y, homeX - x);
                }
                x += speed * Math.cos(heading);
                y += speed * Math.sin(heading);
                note();
            }
            truth.add(new Track.Stop(start, now(), at(homeX, homeY), null));
            return this;
        }

        /** Lies at anchor, swinging a little. */
        Day lie(int minutes) {
            Instant start = now();
            double homeX = x;
            double homeY = y;
            for (int s = 0; s < 60 * minutes; s++) {
                x = homeX + 8 * Math.sin(s / 90.0);
                y = homeY + 5 * Math.cos(s / 70.0) - 5;
                note();
            }
            x = homeX;
            y = homeY;
            truth.add(new Track.Stop(start, now(), at(homeX, homeY), null));
            return this;
        }

        /** Pauses at the ends of a piece of bank by turns, going along it between. */
        Day toAndFro(double metres, int minutes, double mps) {
            double from = y;
            for (int i = 0; i < 6; i++) {
                lie(minutes);
                if (i < 5) {
                    run(x, i % 2 == 0 ? from + metres : from, mps);
                }
            }
            return this;
        }

        Day drift(int minutes, double mps) {
            return run(x + 60 * minutes * mps * 0.6, y + 60 * minutes * mps * 0.8, mps);
        }

        Day run(double toX, double toY, double mps) {
            double metres = Math.hypot(toX - x, toY - y);
            int seconds = (int) Math.ceil(metres / mps);
            double dx = (toX - x) / seconds;
            double dy = (toY - y) / seconds;
            for (int s = 0; s < seconds; s++) {
                x += dx;
                y += dy;
                note();
            }
            return this;
        }

        Day silence(int seconds) {
            second += seconds;
            return this;
        }
    }

    /** Each kind of stay, with fixes each second or each five. */
    @ParameterizedTest
    @MethodSource("thirty")
    void everyKindOfStayIsOneStopOfItsTime(int seed) {
        Random random = new Random(100 + seed);
        Day day = new Day(seed, 3, seed % 2 == 0 ? 1 : 5).run(2000, 0, 15);
        int kind = seed % 5;
        Instant start = day.now();
        switch (kind) {
            case 0 -> day.lie(15 + random.nextInt(30));
            case 1 -> day.toAndFro(80, 5 + random.nextInt(4), 0.9 + 0.5 * random.nextDouble());
            case 2 -> day.drift(15 + random.nextInt(10), 0.2 + 0.2 * random.nextDouble());
            case 3 ->
                day.lie(12 + random.nextInt(10))
                        .run(day.x, 110 + random.nextInt(50), 3.5)
                        .lie(12);
            default -> day.lie(8).silence(60 + random.nextInt(40)).lie(8);
        }
        Instant end = day.now();
        day.run(5000, 3000, 14);

        Track track = TrackCutter.cut(day.fixes, List.of());

        assertThat(track.stops()).as("kind %d", kind).hasSize(kind == 3 ? 2 : 1);
        assertThat(Duration.between(start, track.stops().getFirst().start()).abs())
                .as("start of kind %d", kind)
                .isLessThanOrEqualTo(Duration.ofSeconds(60));
        assertThat(Duration.between(end, track.stops().getLast().end()).abs())
                .as("end of kind %d", kind)
                .isLessThanOrEqualTo(Duration.ofSeconds(60));
    }

    static IntStream thirty() {
        return IntStream.range(0, 30);
    }

    static IntStream seeds() {
        return IntStream.range(0, 20);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void stopsOfANoisyDayBeginAndEndWithinAMinuteAndTheirEffortWithinFivePercent(int seed) {
        Random random = new Random(seed);
        Day day = new Day(seed, 3, 1 + seed % 3);
        for (int i = 0; i < 10; i++) {
            day.run(random.nextInt(8000) - 4000, random.nextInt(8000) - 4000, 8 + random.nextInt(12))
                    .fish(8 + random.nextInt(60));
        }
        Track track = TrackCutter.cut(day.fixes, List.of());

        assertThat(track.stops()).hasSameSizeAs(day.truth);
        for (int i = 0; i < day.truth.size(); i++) {
            Track.Stop truth = day.truth.get(i);
            Track.Stop found = track.stops().get(i);
            assertThat(Duration.between(truth.start(), found.start()).abs()).isLessThan(Duration.ofMinutes(1));
            assertThat(Duration.between(truth.end(), found.end()).abs()).isLessThan(Duration.ofMinutes(1));
            assertThat(found.length().toSeconds() / (double) truth.length().toSeconds())
                    .isCloseTo(1, within(0.05));
            assertThat(found.centre().metresTo(truth.centre())).isLessThan(80);
        }
        assertThat(track.runs()).hasSize(10).allSatisfy(r -> assertThat(r.mps()).isBetween(7.0, 21.0));
    }

    /** Most of the way at full speed, as much time in a slow zone: the way counts, not the time. */
    @Test
    void aCruiseIsNotSlowedByCrawlingOutOfASlowZone() {
        Track track = TrackCutter.cut(
                new Day(4, 2, 1).fish(6).run(300, 0, 2.2).run(4000, 0, 18).fish(6).fixes, List.of());

        assertThat(track.runs()).singleElement().satisfies(r -> {
            assertThat(r.cruiseMps()).isCloseTo(18, within(0.9));
            assertThat(r.mps()).isLessThan(13);
        });
    }

    @Test
    void aGapMakesNoStopAndEndsOne() {
        Day day = new Day(1, 2, 1)
                .fish(20)
                .silence(600)
                .fish(15)
                .run(3000, 0, 15)
                .silence(1800)
                .run(4000, 0, 15)
                .fish(10);
        Track track = TrackCutter.cut(day.fixes, List.of());

        assertThat(track.gaps()).hasSize(2);
        assertThat(track.stops()).extracting(s -> s.length().toMinutes()).containsExactly(19L, 14L, 9L);
        assertThat(track.stops()).allSatisfy(s -> assertThat(track.gaps())
                .noneMatch(g -> s.start().isBefore(g.end()) && g.start().isBefore(s.end())));
    }

    @Test
    void aShortHaltIsNoStopAndAShortDashDoesNotEndOne() {
        Track halt = TrackCutter.cut(
                new Day(1, 2, 1).run(2000, 0, 15).fish(3).run(4000, 0, 15).fish(12).fixes, List.of());
        assertThat(halt.stops()).hasSize(1);

        Track dash = TrackCutter.cut(new Day(1, 2, 1).fish(12).run(60, 0, 3).fish(12).fixes, List.of());
        assertThat(dash.stops()).hasSize(1);
    }

    @Test
    void movingOnSlowlyIsAnotherPlace() {
        Track track = TrackCutter.cut(new Day(1, 2, 1).fish(10).run(500, 0, 3).fish(10).fixes, List.of());

        assertThat(track.stops()).hasSize(2);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void twoAnchoragesCloseTogetherAreTwoStops(int seed) {
        Random random = new Random(seed);
        double metres = 100 + random.nextInt(100);
        double bearing = 6.28 * random.nextDouble();
        Day day = new Day(seed, 3, 1 + seed % 3)
                .run(2000, 0, 15)
                .lie(6 + random.nextInt(30))
                .run(2000 + metres * Math.cos(bearing), metres * Math.sin(bearing), 4 - random.nextDouble())
                .lie(6 + random.nextInt(30));
        Track track = TrackCutter.cut(day.fixes, List.of());

        assertThat(track.stops()).hasSize(2);
        for (int i = 0; i < 2; i++) {
            assertThat(track.stops().get(i).centre().metresTo(day.truth.get(i).centre()))
                    .isLessThan(25);
            assertThat(Duration.between(
                                    day.truth.get(i).start(),
                                    track.stops().get(i).start())
                            .abs())
                    .isLessThan(Duration.ofSeconds(75));
        }
    }

    /** Along a bank on the trolling motor, at a steady speed. */
    @ParameterizedTest
    @ValueSource(doubles = {0.1, 0.2, 0.3, 0.4})
    void aDriftWithinOnePlaceIsOneStop(double mps) {
        Track track = TrackCutter.cut(new Day(3, 3, 1).run(2000, 0, 15).run(2000, 60 * 10 * mps, mps).fixes, List.of());

        assertThat(track.stops()).hasSize(1);
    }

    @Test
    void withSpotsTheirRadiiDecide() {
        Day close = new Day(5, 3, 1).run(2000, 0, 15).lie(10).run(2060, 0, 1.2).lie(10);
        Spot one = spot("one", Day.at(2000, 0), 30);
        Spot two = spot("two", Day.at(2060, 0), 30);
        assertThat(TrackCutter.cut(close.fixes, List.of(one, two)).stops())
                .extracting(Track.Stop::spotId)
                .containsExactly("one", "two");

        Day far = new Day(5, 3, 1).run(2000, 0, 15).lie(10).run(2120, 0, 3).lie(10);
        Spot wide = spot("wide", Day.at(2060, 0), 150);
        assertThat(TrackCutter.cut(far.fixes, List.of(wide)).stops())
                .extracting(Track.Stop::spotId)
                .containsExactly("wide");
        assertThat(TrackCutter.cut(far.fixes, List.of()).stops()).hasSize(2);
    }

    @Test
    void aStopIsTheSpotWhoseRadiusHoldsItsMiddle() {
        Day day = new Day(2, 2, 1).run(2000, 0, 15).fish(20).run(4000, 1000, 15).fish(20);
        Spot here = spot("here", Day.at(2020, 10), 120);
        Spot besides = spot("besides", Day.at(2090, 10), 200);
        Track track = TrackCutter.cut(day.fixes, List.of(besides, here));

        assertThat(track.stops()).extracting(Track.Stop::spotId).containsExactly("here", null);
    }

    private static Spot spot(String id, Position at, double radiusM) {
        Spot like = Sample.spot(id, "hump", Zone.DEEP, 0);
        return SpotBuilder.builder()
                .id(id)
                .name(id)
                .position(at)
                .radiusM(radiusM)
                .spotType(like.spotType())
                .zone(like.zone())
                .crowdRisk(0)
                .stock(like.stock())
                .entered(like.entered())
                .build();
    }

    @Test
    void oneSlipOfTheReceiverChangesNothing() {
        Day day = new Day(3, 2, 1).fish(20);
        List<Fix> slipped = new ArrayList<>(day.fixes);
        slipped.set(600, new Fix(slipped.get(600).at(), Day.at(900, 900)));

        assertThat(TrackCutter.cut(slipped, List.of()).stops()).hasSize(1);
    }

    @Test
    void timeRunsForwards() {
        List<Fix> fixes = List.of(new Fix(MORNING, Sample.LAUNCH), new Fix(MORNING.minusSeconds(1), Sample.LAUNCH));

        assertThatThrownBy(() -> TrackCutter.cut(fixes, List.of()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("backwards");
        assertThat(TrackCutter.cut(List.of(), List.of()).stops()).isEmpty();
    }
}
