package lochan.web.eventbook;

import org.springframework.stereotype.Component;

/**
 * Tells whether an event's spots and practice are still what they were. A revision is drawn at random, in the transaction of the write: one
 * that was rolled back is not met again.
 */
@Component
public class EventRevisions {

    private final EventRepository repository;

    EventRevisions(EventRepository repository) {
        this.repository = repository;
    }

    public long of(EventKey key) {
        return repository.revision(key);
    }

    /** Says that something was written; gives the new revision. */
    public long change(EventKey key) {
        return repository.changeRevision(key);
    }
}
