package lochan.core.lures.advice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import lochan.core.Assumptions;
import lochan.core.lake.BankSide;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.SeasonStage;

/**
 * What the rules say of a lure in a situation. A rule that has nothing to go by is silent. Quantities in the words are in the angler's units.
 */
final class LureAdviceRules {

    private static final Map<SeasonStage, String> SEASONS = Map.of(
            SeasonStage.WINTER, "winter fish hold on steep banks and bends near bait and want it slow and compact",
            SeasonStage.PRE_SPAWN, "fish stage outside the bays and feed up",
            SeasonStage.SPAWN, "fish are on or near beds",
            SeasonStage.POST_SPAWN, "fish are scattered, guarding fry or drifting to the first deep water",
            SeasonStage.SUMMER, "shallow at dawn, then offshore in schools",
            SeasonStage.AUTUMN, "they follow bait over flats and points");
    private static final Set<Family> FLASH = Set.of(Family.BLADES, Family.METAL);
    private static final Set<Retrieve> LIFTED = Set.of(Retrieve.HOP, Retrieve.LIFT_AND_FALL, Retrieve.VERTICAL);
    private static final double SEEN_FROM_FAR = 0.8;

    private final Lure lure;
    private final Situation at;
    private final Units units;
    private final Assumptions.LureAdvice a;
    private final List<Reason> reasons = new ArrayList<>();

    private LureAdviceRules(Lure lure, Situation at, Units units, Assumptions.LureAdvice a) {
        this.lure = lure;
        this.at = at;
        this.units = units;
        this.a = a;
    }

    static List<Reason> judge(Lure lure, Situation at, Units units, Assumptions.LureAdvice a) {
        LureAdviceRules rules = new LureAdviceRules(lure, at, units, a);
        rules.depth();
        rules.suspended();
        rules.clarity();
        rules.clarityTrend();
        rules.temperature();
        rules.temperatureTrend();
        rules.season();
        rules.mood();
        rules.wind();
        rules.light();
        rules.cover();
        rules.forage();
        rules.pressure();
        rules.front();
        rules.vertical();
        return List.copyOf(rules.reasons);
    }

    private void say(Rule rule, double score, String words) {
        say(rule, score, () -> words);
    }

    private void say(Rule rule, double score, Supplier<String> words) {
        if (score != 0) {
            reasons.add(new Reason(rule, Math.clamp(score, -1, 1), words));
        }
    }

    /** At the fish or up to 2 ft above; what they see well calls them up, the farther the clearer the water. */
    private void depth() {
        if (at.aimM() == null) {
            return;
        }
        double aim = at.aimM();
        if (lure.motion() instanceof Motion.Surface) {
            onTop(aim);
            return;
        }
        double away = lure.depth().away(aim);
        boolean above = lure.depth().to() < aim;
        boolean near = above && away <= a.aboveFishM();
        if (away == 0) {
            say(
                    Rule.DEPTH,
                    1,
                    () -> fish(aim) + ": it is fished from "
                            + units.depth(lure.depth().from()) + " to "
                            + units.depth(lure.depth().to()));
        } else if (near) {
            say(Rule.DEPTH, 0.5, () -> fish(aim) + ": it comes to just above them");
        } else if (above && callsUp() && away <= comeUpM()) {
            say(Rule.DEPTH, 0.3, () -> fish(aim) + ": they see it from there and come up for it");
        } else {
            // Where nobody knows how deep they are, some may be where it comes.
            double sure = above && at.anywhere() ? 0.5 : 1;
            say(
                    Rule.DEPTH,
                    -sure * Math.min(1, away / a.missedDepthM()),
                    () -> fish(aim) + (above ? ": it does not come down to them" : ": it would run below them"));
        }
    }

    private String fish(double aimM) {
        return (at.fishDepthM() == null ? "the water is " : "fish at ") + units.depth(aimM);
    }

