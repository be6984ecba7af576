package lochan.core.eventdata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.Entry;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import org.junit.jupiter.api.Test;

class CompetitionStopsTest {

    private static final EventData EVENT = Sample.practiced(5, 2);
    private static final Cell GRASS = new Cell("grass-1", "walker");

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static EventData with(List<Plan> plans, Entry... entries) {
        EventData e = EVENT;
        return e.toBuilder().plans(plans).competition(List.of(entries)).build();
    }

    private static Entry.Catch fish(String id, String time, double grams, String spot) {
        return Sample.fish(id, at(time), grams, spot, "walker");
    }

    private static List<PracticeStop> added(EventData event) {
        List<PracticeStop> stops = CompetitionStops.all(event).stops();
        return stops.subList(EVENT.stops().size(), stops.size());
    }

    private static double hours(EventData event) {
        return Slice.of(CompetitionStops.all(event), Assumptions.DEFAULTS).stream()
                .mapToDouble(Slice::effortAnglerHours)
                .sum();
    }

    @Test
    void whatWasFishedBecomesAStopWithItsBitesAndLatestWeights() {
        EventData event = with(
                List.of(),
                new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
                fish("a", "07:00", 900, "grass-1"),
                new Entry.Correct("k", at("07:01"), "a", 1100.0, null, null),
                new Entry.Bite("s", at("07:20"), "grass-1", "walker", Outcome.LOST),
                fish("v", "07:30", 500, "grass-1"),
                new Entry.Void("x", at("07:31"), "v"),
                new Entry.Fishing("f2", at("08:00"), null, null));
        assertThat(added(event)).singleElement().satisfies(s -> {
            assertThat(s.start()).isEqualTo(at("06:30"));
            assertThat(s.end()).isEqualTo(at("08:00"));
            assertThat(CompetitionStops.isOne(s)).isTrue();
            assertThat(s.bites()).extracting(Bite::outcome).containsExactly(Outcome.LANDED, Outcome.LOST);
            assertThat(s.bites().getFirst().size().grams()).isEqualTo(1100);
        });
        assertThat(CompetitionStops.before(event, 1))
                .as("a day says nothing about its own past")
                .isSameAs(event);
    }

    @Test
    void whereTheLogNeverSaysWhatIsFishedThePlanDoesAndABiteElsewhereTellsOfSizeAlone() {
        Plan plan = new Plan(1, null, List.of(new PlanStop("grass-1", "walker", at("06:30"), at("09:00"))));
        EventData event = with(List.of(plan), fish("a", "07:00", 900, "grass-1"), fish("b", "10:00", 1500, "ledge-1"));
        List<PracticeStop> stops = added(event);
        assertThat(stops).hasSize(2);
        assertThat(stops.getFirst().bites()).hasSize(1);
        assertThat(stops.getLast().start()).isEqualTo(stops.getLast().end());
        assertThat(hours(event) - hours(EVENT)).isCloseTo(2.5 * EVENT.anglers(), within(1e-9));
    }

    @Test
    void aGoodFirstDayRaisesTheRatesOfTheSecondAndABlankLowersThem() {
        EventData good = with(
                List.of(),
                new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
                fish("a", "06:40", 900, "grass-1"),
                fish("b", "06:50", 900, "grass-1"),
                fish("c", "07:00", 900, "grass-1"),
                fish("d", "07:10", 900, "grass-1"),
                fish("e", "07:20", 900, "grass-1"),
                new Entry.Fishing("f2", at("07:30"), null, null));
        EventData blank = with(
                List.of(),
                new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
                new Entry.Fishing("f2", at("09:30"), null, null));
        assertThat(rate(good, 2)).isGreaterThan(rate(EVENT, 2));
        assertThat(rate(blank, 2)).isLessThan(rate(EVENT, 2));
        assertThat(rate(good, 1)).isEqualTo(rate(EVENT, 1));
    }

    private static double rate(EventData event, int day) {
        FittedDayModel model = new FittedDayModel(event, day, Assumptions.DEFAULTS);
        return model.rates(0).rate(GRASS, model.pattern(GRASS)).mean();
    }
}
