package lochan.web.spot;

import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.SpotCheck;
import lochan.core.lake.SpotType;
import lochan.core.lake.Stock;
import lochan.core.lake.Waypoint;
import lochan.core.lake.Zone;
import lochan.core.lake.structure.MapPlace;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.spot.BoatBearing;
import org.jspecify.annotations.Nullable;

/** A spot as a form, and back. */
final class SpotForm {

    private static final double PERCENT = 100;

    private SpotForm() {}

    static Form empty(Units units) {
        return new Form(units)
                .put("stock", Stock.GENERAL.code())
                .put("crowdRisk", 0)
                .put("zone", Zone.SHALLOW.code());
    }

    static Form of(Spot spot, Units units) {
        Form form = new Form(units);
        form.put("name", spot.name())
                .put("position", PositionText.typed(spot.position()))
                .put("spotType", SpotType.words(spot.spotType()))
                .put("zone", spot.zone().code())
                .put("stock", spot.stock().code())
                .put("crowdRisk", Math.round(PERCENT * spot.crowdRisk()))
                .put("shelter", spot.shelter() ? "on" : "");
        form.put(
                "depthMinM",
                spot.depthMinM(),
                spot.entered(),
                QuantityText::metres,
                units.typedDepth(spot.depthMinM()));
        form.put(
                "depthMaxM",
                spot.depthMaxM(),
                spot.entered(),
                QuantityText::metres,
                units.typedDepth(spot.depthMaxM()));
        form.put("radiusM", spot.radiusM(), spot.entered(), QuantityText::metres, units.typedDepth(spot.radiusM()));
        return form;
    }

    /** What a waypoint tells of a spot there. */
    static Form of(Waypoint waypoint, Units units) {
        Form form = empty(units).put("position", PositionText.typed(waypoint.position()));
        Double depth = waypoint.waterDepthM() == null ? waypoint.fish().depthM() : waypoint.waterDepthM();
        if (depth != null) {
            form.put("zone", Zone.at(depth)).put("depthMaxM", units.typedDepth(depth));
        }
        return form;
    }

    /** Fills in the place from the map, in today's depths. */
    static void fill(Form form, MapPlace place, Units units, double aboveReferenceM) {
        Double depth = place.depthM();
        if (depth != null) {
            form.put("zone", Zone.at(depth))
                    .put("depthMinM", units.typedDepth(Math.max(0, depth + aboveReferenceM - MapPlace.FISHED_AROUND_M)))
                    .put("depthMaxM", units.typedDepth(depth + aboveReferenceM + MapPlace.FISHED_AROUND_M));
        }
        if (place.spotType() != null) {
            form.put("spotType", SpotType.words(place.spotType()));
        }
    }

    /**
     * @param id     of the spot
     * @param before the spot before; null: it is new
     * @return the spot; empty when something is wrong, which then stands beside its field
     */
    static Optional<Spot> read(Form form, String id, @Nullable Spot before) {
        Position position = BoatBearing.read(form, form::position);
        Zone zone = form.choice("zone", Zone.class);
        Stock stock = form.choice("stock", Stock.class);
        Double min = form.quantity("depthMinM", QuantityText::metres);
        Double max = form.quantity("depthMaxM", QuantityText::metres);
        Double radius = form.quantity("radiusM", QuantityText::metres);
        Double percent = form.number("crowdRisk");
        form.needs("zone", "spotforms.zone");
        form.needs("stock", "spotforms.stock");
        if (position == null || zone == null || stock == null) {
            return Optional.empty();
        }
        double usualRadius = before == null ? Spot.USUAL_RADIUS_M : before.radiusM();
        Spot spot = SpotBuilder.builder()
                .id(id)
                .name(form.value("name"))
                .position(position)
                .radiusM(radius == null ? usualRadius : radius)
                .spotType(SpotType.code(form.value("spotType")))
                .zone(zone)
                .depthMinM(min)
                .depthMaxM(max)
                .crowdRisk(percent == null ? 0 : percent / PERCENT)
                .stock(stock)
                .shelter(form.has("shelter"))
                .symbol(before == null ? null : before.symbol())
                .entered(form.entered())
                .build();
        form.violations(SpotCheck.check(spot));
        return form.ok() ? Optional.of(spot) : Optional.empty();
    }
}
