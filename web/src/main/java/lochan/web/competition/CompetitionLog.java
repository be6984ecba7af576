package lochan.web.competition;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.web.clock.DemoClock;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.Events;
import lochan.web.shared.Dates;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The append-only log of an event. */
@Service
@Order(EventPart.REST)
public class CompetitionLog implements EventPart {

    private static final int DAYS_AROUND = 1;
    private static final Duration RECENT = Duration.ofDays(2);
    /** Clocks differ a little. */
    private static final Duration AHEAD = Duration.ofMinutes(1);

    private final EntryRepository repository;
    private final Events events;
    private final Clock clock;

    CompetitionLog(EntryRepository repository, Events events, Clock clock) {
        this.repository = repository;
        this.events = events;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        event.competition(entries(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        addAll(key, event.competition());
    }

    public List<Entry> entries(EventKey key) {
        return repository.all(key);
    }

    /** What forbids other rules: an entry of the log that could not stand under them. */
    public Optional<Violation> conflict(EventKey key, Event event) {
        BagLog log = new BagLog(event);
        for (Entry entry : repository.all(key)) {
            Optional<Violation> refusal = log.append(entry);
            if (refusal.isPresent()) {
                String time = Dates.clock(entry.at(), event.timeZone());
                return Optional.of(new Violation(
                        "limit",
                        "Under these rules the entry of " + time + " in the competition log could not stand ("
                                + refusal.get().message() + ") Void or correct it first, or keep the rules."));
            }
        }
        return Optional.empty();
    }

    @EventWrite
    public void addAll(EventKey key, List<Entry> entries) {
        repository.add(key, entries);
    }

    /** The entries up to now. Only a demo clock that was set back hides any. */
    List<Entry> shown(List<Entry> entries) {
        Instant now = clock.instant();
        return clock instanceof DemoClock
                ? entries.stream().filter(e -> !e.at().isAfter(now)).toList()
                : entries;
    }

    /** The number of the competition day that now belongs to. */
    int today(EventData event) {
        return event.event().dayOf(now());
    }

    Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    /**
     * The time that an entry is taken at: its own, however long ago, when it lies in the days of the event or close to now; else this moment,
     * since the device cannot have meant it.
     */
    Instant timed(Event event, Instant at) {
        Instant now = now();
        LocalDate first = Stream.concat(
                        event.practice().stream(), event.days().stream().map(CompetitionDay::date))
                .min(LocalDate::compareTo)
                .orElseThrow();
        LocalDate last = event.days().getLast().date();
        Instant from =
                first.minusDays(DAYS_AROUND).atStartOfDay(event.timeZone()).toInstant();
        Instant to =
                last.plusDays(1L + DAYS_AROUND).atStartOfDay(event.timeZone()).toInstant();
        boolean inEvent = !at.isBefore(from) && at.isBefore(to);
        boolean recent = !at.isBefore(now.minus(RECENT));
        return !at.isAfter(now.plus(AHEAD)) && (inEvent || recent) ? at : now;
    }

    Instant ago(long seconds) {
        return now().minusSeconds(Math.clamp(seconds, 0, Duration.ofDays(1).toSeconds()));
    }

    /**
     * Adds an entry, judged by the log as it stands. An entry of an id that is there already was acknowledged before: nothing is added.
     *
     * @return what forbids it
     */
    @EventWrite
    Optional<Violation> append(EventKey key, Entry entry) {
        List<Entry> entries = repository.all(key);
        if (entries.stream().anyMatch(e -> e.id().equals(entry.id()))) {
            return Optional.empty();
        }
        if (shown(entries).size() < entries.size()) {
            return Optional.of(new Violation(
                    "id", "The demo's clock stands before entries of this log: set it to a later time first."));
        }
        Event event = events.event(key);
        Optional<Violation> refusal = BagLog.replay(event, entries).append(entry);
        if (refusal.isEmpty()) {
            repository.add(key, List.of(entry));
        }
        return refusal;
    }
}
