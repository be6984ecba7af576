package lochan.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Violation;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.water.Runs;
import lochan.core.water.Spot;

/** Checks a plan against the day it is for: what makes it senseless, and what makes it impossible to keep. */
public final class PlanRules {

    private PlanRules() { }

    /** What no plan may have: unknown names, times that run backwards, a day the event does not have. */
    public static List<Violation> check(EventData event, Plan plan) {
        List<Violation> found = new ArrayList<>();
        if (plan.day() < 1 || plan.day() > event.brief().days().size()) {
            found.add(new Violation("day", "The plan is for day " + plan.day() + ": the event has days 1 to " + event.brief().days().size() + "."));
        }
        for (int i = 0; i < plan.stops().size(); i++) {
            PlanStop stop = plan.stops().get(i);
            String at = "stops/" + i;
            if (event.spot(stop.spotId()).isEmpty()) {
                found.add(new Violation(at + "/spot", "There is no spot " + stop.spotId() + ": name one of the event's spots."));
            }
            if (event.presentation(stop.presentationId()).isEmpty()) {
                found.add(new Violation(at + "/presentation",
                        "There is no presentation " + stop.presentationId() + ": name one of the event's presentations."));
            }
            if (!stop.leave().isAfter(stop.arrive())) {
                found.add(new Violation(at + "/leave", "The stop ends before it begins: give a time to leave after the arrival."));
            }
            if (i > 0 && stop.arrive().isBefore(plan.stops().get(i - 1).leave())) {
                found.add(new Violation(at + "/arrive", "The stop begins before the one before it ends: give a later arrival."));
            }
        }
        return List.copyOf(found);
    }

    /** The spots of a plan that the event's brief puts off limits, in its order. */
    public static List<Spot> offLimits(EventData event, Plan plan) {
        return plan.stops().stream().map(s -> event.spot(s.spotId()).orElseThrow()).filter(event::offLimits).distinct().toList();
    }

    /**
     * A run of a plan, and how it fits.
     *
     * @param run       null: there is none by water
     * @param needed    time to the first cast, or to check-in; null: there is no run
     * @param available time the plan leaves for it
     */
    public record Leg(String from, String to, Runs.Run run, Duration needed, Duration available) {

        public boolean reachable() {
            return run != null;
        }

        /** Minutes missing; 0 when the run fits, or when there is none at all. */
        public long shortMinutes() {
            return needed == null ? 0 : Math.max(0, Math.ceilDiv(needed.minus(available).toSeconds(), 60));
        }

        public boolean fits() {
            return reachable() && shortMinutes() == 0;
        }
    }

    /**
     * The runs of a plan without violations: from the launch to each stop, settling included, and back to check-in with the margin
     * in hand. Names are spot ids, {@code launch} and {@code checkIn}.
     */
    public static List<Leg> legs(EventData event, Plan plan, Assumptions.Planning planning, DayRuns runs) {
        CompetitionDay day = event.brief().day(plan.day());
        List<Leg> legs = new ArrayList<>();
        String from = "launch";
        Position here = event.brief().launch();
        Instant time = day.start();
        for (PlanStop stop : plan.stops()) {
            Spot spot = event.spot(stop.spotId()).orElseThrow();
            Runs now = runs.at(time);
            legs.add(new Leg(from, spot.id(), now.between(here, spot.position()).orElse(null),
                    now.runAndSettle(here, spot.position()).orElse(null), Duration.between(time, stop.arrive())));
            from = spot.id();
            here = spot.position();
            time = stop.leave();
        }
        Runs.Run home = runs.at(time).between(here, event.brief().checkInAt()).orElse(null);
        legs.add(new Leg(from, "checkIn", home, home == null ? null : home.time(),
                Duration.between(time, day.checkIn()).minusMinutes(planning.checkInMarginMinutes())));
        return legs;
    }
}
