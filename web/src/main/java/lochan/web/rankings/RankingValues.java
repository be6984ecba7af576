package lochan.web.rankings;

import jakarta.annotation.PreDestroy;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Lookup;
import lochan.core.event.Format;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.planning.search.AddedValue;
import lochan.core.planning.valuation.TwoHourValue;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Computes in the background the value of each row of the rankings, and what it adds to the best plan, which takes many plans. */
@Service
class RankingValues {

    private final Lakes lakes;
    private final Budgets budgets;
    private final BackgroundComputation<DayKey, Values> computation =
            new BackgroundComputation<>("ranking-values", DayKey::event);

    RankingValues(Lakes lakes, Budgets budgets) {
        this.budgets = budgets;
        this.lakes = lakes;
    }

    /**
     * The values of a day, as far as they are computed.
     *
     * @param twoHours value of two hours, by cell
     * @param added    what cells and patterns add to the best plan; null: not computed yet
     */
    record Values(
            Map<Cell, TwoHourValue.TwoHours> twoHours,
            @Nullable AddedValue added) {

        Values {
            twoHours = Map.copyOf(twoHours);
        }

        TwoHourValue.TwoHours twoHours(Cell cell) {
            return Lookup.of(twoHours, cell);
        }
    }

    private static boolean hasValues(DayModel model) {
        return !model.cells().isEmpty() && model.event().rules().format() != Format.LIMIT_LENGTH;
    }

    /** Returns the values of a day; begins to compute when there are none. Empty when there is nothing to value. */
    Optional<BackgroundComputation.State<Values>> of(EventKey key, DayModel model) {
        // The model is made again when anything it rests on is another.
        return hasValues(model)
                ? Optional.of(computation.open(
                        new DayKey(key, model.day()),
                        List.of(model),
                        model.cells().size(),
                        p -> computed(model, p)))
                : Optional.empty();
    }

    void stop(EventKey key, int day) {
        computation.stop(new DayKey(key, day));
    }

    /** Computes what was stopped or failed after all. */
    void goOn(EventKey key, DayModel model) {
        if (hasValues(model)) {
            computation.begin(
                    new DayKey(key, model.day()), List.of(model), model.cells().size(), p -> computed(model, p));
        }
    }

    private Values computed(DayModel model, BackgroundComputation.Progress<Values> progress) {
        ScenarioSet scenarios = new ScenarioSet(model, budgets.rankings().scenarios(), Budgets.SEED);
        TwoHourValue value = new TwoHourValue(scenarios);
        Map<Cell, TwoHourValue.TwoHours> twoHours = new HashMap<>();
        model.cells().forEach(c -> twoHours.put(c, value.of(c)));
        progress.soFar(new Values(twoHours, null));
        AddedValue added = AddedValue.of(
                scenarios,
                lakes.dayRuns(model.event()),
                Budgets.SEED,
                budgets.rankings().rounds(),
                progress::goOn);
        return new Values(twoHours, added);
    }

    @PreDestroy
    void end() {
        computation.close();
    }
}
