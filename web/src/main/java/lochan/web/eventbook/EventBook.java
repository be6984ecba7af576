package lochan.web.eventbook;

import java.util.List;
import lochan.core.event.Boat;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.eventformat.EventFile;
import lochan.web.shared.Kept;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Puts an event together from what the features keep of it, and takes it apart into them. */
@Service
public class EventBook {

    private static final int KEPT = 60;

    private final Events events;
    private final List<EventPart> parts;
    private final Kept<EventKey, EventData> known = new Kept<>(KEPT);

    EventBook(Events events, List<EventPart> parts) {
        this.events = events;
        this.parts = List.copyOf(parts);
    }

    /** The current event. Stops of a plan at a spot that was deleted are left out. */
    @Transactional(readOnly = true)
    public EventData event(EventKey key) {
        EventData event = TransactionSynchronizationManager.isCurrentTransactionReadOnly()
                ? known.get(key, events.writes(key), () -> read(key))
                : read(key);
        for (EventPart part : parts) {
            event = part.withAccount(key, event);
        }
        return event;
    }

    /** Each part from the records: within a write they hold what is not settled yet. */
    private EventData read(EventKey key) {
        EventData.Builder event = outlined(key).runs(events.runs(key));
        parts.forEach(p -> p.read(key, event));
        return event.build();
    }

    /** What its records are checked against: rules, boat, spots and presentations of the event, without the records themselves. */
    @Transactional(readOnly = true)
    public EventData outline(EventKey key) {
        return outlined(key).build();
    }

    private EventData.Builder outlined(EventKey key) {
        EventData.Builder event = EventData.builder(events.event(key), events.boat(key));
        parts.forEach(p -> p.outline(key, event));
        return event;
    }

    @Transactional(readOnly = true)
    public EventFile file(EventKey key) {
        return new EventFile(event(key), events.extras(key));
    }

    /** Returns the records that move with the days, as "2 plans". */
    @Transactional(readOnly = true)
    public List<String> onDays(EventKey key, DayMoves moves) {
        return parts.stream()
                .map(p -> p.onDays(key, moves))
                .filter(words -> !words.isEmpty())
                .toList();
    }

    /** Changes rules and boat, and moves what is meant for days that move. */
    @EventWrite
    public void update(EventKey key, Event event, Boat boat, DayMoves moves) {
        events.update(key, event, boat);
        parts.forEach(p -> p.move(key, moves));
    }

    /** Adds an event whole. */
    @Transactional
    public EventKey add(long accountId, EventFile file) {
        EventData data = file.data();
        EventKey key = events.add(accountId, data.event(), data.boat());
        events.addExtras(key, file.extras());
        events.addRuns(key, data.runs());
        parts.forEach(p -> p.write(key, data));
        return key;
    }
}
