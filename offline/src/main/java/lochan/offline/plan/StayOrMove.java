package lochan.offline.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.LiveAdvisor;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Today;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.Departures;
import lochan.core.quantity.Units;
import lochan.offline.alarm.Alarm;
import lochan.offline.bag.Times;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Whether to stay or move, and how the day is likely to end, in words, while it is fished.
 *
 * @param cell    what is fished now; null: nothing
 * @param fishing the same in words; null: nothing
 * @param act     what to do, in words; null: nothing can be said
 * @param why     what both are worth
 * @param lesson  what the day has taught that weighs most in it; null: nothing to speak of
 * @param stayGrams what the next hour here adds, g; null: nothing is fished
 * @param moveGrams what the best move's hour adds, g; null: none can be reached
 * @param tone    {@code go} or {@code stay}
 * @param best    the best move's spot and presentation, as the form sends them; null: none
 * @param leaveAt when to leave here at the latest; null: there is no way by water
 * @param leaveFor the shelter to leave for before lightning; null: check-in
 * @param next    the plan's next stop, and when to leave for it, in words; null: none
 * @param departure when to leave for it; null: it is here, or there is none
 * @param ahead   how the day is likely to end; null while it is computed
 */
@RecordBuilder
public record StayOrMove(
        @Nullable Cell cell,
        @Nullable String fishing,
        @Nullable String act,
        String why,
        @Nullable String lesson,
        @Nullable Double stayGrams,
        @Nullable Double moveGrams,
        String tone,
        @Nullable Cell best,
        @Nullable Instant leaveAt,
        @Nullable String leaveFor,
        @Nullable String next,
        Alarm.@Nullable Timed departure,
        String asOf,
        @Nullable DayAhead ahead) {

    /** A day under way. */
    private record Now(EventData event, int day, MoveAdvice.State standing, Units units) {

        ZoneId zone() {
            return event.timeZone();
        }

        String clock(Instant at) {
            return Times.clock(at, zone());
        }
    }

    /** Where things stand at a time by the log. */
    static MoveAdvice.State standing(
            EventData event, int day, List<Entry> entries, Instant now, @Nullable Position position) {
        BagLog log = BagLog.replay(event.event(), entries);
        Cell fishing = known(Today.fishing(log, day, now), event);
        return new MoveAdvice.State(now, position, fishing, known(Today.of(log, day, now), event), log.bag(day));
    }

    /**
     * @param found what the advisor answered of the standing
     * @param ahead null: it is not computed yet
     */
    static StayOrMove of(
            LiveAdvisor advisor,
            MoveAdvice.State standing,
            MoveAdvice.Answer found,
            @Nullable DayAhead ahead,
            DayModel model,
            Units units) {
        Now now = new Now(model.event(), model.day(), standing, units);
        Cell fishing = standing.fishing();
        Next next = next(now.event().planOf(now.day()), advisor, now);
        return StayOrMoveBuilder.builder()
                .cell(fishing)
                .fishing(fishing == null ? null : PlanWords.cell(fishing, now.event()))
                .act(act(found, now))
                .why(why(found, units))
                .lesson(LessonWords.of(found.lesson(), model, units))
                .stayGrams(found.stay())
                .moveGrams(found.best() == null ? null : found.best().gainGrams())
                .tone(found.go() ? "go" : "stay")
                .best(found.best() == null ? null : found.best().cell())
                .leaveAt(found.leaveBy() == null ? null : found.leaveBy().at())
                .leaveFor(
                        found.leaveBy() != null && found.leaveBy().forShelter()
                                ? RunWords.destination(found.leaveBy(), now.event())
                                : null)
                .next(next == null ? null : words(next, now))
                .departure(departure(next, now))
                .asOf(now.clock(standing.now()))
                .ahead(ahead)
                .build();
    }

    private static String act(MoveAdvice.Answer found, Now now) {
        Departures.LeaveBy leave = found.leaveBy();
        if (leave != null && leave.forShelter() && !now.standing().now().isBefore(leave.at())) {
            return Wording.text("move.lightning", RunWords.destination(leave, now.event()));
        }
        if (found.best() == null) {
            return Wording.text(now.standing().fishing() == null ? "move.none-in-time" : "move.stay-none-in-time");
        }
        String move = PlanWords.cell(found.best().cell(), now.event());
        if (found.go()) {
            return Wording.text("move.go", move);
        }
        boolean asLongAsMayBe = (leave != null && found.best().leaveAt().equals(leave.at()))
                || !found.best().leaveAt().isBefore(now.event().day(now.day()).checkIn());
        return asLongAsMayBe
                ? Wording.text("move.stay")
                : Wording.text("move.stay-until", now.clock(found.best().leaveAt()), move);
    }

    private static String why(MoveAdvice.Answer found, Units units) {
        String stay = found.stay() == null ? "" : units.weight(found.stay());
        if (found.best() == null) {
            return stay.isEmpty() ? "" : Wording.text("move.next-hour-here", stay);
        }
        String there = units.weight(found.best().gainGrams());
        return stay.isEmpty()
                ? Wording.text("move.next-hour-there", there)
                : Wording.text("move.next-hour", stay, there);
    }

    /**
     * The plan's next stop.
     *
     * @param leaveAt when to leave here for it; null: it is here, or no way is known
     */
    private record Next(PlanStop stop, @Nullable Instant leaveAt) {}

    private static @Nullable Next next(List<PlanStop> plan, LiveAdvisor advisor, Now now) {
        PlanStop next = plan.stream()
                .filter(s -> s.arrive().isAfter(now.standing().now())
                        && now.event().spot(s.spotId()).isPresent())
                .findFirst()
                .orElse(null);
        if (next == null) {
            return null;
        }
        Cell fishing = now.standing().fishing();
        Optional<Duration> way = fishing != null && fishing.spotId().equals(next.spotId())
                ? Optional.of(Duration.ZERO)
                : advisor.way(
                        now.standing(),
                        now.event().spot(next.spotId()).orElseThrow().position());
        return new Next(
                next,
                way.filter(w -> w.compareTo(Duration.ZERO) > 0)
                        .map(next.arrive()::minus)
                        .orElse(null));
    }

    private static String words(Next next, Now now) {
        Instant at = next.leaveAt();
        String arrive = now.clock(next.stop().arrive());
        String cell = PlanWords.cell(Cell.of(next.stop()), now.event());
        if (at == null) {
            return Wording.text("move.next", arrive, cell);
        }
        return at.isAfter(now.standing().now())
                ? Wording.text(
                        "move.next-leave-by",
                        arrive,
                        cell,
                        now.clock(at),
                        Times.span(Duration.between(now.standing().now(), at)))
                : Wording.text("move.next-late", arrive, cell, now.clock(at));
    }

    /** What to ring for when it is time to leave for it; null: nothing. */
    private static Alarm.@Nullable Timed departure(@Nullable Next next, Now now) {
        return next == null || next.leaveAt() == null
                ? null
                : new Alarm.Timed(
                        next.stop().arrive().toString(),
                        next.leaveAt(),
                        PlanWords.cell(Cell.of(next.stop()), now.event()));
    }

    /** A cell whose spot is still there; null else. */
    private static @Nullable Cell known(@Nullable Cell cell, EventData event) {
        return cell != null
                        && event.spot(cell.spotId()).isPresent()
                        && event.presentation(cell.presentationId()).isPresent()
                ? cell
                : null;
    }

    private static Today known(Today today, EventData event) {
        return new Today(
                today.efforts().stream()
                        .filter(e -> known(e.cell(), event) != null)
                        .toList(),
                today.bites().stream()
                        .filter(s -> known(s.cell(), event) != null)
                        .toList());
    }
}
