package lochan.web.competition;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.eventdata.EventData;
import lochan.core.live.Advisor;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Calibration;
import lochan.core.scenario.DayModel;
import lochan.web.brief.DayKey;
import lochan.web.brief.EventKey;
import lochan.web.plan.Forecasts;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Component;

/** The advisors of the days that are fished: whether to stay or go they tell at once, the rest once their scenarios are drawn, in the background. */
@Component
class DayAdvisors {

    /** Scenarios of a day take some ten megabytes. */
    private static final int KEPT = 2;
    private static final long SEED = 1;

    private final DayModels dayModels;
    private final Waters waters;
    private final Forecasts forecasts;
    private final Cache<DayKey, Known> advisors = Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Work<DayKey, Calibration> readying = new Work<>("advice", DayKey::event, KEPT, Work.WHILE_LOOKED_AT);

    DayAdvisors(DayModels dayModels, Waters waters, Forecasts forecasts) {
        this.dayModels = dayModels;
        this.waters = waters;
        this.forecasts = forecasts;
    }

    private record Known(DayModel model, Advisor advisor) { }

    DayModel model(EventKey key, EventData event, int day) {
        return dayModels.of(key, event, day);
    }

    /** A day's, as practice stands. */
    Advisor of(EventKey key, EventData event, int day) {
        DayModel model = model(key, event, day);
        Known known = advisors.getIfPresent(new DayKey(key, day));
        if (known == null || known.model() != model) {
            known = new Known(model, new Advisor(model, waters.dayRuns(event), SEED));
            advisors.put(new DayKey(key, day), known);
        }
        return known.advisor();
    }

    /** By what forecasts are scaled, once the advisor has its scenarios; empty while they are drawn, which this begins. */
    Optional<Calibration> ready(EventKey key, EventData event, int day) {
        Advisor advisor = of(key, event, day);
        List<PlanStop> plan = event.planOf(day);
        DayKey of = new DayKey(key, day);
        readying.begin(of, advisor, 1, progress -> {
            advisor.ready(plan);
            return forecasts.calibration(key.accountId());
        });
        return readying.state(of, advisor).map(Work.State::result);
    }

    @PreDestroy
    void end() {
        readying.close();
    }
}
