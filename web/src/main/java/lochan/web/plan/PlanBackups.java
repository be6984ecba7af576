package lochan.web.plan;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayModels;
import org.springframework.stereotype.Service;

/** Computes in the background what a plan's backups are: each is a plan of its own. What was found holds as long as plan and practice are the same. */
@Service
public class PlanBackups {

    private final Lakes lakes;
    private final Plans plans;
    private final Budgets budgets;
    private final BackgroundComputation<OfPlan, Backups.Ladder> computation =
            new BackgroundComputation<>("backups", OfPlan::key);

    PlanBackups(Lakes lakes, Plans plans, Budgets budgets) {
        this.budgets = budgets;
        this.plans = plans;
        this.lakes = lakes;
    }

    /** A plan of an angler's event. */
    record OfPlan(EventKey key, long plan) {}

    /** Returns the state for the current plan; begins nothing. */
    public Optional<BackgroundComputation.State<Backups.Ladder>> state(
            EventKey key, long id, EventData event, Plan plan) {
        return computation.state(new OfPlan(key, id), basis(event, plan));
    }

    private static List<Object> basis(EventData e, Plan plan) {
        return List.of(plan.day(), plan.stops(), DayModels.basis(e, plan.day()));
    }

    /** Returns the state for the current plan; begins to compute when there is none. */
    BackgroundComputation.State<Backups.Ladder> of(EventKey key, long id, EventData event, Plan plan) {
        return computation.open(
                new OfPlan(key, id),
                basis(event, plan),
                1,
                progress -> of(scenarios(event, plan), event, plan.stops(), progress));
    }

    /** Computes what was stopped or failed after all. */
    void goOn(EventKey key, long id, EventData event, Plan plan) {
        computation.begin(
                new OfPlan(key, id),
                basis(event, plan),
                1,
                progress -> of(scenarios(event, plan), event, plan.stops(), progress));
    }

    void stop(EventKey key, long id) {
        computation.stop(new OfPlan(key, id));
    }

    private ScenarioSet scenarios(EventData event, Plan plan) {
        return new ScenarioSet(
                new FittedDayModel(event, plan.day(), Assumptions.DEFAULTS),
                budgets.backups().scenarios(),
                Budgets.SEED);
    }

    /** Computes the backups of some stops, which takes seconds. */
    public Backups.Ladder of(
            ScenarioSet scenarios, EventData event, List<PlanStop> stops, BackgroundComputation.Progress<?> progress) {
        return Backups.of(
                scenarios,
                lakes.dayRuns(event),
                stops,
                Budgets.SEED,
                budgets.backups().rounds(),
                () -> progress.goOn(0));
    }

    /** The backups of a day's plan, a ladder without rungs where there is no plan; empty while they are computed, which this begins. */
    public Optional<Backups.Ladder> ofDay(EventKey key, EventData event, int day) {
        StoredPlan stored = plans.ofDay(key, day);
        if (stored == null) {
            return Optional.of(new Backups.Ladder(null, List.of()));
        }
        Plan kept = PlanPage.kept(stored.plan(), event);
        BackgroundComputation.State<Backups.Ladder> state = of(key, stored.id(), event, kept);
        return state.running()
                ? Optional.empty()
                : Optional.of(state.result() == null ? new Backups.Ladder(null, List.of()) : state.result());
    }

    @PreDestroy
    void end() {
        computation.close();
    }
}
