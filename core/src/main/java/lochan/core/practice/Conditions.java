package lochan.core.practice;

import java.util.Map;

/**
 * What the water and the sky were like; null where nobody knows.
 *
 * @param waterTempC  water temperature, °C
 * @param visibilityM how deep a light lure is seen, m, more than 0
 * @param windMps     wind, m/s
 * @param sky         sky cover
 * @param boatsNear   other boats in sight of the spot
 * @param entered     quantities as they were typed, by field name
 */
public record Conditions(Double waterTempC, Double visibilityM, Double windMps, Sky sky, Integer boatsNear, Map<String, String> entered) {

    public static final Conditions UNKNOWN = new Conditions(null, null, null, null, null);

    public Conditions {
        entered = Map.copyOf(entered);
    }

    public Conditions(Double waterTempC, Double visibilityM, Double windMps, Sky sky, Integer boatsNear) {
        this(waterTempC, visibilityM, windMps, sky, boatsNear, Map.of());
    }
}
