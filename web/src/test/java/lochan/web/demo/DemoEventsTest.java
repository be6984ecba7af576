package lochan.web.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.Bite;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.eventformat.EventFile;
import lochan.eventformat.EventFileWriter;
import org.junit.jupiter.api.Test;

/** Checks the contents of the demo, and that its files are what the generator makes. */
class DemoEventsTest {

    private static final EventData OPEN = DemoEvents.twoArmsOpen();
    private static final Map<String, EventData> FINISHED = DemoSeasons.events();

    private static Stream<Bite> bites(String spot) {
        return OPEN.stops().stream()
                .filter(s -> spot == null || s.spotId().equals(spot))
                .flatMap(s -> s.bites().stream());
    }

    @Test
    void theShippedFilesAreTheGenerators() throws IOException {
        Map<String, EventData> events = new HashMap<>(FINISHED);
        events.put("two-arms-open", OPEN);
        for (Map.Entry<String, EventData> made : events.entrySet()) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            EventFileWriter.write(new EventFile(made.getValue(), Map.of()), out);
            assertThat(Path.of("src/main/resources/demo/" + made.getKey() + ".event.json"))
                    .hasContent(out.toString(StandardCharsets.UTF_8));
        }
        assertThat(Path.of("src/main/resources/demo/velmarrow.asc")).hasContent(DemoEvents.depths());
    }

    @Test
    void twentyFourSpotsOfTenKindsWithLookAlikesNeverFishedAndOneCrowded() {
        assertThat(OPEN.spots()).hasSize(24).extracting(Spot::spotType).satisfies(classes -> assertThat(
                        classes.stream().distinct())
                .hasSize(10));
        assertThat(OPEN.spots()).filteredOn(s -> s.crowdRisk() > 0.5).hasSize(1);
        List<String> fished = OPEN.stops().stream().map(PracticeStop::spotId).toList();
        assertThat(OPEN.spots()).filteredOn(s -> !fished.contains(s.id())).hasSizeGreaterThan(3);
    }

    @Test
    void aboutAHundredBitesInFourDaysWithMixedSizesAndNoneInAThirdOfTheStops() {
        assertThat(OPEN.stops().stream()
                        .map(s -> s.start().atZone(OPEN.timeZone()).toLocalDate())
                        .distinct())
                .hasSize(4);
        assertThat(bites(null)).hasSizeBetween(90, 110);
        assertThat(bites(null)
                        .filter(b -> b.size() != null)
                        .map(b -> b.size().how())
                        .distinct())
                .hasSize(4);
        assertThat(OPEN.stops().stream().filter(s -> s.bites().isEmpty()).count())
                .isBetween(OPEN.stops().size() / 4L, OPEN.stops().size() / 2L);
        assertThat(bites("kestle-docks"))
                .as("bites and no size")
                .hasSizeGreaterThan(4)
                .allSatisfy(b -> assertThat(b.outcome()).isNotEqualTo(Outcome.LANDED))
                .allSatisfy(b -> assertThat(b.size()).isNull());
    }

    @Test
    void bitesAndWaterHaveNotesAndSomeWaterIsOffLimits() {
        assertThat(bites(null).filter(b -> !b.notes().isEmpty()))
                .hasSizeGreaterThan(25)
                .allSatisfy(b -> assertThat(b.notes().fishDepthM())
                        .isLessThanOrEqualTo(b.notes().waterDepthM()));
        assertThat(OPEN.stops())
                .anySatisfy(
                        s -> assertThat(s.conditions().signs().recentFront()).isTrue());
        assertThat(OPEN.waypoints()).extracting(m -> m.spotId() == null).contains(true, false);
        assertThat(OPEN.runs()).hasSizeGreaterThan(8);
        assertThat(OPEN.lake().offLimits()).isNotEmpty();
        assertThat(OPEN.spots()).noneMatch(OPEN::offLimits);
    }

    @Test
    void theWindShiftsOnTheFirstDay() {
        List<Double> day = OPEN.forecast().stream()
                .limit(3)
                .map(ForecastPeriod::windFromDeg)
                .toList();

        assertThat(day).isSorted();
        assertThat(day.getLast() - day.getFirst()).isGreaterThanOrEqualTo(90);
    }

    @Test
    void everySpotIsReachedOnTheWaterAndThePlanCanBeKept() {
        Runs runs = Runs.of(OPEN.lake(), OPEN.boat(), Assumptions.DEFAULTS.planning());

        assertThat(OPEN.spots()).allSatisfy(s -> assertThat(runs.between(OPEN.launch(), s.position()))
                .isPresent());
        assertThat(PlanCheck.legs(
                        OPEN,
                        OPEN.plans().getFirst(),
                        Assumptions.DEFAULTS.planning(),
                        DayRuns.of(OPEN, Assumptions.DEFAULTS.planning())))
                .allSatisfy(l -> assertThat(l.fits()).as(l.toString()).isTrue());
    }

    @Test
    void fiveEventsOfTwoSeasonsAreFinishedWithAnOfficialWeightEachDay() {
        assertThat(FINISHED).hasSize(5);
        assertThat(FINISHED.values())
                .allSatisfy(e -> assertThat(e.competition().stream().filter(Entry.Official.class::isInstance))
                        .hasSameSizeAs(e.days()))
                .allSatisfy(e -> assertThat(e.plans()).hasSameSizeAs(e.days()));
        assertThat(FINISHED.values().stream()
                        .map(e -> e.days().getFirst().date().getYear())
                        .distinct())
                .containsExactlyInAnyOrder(2025, 2026);
    }

    /** Every spot lies within a few kilometres of the launch, in empty country. */
    @Test
    void theInventedWaterIsOnePlace() {
        Position launch = OPEN.launch();

        assertThat(OPEN.spots())
                .allSatisfy(s -> assertThat(s.position().metresTo(launch)).isLessThan(10_000));
    }
}
