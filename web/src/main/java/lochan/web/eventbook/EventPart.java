package lochan.web.eventbook;

import lochan.core.eventdata.EventData;

/** What a feature keeps of events. Every bean of this kind takes part when an event is put together or added whole, in the order of the beans. */
public interface EventPart {

    /** Spots come first: what lies at them is read and written after them. */
    int SPOTS = 10;

    int PRACTICE = 20;
    int REST = 30;

    /** Puts into an event what the records of other parts name of this one. */
    default void outline(EventKey key, EventData.Builder event) {}

    /** Puts the rest of this part into an event that has its outline, after the parts before. */
    default void read(EventKey key, EventData.Builder event) {}

    /** The event with what it takes from its account, which may change while the event does not. */
    default EventData withAccount(EventKey key, EventData event) {
        return event;
    }

    /** What of this part is meant for days that move, as "2 plans"; empty: nothing. */
    default String onDays(EventKey key, DayMoves moves) {
        return "";
    }

    /** Moves what is meant for days that move. */
    default void move(EventKey key, DayMoves moves) {}

    /** Keeps this part of an event that was just made. */
    void write(EventKey key, EventData event);
}
