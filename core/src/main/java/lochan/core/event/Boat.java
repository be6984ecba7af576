package lochan.core.event;

import java.util.Map;

/**
 * The boat as far as a plan needs it.
 *
 * @param runMps        running speed on calm water, m/s
 * @param roughMps      running speed on rough water, m/s
 * @param settleMinutes minutes from arriving at a spot to the first cast
 * @param fuelLitres    fuel on board; null: not watched
 * @param litresPerKm   fuel used; null: not watched
 * @param entered       quantities as they were typed, by field name
 */
public record Boat(double runMps, double roughMps, double settleMinutes, Double fuelLitres, Double litresPerKm, Map<String, String> entered) {

    public static final Boat USUAL = new Boat(18, 11, 4, null, null);

    public Boat {
        entered = Map.copyOf(entered);
    }

    public Boat(double runMps, double roughMps, double settleMinutes, Double fuelLitres, Double litresPerKm) {
        this(runMps, roughMps, settleMinutes, fuelLitres, litresPerKm, Map.of());
    }
}
