package lochan.instruments.weather;

import java.time.Instant;
import java.time.ZoneId;
import tools.jackson.databind.JsonNode;

/** A GeoJSON feature whose properties have a time series: values of each instant, and what the hour after it brings. Units stand at its head. */
final class SeriesForm implements WeatherForm {

    @Override
    public String name() {
        return "GeoJSON with a time series";
    }

    @Override
    public boolean fits(JsonNode answer) {
        return answer.path("properties").path("timeseries").isArray();
    }

    @Override
    public void read(JsonNode answer, ZoneId zone, Hours into) {
        JsonNode units = answer.path("properties").path("meta").path("units");
        for (JsonNode step : answer.path("properties").path("timeseries")) {
            Instant from = Values.time(step.path("time").asString(null), zone).orElse(null);
            if (from == null) {
                into.leftOut();
                continue;
            }
            JsonNode now = step.path("data").path("instant").path("details");
            JsonNode hour = step.path("data").path("next_1_hours");
            JsonNode next = hour.path("details");
            into.at(from)
                    .wind(Values.mps(Values.number(now.get("wind_speed")), unit(units, "wind_speed", "m/s")))
                    .gust(Values.mps(
                            Values.number(now.get("wind_speed_of_gust")), unit(units, "wind_speed_of_gust", "m/s")))
                    .from(Values.number(now.get("wind_from_direction")))
                    .cloud(Values.share(
                            Values.number(now.get("cloud_area_fraction")), unit(units, "cloud_area_fraction", "%")))
                    .air(Values.celsius(
                            Values.number(now.get("air_temperature")), unit(units, "air_temperature", "celsius")))
                    .pressure(Values.hpa(
                            Values.number(now.get("air_pressure_at_sea_level")),
                            unit(units, "air_pressure_at_sea_level", "hPa")))
                    .rain(Values.mm(
                            Values.number(next.get("precipitation_amount")), unit(units, "precipitation_amount", "mm")))
                    .thunder(Values.share(
                            Values.number(next.get("probability_of_thunder")),
                            unit(units, "probability_of_thunder", "%")))
                    .words(hour.path("summary").path("symbol_code").asString(""));
        }
    }

    private static String unit(JsonNode units, String field, String usual) {
        return units.path(field).asString(usual);
    }
}
