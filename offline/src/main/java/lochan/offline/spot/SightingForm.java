package lochan.offline.spot;

import java.util.Map;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import org.jspecify.annotations.Nullable;

/** How fish were seen to stand, as fields of a form, and back. */
public final class SightingForm {

    private SightingForm() {}

    /**
     * Puts all but the bait, which each form asks for in its own words.
     *
     * @param of      before the names of the fields, as "fish" in {@code fishPosition}
     * @param entered what was typed, by field name
     */
    public static Form put(Form form, String of, Sighting seen, Map<String, String> entered, Units units) {
        return form.put(of + "DepthM", seen.depthM(), entered, QuantityText::metres, units.typedDepth(seen.depthM()))
                .put(of + "Position", seen.position())
                .put(of + "Count", seen.count())
                .put(of + "Shape", seen.shape());
    }

    /** @param bait whether bait was near; null: not noted, or told elsewhere */
    public static Sighting read(Form form, String of, @Nullable Boolean bait) {
        return new Sighting(
                form.choice(of + "Position", FishPosition.class),
                form.depth(of + "DepthM", "The fish"),
                bait,
                form.choice(of + "Count", FishCount.class),
                form.choice(of + "Shape", FishShape.class));
    }
}
