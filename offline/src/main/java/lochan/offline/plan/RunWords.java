package lochan.offline.plan;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.runs.Passages;
import lochan.core.planning.runs.Shelter;
import lochan.offline.bag.Times;

/** The runs of a plan in words: where to wait, and what is wrong with them. */
public final class RunWords {

    private RunWords() {}

    /** A place of a run: a spot's name, "the launch" or "check-in". */
    public static String place(String id, EventData event) {
        return switch (id) {
            case Shelter.LAUNCH -> "the launch";
            case Shelter.CHECK_IN -> "check-in";
            default -> event.spot(id).map(Spot::name).orElse(id);
        };
    }

    /** As "Wait at the launch 12:50 to 14:30: lightning". */
    public static String wait(Passages.Wait wait, EventData event) {
        ZoneId zone = event.timeZone();
        return "Wait at " + place(wait.at().id(), event) + " " + Times.clock(wait.arrive(), zone) + " to "
                + Times.clock(wait.until(), zone) + ": lightning";
    }

    /** The waits on the way to a stop, or home; empty: none. */
    public static Optional<String> waits(PlanCheck.Leg leg, EventData event) {
        return leg.waits().isEmpty()
                ? Optional.empty()
                : Optional.of(leg.waits().stream().map(w -> wait(w, event)).collect(Collectors.joining("; ")));
    }

    /** Where the plan of a day waits for the end of lightning that is not over, as "Your plan: Wait at the launch 12:50 to 14:30: lightning."; none: nowhere. */
    public static List<String> waits(
            EventData event, int day, DayRuns runs, Instant now, Assumptions.Planning planning) {
        Plan plan =
                new Plan(day, null, event.planOf(day)).at(id -> event.spot(id).isPresent());
        return PlanCheck.check(event, plan).isEmpty()
                ? PlanCheck.legs(event, plan, planning, runs).stream()
                        .flatMap(l -> l.waits().stream())
                        .filter(w -> w.until().isAfter(now))
                        .map(w -> "Your plan: " + wait(w, event) + ".")
                        .toList()
                : List.of();
    }

    /** What is wrong with the runs of a plan and with its stops in lightning, in the order of the day. */
    public static List<String> troubles(
            EventData event, Plan plan, List<PlanCheck.Leg> legs, Assumptions.Planning planning) {
        List<String> troubles = new ArrayList<>();
        for (int i = 0; i < legs.size(); i++) {
            trouble(legs.get(i), event).ifPresent(troubles::add);
            if (i < plan.stops().size()) {
                PlanStop stop = plan.stops().get(i);
                stopTrouble(event, stop, planning)
                        .ifPresent(words -> troubles.add(place(stop.spotId(), event) + " " + words));
            }
        }
        return List.copyOf(troubles);
    }

    /** As "lies in lightning hours, 13:00 to 14:30: be ashore then"; empty: it does not. */
    public static Optional<String> stopTrouble(EventData event, PlanStop stop, Assumptions.Planning planning) {
        return PlanCheck.lightningAt(event, stop, planning)
                .map(span -> "lies in lightning hours, " + span(span, event) + ": be ashore then");
    }

    /** What is wrong with a run; empty: nothing. */
    public static Optional<String> trouble(PlanCheck.Leg leg, EventData event) {
        if (leg.fits()) {
            return Optional.empty();
        }
        String to = place(leg.to(), event);
        if (!leg.reachable()) {
            return Optional.of(
                    leg.wind()
                            ? "there is no way to " + to + " in the lee, and more wind than the boat takes"
                            : "there is no way by water to " + to
                                    + (event.lake() != null
                                                    && !event.lake().offLimits().isEmpty()
                                            ? " round what is off limits"
                                            : ""));
        }
        return Optional.of(
                leg.inLightning()
                        ? "lightning comes on the run to " + to + " before the boat is there or ashore: leave "
                                + place(leg.from(), event) + " earlier"
                        : "the run to " + to + " is " + leg.shortMinutes() + " min short"
                                + (leg.inLee() ? ", in the lee" : ""));
    }

    /** As "13:00 to 14:30". */
    static String span(LightningHours.Span span, EventData event) {
        return Times.clock(span.from(), event.timeZone()) + " to " + Times.clock(span.to(), event.timeZone());
    }

    /** What to leave for: "check-in", or a shelter. */
    public static String destination(Departures.LeaveBy leave, EventData event) {
        return place(leave.to().id(), event);
    }
}
