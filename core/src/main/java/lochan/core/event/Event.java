package lochan.core.event;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;

/**
 * A tournament: what it is called, when and where it is, and its rules.
 *
 * @param name     what the event is called
 * @param timeZone zone of all its local times
 * @param anglers  lines in the water on a competition day, 1 or 2
 * @param practice days open for practice
 * @param days     competition days in order
 * @param ramp     where the days start and end
 * @param rules    what counts and what is allowed
 * @param entered  quantities as they were typed, by field name
 */
public record Event(
        String name,
        ZoneId timeZone,
        int anglers,
        List<LocalDate> practice,
        List<CompetitionDay> days,
        Ramp ramp,
        Rules rules,
        Map<String, String> entered) {

    public Event {
        practice = List.copyOf(practice);
        days = List.copyOf(days);
        entered = Map.copyOf(entered);
    }

    /**
     * Where the days of an event start and end.
     *
     * @param launch  where the boat leaves
     * @param checkIn where it must be back
     */
    public record Ramp(Position launch, Position checkIn) {}

    public Position launch() {
        return ramp.launch();
    }

    public Position checkInAt() {
        return ramp.checkIn();
    }

    /** Returns the event with other rules. */
    public Event withRules(Rules others) {
        return new Event(name, timeZone, anglers, practice, days, ramp, others, entered);
    }

    /** Returns the event with other competition days. */
    public Event withDays(List<CompetitionDay> others) {
        return new Event(name, timeZone, anglers, practice, others, ramp, rules, entered);
    }

    /**
     * A competition day by its number.
     *
     * @param number from 1
     * @throws IllegalArgumentException when the event has no such day
     */
    public CompetitionDay day(int number) {
        if (number < 1 || number > days.size()) {
            throw new IllegalArgumentException("day is " + number + ", the event has days 1 to " + days.size());
        }
        return days.get(number - 1);
    }

    /** The number of the competition day that a time belongs to: the last one that has begun on its date, else the first. */
    public int dayOf(Instant at) {
        int day = 1;
        for (int i = 1; i < days.size(); i++) {
            if (!at.isBefore(days.get(i).date().atStartOfDay(timeZone).toInstant())) {
                day = i + 1;
            }
        }
        return day;
    }
}
