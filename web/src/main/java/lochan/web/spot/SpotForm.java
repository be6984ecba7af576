package lochan.web.spot;

import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.MarkText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.core.water.PlaceClass;
import lochan.core.water.Spot;
import lochan.core.water.SpotRules;
import lochan.core.water.Stock;
import lochan.core.water.Zone;
import lochan.web.form.Form;

/** A spot as a form, and back. */
final class SpotForm {

    private static final double PERCENT = 100;

    private SpotForm() { }

    static Form empty(Units units) {
        return new Form(units).put("stock", Stock.GENERAL.code()).put("crowdRisk", 0).put("zone", Zone.SHALLOW.code());
    }

    static Form of(Spot spot, Units units) {
        Form form = new Form(units);
        form.put("name", spot.name()).put("position", spot.position().lat() + ", " + spot.position().lon())
                .put("placeClass", PlaceClass.words(spot.placeClass())).put("zone", spot.zone().code()).put("stock", spot.stock().code())
                .put("crowdRisk", Math.round(PERCENT * spot.crowdRisk()));
        form.put("depthMinM", spot.depthMinM(), spot.entered(), QuantityText::metres, units.typedDepth(spot.depthMinM()));
        form.put("depthMaxM", spot.depthMaxM(), spot.entered(), QuantityText::metres, units.typedDepth(spot.depthMaxM()));
        form.put("radiusM", spot.radiusM(), spot.entered(), QuantityText::metres, units.typedDepth(spot.radiusM()));
        return form;
    }

    /** A place told from the boat: its own position, its heading, and where the mark lies from there. */
    private static Position seen(Form form) {
        form.need("position", "Where is the boat? Type its position above, or take it from the device: the mark is reckoned from there.");
        Position boat = form.position("position");
        Double heading = form.number("heading");
        try {
            MarkText mark = MarkText.read(form.value("seen"), form.units());
            if (!mark.fromNorth() && !form.has("heading")) {
                form.error("heading", "Where does the bow point? Type the heading in degrees from north, 0 to 360.");
            }
            if (heading != null && !(heading >= 0 && heading <= 360)) {
                form.error("heading", "The heading is " + form.value("heading") + ": expected 0 to 360 degrees.");
            }
            return boat == null || !form.ok() ? null : mark.from(boat, heading == null ? 0 : heading);
        } catch (BadQuantityException e) {
            form.error("seen", e.getMessage());
            return null;
        }
    }

    /**
     * @param id     of the spot
     * @param before the spot as it was; null: it is new
     * @return the spot; empty when something is wrong, which then stands beside its field
     */
    static Optional<Spot> read(Form form, String id, Spot before) {
        Position position = form.has("seen") ? seen(form) : form.position("position");
        if (!form.has("seen")) {
            form.need("position", "The position is missing: type latitude and longitude as 45.3100, -118.9400, or take the boat's.");
        }
        Zone zone = form.choice("zone", Zone.class);
        Stock stock = form.choice("stock", Stock.class);
        Double min = form.quantity("depthMinM", QuantityText::metres);
        Double max = form.quantity("depthMaxM", QuantityText::metres);
        Double radius = form.quantity("radiusM", QuantityText::metres);
        Double percent = form.number("crowdRisk");
        form.need("zone", "The depth zone is missing: choose one.");
        form.need("stock", "Choose how many fish stand behind the spot.");
        if (position == null || zone == null || stock == null) {
            return Optional.empty();
        }
        double usualRadius = before == null ? Spot.USUAL_RADIUS_M : before.radiusM();
        Spot spot = new Spot(id, form.value("name"), position, radius == null ? usualRadius : radius, PlaceClass.code(form.value("placeClass")),
                zone, min, max, percent == null ? 0 : percent / PERCENT, stock, form.entered());
        form.violations(SpotRules.check(spot));
        return form.ok() ? Optional.of(spot) : Optional.empty();
    }
}
