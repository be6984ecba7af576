package lochan.web.eventbook;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Once a day, events that were deleted more than 30 days ago are removed for good. */
@Component
class DeletedEvents {

    private static final Logger LOG = LoggerFactory.getLogger(DeletedEvents.class);

    private final Events events;

    DeletedEvents(Events events) {
        this.events = events;
    }

    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "P1D")
    void purge() {
        int gone = events.purge();
        if (gone > 0) {
            LOG.info("{} deleted events were removed for good", gone);
        }
    }
}
