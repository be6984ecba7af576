package lochan.web.tracklog;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.practice.track.Fix;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;
import tools.jackson.databind.JsonNode;

/** Takes the track that a phone recorded: it is made stops of at the desk, like a plotter's. */
@RestController
class BoatTrackController {

    /** In one request. */
    private static final int MOST_FIXES = 5000;

    private static final double MOST_MILLIS = 1e14;

    private final PhoneFixRepository repository;
    private final EventBook events;

    BoatTrackController(PhoneFixRepository repository, EventBook events) {
        this.repository = repository;
        this.events = events;
    }

    /** Takes fixes, each once: {@code {"fixes": [[ms of the epoch, latitude, longitude]]}}. */
    @PostMapping("/boat/{eventId}/track")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @EventWrite
    public void take(EventKey key, @RequestBody String body) {
        events.outline(key);
        JsonNode sent;
        try {
            sent = JsonLimits.read(body).path("fixes");
        } catch (EventFileException e) {
            throw bad();
        }
        if (!sent.isArray()) {
            throw bad();
        }
        if (sent.size() > MOST_FIXES) {
            throw new ResponseStatusException(HttpStatus.CONTENT_TOO_LARGE);
        }
        List<Fix> fixes = new ArrayList<>();
        sent.forEach(one -> fixes.add(fix(one)));
        repository.add(key, fixes);
    }

    private static Fix fix(JsonNode f) {
        if (f.size() != 3
                || !f.path(0).isNumber()
                || !f.path(1).isNumber()
                || !f.path(2).isNumber()) {
            throw bad();
        }
        double millis = f.path(0).asDouble(Double.NaN);
        double lat = f.path(1).asDouble(Double.NaN);
        double lon = f.path(2).asDouble(Double.NaN);
        if (!(Math.abs(millis) < MOST_MILLIS) || !Position.exists(lat, lon)) {
            throw bad();
        }
        Instant at = Instant.ofEpochMilli((long) millis);
        if (!Intake.isTime(at)) {
            throw bad();
        }
        return new Fix(at, new Position(lat, lon));
    }

    private static ResponseStatusException bad() {
        return new ResponseStatusException(
                HttpStatus.BAD_REQUEST, "Every fix must be a time, a latitude and a longitude. Nothing was saved.");
    }
}
