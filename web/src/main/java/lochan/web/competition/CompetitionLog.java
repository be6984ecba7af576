package lochan.web.competition;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.Brief;
import lochan.web.brief.Briefs;
import lochan.web.brief.EventKey;
import lochan.web.clock.DemoClock;
import lochan.web.page.Dates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** The append-only log of an event. */
@Service
public class CompetitionLog {

    private final EntryRepository repository;
    private final Briefs briefs;
    private final LogWatchers watchers;
    private final Clock clock;

    CompetitionLog(EntryRepository repository, Briefs briefs, LogWatchers watchers, Clock clock) {
        this.watchers = watchers;
        this.repository = repository;
        this.briefs = briefs;
        this.clock = clock;
    }

    /** After the entry is safe. */
    private static void whenKept(Runnable then) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                then.run();
            }
        });
    }

    public List<Entry> entries(EventKey key) {
        return repository.all(key);
    }

    /** What forbids other rules: an entry of the log that could not stand under them. */
    public Optional<Violation> conflict(EventKey key, Brief brief) {
        BagLog log = new BagLog(brief);
        for (Entry entry : repository.all(key)) {
            Optional<Violation> refusal = log.append(entry);
            if (refusal.isPresent()) {
                String time = Dates.clock(entry.at(), brief.timeZone());
                return Optional.of(new Violation("limit", "Under these rules the entry of " + time + " in the competition log could not stand ("
                        + refusal.get().message() + ") Void or correct it first, or keep the rules."));
            }
        }
        return Optional.empty();
    }

    public void addAll(EventKey key, List<Entry> entries) {
        repository.add(key, entries);
    }

    /** The entries up to now. Only a demo clock that was set back hides any. */
    List<Entry> shown(List<Entry> entries) {
        Instant now = clock.instant();
        return clock instanceof DemoClock ? entries.stream().filter(e -> !e.at().isAfter(now)).toList() : entries;
    }

    Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    Instant ago(long seconds) {
        return now().minusSeconds(Math.clamp(seconds, 0, Duration.ofDays(1).toSeconds()));
    }

    /**
     * Adds an entry, judged by the log as it stands. An entry of an id that is there already was acknowledged before: nothing is added.
     *
     * @return what forbids it
     */
    @Transactional
    Optional<Violation> append(EventKey key, Entry entry) {
        repository.lock(key);
        List<Entry> entries = repository.all(key);
        if (entries.stream().anyMatch(e -> e.id().equals(entry.id()))) {
            return Optional.empty();
        }
        if (shown(entries).size() < entries.size()) {
            return Optional.of(new Violation("id", "The demo's clock stands before entries of this log: set it to a later time first."));
        }
        Brief brief = briefs.brief(key);
        Optional<Violation> refusal = BagLog.replay(brief, entries).append(entry);
        if (refusal.isEmpty()) {
            repository.add(key, List.of(entry));
            whenKept(() -> watchers.changed(key));
        }
        return refusal;
    }
}
