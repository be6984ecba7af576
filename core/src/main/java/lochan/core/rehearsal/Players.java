package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.Effort;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlooks;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.Shelter;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.DayStart;
import lochan.core.planning.valuation.Strategy;

/** Others who play a rehearsed day by what can be known of it: by the move advice, or by planning again every hour. */
public final class Players {

    private static final Duration QUARTER = Duration.ofMinutes(15);
    private static final Duration HOUR = Duration.ofHours(1);

    private final DayKnowledge known;
    private final EventData event;
    private final Instant checkIn;
    private final Map<Integer, MoveAdvice> advices = new HashMap<>();
    private final Map<Integer, Departures> departures = new HashMap<>();

    public Players(DayKnowledge known) {
        this.known = known;
        this.event = known.atFirst().event();
        this.checkIn = event.day(known.atFirst().day()).checkIn();
    }

    private MoveAdvice advice(Instant now) {
        return advices.computeIfAbsent(known.storms(now), n -> new MoveAdvice(known.at(now), known.runs()));
    }

    private Departures departures(Instant now) {
        return departures.computeIfAbsent(known.storms(now), n -> {
            DayModel model = known.at(now);
            return new Departures(
                    model.event(), model.day(), model.assumptions().planning(), known.runs());
        });
    }

    /** Asks the move advice every quarter of an hour and does what it says. */
    public Rehearsal advised(Rehearsal day) {
        while (!day.isOver()) {
            if (!leaves(day)) {
                MoveAdvice.Answer answer = advice(day.now()).ask(day.state());
                Cell best = answer.best() == null ? null : answer.best().cell();
                if (best == null && day.fishing() == null) {
                    end(day);
                } else if (best != null && answer.go()) {
                    orAshore(day, day.go(best));
                } else {
                    orAshore(day, day.fish(untilLeaving(day, QUARTER)));
                }
            }
        }
        return day;
    }

    /**
     * Plans the rest of the day every hour, in days like this one so far, and fishes the beginning of it: about the best that can be done with what is known.
     *
     * @param effort how much is computed
     */
    public Rehearsal planningAgain(Rehearsal day, Effort effort) {
        while (!day.isOver()) {
            if (!leaves(day)) {
                List<PlanStop> rest = rest(day, effort);
                if (rest.isEmpty()) {
                    end(day);
                } else {
                    Instant until = day.now().plus(HOUR);
                    fished(day, rest, until);
                }
            }
        }
        return day;
    }

    private List<PlanStop> rest(Rehearsal day, Effort effort) {
        MoveAdvice.State state = day.state();
        DayModel model = known.at(day.now());
        ScenarioSet likely = Outlooks.likely(model, state.today(), effort.weighed(), effort.scenarios(), effort.seed());
        DayStart begin = DayStart.now(model, state.now(), state.place(event), state.bag());
        return new DayPlanner(likely, known.runs(), begin, DayPlanner.Wishes.of(Strategy.BALANCED), effort.seed())
                .plan(effort.rounds(), round -> true);
    }

    private void fished(Rehearsal day, List<PlanStop> rest, Instant until) {
        for (PlanStop stop : rest) {
            if (!day.now().isBefore(until) || leaves(day)) {
                return;
            }
            Cell cell = Cell.of(stop);
            if (!cell.equals(day.fishing()) && orAshore(day, day.go(cell))) {
                return;
            }
            day.waitUntil(stop.arrive());
            while (stop.leave().isAfter(day.now()) && day.now().isBefore(until) && !day.isOver()) {
                Duration left = Duration.between(day.now(), stop.leave());
                if (leaves(day)
                        || orAshore(day, day.fish(untilLeaving(day, left.compareTo(QUARTER) < 0 ? left : QUARTER)))) {
                    return;
                }
            }
        }
        if (day.now().isBefore(until)) {
            end(day);
        }
    }

    /** So long as may still be fished here. */
    private Duration untilLeaving(Rehearsal day, Duration wanted) {
        Duration left = departures(day.now())
                .from(place(day), day.now())
                .map(l -> Duration.between(day.now(), l.at()))
                .orElse(wanted);
        return left.compareTo(wanted) < 0 ? left : wanted;
    }

    private Position place(Rehearsal day) {
        return day.state().place(event);
    }

    /** Leaves for check-in or a shelter when it is time; says whether it did. */
    private boolean leaves(Rehearsal day) {
        Departures.LeaveBy leave =
                departures(day.now()).from(place(day), day.now()).orElse(null);
        if (leave == null || day.now().isBefore(leave.at())) {
            return day.isOver();
        }
        if (leave.forShelter()) {
            if (day.shelter(leave.to()).isPresent()) {
                day.waitUntil(day.now().plus(QUARTER));
            }
        } else {
            end(day);
        }
        return true;
    }

    /** Runs to check-in, as soon as there is a run that the boat takes. */
    private void end(Rehearsal day) {
        Instant last = checkIn.plus(Duration.ofDays(1));
        while (day.home().isPresent()) {
            if (day.now().isAfter(last)) {
                throw new IllegalStateException("there is no way home");
            }
            day.waitUntil(day.now().plus(QUARTER));
        }
    }

    /** Goes ashore where something could not be done; says whether that was so. */
    private boolean orAshore(Rehearsal day, Optional<Rehearsal.Refusal> refusal) {
        if (refusal.isEmpty()) {
            return false;
        }
        if (refusal.get() == Rehearsal.Refusal.LIGHTNING) {
            Shelter nearest = Shelter.of(event).stream()
                    .min(Comparator.comparingDouble(s -> s.position().metresTo(place(day))))
                    .orElseThrow();
            if (day.shelter(nearest).isPresent()) {
                day.waitUntil(day.now().plus(QUARTER));
            }
        } else {
            end(day);
        }
        return true;
    }
}
