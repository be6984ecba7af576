package lochan.instruments.weather;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** JSON with one list for each value, beside a list of the hours, and the units under the same names. */
final class ColumnsForm implements WeatherForm {

    @Override
    public String name() {
        return "JSON with columns";
    }

    @Override
    public boolean fits(JsonNode answer) {
        return answer.path("hourly").path("time").isArray();
    }

    @Override
    public void read(JsonNode answer, ZoneId zone, Hours into) {
        JsonNode hourly = answer.path("hourly");
        JsonNode units = answer.path("hourly_units");
        ZoneId own = zone(answer, zone);
        for (int i = 0; i < hourly.path("time").size(); i++) {
            Instant from = time(hourly.path("time").get(i), own);
            if (from == null) {
                into.leftOut();
                continue;
            }
            into.at(from)
                    .wind(Values.mps(
                            value(hourly, i, "wind_speed_10m", "windspeed_10m"),
                            unit(units, "km/h", "wind_speed_10m", "windspeed_10m")))
                    .gust(Values.mps(
                            value(hourly, i, "wind_gusts_10m", "windgusts_10m"),
                            unit(units, "km/h", "wind_gusts_10m", "windgusts_10m")))
                    .from(value(hourly, i, "wind_direction_10m", "winddirection_10m"))
                    .cloud(Values.share(
                            value(hourly, i, "cloud_cover", "cloudcover"),
                            unit(units, "%", "cloud_cover", "cloudcover")))
                    .rain(Values.mm(
                            value(hourly, i, "precipitation", "rain"), unit(units, "mm", "precipitation", "rain")))
                    .thunder(Values.share(
                            value(hourly, i, "thunderstorm_probability"), unit(units, "%", "thunderstorm_probability")))
                    .air(Values.celsius(value(hourly, i, "temperature_2m"), unit(units, "°C", "temperature_2m")))
                    .pressure(Values.hpa(value(hourly, i, "pressure_msl"), unit(units, "hPa", "pressure_msl")))
                    .code(value(hourly, i, "weather_code", "weathercode"));
        }
    }

    private static @Nullable Instant time(JsonNode node, ZoneId zone) {
        return node.isNumber()
                ? Instant.ofEpochSecond(node.asLong())
                : Values.time(node.asString(null), zone).orElse(null);
    }

    /** The zone of its times: an offset, a name, or the event's. */
    private static ZoneId zone(JsonNode answer, ZoneId usual) {
        try {
            if (answer.path("utc_offset_seconds").isNumber()) {
                return ZoneOffset.ofTotalSeconds(
                        answer.path("utc_offset_seconds").asInt());
            }
            return answer.hasNonNull("timezone")
                    ? ZoneId.of(answer.get("timezone").asString())
                    : usual;
        } catch (DateTimeException e) {
            return usual;
        }
    }

    private static @Nullable Double value(JsonNode hourly, int at, String... names) {
        for (String name : names) {
            if (hourly.path(name).size() > at) {
                return Values.number(hourly.path(name).get(at));
            }
        }
        return null;
    }

    private static String unit(JsonNode units, String usual, String... names) {
        for (String name : names) {
            if (units.hasNonNull(name)) {
                return units.get(name).asString();
            }
        }
        return usual;
    }
}
