package lochan.offline.practice;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import lochan.core.event.Position;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;
import org.jspecify.annotations.Nullable;

/**
 * Practice as a phone knows it: what the server has, and what was logged since.
 *
 * @param names  what spots and presentations are called
 * @param places positions of the spots, by id
 * @param stops  in the order they began
 */
public record PracticeLog(Names names, Map<String, Position> places, List<Stop> stops) {

    public PracticeLog {
        places = Map.copyOf(places);
        stops = List.copyOf(stops);
    }

    /**
     * A stop.
     *
     * @param end           null while it is being fished
     * @param presentations ids of what is fished
     */
    public record Stop(
            String id,
            String spotId,
            Instant start,
            @Nullable Instant end,
            List<String> presentations,
            int follows,
            List<LoggedBite> bites) {

        public Stop {
            presentations = List.copyOf(presentations);
            bites = List.copyOf(bites);
        }

        private Stop until(@Nullable Instant other) {
            return new Stop(id, spotId, start, other, presentations, follows, bites);
        }

        private Stop followedBy(int more) {
            return new Stop(id, spotId, start, end, presentations, Math.max(0, follows + more), bites);
        }

        private Stop withBites(List<LoggedBite> others) {
            return new Stop(id, spotId, start, end, presentations, follows, others);
        }
    }

    /**
     * A bite.
     *
     * @param at    null: some time during its stop
     * @param words what it was
     */
    public record LoggedBite(
            String id, @Nullable Instant at, @Nullable String presentation, String words) {}

    /** The stop being fished; the latest of several. */
    public Optional<Stop> open() {
        return stops.stream().filter(s -> s.end() == null).reduce((a, b) -> b);
    }

    /** With one change more; one that is of a stop that is not there changes nothing. */
    public PracticeLog after(PracticeChange change, Units units) {
        return switch (change) {
            case PracticeChange.NewSpot s -> with(s);
            case PracticeChange.Started s -> with(s);
            case PracticeChange.Ended e ->
                each(e.stopId(), s -> s.end() == null ? s.until(later(s.start(), e.at())) : s);
            case PracticeChange.Reopened r -> each(r.stopId(), s -> s.until(null));
            case PracticeChange.BiteLogged b -> each(b.stopId(), s -> with(s, b, units));
            case PracticeChange.Followed f -> each(f.stopId(), s -> s.followedBy(f.more()));
            case PracticeChange.BiteDeleted d ->
                each(
                        d.stopId(),
                        s -> s.withBites(s.bites().stream()
                                .filter(b -> !b.id().equals(d.biteId()))
                                .toList()));
            case PracticeChange.StopDeleted d ->
                new PracticeLog(
                        names,
                        places,
                        stops.stream().filter(s -> !s.id().equals(d.stopId())).toList());
        };
    }

    private static Instant later(Instant start, Instant at) {
        return at.isAfter(start) ? at : start.plusSeconds(1);
    }

    private PracticeLog each(String stop, UnaryOperator<Stop> change) {
        return new PracticeLog(
                names,
                places,
                stops.stream()
                        .map(s -> s.id().equals(stop) ? change.apply(s) : s)
                        .toList());
    }

    private PracticeLog with(PracticeChange.NewSpot s) {
        Map<String, String> more = new HashMap<>(names.spots());
        more.put(s.spotId(), s.name());
        Map<String, Position> positions = new HashMap<>(places);
        positions.put(s.spotId(), s.position());
        return new PracticeLog(new Names(more, names.presentations()), positions, stops);
    }

    private PracticeLog with(PracticeChange.Started s) {
        if (stops.stream().anyMatch(o -> o.id().equals(s.id()))) {
            return this;
        }
        List<Stop> all = new ArrayList<>(stops.stream()
                .map(o -> o.end() == null ? o.until(later(o.start(), s.at())) : o)
                .toList());
        all.add(new Stop(s.id(), s.spotId(), s.at(), null, s.presentations(), 0, List.of()));
        return new PracticeLog(names, places, all);
    }

    private Stop with(Stop stop, PracticeChange.BiteLogged b, Units units) {
        if (stop.bites().stream().anyMatch(o -> o.id().equals(b.id()))) {
            return stop;
        }
        List<LoggedBite> bites = new ArrayList<>(stop.bites());
        bites.add(new LoggedBite(b.id(), b.at(), b.bite().presentationId(), BiteWords.of(b.bite(), names, units)));
        return stop.withBites(bites);
    }
}
