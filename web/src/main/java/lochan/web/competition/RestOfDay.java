package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.Outlooks;
import lochan.core.live.StayOrGo;
import lochan.core.plan.PlanStop;
import lochan.core.planning.DayPlanner;
import lochan.core.planning.DayStart;
import lochan.core.planning.PlanValuer;
import lochan.core.planning.Stance;
import lochan.core.quantity.Units;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.DayKey;
import lochan.web.brief.EventKey;
import lochan.web.page.Dates;
import lochan.web.plan.Forecasts;
import lochan.web.plan.PlanWords;
import lochan.web.plan.Plans;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Component;

/** Plans what is left of a day from where the boat is, in days like this one so far. What is found lies beside the plan until the angler takes it. */
@Component
class RestOfDay {

    private static final int KEPT = 8;
    private static final int DRAWN = 3000;
    private static final int SCENARIOS = 300;
    private static final int ROUNDS = 9;
    private static final long SEED = 1;

    private final DayAdvisors advisors;
    private final Waters waters;
    private final Forecasts forecasts;
    private final Plans plans;
    private final Work<DayKey, Found> work = new Work<>("rest-of-day", DayKey::event, KEPT, Work.ASKED_FOR);

    RestOfDay(DayAdvisors advisors, Waters waters, Forecasts forecasts, Plans plans) {
        this.advisors = advisors;
        this.waters = waters;
        this.forecasts = forecasts;
        this.plans = plans;
    }

    /**
     * What was found.
     *
     * @param at        when it was looked for
     * @param stops     from then on
     * @param grams     that they add to the bag on average
     * @param planGrams that the rest of the plan adds
     */
    private record Found(Instant at, List<PlanStop> stops, double grams, double planGrams) { }

    /**
     * How the looking stands, in words.
     *
     * @param running whether it goes on
     * @param failed  whether it came to nothing
     * @param stops   what was found; null: nothing yet
     * @param adds    what that adds to the bag
     * @param asOf    when it was looked for
     */
    record Said(boolean running, boolean failed, String stops, String adds, String asOf) { }

    private static List<Object> basis(EventData event, int day) {
        return List.of(DayModels.basis(event, day), event.planOf(day));
    }

    /** Null: nothing was looked for since practice or plan changed. */
    Said said(EventKey key, EventData event, int day, Units units) {
        Work.State<Found> state = work.state(new DayKey(key, day), basis(event, day)).orElse(null);
        if (state == null || state.result() == null) {
            return state == null ? null : new Said(state.running(), state.failed(), null, null, null);
        }
        Found f = state.result();
        String words = f.stops().isEmpty() ? "No stop is worth its run any more: fish where you are." : PlanWords.stops(f.stops(), event) + ".";
        return new Said(false, false, words, "It adds " + units.weight(f.grams()) + " to the bag on average, the rest of your plan " + units.weight(f.planGrams()) + ".",
                Dates.clock(f.at(), event.brief().timeZone()));
    }

    void look(EventKey key, EventData event, int day, List<Entry> entries, Instant now, Position position) {
        DayModel model = advisors.model(key, event, day);
        StayOrGo.Standing standing = NextHour.standing(event, day, entries, now, position);
        Position here = advisors.of(key, event, day).position(standing);
        List<PlanStop> plan = event.planOf(day);
        work.beginAgain(new DayKey(key, day), basis(event, day), DayPlanner.done(ROUNDS), progress -> {
            ScenarioSet likely = Outlooks.likely(model, standing.today(), DRAWN, SCENARIOS, SEED);
            DayStart begin = DayStart.now(model, now, here, standing.bag());
            List<PlanStop> locked = Outlooks.rest(plan, begin.at()).stream().filter(s -> s.locked() && !s.arrive().isBefore(begin.at())).toList();
            DayPlanner planner = planner(likely, event, begin, locked);
            List<PlanStop> stops = (planner.keepsLocked() ? planner : planner(likely, event, begin, List.of())).plan(ROUNDS, progress::goOn);
            PlanValuer valuer = new PlanValuer(likely, standing.bag());
            double factor = forecasts.calibration(key.accountId()).factor();
            return new Found(now, stops, factor * (valuer.formula(stops) - standing.bag().weighedGrams()), factor * (valuer.formula(Outlooks.rest(plan, now)) - standing.bag().weighedGrams()));
        });
    }

    private DayPlanner planner(ScenarioSet likely, EventData event, DayStart begin, List<PlanStop> locked) {
        return new DayPlanner(likely, waters.dayRuns(event), begin, new DayPlanner.Wishes(Stance.STEADY, locked, c -> true), SEED);
    }

    /**
     * Puts what was found in the place of the plan's rest.
     *
     * @return where a POST takes it back; empty: nothing is known any more
     */
    Optional<String> take(EventKey key, EventData event, int day) {
        Found found = work.state(new DayKey(key, day), basis(event, day)).map(Work.State::result).orElse(null);
        if (found == null) {
            return Optional.empty();
        }
        List<PlanStop> stops = new ArrayList<>();
        for (PlanStop s : event.planOf(day)) {
            if (s.arrive().isBefore(found.at())) {
                stops.add(s.leave().isAfter(found.at()) ? s.during(s.arrive(), found.at()) : s);
            }
        }
        stops.addAll(found.stops());
        drop(key, day);
        return Optional.of(plans.replace(key, day, "Rest of the day planned anew at " + Dates.clock(found.at(), event.brief().timeZone()), stops));
    }

    void drop(EventKey key, int day) {
        work.forget(new DayKey(key, day));
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
