package lochan.instruments.weather;

import java.time.Instant;
import java.time.ZoneId;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * A GeoJSON feature whose properties list periods, each with its beginning and end, the wind in words as {@code "10 to 15 mph"} and {@code "SW"}, and the
 * sky in a short sentence.
 */
final class PeriodsForm implements WeatherForm {

    @Override
    public String name() {
        return "GeoJSON with periods";
    }

    @Override
    public boolean fits(JsonNode answer) {
        return answer.path("properties").path("periods").isArray();
    }

    @Override
    public void read(JsonNode answer, ZoneId zone, Hours into) {
        for (JsonNode p : answer.path("properties").path("periods")) {
            Instant from = Values.time(p.path("startTime").asString(null), zone).orElse(null);
            if (from == null) {
                into.leftOut();
                continue;
            }
            JsonNode wind = p.get("windSpeed");
            JsonNode gust = p.get("windGust");
            JsonNode air = p.get("temperature");
            JsonNode pressure = p.get("pressure");
            into.at(from)
                    .to(Values.time(p.path("endTime").asString(null), zone).orElse(null))
                    .wind(Values.mps(Values.number(wind), Values.unit(wind, "mph")))
                    .gust(Values.mps(Values.number(gust), Values.unit(gust, "mph")))
                    .from(direction(p.get("windDirection"), into))
                    .words(p.path("shortForecast").asString(""))
                    .air(Values.celsius(
                            Values.number(air),
                            Values.unit(air, p.path("temperatureUnit").asString("F"))))
                    .pressure(Values.hpa(Values.number(pressure), Values.unit(pressure, "hPa")))
                    .rain(Values.mm(
                            Values.number(p.get("quantitativePrecipitation")),
                            Values.unit(p.get("quantitativePrecipitation"), "mm")))
                    .thunder(Values.share(
                            Values.number(p.get("probabilityOfThunder")),
                            Values.unit(p.get("probabilityOfThunder"), "%")));
        }
    }

    private static @Nullable Double direction(@Nullable JsonNode node, Hours into) {
        if (node == null || node.isNull()) {
            return null;
        }
        try {
            return DirectionText.read(
                    node.isObject() ? String.valueOf(Values.number(node)) : node.asString(), Units.USUAL);
        } catch (BadQuantityException e) {
            into.leftOut();
            return null;
        }
    }
}
