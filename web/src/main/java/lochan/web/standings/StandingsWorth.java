package lochan.web.standings;

import jakarta.annotation.PreDestroy;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.eventdata.EventData;
import lochan.core.planning.TwoHourValue;
import lochan.core.planning.Worth;
import lochan.core.rate.Cell;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.DayKey;
import lochan.web.brief.EventKey;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Service;

/** Reckons in the background what each row of the standings is worth to the day: it takes many plans. */
@Service
class StandingsWorth {

    private static final int SCENARIOS = 160;
    private static final int ROUNDS = 3;
    private static final long SEED = 1;

    private final Waters waters;
    private final Work<DayKey, Found> work = new Work<>("worth", DayKey::event);

    StandingsWorth(Waters waters) {
        this.waters = waters;
    }

    /** What was found for a day. */
    record Found(Worth worth, Map<Cell, TwoHourValue.TwoHours> twoHours) {

        Found {
            twoHours = Map.copyOf(twoHours);
        }
    }

    /** What is known of a day; begins to reckon when nothing is, or something else. */
    Optional<Work.State<Found>> of(EventKey key, DayModel model) {
        if (model.cells().isEmpty() || model.event().brief().format() == lochan.core.event.Format.LIMIT_LENGTH) {
            return Optional.empty();
        }
        DayKey day = new DayKey(key, model.day());
        // The model is made anew when anything it rests on is another.
        work.begin(day, List.of(model), 1, progress -> computed(model, progress));
        return work.state(day, List.of(model));
    }

    private Found computed(DayModel model, Work.Progress progress) {
        EventData event = model.event();
        ScenarioSet scenarios = new ScenarioSet(model, SCENARIOS, SEED);
        TwoHourValue value = new TwoHourValue(scenarios);
        Map<Cell, TwoHourValue.TwoHours> twoHours = new HashMap<>();
        model.cells().forEach(c -> twoHours.put(c, value.of(c)));
        return new Found(Worth.of(scenarios, waters.dayRuns(event), SEED, ROUNDS, () -> progress.goOn(0)), twoHours);
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
