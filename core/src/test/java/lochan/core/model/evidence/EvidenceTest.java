package lochan.core.model.evidence;

import static lochan.core.Sample.at;
import static lochan.core.Sample.bite;
import static lochan.core.Sample.stop;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Position;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Zone;
import lochan.core.practice.Bite;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Conditions;
import lochan.core.practice.Current;
import lochan.core.practice.FishSize;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Signs;
import lochan.core.practice.SignsBuilder;
import lochan.core.practice.Sky;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class EvidenceTest {

    private static final double EXACT = 1e-9;

    private static EventData with(PracticeStop... stops) {
        return Sample.event(
                Sample.tournament(5, List.of(Sample.LARGEMOUTH)),
                List.of(Sample.spot("s", "hump", Zone.DEEP, 1)),
                List.of(stops));
    }

    private static List<Slice> slices(PracticeStop stop) {
        return Slice.of(with(stop), Assumptions.DEFAULTS);
    }

    @Test
    void aStopIsCutIntoEqualSlicesOfHalfAnHourAtMost() {
        List<Slice> slices = slices(stop(
                "p",
                "s",
                "06-03T07:00",
                "06-03T07:50",
                List.of("swim-jig"),
                bite("06-03T07:24", Outcome.LANDED, null),
                bite("06-03T07:25", Outcome.MISSED, null),
                bite(null, Outcome.LOST, null)));

        assertThat(slices).extracting(Slice::start).containsExactly(at("06-03T07:00"), at("06-03T07:25"));
        assertThat(slices).extracting(Slice::bites).containsExactly(1.5, 1.5);
        assertThat(slices).allSatisfy(s -> assertThat(s.effortAnglerHours()).isCloseTo(25 / 60.0, within(EXACT)));
    }

    @Test
    void minutesGivenCountAsGivenAndTheRestIsShared() {
        PracticeStop stop = PracticeStopBuilder.builder()
                .id("p")
                .spotId("s")
                .start(at("06-03T07:00"))
                .end(at("06-03T07:30"))
                .anglers(2)
                .presentations(List.of(new PresentationTime("swim-jig", 20.0), new PresentationTime("walker", null)))
                .follows(0)
                .bites(List.of(bite(null, Outcome.LANDED, null)))
                .conditions(Conditions.UNKNOWN)
                .build();

        List<Slice> slices = slices(stop);

        assertThat(slices).extracting(Slice::effortAnglerHours).containsExactly(2 * 20 / 60.0, 2 * 10 / 60.0);
        assertThat(slices)
                .extracting(Slice::bites)
                .as("a bite on one of several is shared by their time")
                .containsExactly(2 / 3.0, 1 / 3.0);
    }

    static IntStream seeds() {
        return IntStream.range(0, 50);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void slicesLoseNoEffortAndNoBite(int seed) {
        EventData event = Sample.practiced(5, seed);
        double hours = event.stops().stream()
                .mapToDouble(
                        s -> s.anglers() * Duration.between(s.start(), s.end()).toMillis() / 3.6e6)
                .sum();
        int bites = event.stops().stream().mapToInt(s -> s.bites().size()).sum();

        List<Slice> slices = Slice.of(event, Assumptions.DEFAULTS);

        assertThat(slices.stream().mapToDouble(Slice::effortAnglerHours).sum()).isCloseTo(hours, within(EXACT));
        assertThat(slices.stream().mapToDouble(Slice::bites).sum()).isCloseTo(bites, within(EXACT));
    }

    @Test
    void aStopStillFishedOrWithoutPresentationIsNoEvidenceYet() {
        assertThat(slices(stop("p", "s", "06-03T07:00", null, List.of("swim-jig"))))
                .isEmpty();
        assertThat(slices(stop("p", "s", "06-03T07:00", "06-03T08:00", List.of())))
                .isEmpty();
    }

    private static Relevance relevance(String stopStart, Conditions then, Conditions now) {
        PracticeStop stop = stop("p", "s", stopStart, stopStart.substring(0, 6) + "08:00", List.of("swim-jig"))
                .withConditions(then);
        EventData event = with(stop);
        ForecastPeriod forecast = new ForecastPeriod(
                at("06-05T00:00"),
                at("06-06T00:00"),
                now.windMps(),
                null,
                now.sky(),
                now.waterTempC(),
                now.visibilityM(),
                null);
        EventData forecasted = event.toBuilder()
                .lake(null)
                .forecast(List.of(forecast))
                .plans(List.of())
                .competition(List.of())
                .build();
        Bin bin = Bin.ofDay(forecasted, 1, Assumptions.DEFAULTS).get(3);
        return Relevance.of(
                Slice.of(forecasted, Assumptions.DEFAULTS).getFirst(), bin, Assumptions.DEFAULTS.relevance());
    }

    @Test
    void theSixFactorsFollowTheirFormulas() {
        Relevance r = relevance(
                "06-03T07:30",
                new Conditions(16.0, 1.0, 2.0, Sky.CLEAR, null),
                new Conditions(19.0, 2.0, 7.0, Sky.CLOUDY, null));

        assertThat(r.recency()).isCloseTo(Math.pow(2, -2 / 5.0), within(EXACT));
        assertThat(r.timeOfDay())
                .as("the same half hour, sunrise a minute apart")
                .isCloseTo(1, within(1e-4));
        assertThat(r.temperature()).isCloseTo(Math.exp(-0.5 * 0.36), within(EXACT));
        assertThat(r.clarity()).isCloseTo(Math.exp(-0.5 * Math.pow(Math.log(2), 2)), within(EXACT));
        assertThat(r.wind()).isCloseTo(Math.exp(-0.5), within(EXACT));
        assertThat(r.sky()).isCloseTo(0.93 * 0.93, within(EXACT));
        assertThat(r.product())
                .isCloseTo(
                        r.recency() * r.timeOfDay() * r.temperature() * r.clarity() * r.wind() * r.sky(),
                        within(EXACT));
    }

    @Test
    void whatIsUnknownOnEitherSideCountsNothingAgainstIt() {
        Relevance r = relevance("06-03T07:30", Conditions.UNKNOWN, new Conditions(19.0, 2.0, 7.0, Sky.RAIN, null));

        assertThat(List.of(r.temperature(), r.clarity(), r.wind(), r.sky())).containsOnly(1.0);
    }

    /** 0.93 for each step apart of what was noted within two days before; older notes say nothing. */
    @Test
    void trendsCurrentAndFrontCountByWhatWasLastNoted() {
        Signs falling = SignsBuilder.builder(Signs.UNKNOWN)
                .levelTrend(LevelTrend.FALLING)
                .clarityTrend(ClarityTrend.CLEARING)
                .recentFront(true)
                .current(Current.NONE)
                .baitSeen(true)
                .build();
        Signs rising = SignsBuilder.builder(falling)
                .baitSeen(false)
                .levelTrend(LevelTrend.RISING)
                .clarityTrend(ClarityTrend.STEADY)
                .recentFront(false)
                .build();
        PracticeStop then = stop("p", "s", "06-02T07:00", "06-02T08:00", List.of("swim-jig"))
                .withConditions(new Conditions(null, null, null, null, null, falling, Map.of()));
        PracticeStop last = stop("q", "s", "06-04T12:00", "06-04T13:00", List.of("swim-jig"))
                .withConditions(new Conditions(null, null, null, null, null, rising, Map.of()));
        Relevance r = first(with(then, last));
        assertThat(r.signs()).isEqualTo(new Relevance.OfSigns(0.93, 0.93 * 0.93, 1, 0.93, 0.93));
        assertThat(r.product()).isCloseTo(r.recency() * r.timeOfDay() * Math.pow(0.93, 5), within(EXACT));
        assertThat(r.signs().words()).isEqualTo("clarity trend 0.93, level 0.86, front 0.93, bait 0.93");
        assertThat(first(with(then)).signs()).as("three days old").isEqualTo(Relevance.OfSigns.NEUTRAL);
    }

    private static Relevance first(EventData event) {
        return Relevance.of(
                Slice.of(event, Assumptions.DEFAULTS).getFirst(),
                Bin.ofDay(event, 1, Assumptions.DEFAULTS).get(3),
                Assumptions.DEFAULTS.relevance());
    }

    /** Two bass and three other fish were seen at the spot: of each unseen bite (1 + 2)/(1 + 2 + 3) counts. */
    @Test
    void atASpotWithBycatchUnseenBitesAreSharedAndSeenOnesAreNot() {
        Bite seen = new Bite(null, Outcome.LANDED, null, Species.LARGEMOUTH, FishSize.scale(900));
        PracticeStop stop = stop(
                        "p",
                        "s",
                        "06-03T07:00",
                        "06-03T07:30",
                        List.of("swim-jig"),
                        seen,
                        seen,
                        new Bite(null, Outcome.MISSED, null, null, null),
                        new Bite(null, Outcome.SHAKEN, null, null, null))
                .withBycatch(3);
        assertThat(slices(stop)).extracting(Slice::bites).containsExactly(2 + 2 * 0.5);
        assertThat(slices(stop.withBycatch(0))).extracting(Slice::bites).containsExactly(4.0);
    }

    @Test
    void minutesWithoutALineInTheWaterAreNoEffort() {
        PracticeStop stop = PracticeStopBuilder.builder(
                        stop("p", "s", "06-03T07:00", "06-03T08:00", List.of("swim-jig", "walker")))
                .idleMinutes(20)
                .build();
        assertThat(slices(stop).stream().mapToDouble(Slice::effortAnglerHours).sum())
                .isCloseTo(40 / 60.0, within(EXACT));
    }

    @Test
    void farConditionsKeepAFloor() {
        Relevance r = relevance(
                "06-03T07:30",
                new Conditions(4.0, 0.05, 0.0, Sky.CLEAR, null),
                new Conditions(30.0, 9.0, 30.0, Sky.CLEAR, null));

        assertThat(List.of(r.temperature(), r.clarity(), r.wind())).containsOnly(0.6);
    }

    /** Computed for 42°36′ N, 116°54′ W by Meeus (1998), chapters 15, 25 and 28, with the sun's upper rim at −50′. */
    @ParameterizedTest
    @CsvSource({
        "2027-06-05, 2027-06-05T12:11:00Z",
        "2027-12-21, 2027-12-21T15:14:12Z",
        "2027-03-20, 2027-03-20T13:51:00Z"
    })
    void sunriseIsThatOfThePlace(LocalDate date, java.time.Instant sunrise) {
        assertThat(Duration.between(sunrise, Sunrise.at(Sample.LAUNCH, date, Sample.ZONE))
                        .abs())
                .isLessThan(Duration.ofMinutes(1));
    }

    @Test
    void aDateWithoutSunriseHasOneAllTheSame() {
        assertThat(Sunrise.at(new Position(85, 0), LocalDate.of(2027, 12, 21), Sample.ZONE))
                .isEqualTo(at("12-21T06:00"));
    }

    @Test
    void binsCoverTheDayAndTakeTheForecastAtTheirMiddle() {
        EventData event = with(stop("p", "s", "06-03T07:00", "06-03T08:00", List.of("swim-jig")));
        List<Bin> bins = Bin.ofDay(event, 1, Assumptions.DEFAULTS);

        assertThat(bins).hasSize(18);
        assertThat(bins.getFirst().start()).isEqualTo(at("06-05T06:00"));
        assertThat(bins.getLast().end()).isEqualTo(at("06-05T15:00"));
        assertThat(bins).extracting(Bin::conditions).containsOnly(Conditions.UNKNOWN);
    }
}
