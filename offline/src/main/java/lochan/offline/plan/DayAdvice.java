package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import lochan.core.Assumptions;
import lochan.core.competition.Entry;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Format;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.LiveAdvisor;
import lochan.core.live.MoveAdvice;
import lochan.core.plan.PlanStop;
import lochan.offline.alarm.Alarm;
import lochan.offline.pack.Pack;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/** All that is said of one competition day while it is fished, from what was taken along. The heavy parts are kept from one asking to the next. */
public final class DayAdvice {

    private final Pack pack;
    private final int number;
    private final Pack.@Nullable Day day;
    private final @Nullable LiveAdvisor advisor;
    private final DayMap map;
    private boolean drawn;

    public DayAdvice(Pack pack, int number) {
        this.pack = pack;
        this.number = number;
        this.day = pack.day(number).orElse(null);
        this.map = new DayMap(pack, number, day == null ? null : day.model());
        this.advisor = day == null
                ? null
                : new LiveAdvisor(
                        day.model(),
                        pack.runs(),
                        pack.effort().outlook(),
                        pack.effort().seed());
    }

    /** Draws beforehand what the rest of an answer takes longest for; from then on screens say how the day is likely to end. */
    public void ready() {
        if (advisor != null && !drawn) {
            advisor.ready(pack.event().planOf(number));
            drawn = true;
        }
    }

    /**
     * The Plan screen as things stand.
     *
     * @param log      the competition log so far
     * @param position where the boat is; null: where it fishes
     */
    public PlanScreen screen(List<Entry> log, Instant now, @Nullable Position position) {
        EventData event = pack.event();
        CompetitionDay hours = event.day(number);
        boolean over = !now.isBefore(hours.checkIn());
        List<String> cautions = new ArrayList<>();
        if (now.isBefore(hours.start())) {
            event.planOf(number).stream()
                    .map(PlanStop::presentationId)
                    .distinct()
                    .map(pack.notAllowed()::get)
                    .filter(Objects::nonNull)
                    .forEach(words -> cautions.add(Wording.text("day.rules-say-no", words)));
        }
        List<Alarm.Timed> lightning = List.of();
        if (!over) {
            cautions.addAll(RunWords.waits(event, number, pack.runs(), now, Assumptions.DEFAULTS.planning()));
            cautions.addAll(Hazards.of(event, number, now, pack.units()));
            lightning = Hazards.lightning(
                    event,
                    number,
                    pack.runs(),
                    now,
                    standing(log, now, position).place(event));
        }
        StayOrMove stay = null;
        String quiet = quiet(now, hours);
        if (quiet == null && day != null && advisor != null) {
            stay = stayOrMove(day, advisor, standing(log, now, position));
        }
        return new PlanScreen(
                now,
                cautions,
                minded(now),
                lightning,
                stay,
                quiet,
                over ? null : FishWords.due(event, now, hours.checkIn(), pack.units()));
    }

    /** Why there is no advice; null: there is. */
    private @Nullable String quiet(Instant now, CompetitionDay hours) {
        if (now.isBefore(hours.start())) {
            return Wording.text("day.advice-not-yet");
        }
        if (!now.isBefore(hours.checkIn())) {
            return Wording.text("day.advice-over");
        }
        if (pack.event().rules().format() == Format.LIMIT_LENGTH) {
            return Wording.text("day.advice-not-by-length");
        }
        return day == null ? Wording.text("day.advice-needs-a-spot") : null;
    }

    private List<Caution> minded(Instant now) {
        Double water = pack.waterC() == null ? Caution.lastWaterC(pack.event(), now) : pack.waterC();
        Caution cold = Caution.cold(water, pack.units());
        return cold == null ? List.of() : List.of(cold);
    }

    private MoveAdvice.State standing(List<Entry> log, Instant now, @Nullable Position position) {
        return StayOrMove.standing(pack.event(), number, log, now, position);
    }

    private StayOrMove stayOrMove(Pack.Day of, LiveAdvisor ask, MoveAdvice.State standing) {
        MoveAdvice.Answer found = ask.ask(standing);
        List<PlanStop> plan = pack.event().planOf(number);
        DayAhead ahead = drawn
                ? DayAhead.of(
                        ask.ahead(standing, found, plan, of.ladder(), pack.factor()),
                        standing,
                        plan,
                        pack.event(),
                        pack.units())
                : null;
        return StayOrMove.of(ask, standing, found, ahead, of.model(), pack.units());
    }

    /** The rest of the day planned again; null where practice knows nothing, or the day is not under way. */
    public @Nullable RestOfDay rest(List<Entry> log, Instant now, @Nullable Position position) {
        CompetitionDay hours = pack.event().day(number);
        if (day == null || now.isBefore(hours.start()) || !now.isBefore(hours.checkIn())) {
            return null;
        }
        MoveAdvice.State standing = standing(log, now, position);
        return RestOfDay.of(
                day.model(),
                pack.runs(),
                standing,
                standing.place(pack.event()),
                pack.factor(),
                pack.effort(),
                pack.units());
    }

    /**
     * The map now.
     *
     * @param position where the boat is; null: where it fishes
     */
    public MapScreen map(List<Entry> log, Instant now, @Nullable Position position) {
        return map.screen(standing(log, now, position));
    }

    /** The way by water from where the boat is to a spot; empty: there is none. */
    public List<Position> way(List<Entry> log, Instant now, @Nullable Position position, String spotId) {
        Position from = standing(log, now, position).place(pack.event());
        return pack.event()
                .spot(spotId)
                .flatMap(s -> pack.runs().route(from, s.position(), now))
                .orElse(List.of());
    }
}
