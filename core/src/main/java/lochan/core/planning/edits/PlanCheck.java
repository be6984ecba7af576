package lochan.core.planning.edits;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Violation;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import org.jspecify.annotations.Nullable;

/** Checks a plan against the day it is for: what makes it senseless, and what makes it impossible to keep. */
public final class PlanCheck {

    private static final long MILLIS_PER_MINUTE = 60_000;

    private PlanCheck() {}

    /** What no plan may have: unknown names, times that run backwards, a day the event does not have. */
    public static List<Violation> check(EventData event, Plan plan) {
        List<Violation> found = new ArrayList<>();
        if (plan.day() < 1 || plan.day() > event.days().size()) {
            found.add(new Violation(
                    "day",
                    "The plan is for day " + plan.day() + ": the event has days 1 to "
                            + event.days().size() + "."));
        }
        for (int i = 0; i < plan.stops().size(); i++) {
            PlanStop stop = plan.stops().get(i);
            String at = "stops/" + i;
            if (event.spot(stop.spotId()).isEmpty()) {
                found.add(new Violation(
                        at + "/spot", "There is no spot " + stop.spotId() + ": name one of the event's spots."));
            }
            if (event.presentation(stop.presentationId()).isEmpty()) {
                found.add(new Violation(
                        at + "/presentation",
                        "There is no presentation " + stop.presentationId()
                                + ": name one of the event's presentations."));
            }
            if (!stop.leave().isAfter(stop.arrive())) {
                found.add(new Violation(
                        at + "/leave", "The stop ends before it begins: give a time to leave after the arrival."));
            }
            if (i > 0 && stop.arrive().isBefore(plan.stops().get(i - 1).leave())) {
                found.add(new Violation(
                        at + "/arrive", "The stop begins before the one before it ends: give a later arrival."));
            }
        }
        return List.copyOf(found);
    }

    /** The spots of a plan that the event's rules put off limits, in its order. */
    public static List<Spot> offLimits(EventData event, Plan plan) {
        return plan.stops().stream()
                .map(s -> event.spot(s.spotId()).orElseThrow())
                .filter(event::offLimits)
                .distinct()
                .toList();
    }

    /**
     * A run of a plan, and how it fits.
     *
     * @param run       null: there is none by water
     * @param needed    time to the first cast, or to check-in; null: there is no run
     * @param available time the plan leaves for it
     */
    public record Leg(
            String from,
            String to,
            Runs.@Nullable Run run,
            @Nullable Duration needed,
            Duration available) {

        public boolean reachable() {
            return run != null;
        }

        /** Minutes missing; 0 when the run fits, or when there is none at all. */
        public long shortMinutes() {
            return needed == null
                    ? 0
                    : Math.max(0, Math.ceilDiv(needed.minus(available).toMillis(), MILLIS_PER_MINUTE));
        }

        public boolean fits() {
            return reachable() && shortMinutes() == 0;
        }
    }

    /**
     * From one place of a plan to the next.
     *
     * @param from    spot id, or {@code launch}
     * @param to      spot id, or {@code checkIn}
     * @param leaving when the boat leaves the first
     */
    public record Passage(String from, String to, Position start, Position end, Instant leaving) {}

    /** The passages of a plan in their order: from the launch over each stop to check-in. */
    public static List<Passage> passages(EventData event, Plan plan) {
        List<Passage> passages = new ArrayList<>();
        String from = "launch";
        Position here = event.launch();
        Instant time = event.day(plan.day()).start();
        for (PlanStop stop : plan.stops()) {
            Position there = event.spot(stop.spotId()).orElseThrow().position();
            passages.add(new Passage(from, stop.spotId(), here, there, time));
            from = stop.spotId();
            here = there;
            time = stop.leave();
        }
        passages.add(new Passage(from, "checkIn", here, event.checkInAt(), time));
        return passages;
    }

    /**
     * The runs of a plan without violations: from the launch to each stop, set-up time included, and back to check-in with the margin
     * in hand. Names are spot ids, {@code launch} and {@code checkIn}.
     */
    public static List<Leg> legs(EventData event, Plan plan, Assumptions.Planning planning, DayRuns runs) {
        Instant backBy = event.day(plan.day()).checkIn().minus(Duration.ofMinutes(planning.checkInMarginMinutes()));
        List<Leg> legs = new ArrayList<>();
        for (Passage p : passages(event, plan)) {
            boolean home = legs.size() == plan.stops().size();
            Runs now = runs.at(p.leaving());
            Runs.Run run = now.between(p.start(), p.end()).orElse(null);
            Duration needed = home
                    ? run == null ? null : run.time()
                    : now.runAndSetUp(p.start(), p.end()).orElse(null);
            legs.add(new Leg(
                    p.from(),
                    p.to(),
                    run,
                    needed,
                    Duration.between(
                            p.leaving(),
                            home ? backBy : plan.stops().get(legs.size()).arrive())));
        }
        return legs;
    }
}
