package lochan.core.eventdata;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.Entry;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.lake.Lake;
import lochan.core.lake.Waypoint;
import lochan.core.lake.Spot;

/**
 * The whole of one event: its rules, the water, what practice and the forecast say, plans, and the log of the competition.
 *
 * @param runs        the boat's runs as tracks showed them
 * @param lake        the water; null: not known, runs are straight lines lengthened
 * @param waypoints       what the electronics showed
 * @param competition the append-only log in the order it was written
 * @param notebook    what the angler notes beside the practice log
 */
public record EventData(Event event, Boat boat, List<BoatRun> runs, Lake lake, List<Spot> spots, List<Waypoint> waypoints, List<Presentation> presentations,
                        List<PracticeStop> stops, List<ForecastPeriod> forecast, List<Plan> plans, List<Entry> competition, Notebook notebook) {

    public EventData {
        runs = List.copyOf(runs);
        spots = List.copyOf(spots);
        waypoints = List.copyOf(waypoints);
        presentations = List.copyOf(presentations);
        stops = List.copyOf(stops);
        forecast = List.copyOf(forecast);
        plans = List.copyOf(plans);
        competition = List.copyOf(competition);
    }

    /** Without waypoints, runs of the boat and notebook. */
    public EventData(Event event, Boat boat, Lake lake, List<Spot> spots, List<Presentation> presentations, List<PracticeStop> stops,
                     List<ForecastPeriod> forecast, List<Plan> plans, List<Entry> competition) {
        this(event, boat, List.of(), lake, spots, List.of(), presentations, stops, forecast, plans, competition, Notebook.EMPTY);
    }

    /** The same with other practice, and no plan or competition yet. */
    public EventData inPractice(List<PracticeStop> otherStops) {
        return new EventData(event, boat, runs, lake, spots, waypoints, presentations, otherStops, forecast, List.of(), List.of(), notebook);
    }

    /** The same with other stops. */
    public EventData withStops(List<PracticeStop> others) {
        return new EventData(event, boat, runs, lake, spots, waypoints, presentations, others, forecast, plans, competition, notebook);
    }

    /** The same with another notebook. */
    public EventData noting(Notebook other) {
        return new EventData(event, boat, runs, lake, spots, waypoints, presentations, stops, forecast, plans, competition, other);
    }

    /** The same event under other rules. */
    public EventData withEvent(Event other) {
        return new EventData(other, boat, runs, lake, spots, waypoints, presentations, stops, forecast, plans, competition, notebook);
    }

    public ZoneId timeZone() {
        return event.timeZone();
    }

    public List<CompetitionDay> days() {
        return event.days();
    }

    /** A competition day by its number, from 1; see {@link Event#day}. */
    public CompetitionDay day(int number) {
        return event.day(number);
    }

    public Position launch() {
        return event.launch();
    }

    public Position checkInAt() {
        return event.checkInAt();
    }

    public String name() {
        return event.name();
    }

    public int anglers() {
        return event.anglers();
    }

    public Rules rules() {
        return event.rules();
    }

    public Optional<Spot> spot(String id) {
        return spots.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    public Optional<Presentation> presentation(String id) {
        return presentations.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /** What a competition day is fished by: the stops of its first plan that has any; none where there is no plan. */
    public List<PlanStop> planOf(int day) {
        return plans.stream().filter(p -> p.day() == day && !p.stops().isEmpty()).findFirst().map(Plan::stops).orElse(List.of());
    }

    /** Whether the event's rules put a spot off limits. */
    public boolean offLimits(Spot spot) {
        return lake != null && lake.offLimitsAt(spot.position()).isPresent();
    }
}
