package lochan.web.eventbook;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.event.Event;

/** Competition days that move to another date: what was meant for them moves by as many days, at the same times of day. */
public record DayMoves(List<Move> moves, ZoneId zone) {

    /** @param day its number in the event */
    public record Move(int day, LocalDate from, LocalDate to) {

        private long days() {
            return ChronoUnit.DAYS.between(from, to);
        }
    }

    public DayMoves {
        moves = List.copyOf(moves);
    }

    /** The days of an event that lie elsewhere after a change of it. */
    public static DayMoves of(Event before, Event after) {
        List<Move> moves = new ArrayList<>();
        for (int i = 0; i < Math.min(before.days().size(), after.days().size()); i++) {
            LocalDate from = before.days().get(i).date();
            LocalDate to = after.days().get(i).date();
            if (!from.equals(to)) {
                moves.add(new Move(i + 1, from, to));
            }
        }
        return new DayMoves(moves, after.timeZone());
    }

    public Optional<Move> ofDay(int day) {
        return moves.stream().filter(m -> m.day() == day).findFirst();
    }

    /** The move of the day that a time lies on. */
    public Optional<Move> at(Instant time) {
        LocalDate date = time.atZone(zone).toLocalDate();
        return moves.stream().filter(m -> m.from().equals(date)).findFirst();
    }

    /** The time of day of a time, as many days later as a day moves. */
    public Instant shifted(Instant time, Move by) {
        return time.atZone(zone).plusDays(by.days()).toInstant();
    }
}
