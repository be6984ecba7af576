package lochan.web.spot;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Waypoint;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.NotThereException;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** Keeps the waypoints on an event's water. */
@Service
@Order(EventPart.REST)
public class Waypoints implements EventPart {

    private final WaypointRepository repository;
    private final Clock clock;

    Waypoints(WaypointRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        Set<String> spots = event.spotIds();
        event.waypoints(all(key).stream()
                .filter(w -> w.spotId() == null || spots.contains(w.spotId()))
                .toList());
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        repository.add(key, event.waypoints());
    }

    public List<Waypoint> all(EventKey key) {
        return repository.all(key);
    }

    @EventWrite
    public void addAll(EventKey key, List<Waypoint> waypoints) {
        repository.add(key, waypoints);
    }

    /** Makes a waypoint a note on a spot; a waypoint that is gone is left alone. */
    @EventWrite
    public void putOn(EventKey key, String waypoint, String spot) {
        repository.find(key, waypoint).ifPresent(m -> repository.update(key, m.on(spot)));
    }

    /** @throws NotThereException when the event has no such waypoint */
    public Waypoint waypoint(EventKey key, String code) {
        return repository.find(key, code).orElseThrow(NotThereException::new);
    }

    Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    @EventWrite
    void update(EventKey key, Waypoint waypoint) {
        repository.update(key, waypoint);
    }

    @EventWrite
    void delete(EventKey key, String code) {
        waypoint(key, code);
        repository.setDeleted(key, code, clock.instant());
    }

    @EventWrite
    void restore(EventKey key, String code) {
        if (!repository.setDeleted(key, code, null)) {
            throw new NotThereException();
        }
    }
}
