package lochan.core.planning;

import lochan.core.scenario.ScenarioSet;
import lochan.core.water.Runs;

/** Finds a plan for the day of a set of scenarios. What others make of the plan does not depend on how it was found. */
@FunctionalInterface
public interface Planner {

    GreedyPlanner.Suggestion best(ScenarioSet scenarios, Runs runs);

    /** The greedy planner. */
    static Planner greedy() {
        return (scenarios, runs) -> new GreedyPlanner(scenarios, runs).suggest();
    }
}
