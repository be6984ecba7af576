package lochan.core.event;

import java.time.Instant;
import java.time.LocalDate;

/**
 * One competition day; fishing is in [start, checkIn).
 *
 * @param date    the day in the event's time zone
 * @param start   when the boat may leave the launch
 * @param checkIn when it must be back
 */
public record CompetitionDay(LocalDate date, Instant start, Instant checkIn) {}
