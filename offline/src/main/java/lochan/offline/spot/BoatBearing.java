package lochan.offline.spot;

import java.util.Optional;
import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.lake.CrossFix;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.WaypointText;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** A place that a form tells: its position, the boat's with its heading and where from there the place was seen, or two of the boat's with bearings or ranges. */
public final class BoatBearing {

    private static final int CIRCLE = 360;

    private BoatBearing() {}

    /**
     * @param position reads a position of the form, typed by a person or told by the phone
     * @return null when something is wrong, which then stands beside its field
     */
    public static @Nullable Position read(Form form, Function<String, @Nullable Position> position) {
        if (form.has("position2")) {
            return crossed(form, position);
        }
        if (form.has("seen")) {
            return fromTheBoat(form, position);
        }
        form.needs("position", "spotforms.position");
        return position.apply("position");
    }

    /** Where two bearings cross or two ranges meet, from two places of the boat. */
    private static @Nullable Position crossed(Form form, Function<String, @Nullable Position> position) {
        form.needs("position", "spotforms.first-position");
        Position first = position.apply("position");
        Position second = position.apply("position2");
        Double bearing1 = form.number("bearing1");
        Double bearing2 = form.number("bearing2");
        Double range1 = form.quantity("range1", QuantityText::metres);
        Double range2 = form.quantity("range2", QuantityText::metres);
        if (first == null || second == null || !form.ok()) {
            return null;
        }
        Optional<Position> place = Optional.empty();
        if (bearing1 != null && bearing2 != null) {
            place = CrossFix.ofBearings(first, bearing1, second, bearing2);
        } else if (range1 != null && range2 != null) {
            place = CrossFix.ofRanges(
                    first, range1, second, range2, !form.value("side").equals("right"));
        } else {
            form.fail("position2", "spotforms.two-bearings-or-ranges");
            return null;
        }
        if (place.isEmpty()) {
            form.fail("position2", "spotforms.no-crossing");
        }
        return place.orElse(null);
    }

    private static @Nullable Position fromTheBoat(Form form, Function<String, @Nullable Position> position) {
        form.needs("position", "spotforms.boat-position");
        Position boat = position.apply("position");
        Double heading = form.number("heading");
        try {
            WaypointText waypoint = WaypointText.read(form.value("seen"), form.units());
            if (!waypoint.fromNorth() && !form.has("heading")) {
                form.fail("heading", "spotforms.heading");
            }
            if (heading != null && !(heading >= 0 && heading <= CIRCLE)) {
                form.fail("heading", "spotforms.heading-range", form.value("heading"));
            }
            return boat == null || !form.ok() ? null : waypoint.from(boat, heading == null ? 0 : heading);
        } catch (BadQuantityException e) {
            form.fail("seen", e.reason());
            return null;
        }
    }
}
