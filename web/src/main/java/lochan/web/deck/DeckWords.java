package lochan.web.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.deck.Setup;
import lochan.core.practice.Hooks;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Rod;
import lochan.core.tackle.Tackle;

/** Tackle in words. */
public final class DeckWords {

    private static final double METRES_PER_FOOT = 0.3048;

    private DeckWords() { }

    /** As "40 lb braid". */
    public static String line(FishingLine line, Units units) {
        return line == null ? "" : units.lineStrength(line.strengthKg()) + " " + line.kind().words();
    }

    /** As "40 lb braid to 8 lb fluorocarbon". */
    public static String lines(Rod rod, Units units) {
        return line(rod.line(), units) + (rod.leader() == null ? "" : " to " + line(rod.leader(), units));
    }

    /** As "2 trebles" or "3 hooks, 2 teasers". */
    public static String hooks(Hooking h) {
        String kind = h.kind() == Hooks.TREBLE ? "treble" : h.kind() == Hooks.SINGLE && h.count() == 1 ? "single hook" : "hook";
        return (h.count() == 1 ? "1 " + kind : h.count() + " " + kind + "s") + (h.teasers() == 0 ? "" : h.teasers() == 1 ? ", 1 teaser" : ", " + h.teasers() + " teasers");
    }

    /** How it moves. */
    public static String motion(Lure lure, Units units) {
        return switch (lure.motion()) {
            case Motion.Surface s -> "on the surface";
            case Motion.Dives d -> "dives to " + units.depth(d.depthM()) + (d.floats() ? ", floats" : ", holds");
            case Motion.Sinks s -> "falls " + (units.depth() == Units.Depth.FT ? String.format(Locale.ROOT, "%.1f ft", s.fallMps() / METRES_PER_FOOT)
                    : String.format(Locale.ROOT, "%.2f m", s.fallMps())) + " a second";
        };
    }

    /** As "3/8 oz, natural colours"; what the box has comes first. */
    public static String setup(Setup setup, Tackle tackle, Units units) {
        return setup.item(tackle).map(BoxItem::name).map(n -> n + ", ").orElse("") + units.lureWeight(setup.grams())
                + (setup.colour() == null || setup.item(tackle).filter(i -> i.colour() == setup.colour()).isPresent() ? "" : ", wanted: " + setup.colour().words() + " colours");
    }

    /** The leader that a sheet would have on a rod whose line is another kind; empty when none is wanted. */
    static List<String> leader(Rod rod, Lure lure, Units units) {
        List<String> words = new ArrayList<>();
        if (rod.leader() == null && rod.line().kind() == FishingLine.Kind.BRAID && lure.tackle().lines().getFirst() == FishingLine.Kind.FLUOROCARBON) {
            words.add("leader: fluorocarbon, " + units.lineStrength((lure.tackle().strengthKg().from() + lure.tackle().strengthKg().to()) / 2));
        }
        return words;
    }
}
