package lochan.web.competition;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
import lochan.core.competition.EntryFields;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.web.clock.DemoClock;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.Events;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The append-only log of an event. */
@Service
@Order(EventPart.REST)
public class CompetitionLog implements EventPart {

    /** A day has some dozens, a hard one a few hundred. */
    private static final int MOST_ENTRIES = 20_000;

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
                        "limit", LogConflict.RULES_CONFLICT, time, refusal.get().reason()));
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

    /** Adds an entry, as {@link #append(EventKey, List)} does. */
    @EventWrite
    Optional<Violation> append(EventKey key, Entry entry) {
        return append(key, List.of(entry)).getFirst();
    }

    /**
     * Adds entries in their order, each judged by the log before it, which is replayed once. An entry that is there already was acknowledged
     * before: it is not added again.
     *
     * @return what forbids each, in the same order; empty where it stands
     */
    @EventWrite
    List<Optional<Violation>> append(EventKey key, List<Entry> sent) {
        List<Entry> entries = repository.all(key);
        boolean hidden = shown(entries).size() < entries.size();
        Map<String, Entry> known = new HashMap<>();
        entries.forEach(e -> known.put(e.id(), e));
        BagLog log = BagLog.replay(events.event(key), entries);
        List<Entry> added = new ArrayList<>();
        List<Optional<Violation>> refusals = new ArrayList<>();
        for (Entry entry : sent) {
            Optional<Violation> refusal = refusal(entry, known, hidden, log);
            refusals.add(refusal);
            if (refusal.isEmpty() && known.putIfAbsent(entry.id(), entry) == null) {
                added.add(entry);
            }
        }
        repository.add(key, added);
        return refusals;
    }

    private static Optional<Violation> refusal(Entry entry, Map<String, Entry> known, boolean hidden, BagLog log) {
        Entry there = known.get(entry.id());
        if (there != null) {
            return content(there).equals(content(entry))
                    ? Optional.empty()
                    : Optional.of(new Violation("id", LogConflict.OTHER_PHONE));
        }
        if (hidden) {
            return Optional.of(new Violation("id", LogConflict.DEMO_CLOCK));
        }
        if (known.size() >= MOST_ENTRIES) {
            return Optional.of(new Violation("id", LogConflict.FULL, MOST_ENTRIES));
        }
        return log.append(entry);
    }

    /** What an entry says, but for its time: one that a phone cannot have meant was replaced when it arrived. */
    private static Map<String, Object> content(Entry entry) {
        Map<String, Object> content = new HashMap<>();
        EntryCodec.write(entry, new EntryFields.ByType() {
            @Override
            public <T> @Nullable T get(String name, Class<T> type) {
                return null;
            }

            @Override
            public <T> void set(String name, Class<T> type, @Nullable T value) {
                if (value != null) {
                    content.put(name, value);
                }
            }
        });
        content.put("type", EntryCodec.kind(entry).type());
        content.remove("at");
        return content;
    }
}
