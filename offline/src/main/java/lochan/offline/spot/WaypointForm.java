package lochan.offline.spot;

import java.time.Instant;
import java.util.Optional;
import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.lake.FishPosition;
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
                .put("fishPosition", waypoint.fishPosition())
                .put("bait", waypoint.bait())
                .put("note", waypoint.note());
        form.put(
                "fishDepthM",
                waypoint.fishDepthM(),
                waypoint.entered(),
                QuantityText::metres,
                units.typedDepth(waypoint.fishDepthM()));
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
        Double fish = form.depth("fishDepthM", "The fish");
        Double water = form.depth("waterDepthM", "The bottom");
        form.checkAboveBottom("fishDepthM", fish, water);
        Waypoint.Bottom bottom = form.choice("bottom", Waypoint.Bottom.class);
        FishPosition fishPosition = form.choice("fishPosition", FishPosition.class);
        Boolean bait = form.truth("bait");
        String note = form.words("note", "The note", Waypoint.LONGEST_NOTE);
        return form.ok()
                ? Optional.of(WaypointBuilder.builder()
                        .id(id)
                        .at(at)
                        .position(position)
                        .spotId(form.has("spot") ? form.value("spot") : null)
                        .fishDepthM(fish)
                        .waterDepthM(water)
                        .bottom(bottom)
                        .bait(bait)
                        .fishPosition(fishPosition)
                        .note(note)
                        .entered(form.entered("fishDepthM", "waterDepthM"))
                        .build())
                : Optional.empty();
    }
}
