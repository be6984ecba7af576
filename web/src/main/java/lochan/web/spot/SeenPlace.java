package lochan.web.spot;

import lochan.core.event.Position;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.MarkText;
import lochan.page.form.Form;

/** A place that a form tells: its position, or the boat's with its heading and where from there the place was seen. */
final class SeenPlace {

    private static final int CIRCLE = 360;

    private SeenPlace() { }

    /** @return null when something is wrong, which then stands beside its field */
    static Position read(Form form) {
        if (form.has("seen")) {
            return fromTheBoat(form);
        }
        form.need("position", "The position is missing: type latitude and longitude as 45.3100, -118.9400, or take the boat's.");
        return form.position("position");
    }

    private static Position fromTheBoat(Form form) {
        form.need("position", "Where is the boat? Type its position above, or take it from the device: the mark is reckoned from there.");
        Position boat = form.position("position");
        Double heading = form.number("heading");
        try {
            MarkText mark = MarkText.read(form.value("seen"), form.units());
            if (!mark.fromNorth() && !form.has("heading")) {
                form.error("heading", "Where does the bow point? Type the heading in degrees from north, 0 to 360.");
            }
            if (heading != null && !(heading >= 0 && heading <= CIRCLE)) {
                form.error("heading", "The heading is " + form.value("heading") + ": expected 0 to 360 degrees.");
            }
            return boat == null || !form.ok() ? null : mark.from(boat, heading == null ? 0 : heading);
        } catch (BadQuantityException e) {
            form.error("seen", e.getMessage());
            return null;
        }
    }
}
