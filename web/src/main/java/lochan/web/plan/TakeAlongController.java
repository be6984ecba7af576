package lochan.web.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.Passages;
import lochan.core.quantity.Units;
import lochan.eventformat.gpx.GpxRoute;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Decks;
import lochan.web.gear.RodRow;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.shared.Downloads;
import lochan.web.shared.NotThereException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A plan to take along: printed, for the plotter, for the calendar. */
@Controller
class TakeAlongController {

    private final Plans plans;
    private final EventBook events;
    private final Accounts accounts;
    private final Lakes lakes;
    private final PlanBackups backups;
    private final PlanPdf pdf;
    private final Decks decks;
    private final Clock clock;

    TakeAlongController(
            Plans plans,
            EventBook events,
            Accounts accounts,
            Lakes lakes,
            PlanBackups backups,
            PlanPdf pdf,
            Decks decks,
            Clock clock) {
        this.decks = decks;
        this.clock = clock;
        this.plans = plans;
        this.events = events;
        this.accounts = accounts;
        this.lakes = lakes;
        this.backups = backups;
        this.pdf = pdf;
    }

    /** A plan that makes sense, of an event that is there. */
    private Plan plan(EventKey key, long id, EventData event) {
        Plan kept = PlanPage.kept(plans.stored(key, id).plan(), event);
        if (!PlanCheck.check(event, kept).isEmpty()) {
            throw new NotThereException();
        }
        return kept;
    }

    @GetMapping("/events/{eventId}/plan/sheet")
    void sheet(EventKey key, @RequestParam long plan, HttpServletResponse response) throws IOException {
        EventData event = events.event(key);
        Plan kept = plan(key, plan, event);
        Backups.Ladder ladder = backups.state(key, plan, event, kept)
                .map(BackgroundComputation.State::result)
                .orElse(null);
        Units units = accounts.units(key.accountId());
        Decks.Deck deck = decks.of(key, event, kept.stops(), RodRow.firstStops(ladder));
        byte[] bytes = pdf.of(
                PlanSheet.of(event, kept, lakes.dayRuns(event), ladder, units),
                RodRow.of(deck, event, units),
                deck,
                units);
        Downloads.attach(response, "plan-day-" + kept.day() + ".pdf", "application/pdf");
        response.getOutputStream().write(bytes);
    }

    @GetMapping("/events/{eventId}/plan/route.gpx")
    void route(EventKey key, @RequestParam long plan, HttpServletResponse response) throws IOException {
        EventData event = events.event(key);
        Plan kept = plan(key, plan, event);
        Downloads.attach(response, "plan-day-" + kept.day() + ".gpx", "application/gpx+xml");
        GpxRoute.write(
                event.name() + ", day " + kept.day(),
                way(event, kept, lakes.dayRuns(event)),
                response.getOutputStream());
    }

    /** The launch, each stop with the bends on the way to it, and the way home. */
    private static List<GpxRoute.Point> way(EventData event, Plan plan, DayRuns runs) {
        List<GpxRoute.Point> way = new ArrayList<>();
        way.add(new GpxRoute.Point(
                event.launch(), "Launch", event.day(plan.day()).start(), null));
        List<PlanCheck.Leg> legs = PlanCheck.legs(event, plan, PlanValuation.ASSUMPTIONS.planning(), runs);
        for (int i = 0; i < legs.size(); i++) {
            PlanCheck.Leg leg = legs.get(i);
            List<PlanCheck.Passage> parts = leg.runs();
            for (int k = 0; k < parts.size(); k++) {
                PlanCheck.Passage p = parts.get(k);
                runs.route(p.start(), p.end(), p.leaving())
                        .filter(r -> r.size() > 2)
                        .ifPresent(r -> r.subList(1, r.size() - 1).forEach(b -> way.add(GpxRoute.Point.bend(b))));
                if (k < leg.waits().size()) {
                    Passages.Wait w = leg.waits().get(k);
                    way.add(new GpxRoute.Point(p.end(), RunWords.wait(w, event), w.arrive(), null));
                }
            }
            Position there = leg.passage().end();
            way.add(
                    i < plan.stops().size()
                            ? stop(i + 1, plan.stops().get(i), there, event)
                            : new GpxRoute.Point(
                                    there, "Check-in", event.day(plan.day()).checkIn(), null));
        }
        return way;
    }

    private static GpxRoute.Point stop(int number, PlanStop s, Position place, EventData event) {
        return new GpxRoute.Point(
                place,
                number + " " + PlanWords.spot(s.spotId(), event),
                s.arrive(),
                event.presentation(s.presentationId()).orElseThrow().name());
    }

    @GetMapping("/events/{eventId}/plan/calendar")
    void calendar(EventKey key, @RequestParam long plan, HttpServletResponse response) throws IOException {
        EventData event = events.event(key);
        Plan kept = plan(key, plan, event);
        Downloads.attach(response, "plan-day-" + kept.day() + ".ics", "text/calendar");
        response.getOutputStream()
                .write(PlanCalendar.of(
                                key,
                                plan,
                                event,
                                kept,
                                PlanCheck.legs(event, kept, PlanValuation.ASSUMPTIONS.planning(), lakes.dayRuns(event))
                                        .stream()
                                        .flatMap(l -> l.waits().stream())
                                        .toList(),
                                PlanPage.leaveBy(event, kept, lakes.dayRuns(event))
                                        .map(Departures.LeaveBy::at)
                                        .orElse(null),
                                clock.instant())
                        .getBytes(StandardCharsets.UTF_8));
    }
}
