package lochan.web.modelling;

import lochan.web.eventbook.EventKey;

/**
 * A competition day of an event.
 *
 * @param day number of the day, from 1
 */
public record DayKey(EventKey event, int day) {}
