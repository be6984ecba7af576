package lochan.core.eventdata;

import static java.util.Objects.requireNonNull;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.competition.Entry;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeLevels;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Bite;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import org.jspecify.annotations.Nullable;

/**
 * The whole of one event: its rules, the water, what practice and the forecast say, plans, and the log of the competition.
 *
 * @param runs        the boat's runs as tracks showed them
 * @param lake        the water; null: not known, runs are straight lines lengthened
 * @param waypoints       what the electronics showed
 * @param competition the append-only log in the order it was written
 * @param notebook    what the angler notes beside the practice log
 */
public record EventData(
        Event event,
        Boat boat,
        List<BoatRun> runs,
        @Nullable Lake lake,
        List<Spot> spots,
        List<Waypoint> waypoints,
        List<Presentation> presentations,
        List<PracticeStop> stops,
        List<ForecastPeriod> forecast,
        List<Plan> plans,
        List<Entry> competition,
        Notebook notebook) {

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

    /** Of an event and its boat, with nothing else yet. */
    public static Builder builder(Event event, Boat boat) {
        return new Builder(event, boat);
    }

    /** With everything this one has, to be changed. */
    public Builder toBuilder() {
        return new Builder(event, boat)
                .runs(runs)
                .lake(lake)
                .spots(spots)
                .waypoints(waypoints)
                .presentations(presentations)
                .stops(stops)
                .forecast(forecast)
                .plans(plans)
                .competition(competition)
                .notebook(notebook);
    }

    /** Returns the event with other practice, and no plan or competition yet. */
    public EventData inPractice(List<PracticeStop> otherStops) {
        return toBuilder()
                .stops(otherStops)
                .plans(List.of())
                .competition(List.of())
                .build();
    }

    public EventData withStops(List<PracticeStop> others) {
        return toBuilder().stops(others).build();
    }

    /** The date at the lake. */
    public LocalDate dateAt(Instant time) {
        return LocalDate.ofInstant(time, timeZone());
    }

    /** By how much the water stands above the reference level, m; 0 without a reading. */
    public double aboveReferenceM(Instant time) {
        return lake == null ? 0 : lake.levels().aboveReferenceM(dateAt(time));
    }

    /** Returns the event with the depths that spots have at a time, to read and not to keep. */
    public EventData onLevelOf(Instant time) {
        double above = aboveReferenceM(time);
        return above == 0
                ? this
                : toBuilder()
                        .lake(requireNonNull(lake).withLevels(LakeLevels.UNKNOWN))
                        .spots(spots.stream().map(s -> s.deeperBy(above)).toList())
                        .build();
    }

    public EventData withNotebook(Notebook other) {
        return toBuilder().notebook(other).build();
    }

    /** The water temperature that was last logged before a time, °C; empty: never. */
    public Optional<Double> lastWaterC(Instant before) {
        return stops.stream()
                .filter(s -> s.conditions().waterTempC() != null && s.start().isBefore(before))
                .max(Comparator.comparing(PracticeStop::start))
                .map(s -> s.conditions().waterTempC());
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
        return plans.stream()
                .filter(p -> p.day() == day && !p.stops().isEmpty())
                .findFirst()
                .map(Plan::stops)
                .orElse(List.of());
    }

    /** @throws IllegalStateException when the event has no lake */
    public Lake knownLake() {
        if (lake == null) {
            throw new IllegalStateException("the event has no lake");
        }
        return lake;
    }

    /** Whether a fish of practice was guessed and then weighed: until then nothing is known of how the angler guesses. */
    public boolean hasWeighedGuess() {
        return stops.stream()
                .flatMap(s -> s.bites().stream())
                .map(Bite::size)
                .anyMatch(s -> s != null && s.grams() != null && s.guessGrams() != null);
    }

    /** Whether the event's rules put a spot off limits. */
    public boolean offLimits(Spot spot) {
        return lake != null && lake.offLimitsAt(spot.position()).isPresent();
    }

    /** What an event is put together from; each part is empty until it is given. */
    public static final class Builder {

        private final Event event;
        private final Boat boat;
        private List<BoatRun> runs = List.of();
        private @Nullable Lake lake;
        private List<Spot> spots = List.of();
        private List<Waypoint> waypoints = List.of();
        private List<Presentation> presentations = List.of();
        private List<PracticeStop> stops = List.of();
        private List<ForecastPeriod> forecast = List.of();
        private List<Plan> plans = List.of();
        private List<Entry> competition = List.of();
        private Notebook notebook = Notebook.EMPTY;

        private Builder(Event event, Boat boat) {
            this.event = event;
            this.boat = boat;
        }

        public Builder runs(List<BoatRun> some) {
            runs = some;
            return this;
        }

        /** Null: not known. */
        public Builder lake(@Nullable Lake one) {
            lake = one;
            return this;
        }

        public Builder spots(List<Spot> some) {
            spots = some;
            return this;
        }

        public Builder waypoints(List<Waypoint> some) {
            waypoints = some;
            return this;
        }

        public Builder presentations(List<Presentation> some) {
            presentations = some;
            return this;
        }

        public Builder stops(List<PracticeStop> some) {
            stops = some;
            return this;
        }

        public Builder forecast(List<ForecastPeriod> some) {
            forecast = some;
            return this;
        }

        public Builder plans(List<Plan> some) {
            plans = some;
            return this;
        }

        public Builder competition(List<Entry> entries) {
            competition = entries;
            return this;
        }

        public Builder notebook(Notebook one) {
            notebook = one;
            return this;
        }

        /** The ids of the spots given so far. */
        public Set<String> spotIds() {
            return spots.stream().map(Spot::id).collect(Collectors.toSet());
        }

        public EventData build() {
            return new EventData(
                    event,
                    boat,
                    runs,
                    lake,
                    spots,
                    waypoints,
                    presentations,
                    stops,
                    forecast,
                    plans,
                    competition,
                    notebook);
        }
    }
}
