package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.eventdata.EventData;
import lochan.core.live.LiveAdvisor;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.Calibration;
import lochan.web.eventbook.EventKey;
import lochan.web.map.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import lochan.web.modelling.DayModels;
import lochan.web.plan.Projections;
import lochan.web.shared.Kept;
import org.springframework.stereotype.Component;

/** The advisors of the days that are fished: whether to stay or go they tell at once, the rest once their scenarios are drawn, in the background. */
@Component
class LiveAdvisors {

    /** Scenarios of a day take some ten megabytes. */
    private static final int KEPT = 2;

    private final DayModels dayModels;
    private final Lakes lakes;
    private final Projections projections;
    private final Budgets budgets;
    private final Kept<DayKey, LiveAdvisor> advisors = new Kept<>(KEPT);
    private final BackgroundComputation<DayKey, Calibration> readying =
            new BackgroundComputation<>("advice", DayKey::event, KEPT, BackgroundComputation.WHILE_LOOKED_AT);

    LiveAdvisors(DayModels dayModels, Lakes lakes, Projections projections, Budgets budgets) {
        this.budgets = budgets;
        this.dayModels = dayModels;
        this.lakes = lakes;
        this.projections = projections;
    }

    DayModel model(EventKey key, EventData event, int day) {
        return dayModels.of(key, event, day);
    }

    /** A day's, as practice stands. */
    LiveAdvisor of(EventKey key, EventData event, int day) {
        DayModel model = model(key, event, day);
        return advisors.get(
                new DayKey(key, day),
                model,
                () -> new LiveAdvisor(
                        model, lakes.dayRuns(event), budgets.live().outlook(), Budgets.SEED));
    }

    /** By what projections are scaled, once the advisor has its scenarios; empty while they are drawn, which this begins. */
    Optional<Calibration> ready(EventKey key, EventData event, int day) {
        LiveAdvisor advisor = of(key, event, day);
        List<PlanStop> plan = event.planOf(day);
        DayKey of = new DayKey(key, day);
        readying.begin(of, advisor, 1, progress -> {
            advisor.ready(plan);
            return projections.calibration(key.accountId());
        });
        return readying.state(of, advisor).map(BackgroundComputation.State::result);
    }

    @PreDestroy
    void end() {
        readying.close();
    }
}
