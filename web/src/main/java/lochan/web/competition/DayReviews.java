package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.BagLog;
import lochan.core.competition.EventResult;
import lochan.core.eventdata.EventData;
import lochan.core.live.Outlooks;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.review.DayReview;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import lochan.web.modelling.DayModels;
import lochan.web.plan.PlanBackups;
import lochan.web.plan.Projections;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Looks back on fished days, in the background. What was found holds as long as log, plan and practice are the same. */
@Component
class DayReviews {

    private static final int KEPT = 8;

    private final DayModels dayModels;
    private final Lakes lakes;
    private final Projections projections;
    private final PlanBackups backups;
    private final Budgets budgets;
    private final BackgroundComputation<DayKey, Result> work =
            new BackgroundComputation<>("day-reviews", DayKey::event, KEPT, BackgroundComputation.WHILE_LOOKED_AT);

    DayReviews(DayModels dayModels, Lakes lakes, Projections projections, PlanBackups backups, Budgets budgets) {
        this.budgets = budgets;
        this.backups = backups;
        this.dayModels = dayModels;
        this.lakes = lakes;
        this.projections = projections;
    }

    /**
     * The review, with its day.
     *
     * @param review of the day; null: it had no plan
     * @param scores of all finished days
     */
    record Result(@Nullable DayReview review, List<Projections.ScoredDay> scores) {

        Result {
            scores = List.copyOf(scores);
        }
    }

    /** Empty while it is computed, which this begins. */
    Optional<BackgroundComputation.State<Result>> of(EventKey key, EventData event, int day) {
        List<PlanStop> plan = event.planOf(day);
        List<Object> basis = List.of(DayModels.basis(event, day), plan, event.competition());
        DayKey of = new DayKey(key, day);
        work.begin(
                of,
                basis,
                1,
                progress -> new Result(
                        plan.isEmpty() || dayModels.of(key, event, day).cells().isEmpty()
                                ? null
                                : review(key, event, day, plan, progress),
                        projections.scores(key.accountId())));
        return work.state(of, basis);
    }

    private DayReview review(
            EventKey key, EventData event, int day, List<PlanStop> plan, BackgroundComputation.Progress<?> progress) {
        DayModel model = dayModels.of(key, event, day);
        ScenarioSet scenarios = new ScenarioSet(model, budgets.review(), Budgets.SEED);
        DayRuns runs = lakes.dayRuns(event);
        BagLog log = BagLog.replay(event.event(), event.competition());
        EventResult.Day result = EventResult.of(event.event(), log).days().get(day - 1);
        double factor = projections
                .calibrationBefore(key.accountId(), event.day(day).start())
                .factor();
        Backups.Ladder ladder = backups.of(scenarios, event, plan, progress);
        return DayReview.of(
                new DayReview.Input(log, plan, ladder, factor, result.brought()),
                scenarios,
                new Outlooks(model, budgets.hindsight(), Budgets.SEED),
                runs);
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
