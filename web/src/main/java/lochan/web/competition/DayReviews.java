package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.BagLog;
import lochan.core.competition.EventResult;
import lochan.core.eventdata.EventData;
import lochan.core.live.Outlooks;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Backups;
import lochan.core.planning.DayRuns;
import lochan.core.review.DayReview;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.DayKey;
import lochan.web.brief.EventKey;
import lochan.web.plan.Forecasts;
import lochan.web.plan.PlanBackups;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Component;

/** Looks back on fished days, in the background. What was found holds as long as log, plan and practice are the same. */
@Component
class DayReviews {

    private static final int KEPT = 8;
    private static final int SCENARIOS = 200;
    private static final long SEED = 1;

    private final DayModels dayModels;
    private final Waters waters;
    private final Forecasts forecasts;
    private final PlanBackups backups;
    private final Work<DayKey, Found> work = new Work<>("day-reviews", DayKey::event, KEPT, Work.WHILE_LOOKED_AT);

    DayReviews(DayModels dayModels, Waters waters, Forecasts forecasts, PlanBackups backups) {
        this.backups = backups;
        this.dayModels = dayModels;
        this.waters = waters;
        this.forecasts = forecasts;
    }

    /**
     * What was found.
     *
     * @param review of the day; null: it had no plan
     * @param scores of all finished days
     */
    record Found(DayReview review, List<Forecasts.Scored> scores) {

        Found {
            scores = List.copyOf(scores);
        }
    }

    /** Empty while it is reckoned, which this begins. */
    Optional<Work.State<Found>> of(EventKey key, EventData event, int day) {
        List<PlanStop> plan = event.planOf(day);
        List<Object> basis = List.of(DayModels.basis(event, day), plan, event.competition());
        DayKey of = new DayKey(key, day);
        work.begin(of, basis, 1, progress -> new Found(plan.isEmpty() || dayModels.of(key, event, day).cells().isEmpty() ? null : review(key, event, day, plan, progress), forecasts.scores(key.accountId())));
        return work.state(of, basis);
    }

    private DayReview review(EventKey key, EventData event, int day, List<PlanStop> plan, Work.Progress progress) {
        DayModel model = dayModels.of(key, event, day);
        ScenarioSet scenarios = new ScenarioSet(model, SCENARIOS, SEED);
        DayRuns runs = waters.dayRuns(event);
        BagLog log = BagLog.replay(event.brief(), event.competition());
        EventResult.Day result = EventResult.of(event.brief(), log).days().get(day - 1);
        double factor = forecasts.calibrationBefore(key.accountId(), event.brief().day(day).start()).factor();
        Backups.Ladder ladder = backups.of(scenarios, event, plan, progress);
        return DayReview.of(new DayReview.Looked(log, plan, ladder, factor, result.brought()), scenarios, new Outlooks(model, SEED), runs);
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
