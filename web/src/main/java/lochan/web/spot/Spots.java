package lochan.web.spot;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Codes;
import lochan.web.shared.NotThereException;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The spots of an event. */
@Service
@Order(EventPart.SPOTS)
public class Spots implements EventPart {

    private final SpotRepository repository;
    private final Clock clock;

    Spots(SpotRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void outline(EventKey key, EventData.Builder event) {
        event.spots(all(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        repository.add(key, event.spots());
    }

    Instant now() {
        return clock.instant();
    }

    public List<Spot> all(EventKey key) {
        return repository.all(key);
    }

    /** @throws NotThereException when the event has no such spot */
    Spot spot(EventKey key, String code) {
        return repository.find(key, code).orElseThrow(NotThereException::new);
    }

    @EventWrite
    public void add(EventKey key, List<Spot> spots) {
        repository.add(key, spots);
    }

    /** A code for a new spot of a name. */
    public String freshCode(EventKey key, String name) {
        return Codes.of(name, c -> repository.isTaken(key, c));
    }

    @EventWrite
    void update(EventKey key, Spot spot) {
        spot(key, spot.id());
        repository.update(key, spot);
    }

    /** Whether the competition log names the spot, so that it must stay. */
    boolean mustStay(EventKey key, String code) {
        return repository.isInCompetition(key, code);
    }

    @EventWrite
    void delete(EventKey key, String code) {
        spot(key, code);
        repository.setDeleted(key, code, clock.instant());
    }

    @EventWrite
    void restore(EventKey key, String code) {
        if (!repository.setDeleted(key, code, null)) {
            throw new NotThereException();
        }
    }
}
