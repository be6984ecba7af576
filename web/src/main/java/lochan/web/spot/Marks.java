package lochan.web.spot;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import lochan.core.water.Mark;
import lochan.web.brief.EventKey;
import lochan.web.brief.EventWrite;
import lochan.web.page.NotThereException;
import org.springframework.stereotype.Service;

/** What the electronics showed on an event's water. */
@Service
public class Marks {

    private final MarkRepository repository;
    private final Clock clock;

    Marks(MarkRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    public List<Mark> all(EventKey key) {
        return repository.all(key);
    }

    @EventWrite
    public void addAll(EventKey key, List<Mark> marks) {
        repository.add(key, marks);
    }

    /** Makes a mark a note on a spot; a mark that is gone is left alone. */
    @EventWrite
    public void putOn(EventKey key, String mark, String spot) {
        repository.find(key, mark).ifPresent(m -> repository.update(key, m.on(spot)));
    }

    /** @throws NotThereException when the event has no such mark */
    public Mark mark(EventKey key, String code) {
        return repository.find(key, code).orElseThrow(NotThereException::new);
    }

    Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    @EventWrite
    void update(EventKey key, Mark mark) {
        repository.update(key, mark);
    }

    @EventWrite
    void delete(EventKey key, String code) {
        mark(key, code);
        repository.setDeleted(key, code, clock.instant());
    }

    @EventWrite
    void restore(EventKey key, String code) {
        if (!repository.setDeleted(key, code, null)) {
            throw new NotThereException();
        }
    }
}
