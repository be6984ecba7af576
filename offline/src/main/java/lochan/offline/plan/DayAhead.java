package lochan.offline.plan;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import lochan.core.competition.Fish;
import lochan.core.eventdata.EventData;
import lochan.core.live.FiredTrigger;
import lochan.core.live.LiveAdvisor;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlook;
import lochan.core.live.Outlooks;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * How a day is likely to end, in words.
 *
 * @param rest   stops of the plan still to be fished
 * @param low    bag that one day in ten stays below
 * @param middle bag of the middle day
 * @param high   bag that one day in ten is above
 * @param grams  the three, g
 * @param target its chance, in words; null: the event has none
 * @param more   the chance that the bag grows still; null while there is room
 * @param kinds  what one more fish of each kind adds; none where no size is known
 * @param fired  triggers of the plan that have fired
 */
public record DayAhead(
        int rest,
        String low,
        String middle,
        String high,
        List<Double> grams,
        @Nullable String target,
        @Nullable String more,
        List<Kind> kinds,
        List<TriggerLine> fired) {

    private static final String NOTHING = "nothing";

    public DayAhead {
        grams = List.copyOf(grams);
        kinds = List.copyOf(kinds);
        fired = List.copyOf(fired);
    }

    /**
     * A kind of fish.
     *
     * @param now       what it adds to the bag as it is
     * @param byCheckIn what it adds in the end, on average
     */
    public record Kind(String name, String weight, String now, String byCheckIn) {}

    /**
     * A trigger that has fired.
     *
     * @param what   what looks dead, and how usual that is
     * @param backup where the plan then goes
     */
    public record TriggerLine(String what, String backup) {}

    static DayAhead of(
            LiveAdvisor.Ahead ahead, MoveAdvice.State standing, List<PlanStop> plan, EventData event, Units units) {
        Outlook o = ahead.outlook();
        boolean full = standing.bag().isFull();
        return new DayAhead(
                Outlooks.rest(plan, standing.now()).size(),
                units.weight(o.p10Grams()),
                units.weight(o.p50Grams()),
                units.weight(o.p90Grams()),
                List.of(o.p10Grams(), o.p50Grams(), o.p90Grams()),
                o.chanceOfTarget() == null
                        ? null
                        : Wording.text(
                                "ahead.target",
                                units.weight(event.rules().targetGrams()),
                                PlanWords.chance(o.chanceOfTarget())),
                full ? PlanWords.chance(o.chanceOfMore()) : null,
                kinds(ahead, standing, units),
                ahead.triggers().stream().map(t -> fired(t, event)).toList());
    }

    private static List<Kind> kinds(LiveAdvisor.Ahead ahead, MoveAdvice.State standing, Units units) {
        var fish = ahead.kinds();
        if (fish == null) {
            return List.of();
        }
        List<String> names =
                List.of(Wording.text("ahead.small"), Wording.text("ahead.usual"), Wording.text("ahead.kicker"));
        Double least = standing.bag().isFull()
                ? standing.bag().fish().stream()
                        .filter(Fish::alive)
                        .map(Fish::grams)
                        .filter(Objects::nonNull)
                        .min(Double::compare)
                        .orElse(null)
                : Double.valueOf(0);
        return IntStream.range(0, names.size())
                .mapToObj(i -> {
                    double grams = fish.grams().get(i);
                    return new Kind(
                            names.get(i),
                            units.weight(grams),
                            least == null ? "" : PlanWords.difference(Math.max(0, grams - least), units, NOTHING),
                            PlanWords.difference(ahead.outlook().adds().get(i), units, NOTHING));
                })
                .toList();
    }

    private static TriggerLine fired(FiredTrigger t, EventData event) {
        String by = Times.clock(t.trigger().at(), event.timeZone());
        String spot = event.spot(t.trigger().spotId()).orElseThrow().name();
        return new TriggerLine(
                Wording.text(
                        t.seen() == 0 ? "ahead.dead-no-bite" : "ahead.dead",
                        spot,
                        t.seen(),
                        by,
                        PlanWords.chance(t.chance())),
                PatternWords.of(t.to(), event));
    }
}
