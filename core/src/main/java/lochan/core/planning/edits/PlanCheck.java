package lochan.core.planning.edits;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.Violation;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.runs.Passages;
import lochan.core.planning.runs.RunTable;
import lochan.core.planning.runs.Shelter;
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
                    "day", PlanProblem.DAY_RANGE, plan.day(), event.days().size()));
        }
        for (int i = 0; i < plan.stops().size(); i++) {
            PlanStop stop = plan.stops().get(i);
            String at = "stops/" + i;
            if (event.spot(stop.spotId()).isEmpty()) {
                found.add(new Violation(at + "/spot", PlanProblem.NO_SPOT, stop.spotId()));
            }
            if (event.presentation(stop.presentationId()).isEmpty()) {
                found.add(new Violation(at + "/presentation", PlanProblem.NO_PRESENTATION, stop.presentationId()));
            }
            if (!stop.leave().isAfter(stop.arrive())) {
                found.add(new Violation(at + "/leave", PlanProblem.LEAVE_BEFORE_ARRIVE));
            }
            if (i > 0 && stop.arrive().isBefore(plan.stops().get(i - 1).leave())) {
                found.add(new Violation(at + "/arrive", PlanProblem.OVERLAP));
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
     * From one place of a plan to the next.
     *
     * @param from    spot id, or {@code launch}
     * @param to      spot id, or {@code checkIn}
     * @param leaving when the boat leaves the first
     */
    public record Passage(String from, String to, Position start, Position end, Instant leaving) {}

    /**
     * A passage of a plan, and how it fits.
     *
     * @param run       under way, over the shelters of its waits; null: there is none by water that the boat takes
     * @param needed    time to the first cast, or to check-in, waits included; null: it cannot be
     * @param available time the plan leaves for it
     * @param waits     ashore for the end of lightning, in their order
     * @param inLee     whether it keeps to the lee, because more wind is forecast than the boat takes
     * @param wind      whether wind that the boat does not take is forecast meanwhile
     */
    public record Leg(
            Passage passage,
            Runs.@Nullable Run run,
            @Nullable Duration needed,
            Duration available,
            List<Passages.Wait> waits,
            boolean inLee,
            boolean wind) {

        public String from() {
            return passage.from();
        }

        public String to() {
            return passage.to();
        }

        public boolean reachable() {
            return run != null;
        }

        /** Whether lightning comes before the boat is there, or ashore. */
        public boolean inLightning() {
            return run != null && needed == null;
        }

        /** Minutes missing; 0 when the run fits, or when there is none at all. */
        public long shortMinutes() {
            return needed == null
                    ? 0
                    : Math.max(0, Math.ceilDiv(needed.minus(available).toMillis(), MILLIS_PER_MINUTE));
        }

        public boolean fits() {
            return needed != null && shortMinutes() == 0;
        }

        /** Its runs: one, or from shelter to shelter. */
        public List<Passage> runs() {
            List<Passage> parts = new ArrayList<>();
            Passage part = passage;
            for (Passages.Wait w : waits) {
                parts.add(new Passage(part.from(), w.at().id(), part.start(), w.at().position(), part.leaving()));
                part = new Passage(w.at().id(), part.to(), w.at().position(), part.end(), w.until());
            }
            parts.add(part);
            return parts;
        }
    }

    /** The passages of a plan in their order: from the launch over each stop to check-in. */
    public static List<Passage> passages(EventData event, Plan plan) {
        List<Passage> passages = new ArrayList<>();
        String from = Shelter.LAUNCH;
        Position here = event.launch();
        Instant time = event.day(plan.day()).start();
        for (PlanStop stop : plan.stops()) {
            Position there = event.spot(stop.spotId()).orElseThrow().position();
            passages.add(new Passage(from, stop.spotId(), here, there, time));
            from = stop.spotId();
            here = there;
            time = stop.leave();
        }
        passages.add(new Passage(from, Shelter.CHECK_IN, here, event.checkInAt(), time));
        return passages;
    }

    /** The lightning hours that a stop lies in; empty: none. */
    public static Optional<LightningHours.Span> lightningAt(
            EventData event, PlanStop stop, Assumptions.Planning planning) {
        return LightningHours.of(event.forecast(), planning).within(stop.arrive(), stop.leave());
    }

    /**
     * The runs of a plan without violations: from the launch to each stop, set-up time included, and back to check-in with the margin
     * in hand. A stop that itself lies in lightning hours is judged apart ({@link #lightningAt}), a run into them or out of them as if there were none.
     */
    public static List<Leg> legs(EventData event, Plan plan, Assumptions.Planning planning, DayRuns runs) {
        Instant backBy = event.day(plan.day()).checkIn().minus(Duration.ofMinutes(planning.checkInMarginMinutes()));
        RunTable table = new RunTable(event, runs);
        Passages ways = new Passages(event, planning, table, Instant.EPOCH, 1);
        Passages plain = new Passages(event.toBuilder().forecast(List.of()).build(), planning, table, Instant.EPOCH, 1);
        LightningHours lightning = LightningHours.of(event.forecast(), planning);
        List<Leg> legs = new ArrayList<>();
        for (Passage p : passages(event, plan)) {
            PlanStop stop =
                    legs.size() == plan.stops().size() ? null : plan.stops().get(legs.size());
            int from = legs.isEmpty() ? RunTable.BEGIN : table.place(p.from());
            long leaving = p.leaving().toEpochMilli();
            List<Passages.Wait> waits = new ArrayList<>();
            boolean inLightning = (!legs.isEmpty() && lightning.holds(p.leaving()))
                    || (stop != null && lightning.holds(stop.arrive()));
            long there;
            if (inLightning) {
                there = stop == null
                        ? plain.home(from, leaving, null)
                        : plain.begin(from, leaving, table.place(p.to()), leaving, 0, null);
            } else if (stop == null) {
                there = ways.home(from, leaving, waits);
            } else {
                Instant clear = lightningAt(event, stop, planning)
                        .map(LightningHours.Span::from)
                        .orElse(stop.leave());
                Instant begin = stop.arrive().isBefore(clear) ? stop.arrive() : clear;
                there = ways.begin(
                        from,
                        leaving,
                        table.place(p.to()),
                        begin.toEpochMilli(),
                        Duration.between(begin, clear).toMillis(),
                        waits);
            }
            legs.add(leg(p, stop, there, waits, stop == null ? backBy : stop.arrive(), runs));
        }
        return legs;
    }

    private static Leg leg(
            Passage p, @Nullable PlanStop stop, long there, List<Passages.Wait> waits, Instant until, DayRuns runs) {
        Leg bare = new Leg(p, null, null, Duration.between(p.leaving(), until), List.copyOf(waits), false, false);
        double metres = 0;
        Duration time = Duration.ZERO;
        boolean lee = false;
        boolean wind = false;
        Duration onwards = Duration.ZERO;
        for (Passage part : bare.runs()) {
            Runs.Run last =
                    runs.between(part.start(), part.end(), part.leaving()).orElse(null);
            wind |= runs.isBeyond(part.leaving());
            lee |= runs.isInLee(part.start(), part.end(), part.leaving());
            if (last == null) {
                return new Leg(p, null, null, bare.available(), bare.waits(), false, wind || lee);
            }
            metres += last.metres();
            time = time.plus(last.time());
            onwards = stop == null ? last.time() : runs.calm().withSetUp(last);
        }
        Instant from = waits.isEmpty() ? p.leaving() : waits.getLast().until();
        Duration needed = there == Passages.NEVER
                ? null
                : stop == null
                        ? Duration.between(p.leaving(), Instant.ofEpochMilli(there))
                        : Duration.between(p.leaving(), from).plus(onwards);
        return new Leg(p, new Runs.Run(metres, time), needed, bare.available(), bare.waits(), lee, wind || lee);
    }
}
