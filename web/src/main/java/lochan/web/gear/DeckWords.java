package lochan.web.gear;

import java.util.Locale;
import lochan.core.lures.deck.Setup;
import lochan.core.practice.Hooks;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Rod;
import lochan.core.tackle.Tackle;
import org.jspecify.annotations.Nullable;

/** Tackle in words. */
public final class DeckWords {

    private static final double METRES_PER_FOOT = 0.3048;

    private DeckWords() {}

    /** As "40 lb braid". */
    public static String line(@Nullable FishingLine line, Units units) {
        return line == null
                ? ""
                : units.lineStrength(line.strengthKg()) + " " + line.kind().words();
    }

    /** As "40 lb braid to 8 lb fluorocarbon". */
    public static String lines(Rod rod, Units units) {
        return line(rod.line(), units) + (rod.leader() == null ? "" : " to " + line(rod.leader(), units));
    }

    /** As "2 trebles" or "3 hooks, 2 teasers". */
    public static String hooks(Hooking h) {
        String kind = h.kind() == Hooks.TREBLE
                ? "treble"
                : h.kind() == Hooks.SINGLE && h.count() == 1 ? "single hook" : "hook";
        return Count.of(h.count(), kind) + (h.teasers() == 0 ? "" : ", " + Count.of(h.teasers(), "teaser"));
    }

    /** Points of the rules with their sign, as "+1.5". */
    public static String signed(double points) {
        return (points < 0 ? "−" : "+") + String.format(Locale.ROOT, "%.1f", Math.abs(points));
    }

    /** How it moves. */
    public static String motion(Lure lure, Units units) {
        return switch (lure.motion()) {
            case Motion.Surface s -> "on the surface";
            case Motion.Dives d -> "dives to " + units.depth(d.depthM()) + (d.floats() ? ", floats" : ", holds");
            case Motion.Sinks s ->
                "falls "
                        + (units.depth() == Units.Depth.FT
                                ? String.format(Locale.ROOT, "%.1f ft", s.fallMps() / METRES_PER_FOOT)
                                : String.format(Locale.ROOT, "%.2f m", s.fallMps()))
                        + " a second";
        };
    }

    /** As "swim jig, white, 3/8 oz; natural colours wanted"; what the box has comes first. */
    public static String setup(Setup setup, Tackle tackle, Units units) {
        BoxItem item = setup.item(tackle).orElse(null);
        String colour = setup.colour() == null
                ? ""
                : item != null && item.colour() == setup.colour()
                        ? ", " + setup.colour().words()
                        : "; " + setup.colour().words() + " colours wanted";
        return (item == null ? "" : item.name() + ", ") + units.lureWeight(setup.grams()) + colour;
    }

    /** As "1 single hook: drop-shot hooks, size 1"; hooks of the box that are for it are named. */
    public static String hooks(Setup setup, Tackle tackle) {
        return hooks(setup.lure().hooking())
                + tackle.box().stream()
                        .filter(i -> i.kind() == BoxItem.Kind.HOOKS
                                && i.inBoat()
                                && setup.lure().id().equals(i.lureId()))
                        .findFirst()
                        .map(i -> ": " + i.name().toLowerCase(Locale.ROOT))
                        .orElse("");
    }
}
