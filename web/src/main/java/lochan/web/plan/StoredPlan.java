package lochan.web.plan;

import lochan.core.plan.Plan;

/**
 * A plan with its record's id.
 *
 * @param canUndo whether the stops before the last change are kept
 */
record StoredPlan(long id, Plan plan, boolean canUndo) { }
