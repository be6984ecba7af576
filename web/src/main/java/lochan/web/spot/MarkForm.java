package lochan.web.spot;

import java.time.Instant;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.core.water.Mark;
import lochan.page.form.Form;

/** A mark as a form, and back. */
final class MarkForm {


    private MarkForm() { }

    static Form of(Mark mark, Units units) {
        Form form = new Form(units).put("position", PositionText.typed(mark.position())).put("spot", mark.spotId())
                .put("bottom", mark.bottom()).put("holding", mark.holding()).put("bait", mark.bait()).put("note", mark.note());
        form.put("fishDepthM", mark.fishDepthM(), mark.entered(), QuantityText::metres, units.typedDepth(mark.fishDepthM()));
        return form.put("waterDepthM", mark.waterDepthM(), mark.entered(), QuantityText::metres, units.typedDepth(mark.waterDepthM()));
    }

    /** @return the mark; empty when something is wrong, which then stands beside its field */
    static Optional<Mark> read(Form form, String id, Instant at) {
        Position position = SeenPlace.read(form);
        Double fish = form.depth("fishDepthM", "The fish");
        Double water = form.depth("waterDepthM", "The bottom");
        form.checkAboveBottom("fishDepthM", fish, water);
        Mark.Bottom bottom = form.choice("bottom", Mark.Bottom.class);
        Mark.Holding holding = form.choice("holding", Mark.Holding.class);
        Boolean bait = form.truth("bait");
        String note = form.words("note", "The note", Mark.LONGEST_NOTE);
        return form.ok() ? Optional.of(new Mark(id, at, position, form.has("spot") ? form.value("spot") : null, fish, water, bottom, bait, holding, note,
                form.entered("fishDepthM", "waterDepthM"))) : Optional.empty();
    }
}
