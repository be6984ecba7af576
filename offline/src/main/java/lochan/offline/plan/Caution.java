package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * Something to mind, shown where it matters until it was read. It never says what is legal or safe: that the regulations, the director and the officers say.
 *
 * @param id    by which it is known whether it was read
 * @param title what is seen of it once it was read
 */
public record Caution(String id, String title, String words) {

    /** Below, cold water takes strength within minutes, °C: 60 °F. */
    static final double COLD_C = 15.5;

    /** How a fish and its hooks are handled. */
    public static final List<Caution> FISH = List.of(
            new Caution(
                    "handling",
                    "Handling a fish",
                    "Wet your hands before you touch it. Hold it at jaw and belly, never lift it by the line, and keep it out of the water for as short as you can."),
            new Caution(
                    "hooks",
                    "Hooks",
                    "Pliers, not fingers; glasses on. A fish that shakes with a treble hook in it is what hurts most. A hook deep in a fish: cut the line."));

    /** A fish from deep water. */
    public static final Caution DEEP = new Caution(
            "deep-fish",
            "Fish from deep water",
            "Brought up from below about 25 ft, a fish may float and not get down again. Watch it in the livewell; what may be done for it, your event's rules and the local regulations say.");

    private static final Caution SEASONS = new Caution(
            "seasons",
            "Closed seasons and waters",
            "Lochan does not know the regulations of the day. Look them up before you fish; what they close is closed, whatever a plan says.");

    private static final Caution DOCKS = new Caution(
            "docks",
            "Private docks",
            "People live there. Keep off ropes, boats and swimmers, cast short of what is not yours, and move on when asked.");

    /** What to mind with a plan: cold water, closed seasons, and docks where it has some. */
    public static List<Caution> ofPlan(EventData event, Plan plan, Units units) {
        List<Caution> cautions = new ArrayList<>();
        Caution cold = cold(lastWaterC(event, event.day(plan.day()).start()), units);
        if (cold != null) {
            cautions.add(cold);
        }
        cautions.add(SEASONS);
        boolean docks = plan.stops().stream()
                .flatMap(s -> event.spot(s.spotId()).stream())
                .anyMatch(s -> s.spotType().contains("dock"));
        if (docks) {
            cautions.add(DOCKS);
        }
        return cautions;
    }

    /**
     * Cold water.
     *
     * @param waterC as it was last logged, °C; null: nobody logged it
     * @return null where it is not cold
     */
    static @Nullable Caution cold(@Nullable Double waterC, Units units) {
        return waterC == null || waterC >= COLD_C
                ? null
                : new Caution(
                        "cold-water",
                        "Cold water, " + units.temperature(waterC),
                        "Who falls in loses breath at once and strength within minutes. Life jacket and lanyard on all day, dry clothes aboard, and somebody ashore who knows when you will be back.");
    }

    /** The water temperature that was last logged before a time, else the one typed in the forecast; null: none. */
    public static @Nullable Double lastWaterC(EventData event, Instant before) {
        return event.lastWaterC(before).orElseGet(() -> event.forecast().stream()
                .filter(f -> f.waterTempC() != null && f.to().isAfter(before))
                .findFirst()
                .map(ForecastPeriod::waterTempC)
                .orElse(null));
    }
}
