package lochan.web.tracklog;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.practice.track.Fix;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

/** Takes the track that a phone recorded: it is made stops of at the desk, like a plotter's. */
@RestController
class BoatTrackController {

    /** In one request. */
    private static final int MOST_FIXES = 5000;

    private final PhoneFixRepository repository;
    private final EventBook events;

    BoatTrackController(PhoneFixRepository repository, EventBook events) {
        this.repository = repository;
        this.events = events;
    }

    /**
     * What a phone sends.
     *
     * @param fixes each as ms of the epoch, latitude, longitude
     */
    record Sent(List<double[]> fixes) {}

    /** Takes fixes, each once. */
    @PostMapping("/boat/{eventId}/track")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @EventWrite
    public void take(EventKey key, @RequestBody Sent sent) {
        events.outline(key);
        if (sent.fixes().size() > MOST_FIXES) {
            throw new ResponseStatusException(HttpStatus.CONTENT_TOO_LARGE);
        }
        repository.add(key, sent.fixes().stream().map(BoatTrackController::fix).toList());
    }

    private static Fix fix(double[] f) {
        try {
            return new Fix(Instant.ofEpochMilli((long) f[0]), new Position(f[1], f[2]));
        } catch (DateTimeException | IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "a fix is no time, latitude and longitude", e);
        }
    }
}
