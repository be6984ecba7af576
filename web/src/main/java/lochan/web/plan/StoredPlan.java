package lochan.web.plan;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import org.jspecify.annotations.Nullable;

/**
 * A plan with its record's id.
 *
 * @param followedAt when it was marked as the one to follow; null: never
 * @param last    the change that made it as it is; null: it is as begun, or all changes are undone
 * @param undone  the change that was undone last and may be done again; null: none
 */
public record StoredPlan(
        long id,
        @Nullable Instant followedAt,
        Plan plan,
        @Nullable Change last,
        @Nullable Change undone) {

    /** Tells the current plan from every other state of it. */
    public int revision() {
        return Objects.hash(plan, last == null ? 0 : last.ordinal());
    }

    /**
     * A change of a plan.
     *
     * @param words what was done, as "Sill Ledge later"
     */
    record Change(
            int ordinal,
            String words,
            String nameBefore,
            String nameAfter,
            List<PlanStop> before,
            List<PlanStop> after) {

        Change {
            before = List.copyOf(before);
            after = List.copyOf(after);
        }
    }
}
