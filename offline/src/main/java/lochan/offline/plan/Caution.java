package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A caution, shown in full where it matters until the angler has read it. It never says what is legal or safe: the
 * regulations, the director
 * and the officers do.
 *
 * @param id    the name under which the phone notes that it was read
 * @param title shown alone once it was read
 */
public record Caution(String id, String title, String words) {

    /** Below, cold water takes strength within minutes, °C: 60 °F. */
    static final double COLD_C = 15.5;

    /** How to handle a fish and its hooks. */
    public static final List<Caution> FISH = List.of(
            new Caution("handling", Wording.text("cautions.handling"), Wording.text("cautions.handling-why")),
            new Caution("hooks", Wording.text("cautions.hooks"), Wording.text("cautions.hooks-why")));

    /** A fish from deep water. */
    public static final Caution DEEP =
            new Caution("deep-fish", Wording.text("cautions.deep-fish"), Wording.text("cautions.deep-fish-why"));

    private static final Caution SEASONS =
            new Caution("seasons", Wording.text("cautions.seasons"), Wording.text("cautions.seasons-why"));

    private static final Caution DOCKS =
            new Caution("docks", Wording.text("cautions.docks"), Wording.text("cautions.docks-why"));

    /** Returns the cautions of a plan: cold water, closed seasons, and docks where it has some. */
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
     * @param waterC last logged, °C; null: never
     * @return null where it is not cold
     */
    static @Nullable Caution cold(@Nullable Double waterC, Units units) {
        return waterC == null || waterC >= COLD_C
                ? null
                : new Caution(
                        "cold-water",
                        Wording.text("cautions.cold-water", units.temperature(waterC)),
                        Wording.text("cautions.cold-water-why"));
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
