package lochan.instruments.weather;

import java.time.ZoneId;
import tools.jackson.databind.JsonNode;

/** A form in which a service answers; each is known by the shape of its answers. */
interface WeatherForm {

    /** Returns its name on the page. */
    String name();

    boolean fits(JsonNode answer);

    /** @param zone of times that say none */
    void read(JsonNode answer, ZoneId zone, Hours into) throws WeatherFileException;
}
