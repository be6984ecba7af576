package lochan.core.planning.edits;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PlanEditsTest {

    private static final EventData EVENT = Sample.practiced(5, 3);
    private static final DayRuns RUNS = DayRuns.always(Runs.straight(Boat.USUAL, Assumptions.DEFAULTS.planning()));
    private static final PlanEdits EDITS = new PlanEdits(EVENT, 1, Assumptions.DEFAULTS.planning(), RUNS);
    private static final PlanStop FIRST = stop("grass-1", "06:20", "07:30");
    private static final PlanStop SECOND = stop("ledge-1", "08:00", "09:00");
    private static final PlanStop THIRD = stop("point-1", "10:00", "11:00");
    private static final List<PlanStop> PLAN = List.of(FIRST, SECOND, THIRD);

    static IntStream seeds() {
        return IntStream.range(0, 12);
    }

    private static PlanStop stop(String spot, String from, String to) {
        return new PlanStop(spot, "swim-jig", at("06-05T" + from), at("06-05T" + to));
    }

    private static Duration length(PlanStop s) {
        return Duration.between(s.arrive(), s.leave());
    }

    /** Whatever is done to a plan without locks by these edits, the boat reaches every stop in time and no two overlap. */
    @ParameterizedTest
    @MethodSource("seeds")
    void noSeriesOfEditsMakesTheBoatLateForAStop(int seed) {
        Random random = new Random(seed);
        List<PlanStop> stops = PLAN;
        for (int i = 0; i < 40; i++) {
            int at = random.nextInt(stops.size());
            stops = edited(stops, at, random);
            assertThat(PlanCheck.check(EVENT, new Plan(1, null, stops))).isEmpty();
            List<PlanCheck.Leg> legs =
                    PlanCheck.legs(EVENT, new Plan(1, null, stops), Assumptions.DEFAULTS.planning(), RUNS);
            assertThat(legs.subList(0, stops.size())).allMatch(l -> l.reachable() && l.shortMinutes() == 0);
            assertThat(stops).allMatch(s -> length(s).toMinutes() >= 10);
        }
    }

    private static List<PlanStop> edited(List<PlanStop> stops, int at, Random random) {
        Instant time = at("06-05T06:00").plus(Duration.ofMinutes(random.nextInt(500)));
        return switch (random.nextInt(6)) {
            case 0 -> EDITS.moved(stops, at, random.nextInt(stops.size()));
            case 1 -> EDITS.startedAt(stops, at, time);
            case 2 -> EDITS.endedAt(stops, at, time);
            case 3 -> EDITS.pulledUp(stops);
            case 4 ->
                stops.size() > 6
                        ? EDITS.without(stops, at)
                        : EDITS.with(stops, "grass-3", "walker", Duration.ofMinutes(30), List::size);
            default -> stops.size() > 1 ? EDITS.without(stops, at) : stops;
        };
    }

    @Test
    void alongerStopPutsOffOnlyWhatItMust() {
        List<PlanStop> longer = EDITS.endedAt(PLAN, 0, at("06-05T08:30"));

        assertThat(longer.get(0)).isEqualTo(FIRST.during(FIRST.arrive(), at("06-05T08:30")));
        assertThat(longer.get(1).arrive()).isAfter(at("06-05T08:30"));
        assertThat(length(longer.get(1))).isEqualTo(length(SECOND));
        assertThat(longer.get(2)).as("there is time until then").isEqualTo(THIRD);
    }

    @Test
    void aLockedStopNeverMovesAndTheOneBeforeItIsCutShort() {
        List<PlanStop> plan = List.of(FIRST, SECOND, THIRD.locked(true));

        List<PlanStop> longer = EDITS.endedAt(plan, 1, at("06-05T10:30"));

        assertThat(longer.get(2)).isEqualTo(THIRD.locked(true));
        assertThat(longer.get(1).leave()).isBefore(THIRD.arrive());
        assertThat(EDITS.canBeKept(longer)).isTrue();
        assertThat(EDITS.pulledUp(plan).get(2)).isEqualTo(THIRD.locked(true));
    }

    @Test
    void anotherOrderClosesTheDayUpFromWhereItChanged() {
        List<PlanStop> moved = EDITS.moved(PLAN, 2, 1);

        assertThat(moved).extracting(PlanStop::spotId).containsExactly("grass-1", "point-1", "ledge-1");
        assertThat(moved.getFirst()).isEqualTo(FIRST);
        assertThat(moved.get(1).arrive()).isBefore(THIRD.arrive());
        assertThat(EDITS.canBeKept(moved)).isTrue();
    }

    @Test
    void typedTimesStandAsTyped() {
        PlanStop typed = SECOND.during(at("06-05T07:33"), at("06-05T08:41"));

        List<PlanStop> changed = EDITS.replaced(PLAN, 1, typed);

        assertThat(changed).containsExactly(FIRST, typed, THIRD);
        assertThat(EDITS.canBeKept(changed))
                .as("three minutes are too short a run")
                .isFalse();
    }

    @Test
    void anotherStopComesWhereItIsWorthMostAndBehindAllWhenTheDayIsFull() {
        List<PlanStop> first = EDITS.with(
                PLAN,
                "grass-2",
                "walker",
                Duration.ofMinutes(20),
                stops -> stops.getFirst().spotId().equals("grass-2") ? 1 : 0);
        assertThat(first).hasSize(4).first().extracting(PlanStop::spotId).isEqualTo("grass-2");
        assertThat(EDITS.canBeKept(first)).isTrue();

        List<PlanStop> full = new ArrayList<>(List.of(stop("grass-1", "06:20", "14:30")));
        assertThat(EDITS.with(full, "grass-2", "walker", Duration.ofMinutes(60), List::size))
                .last()
                .extracting(PlanStop::spotId)
                .isEqualTo("grass-2");
    }
}
