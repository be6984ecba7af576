package lochan.offline.spot;

import java.time.Instant;
import java.util.Optional;
import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** A waypoint as a form, and back. */
public final class WaypointForm {

    private WaypointForm() {}

    public static Form of(Waypoint waypoint, Units units) {
        Form form = new Form(units)
                .put("position", PositionText.typed(waypoint.position()))
                .put("spot", waypoint.spotId())
                .put("bottom", waypoint.bottom())
                .put("bait", waypoint.fish().bait())
                .put("note", waypoint.note());
        SightingForm.put(form, "fish", waypoint.fish(), waypoint.entered(), units);
        return form.put(
                "waterDepthM",
                waypoint.waterDepthM(),
                waypoint.entered(),
                QuantityText::metres,
                units.typedDepth(waypoint.waterDepthM()));
    }

    /**
     * @param place reads a position of the form, typed by a person or told by the phone
     * @return the waypoint; empty when something is wrong, which then stands beside its field
     */
    public static Optional<Waypoint> read(
            Form form, Function<String, @Nullable Position> place, String id, Instant at) {
        Position position = BoatBearing.read(form, place);
        Sighting fish = SightingForm.read(form, "fish", form.truth("bait"));
        Double water = form.depth("waterDepthM", "The bottom");
        form.checkAboveBottom("fishDepthM", fish.depthM(), water);
        Waypoint.Bottom bottom = form.choice("bottom", Waypoint.Bottom.class);
        String note = form.words("note", "The note", Waypoint.LONGEST_NOTE);
        return form.ok()
                ? Optional.of(WaypointBuilder.builder()
                        .id(id)
                        .at(at)
                        .position(position)
                        .spotId(form.has("spot") ? form.value("spot") : null)
                        .fish(fish)
                        .waterDepthM(water)
                        .bottom(bottom)
                        .note(note)
                        .entered(form.entered("fishDepthM", "waterDepthM"))
                        .build())
                : Optional.empty();
    }
}
