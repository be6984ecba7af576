package lochan.web.eventbook;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Species;
import lochan.web.account.Removals;
import lochan.web.shared.NotThereException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The events of an account and their events. */
@Service
public class Events {

    /** How long a deleted event can be brought back. */
    public static final Duration DELETED_KEPT = Duration.ofDays(30);

    private final EventRepository repository;
    private final Removals removals;
    private final Clock clock;

    Events(EventRepository repository, Removals removals, Clock clock) {
        this.removals = removals;
        this.repository = repository;
        this.clock = clock;
    }

    /**
     * The key of an event.
     *
     * @throws NotThereException when the account has no such event
     */
    public EventKey key(long accountId, long eventId) {
        EventKey key = new EventKey(accountId, eventId);
        if (!repository.exists(key)) {
            throw new NotThereException();
        }
        return key;
    }

    public List<EventKey> all(long accountId) {
        return repository.all(accountId);
    }

    /**
     * What a list shows of an event.
     *
     * @param days in their order, one or more
     */
    public record Head(EventKey key, String name, ZoneId timeZone, List<CompetitionDay> days) {}

    /** The heads of all events of an account, the oldest first. */
    public List<Head> heads(long accountId) {
        return repository.heads(accountId);
    }

    public Event event(EventKey key) {
        return repository.event(key);
    }

    public String name(EventKey key) {
        return repository.name(key);
    }

    /** How often an event was written to; the same as long as nothing of it changed. */
    public long writes(EventKey key) {
        return repository.writes(key);
    }

    public Boat boat(EventKey key) {
        return repository.boat(key);
    }

    @Transactional
    public EventKey add(long accountId, Event event, Boat boat) {
        return repository.add(accountId, event, boat);
    }

    /** The boat's runs as tracks showed them, in order of time. */
    public List<BoatRun> runs(EventKey key) {
        return repository.runs(key);
    }

    /** Adds runs; one that begins when another does is there already. */
    @EventWrite
    public void addRuns(EventKey key, List<BoatRun> runs) {
        repository.addRuns(key, runs);
    }

    @EventWrite
    public void updateBoat(EventKey key, Boat boat) {
        repository.updateBoat(key, boat);
    }

    /** What forbids a changed event, since other records of the event rest on the old one. */
    public List<Violation> conflicts(EventKey key, Event event) {
        List<Violation> found = new ArrayList<>();
        for (String code : repository.speciesInUse(key)) {
            Species species = Coded.get(Species.class, code);
            if (event.rules().rule(species).isEmpty()) {
                found.add(new Violation("species", EventConflict.SPECIES_IN_USE, species));
            }
        }
        int planned = repository.lastPlannedDay(key);
        if (planned > event.days().size()) {
            found.add(new Violation("days", EventConflict.DAY_HAS_PLAN, planned));
        }
        return found;
    }

    @EventWrite
    public void update(EventKey key, Event event, Boat boat) {
        repository.update(key, event);
        repository.updateBoat(key, boat);
    }

    /** An event that was deleted and can be restored. */
    public record Deleted(long id, String name, Instant at) {}

    /** Deleted events of an account that can be restored, the one deleted last first. */
    public List<Deleted> deleted(long accountId) {
        return repository.deleted(accountId, clock.instant().minus(DELETED_KEPT));
    }

    @EventWrite
    public void delete(EventKey key) {
        repository.setDeleted(key, clock.instant());
    }

    /** Removes events for good that were deleted long ago; gives how many. */
    public int purge() {
        List<EventKey> gone = repository.deletedBefore(clock.instant().minus(DELETED_KEPT));
        gone.forEach(k -> removals.event(k.accountId(), k.eventId()));
        return gone.size();
    }

    /** @throws NotThereException when the account never had that event */
    @EventWrite
    public void restore(EventKey key) {
        if (!repository.setDeleted(key, null)) {
            throw new NotThereException();
        }
    }

    /** Returns the fields of the event's file that this version does not know, by pointer. */
    public Map<String, String> extras(EventKey key) {
        return repository.extras(key);
    }

    @EventWrite
    public void addExtras(EventKey key, Map<String, String> extras) {
        repository.addExtras(key, extras);
    }

    /** The zone to offer for a new event: that of the latest one, else this machine's. */
    public ZoneId usualZone(long accountId) {
        return repository.latestZone(accountId).map(ZoneId::of).orElse(clock.getZone());
    }
}
