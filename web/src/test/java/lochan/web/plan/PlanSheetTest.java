package lochan.web.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.web.demo.DemoEvents;
import org.junit.jupiter.api.Test;

class PlanSheetTest {

    /** Two miles are no two hours' run: the run has its own minutes, and the wait its place and end. */
    @Test
    void theRunAndTheWaitBeforeItAreToldApart() {
        EventData demo = DemoEvents.twoArmsOpen();
        List<PlanStop> stops = demo.plans().getFirst().stops();
        Instant storm = demo.event().day(1).start().plus(Duration.ofHours(3));
        PlanStop first = stops.getFirst().during(storm.minus(Duration.ofHours(2)), storm.minus(Duration.ofMinutes(45)));
        PlanStop after = stops.getLast().during(storm.plus(Duration.ofHours(3)), storm.plus(Duration.ofHours(4)));
        EventData event = demo.toBuilder()
                .forecast(List.of(
                        new ForecastPeriod(storm, storm.plus(Duration.ofHours(1)), null, null, null, null, null, true)))
                .build();

        PlanSheet.Row row = PlanSheet.of(
                        event,
                        new Plan(1, "Storm", List.of(first, after)),
                        DayRuns.of(event, PlanValuation.ASSUMPTIONS.planning()),
                        null,
                        Units.USUAL)
                .rows()
                .getLast();

        assertThat(row.run()).matches("run \\d+\\.\\d mi, \\d{1,2} min, with a wait ashore");
        assertThat(row.waiting()).matches("(?i)wait at .* \\d\\d:\\d\\d to \\d\\d:\\d\\d: lightning.*");
    }
}
