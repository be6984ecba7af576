package lochan.core.event;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The boat as far as a plan needs it.
 *
 * @param runMps        running speed on calm water, m/s
 * @param roughMps      running speed on rough water, m/s
 * @param setUpMinutes minutes from arriving at a spot to the first cast
 * @param maxWindMps   wind from which it cannot be held on a spot open to the wind, m/s; null: not watched
 * @param maxRunWindMps wind from which it does not run across open water, m/s; null: not watched
 * @param fuelLitres    fuel on board; null: not watched
 * @param litresPerKm   fuel used; null: not watched
 * @param entered       quantities as they were typed, by field name
 */
public record Boat(
        double runMps,
        double roughMps,
        double setUpMinutes,
        @Nullable Double maxWindMps,
        @Nullable Double maxRunWindMps,
        @Nullable Double fuelLitres,
        @Nullable Double litresPerKm,
        Map<String, String> entered) {

    public static final Boat USUAL = new Boat(18, 11, 4, null, null);

    public Boat {
        entered = Map.copyOf(entered);
    }

    public Boat(
            double runMps,
            double roughMps,
            double setUpMinutes,
            @Nullable Double fuelLitres,
            @Nullable Double litresPerKm) {
        this(runMps, roughMps, setUpMinutes, null, null, fuelLitres, litresPerKm, Map.of());
    }

    /** Returns the boat with other speeds, which nobody typed. */
    public Boat atSpeeds(double calmMps, double otherRoughMps) {
        Map<String, String> typed = new HashMap<>(entered);
        typed.keySet().removeAll(List.of("runMps", "roughMps"));
        return new Boat(
                calmMps, otherRoughMps, setUpMinutes, maxWindMps, maxRunWindMps, fuelLitres, litresPerKm, typed);
    }
}
