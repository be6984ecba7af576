package lochan.web.gear;

import java.util.List;
import lochan.core.lures.deck.GearCheck;
import lochan.core.quantity.Units;
import lochan.wording.Wording;

/** Says what the angler's rules forbid on the deck. */
public final class GearWords {

    private GearWords() {}

    /** Returns each check in words. */
    public static List<String> of(List<GearCheck> checks, Units units) {
        return checks.stream().map(c -> of(c, units)).toList();
    }

    /** Returns what was found and what to do about it. */
    public static String of(GearCheck check, Units units) {
        return Wording.text(check.found(), units) + " " + Wording.text(check.remedy(), units);
    }
}
