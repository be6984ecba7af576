package lochan.offline.spot;

import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.WaypointText;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** A place that a form tells: its position, or the boat's with its heading and where from there the place was seen. */
public final class BoatBearing {

    private static final int CIRCLE = 360;

    private BoatBearing() {}

    /**
     * @param position reads a position of the form, typed by a person or told by the phone
     * @return null when something is wrong, which then stands beside its field
     */
    public static @Nullable Position read(Form form, Function<String, @Nullable Position> position) {
        if (form.has("seen")) {
            return fromTheBoat(form, position);
        }
        form.need(
                "position",
                "The position is missing: type latitude and longitude as 45.3100, -118.9400, or take the boat's.");
        return position.apply("position");
    }

    private static @Nullable Position fromTheBoat(Form form, Function<String, @Nullable Position> position) {
        form.need("position", "The boat's position is missing: type it, or use your position.");
        Position boat = position.apply("position");
        Double heading = form.number("heading");
        try {
            WaypointText waypoint = WaypointText.read(form.value("seen"), form.units());
            if (!waypoint.fromNorth() && !form.has("heading")) {
                form.error("heading", "The heading is missing: type it in degrees from north, 0 to 360.");
            }
            if (heading != null && !(heading >= 0 && heading <= CIRCLE)) {
                form.error("heading", "The heading is " + form.value("heading") + ": expected 0 to 360 degrees.");
            }
            return boat == null || !form.ok() ? null : waypoint.from(boat, heading == null ? 0 : heading);
        } catch (BadQuantityException e) {
            form.error("seen", e.getMessage());
            return null;
        }
    }
}