    /** Fish whose depth nobody knows are taken to be halfway down. */
    private void onTop(double aim) {
        double reach =
                Math.max(comeUpM(), at.visibilityM() == null ? lure.depth().to() : 0)
                        * (at.surface() == Surface.CALM && at.light() == Light.LOW ? a.comeUpCalmLow() : 1);
        double from = at.anywhere() ? aim / 2 : aim;
        say(
                Rule.DEPTH,
                from <= reach ? 0.6 : -Math.min(1, (from - reach) / Math.max(reach, 1)),
                () -> fish(aim) + (from <= reach ? ": they come up for it" : ": too deep to come up for it"));
    }

    /** How far fish come up for what they see, m. */
    private double comeUpM() {
        double seen = at.visibilityM() == null ? a.clearM() : at.visibilityM();
        double far = seen < a.clearM() / 2
                ? a.comeUpStainedM()
                : Math.clamp(a.comeUpPerSeen() * seen, a.comeUpStainedM(), a.mostComeUpM());
        return at.mood() == Mood.INACTIVE ? far / 2 : far;
    }

    /** Whether it is large and plain enough to be seen from far, and swims. */
    private boolean callsUp() {
        return lure.sight() >= SEEN_FROM_FAR && (lure.family() == Family.SWIMBAIT || lure.family() == Family.JERKBAIT);
    }

    /** Whether it is the one large slow thing that fish which hang off the bottom and do not feed may take. */
    private boolean isSlowMeal() {
        return lure.family() == Family.SWIMBAIT && at.mood() == Mood.INACTIVE && at.suspended();
    }

    /** Whether it can be held or swum above the bottom. */
    private boolean leavesBottom() {
        return !lure.onBottom() || lure.retrieves().stream().anyMatch(Retrieve::leavesBottom);
    }

    private void suspended() {
        if (at.takenOn() == TakenOn.FALL) {
            say(
                    Rule.SUSPENDED,
                    lure.motion() instanceof Motion.Sinks ? 0.8 : 0,
                    "they take on the fall: it falls past them");
            return;
        }
        if (at.takenOn() == TakenOn.LIFT) {
            say(
                    Rule.SUSPENDED,
                    lure.retrieves().stream().anyMatch(LIFTED::contains) ? 0.6 : 0,
                    "they take on the lift");
        }
        if (at.takenOn() == TakenOn.SWIM) {
            say(Rule.SUSPENDED, lure.search() ? 0.6 : 0, "they take while it swims");
        }
        if (at.level() == FishLevel.BOTTOM) {
            say(Rule.SUSPENDED, lure.onBottom() ? 0.5 : 0, "fish are on the bottom: it stays there");
        }
        if (!at.suspended()) {
            return;
        }
        String where =
                "fish hang off the bottom" + (at.fishDepthM() == null ? "" : " at " + units.depth(at.fishDepthM()));
        if (!leavesBottom()) {
            say(Rule.SUSPENDED, -1, where + ": it is worked under them");
        } else if (lure.onBottom()) {
            say(Rule.SUSPENDED, 0.5, where + ": it is lifted and held there");
        } else if (isSlowMeal()) {
            say(Rule.SUSPENDED, 1, where + ": one big slow meal, swum at their depth");
        } else if (lure.motion() instanceof Motion.Sinks) {
            String through = at.fishDepthM() == null
                    ? "falls past them"
                    : "falls through " + units.depth(Math.max(0, at.fishDepthM() - a.aboveFishM())) + " to "
                            + units.depth(at.fishDepthM());
            say(Rule.SUSPENDED, 1, where + ": it " + through);
        }
    }

    private void clarity() {
        if (at.visibilityM() == null) {
            return;
        }
        if (at.visibilityM() < a.muddyM()) {
            say(
                    Rule.CLARITY,
                    1 - 2 * lure.sight(),
                    () -> seen()
                            + (lure.sight() <= 0.5
                                    ? "it is felt before it is seen"
                                    : "they have to see it, and cannot"));
        } else if (at.visibilityM() > a.clearM()) {
            double subtle = lure.power() ? 0.6 * lure.sight() - 0.3 : 0.3 + 0.5 * lure.sight();
            say(
                    Rule.CLARITY,
                    subtle,
                    () -> seen()
                            + (subtle > 0
                                    ? lure.power() ? "they see it from far" : "subtle enough to be looked at"
                                    : "they get too good a look at it"));
        }
    }

