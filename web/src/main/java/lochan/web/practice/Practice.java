package lochan.web.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import lochan.core.Lookup;
import lochan.core.almanac.FrontSign;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.Hooks;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.track.TrackPlacing;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventRevisions;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Codes;
import lochan.web.shared.NotThereException;
import lochan.web.weather.Forecasts;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** Keeps what was fished in practice, and the bites. */
@Service
@Order(EventPart.PRACTICE)
public class Practice implements EventPart {

    private static final int EVENTS_KEPT = 8;
    /** More stops than these are quicker read all together. */
    private static final int FEW = 100;

    private final PracticeRepository repository;
    private final EventRevisions revisions;
    private final Forecasts forecasts;
    private final Clock clock;

    /** All practice of an event, as it stood at a revision, with those of its stops. */
    private record AsOf(long revision, Map<String, Long> revisions, List<LoggedStop> stops) {}

    private final Cache<EventKey, AsOf> latest =
            Caffeine.newBuilder().maximumSize(EVENTS_KEPT).build();

    Practice(PracticeRepository repository, EventRevisions revisions, Forecasts forecasts, Clock clock) {
        this.forecasts = forecasts;
        this.revisions = revisions;
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        event.stops(stops(key));
    }

    @Override
    public void outline(EventKey key, EventData.Builder event) {
        event.presentations(presentations(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        repository.addPresentations(key, event.presentations());
        repository.add(key, event.stops());
    }

    public List<Presentation> presentations(EventKey key) {
        return repository.presentations(key);
    }

    @EventWrite
    public void addPresentations(EventKey key, List<Presentation> presentations) {
        repository.addPresentations(key, presentations);
    }

    /** Adds a presentation under a code of its own. */
    @EventWrite
    void addPresentation(EventKey key, String name, Hooks hooks) {
        List<String> taken =
                repository.presentations(key).stream().map(Presentation::id).toList();
        repository.addPresentations(key, List.of(new Presentation(Codes.of(name, taken::contains), name, hooks)));
    }

    public List<PracticeStop> stops(EventKey key) {
        return logged(key).stream().map(LoggedStop::stop).toList();
    }

    @EventWrite
    public void addStops(EventKey key, List<PracticeStop> stops) {
        repository.add(key, stops);
    }

    /** All stops; only those are read again that were written since. */
    public List<LoggedStop> logged(EventKey key) {
        long revision = revisions.of(key);
        AsOf known = latest.getIfPresent(key);
        if (known == null || known.revision() != revision) {
            known = readAgain(key, revision, known == null ? new AsOf(revision, Map.of(), List.of()) : known);
            latest.put(key, known);
        }
        return known.stops();
    }

    /** Revisions are read before what they are of: what is written meanwhile is then read again the next time. */
    private AsOf readAgain(EventKey key, long revision, AsOf before) {
        Map<String, Long> now = repository.revisions(key);
        Map<String, LoggedStop> stops =
                before.stops().stream().collect(Collectors.toMap(l -> l.stop().id(), l -> l));
        List<String> changed = now.keySet().stream()
                .filter(code -> !Lookup.of(now, code).equals(before.revisions().get(code)))
                .toList();
        List<LoggedStop> fresh = changed.size() > FEW ? repository.stops(key) : repository.stops(key, changed);
        fresh.forEach(l -> stops.put(l.stop().id(), l));
        return new AsOf(
                revision,
                now,
                now.keySet().stream().map(stops::get).filter(Objects::nonNull).toList());
    }

    public LoggedStop logged(EventKey key, String stop) {
        return find(key, stop).orElseThrow(NotThereException::new);
    }

    public Optional<LoggedStop> find(EventKey key, String stop) {
        return repository.stop(key, stop);
    }

    Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    /** The time of something that happened some seconds ago. */
    Instant ago(long seconds) {
        return now().minusSeconds(Math.clamp(seconds, 0, Duration.ofDays(1).toSeconds()));
    }

    /** The stop being fished now. */
    static Optional<LoggedStop> open(List<LoggedStop> stops) {
        return stops.stream().filter(s -> s.stop().end() == null).reduce((a, b) -> b);
    }

    /** Starts a stop now; all that are still open end where this begins. A code that is there already starts nothing. */
    @EventWrite
    void start(EventKey key, String code, String spot, List<String> presentations, int anglers, Instant at) {
        List<LoggedStop> stops = logged(key);
        if (stops.stream().noneMatch(s -> s.stop().id().equals(code))) {
            stops.stream().filter(s -> s.stop().end() == null).forEach(s -> end(key, s, at));
            Conditions carried = stops.isEmpty() ? Conditions.UNKNOWN : carriedOn(stops, at);
            repository.add(
                    key,
                    List.of(PracticeStopBuilder.builder()
                            .id(code)
                            .spotId(spot)
                            .start(at)
                            .anglers(anglers)
                            .presentations(presentations.stream()
                                    .map(p -> new PresentationTime(p, null))
                                    .toList())
                            .follows(0)
                            .bites(List.of())
                            .conditions(carried)
                            .build()));
        }
    }

    /** Conditions last as long as the water does: those of the last stop within six hours are carried on. */
    private static Conditions carriedOn(List<LoggedStop> stops, Instant at) {
        PracticeStop last = stops.getLast().stop();
        boolean fresh = Duration.between(last.start(), at).abs().compareTo(Duration.ofHours(6)) <= 0;
        return fresh ? last.conditions().carriedOn() : Conditions.UNKNOWN;
    }

    @EventWrite
    void end(EventKey key, String stop, Instant at) {
        LoggedStop logged = logged(key, stop);
        if (logged.stop().end() == null) {
            end(key, logged, at);
        }
    }

    private void end(EventKey key, LoggedStop logged, Instant at) {
        Instant earliest = logged.stop().bites().stream()
                .map(Bite::at)
                .filter(Objects::nonNull)
                .reduce(logged.stop().start().plusSeconds(1), (a, b) -> a.isAfter(b) ? a : b);
        Instant latest = logged.stop().start().plus(PracticeStop.LONGEST);
        Instant end = at.isAfter(earliest) ? at : earliest;
        save(key, logged.stop().withEnd(end.isAfter(latest) ? latest : end));
    }

    @EventWrite
    void reopen(EventKey key, String stop) {
        save(key, logged(key, stop).stop().withEnd(null));
    }

    @EventWrite
    void addFollows(EventKey key, String stop, int more) {
        PracticeStop s = logged(key, stop).stop();
        save(key, s.withFollows(Math.max(0, s.follows() + more)));
    }

    @EventWrite
    void addBycatch(EventKey key, String stop, int more) {
        PracticeStop s = logged(key, stop).stop();
        save(key, s.withBycatch(Math.max(0, s.bycatch() + more)));
    }

    /** Adds a finished stop, or saves one that is there. */
    @EventWrite
    void save(EventKey key, PracticeStop stop) {
        if (repository.stop(key, stop.id()).isEmpty()) {
            repository.add(key, List.of(stop));
        }
        repository.update(key, stop);
    }

    /** Notes the conditions of a stop, with what can be computed filled in. */
    @EventWrite
    void note(EventKey key, String stop, Conditions read, boolean north) {
        PracticeStop s = logged(key, stop).stop();
        save(key, filledIn(key, s.withConditions(read), s.conditions(), north));
    }

    /**
     * A stop whose conditions have filled in what can be computed.
     *
     * @param before what was noted there before
     * @param north  whether the water lies north of the equator
     */
    PracticeStop filledIn(EventKey key, PracticeStop stop, Conditions before, boolean north) {
        List<PracticeStop> all = new ArrayList<>(
                stops(key).stream().filter(o -> !o.id().equals(stop.id())).toList());
        all.add(stop);
        Boolean front =
                FrontSign.at(stop.start(), all, forecasts.forecast(key), north).orElse(null);
        return stop.withConditions(stop.conditions().filledIn(before, front));
    }

    /** Logs a bite; its presentation counts as fished there from now on. Sent twice, it is there once. */
    @EventWrite
    void addBite(EventKey key, String stop, LoggedBite bite) {
        PracticeStop s = logged(key, stop).stop();
        repository.addBite(key, stop, bite);
        String presentation = bite.bite().presentationId();
        if (presentation != null
                && s.presentations().stream().noneMatch(p -> p.presentationId().equals(presentation))) {
            List<PresentationTime> more = new ArrayList<>(s.presentations());
            more.add(new PresentationTime(presentation, null));
            save(key, s.withPresentations(more));
        }
    }

    /** Writes what a track made of practice: stops first, then bites go to theirs. */
    @EventWrite
    public void place(EventKey key, TrackPlacing.Result placed) {
        Map<String, LoggedStop> before =
                logged(key).stream().collect(Collectors.toMap(l -> l.stop().id(), l -> l));
        for (PracticeStop stop : placed.stops()) {
            save(key, stop.withBites(List.of()));
        }
        for (TrackPlacing.BiteMove moved : placed.moved()) {
            LoggedStop from = Lookup.of(before, moved.from());
            LoggedBite bite = from.bites().get(moved.index());
            repository.moveBite(key, bite.code(), moved.to());
            repository.updateBite(
                    key, new LoggedBite(bite.code(), bite.bite().on(from.stop().presentationOf(bite.bite()))));
        }
    }

    LoggedBite bite(EventKey key, String stop, String bite) {
        return logged(key, stop).bites().stream()
                .filter(b -> b.code().equals(bite))
                .findFirst()
                .orElseThrow(NotThereException::new);
    }

    @EventWrite
    void updateBite(EventKey key, LoggedBite bite) {
        repository.updateBite(key, bite);
    }

    @EventWrite
    void deleteBite(EventKey key, String bite) {
        if (!repository.setBiteDeleted(key, bite, clock.instant())) {
            throw new NotThereException();
        }
    }

    @EventWrite
    void restoreBite(EventKey key, String bite) {
        if (!repository.setBiteDeleted(key, bite, null)) {
            throw new NotThereException();
        }
    }

    @EventWrite
    void deleteStop(EventKey key, String stop) {
        logged(key, stop);
        repository.setStopDeleted(key, stop, clock.instant());
    }

    @EventWrite
    void restoreStop(EventKey key, String stop) {
        if (!repository.setStopDeleted(key, stop, null)) {
            throw new NotThereException();
        }
    }

    /** Takes out the stops whose codes begin with a text; gives how many. */
    @EventWrite
    int deleteBatch(EventKey key, String begin) {
        return repository.setBatchDeleted(key, begin, clock.instant());
    }
}
