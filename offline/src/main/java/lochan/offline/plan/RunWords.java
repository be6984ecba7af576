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
import lochan.wording.Wording;

/** The runs of a plan in words: where to wait, and what is wrong with them. */
public final class RunWords {

    private RunWords() {}

    /** A place of a run: a spot's name, "the launch" or "check-in". */
    public static String place(String id, EventData event) {
        return switch (id) {
            case Shelter.LAUNCH -> Wording.text("runs.the-launch");
            case Shelter.CHECK_IN -> Wording.text("runs.check-in");
            default -> event.spot(id).map(Spot::name).orElse(id);
        };
    }

    /** As "Wait at the launch 12:50 to 14:30: lightning". */
    public static String wait(Passages.Wait wait, EventData event) {
        ZoneId zone = event.timeZone();
        return Wording.text(
                "runs.wait",
                place(wait.at().id(), event),
                Times.clock(wait.arrive(), zone),
                Times.clock(wait.until(), zone));
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
                        .map(w -> Wording.text("runs.your-plan", wait(w, event)))
                        .toList()
                : List.of();
    }

    /** Returns the problems of a plan's runs and of its stops in lightning, in the order of the day. */
    public static List<String> troubles(
            EventData event, Plan plan, List<PlanCheck.Leg> legs, Assumptions.Planning planning) {
        List<String> troubles = new ArrayList<>();
        for (int i = 0; i < legs.size(); i++) {
            trouble(legs.get(i), event).ifPresent(troubles::add);
            if (i < plan.stops().size()) {
                PlanStop stop = plan.stops().get(i);
                stopTrouble(event, stop, planning)
                        .ifPresent(words ->
                                troubles.add(Wording.text("runs.at-spot", place(stop.spotId(), event), words)));
            }
        }
        return List.copyOf(troubles);
    }

    /** As "lies in lightning hours, 13:00 to 14:30: be ashore then"; empty: it does not. */
    public static Optional<String> stopTrouble(EventData event, PlanStop stop, Assumptions.Planning planning) {
        return PlanCheck.lightningAt(event, stop, planning)
                .map(span -> Wording.text("runs.in-lightning", span(span, event)));
    }

    /** Returns the problem of a run; empty: none. */
    public static Optional<String> trouble(PlanCheck.Leg leg, EventData event) {
        if (leg.fits()) {
            return Optional.empty();
        }
        String to = place(leg.to(), event);
        if (!leg.reachable()) {
            boolean offLimits =
                    event.lake() != null && !event.lake().offLimits().isEmpty();
            String around = offLimits ? "runs.no-route-around" : "runs.no-route";
            return Optional.of(Wording.text(leg.wind() ? "runs.no-sheltered-route" : around, to));
        }
        if (leg.inLightning()) {
            return Optional.of(Wording.text("runs.lightning-on-run", to, place(leg.from(), event)));
        }
        return Optional.of(Wording.text(leg.inLee() ? "runs.short-in-lee" : "runs.short", to, leg.shortMinutes()));
    }

    /** As "13:00 to 14:30". */
    static String span(LightningHours.Span span, EventData event) {
        return span(span.from(), span.to(), event);
    }

    /** As "13:00 to 14:30". */
    static String span(Instant from, Instant to, EventData event) {
        return Wording.text("day.span", Times.clock(from, event.timeZone()), Times.clock(to, event.timeZone()));
    }

    /** What to leave for: "check-in", or a shelter. */
    public static String destination(Departures.LeaveBy leave, EventData event) {
        return place(leave.to().id(), event);
    }
}