    private String seen() {
        return units.visibility(at.visibilityM()) + " of visibility: ";
    }

    private void clarityTrend() {
        if (at.clarity() == ClarityTrend.CLEARING) {
            say(Rule.CLARITY_TREND, lure.sight() - 0.4, "clearing water: fish it one step clearer");
        } else if (at.clarity() == ClarityTrend.MUDDYING) {
            say(Rule.CLARITY_TREND, 0.6 - lure.sight(), "muddying water: fish it one step muddier");
        }
    }

    private void temperature() {
        if (at.waterTempC() == null) {
            return;
        }
        double away = lure.temperature().away(at.waterTempC());
        say(
                Rule.TEMPERATURE,
                away == 0 ? 0.4 : -Math.min(1, away / a.missedTempC()),
                () -> "water at " + units.temperature(at.waterTempC()) + (away == 0 ? ": within " : ": outside ")
                        + "its " + units.temperature(lure.temperature().from()) + " to "
                        + units.temperature(lure.temperature().to()));
    }

    private void temperatureTrend() {
        if (at.tempTrend() == TempTrend.WARMING) {
            say(Rule.TEMPERATURE_TREND, lure.search() ? 0.5 : 0, "warming water: they chase more");
        } else if (at.tempTrend() == TempTrend.COOLING) {
            say(Rule.TEMPERATURE_TREND, lure.search() && lure.power() ? -0.4 : 0.4, "cooling water: slow down");
        }
    }

    private void season() {
        if (at.stage() == null) {
            return;
        }
        boolean fits = lure.stages().contains(at.stage());
        if (!fits && isSkinny() && lure.search() && lure.depth().from() < a.skinnyM()) {
            say(
                    Rule.SEASON,
                    0.4,
                    "winter fish in water as shallow as that are there to feed: often faster, not slower");
        } else {
            say(
                    Rule.SEASON,
                    fits ? 0.6 : -0.6,
                    () -> at.stage().words() + ": " + SEASONS.get(at.stage()) + (fits ? "" : ", not for this"));
        }
    }

    private boolean isSkinny() {
        return at.stage() == SeasonStage.WINTER
                && at.waterDepthM() != null
                && at.waterDepthM() < a.skinnyM()
                && at.mood() != Mood.INACTIVE;
    }

    private void mood() {
        if (at.mood() == null) {
            return;
        }
        String fish =
                switch (at.mood()) {
                    case ACTIVE -> "fish are feeding";
                    case NEUTRAL -> "fish neither feed nor sulk";
                    case INACTIVE -> "fish are not willing";
                };
        if (!lure.moods().contains(at.mood())) {
            say(
                    Rule.MOOD,
                    -0.8,
                    fish
                            + (at.mood() == Mood.ACTIVE
                                    ? ": something faster finds more of them"
                                    : ": it asks too much of them"));
        } else if (at.mood() == Mood.ACTIVE) {
            say(Rule.MOOD, lure.search() && lure.power() ? 0.9 : 0.2, fish + ": search fast");
        } else if (isSlowMeal()) {
            say(Rule.MOOD, 0.8, fish + ": one big meal, slow, is taken yet");
        } else {
            say(Rule.MOOD, lure.power() ? 0.2 : at.mood() == Mood.INACTIVE ? 0.9 : 0.5, fish + ": pick slowly");
        }
    }

    private void wind() {
        boolean top = lure.motion() instanceof Motion.Surface;
        boolean moving = lure.search() && !top;
        if (at.bank() == BankSide.BLOWN) {
            say(
                    Rule.BANK,
                    moving && lure.depth().from() < a.shallowM() ? 0.6 : top ? -0.4 : 0,
                    "the wind blows onto this bank: bait is pushed there, "
                            + (top ? "but waves hide it" : "they chase"));
        } else if (at.bank() == BankSide.SLICK) {
            say(Rule.BANK, top ? 0.4 : 0, "slick water out of the wind: it is found there");
        }
        if (at.surface() == null) {
            return;
        }
        switch (at.surface()) {
            case CALM ->
                say(
                        Rule.WIND,
                        top ? 0.5 : FLASH.contains(lure.family()) ? -0.4 : lure.power() ? 0 : 0.3,
                        "slick calm: quiet and subtle");
            case RIPPLE -> say(Rule.WIND, moving ? 0.6 : top ? 0.2 : 0, "a light ripple helps what moves");
            case CHOP, WAVES ->
                say(
                        Rule.WIND,
                        top ? -0.9 : moving && lure.power() ? 0.5 : at.surface() == Surface.WAVES ? -0.4 : -0.2,
                        top
                                ? "the surface is broken: it is not found there"
                                : moving && lure.power()
                                        ? "wind breaks the light and pushes bait"
                                        : "hard to feel and hold in this wind");
        }
    }

