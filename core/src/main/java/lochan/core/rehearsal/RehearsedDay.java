package lochan.core.rehearsal;

import java.util.List;
import java.util.Optional;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;

/** A day that can be rehearsed, by anybody and again: what is known of it, and what is true. */
public final class RehearsedDay {

    /** Scenarios that the true one is drawn among. */
    private static final int SCENARIOS = 256;

    private final DayKnowledge known;
    private final DayModel actual;
    private final DayRuns actualRuns;
    private final List<PlanStop> plan;
    private final long seed;
    private final ScenarioSet truth;
    private final int scenario;

    /**
     * @param known      of the day, by the forecast
     * @param knownRuns  in the weather that is forecast
     * @param actual     the same in the weather as it comes
     * @param actualRuns in that weather
     * @param plan       the plan that is rehearsed
     * @param seed       the same seed gives the same day
     */
    public RehearsedDay(
            DayModel known, DayRuns knownRuns, DayModel actual, DayRuns actualRuns, List<PlanStop> plan, long seed) {
        this.known = new DayKnowledge(known, knownRuns, actual.event().forecast());
        this.actual = actual;
        this.actualRuns = actualRuns;
        this.plan = List.copyOf(plan);
        this.seed = seed;
        this.truth = new ScenarioSet(actual, SCENARIOS, seed);
        this.scenario = Math.floorMod(seed, SCENARIOS);
    }

    public DayKnowledge known() {
        return known;
    }

    public List<PlanStop> plan() {
        return plan;
    }

    /** The weather as it comes, with everything else of the event. */
    public DayModel actual() {
        return actual;
    }

    public HiddenDay hidden() {
        return new HiddenDay(truth, scenario, seed);
    }

    /** The day from its beginning. */
    public Rehearsal begin() {
        return new Rehearsal(actual, actual.event(), actualRuns, hidden());
    }

    /**
     * The day after some steps.
     *
     * @throws IllegalArgumentException when one of them cannot be taken
     */
    public Rehearsal after(List<Step> steps) {
        Rehearsal played = begin();
        for (Step step : steps) {
            Optional<Rehearsal.Refusal> refusal = played.take(step);
            if (refusal.isPresent()) {
                throw new IllegalArgumentException(step + ": " + refusal.get());
            }
        }
        return played;
    }
}