    private void light() {
        if (at.light() == null) {
            return;
        }
        boolean top = lure.motion() instanceof Motion.Surface;
        boolean shallowMover = lure.search() && lure.power() && lure.depth().from() < a.shallowM();
        switch (at.light()) {
            case LOW -> say(Rule.LIGHT, top ? 1 : shallowMover ? 0.4 : 0, "low light: they roam and look up");
            case BRIGHT ->
                say(
                        Rule.LIGHT,
                        top ? -0.7 : lure.depth().to() >= a.deepM() || lure.onBottom() ? 0.4 : 0,
                        top ? "bright light: they do not look up" : "bright light: they sit deeper or in the shade");
            case MIXED -> {}
        }
    }

    private void cover() {
        if (at.cover() == null) {
            return;
        }
        boolean comes = lure.cover().contains(at.cover());
        String name = at.cover() == Cover.OPEN ? "open water" : at.cover().words();
        if (!comes
                && at.aimM() != null
                && at.isOverCover(at.aimM())
                && lure.depth().from() < at.coverTopM()
                && leavesBottom()) {
            say(Rule.COVER, -0.2, "it is kept above the " + name + ", where it hangs up");
            return;
        }
        if (comes && at.cover() == Cover.SPARSE_GRASS && lure.search() && lure.family() != Family.JERKBAIT) {
            say(Rule.COVER, 1, "fished over the grass and ripped free of it");
            return;
        }
        double score = comes
                ? at.cover() == Cover.OPEN ? 0.2 : 0.7
                : at.cover() == Cover.ROCK || at.cover() == Cover.OPEN ? -0.5 : -1;
        say(
                Rule.COVER,
                score,
                (comes ? "comes through " : "hangs up in ")
                        + name
                        + (comes || at.cover() != Cover.OPEN ? "" : ": it wants cover to be worked in"));
    }

    private void forage() {
        if (at.forage() != null) {
            say(
                    Rule.FORAGE,
                    lure.forage().contains(at.forage()) ? 0.7 : -0.3,
                    lure.forage().contains(at.forage())
                            ? "passes for " + at.forage().words()
                            : "they feed on " + at.forage().words() + ", which it is not like");
        }
    }

    private void pressure() {
        if (Boolean.TRUE.equals(at.pressured())) {
            say(
                    Rule.PRESSURE,
                    lure.power() ? lure.search() ? -0.6 : -0.2 : 0.8,
                    lure.power() ? "pressured fish have seen it" : "pressured water: subtle, on a long cast");
        }
    }

    private void front() {
        if (Boolean.TRUE.equals(at.front())) {
            say(
                    Rule.FRONT,
                    lure.power() && lure.search() ? -0.6 : lure.onBottom() || !lure.power() ? 0.6 : 0,
                    "after a front they sit tight: slow down");
        }
    }

    private void vertical() {
        boolean asked = Boolean.TRUE.equals(at.vertical());
        boolean can = lure.retrieves().contains(Retrieve.VERTICAL);
        if (at.waterDepthM() != null && at.waterDepthM() < a.verticalFromM() && (lure.vertical() || (asked && can))) {
            say(
                    Rule.VERTICAL,
                    -1,
                    "under the boat only in " + units.depth(a.verticalFromM()) + " or more; here are "
                            + units.depth(at.waterDepthM()));
        } else if (asked) {
            say(
                    Rule.VERTICAL,
                    can ? 0.6 : -0.5,
                    can ? "it is fished under the boat" : "it is not fished under the boat");
        }
    }
}
