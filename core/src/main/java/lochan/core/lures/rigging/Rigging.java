package lochan.core.lures.rigging;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.Setup;
import lochan.core.lures.rigging.RigPart.Part;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Surface;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Power;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rig;
import lochan.core.tackle.Rig.HookStyle;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/**
 * How a lure is rigged in a situation: size, weight, colour, hook, trailer, line, leader, rod and reel, each with its reason, and what others do where
 * good anglers disagree. What its sheet does not know is left out.
 */
public final class Rigging {

    private final Lure lure;
    private final Situation at;
    private final Units units;
    private final Assumptions.LureAdvice a;
    private final SizeClass size;
    private final List<RigPart> parts = new ArrayList<>();

    private Rigging(Lure lure, Situation at, Units units, Assumptions.LureAdvice a) {
        this.lure = lure;
        this.at = at;
        this.units = units;
        this.a = a;
        this.size = SizeClass.of(lure, at, a);
    }

    /** The parts in the order they are told. */
    public static List<RigPart> of(Lure lure, Situation at, Units units, Assumptions.LureAdvice a) {
        Rigging rigging = new Rigging(lure, at, units, a);
        if (lure.rig() != null) {
            rigging.size(lure.rig());
        }
        rigging.weight();
        rigging.colour();
        if (lure.rig() != null) {
            rigging.hook(lure.rig());
            rigging.trailer(lure.rig());
        }
        rigging.line();
        rigging.rod();
        rigging.reel();
        return List.copyOf(rigging.parts);
    }

    private void say(Part part, String choice, String why) {
        parts.add(new RigPart(part, choice, why, null));
    }

    private void say(Part part, String choice, String why, @Nullable String others) {
        parts.add(new RigPart(part, choice, why, others));
    }

    private void size(Rig rig) {
        say(Part.SIZE, size.words() + ", " + units.length(rig.lengthsMm().get(size.index())), size.why());
    }

    private void weight() {
        double grams = Setup.usualGrams(lure, at, a);
        double least = lure.weights().getFirst();
        String why;
        if (lure.weights().size() == 1) {
            why = "the one it comes in";
        } else if (at.cover() == Cover.THICK_GRASS) {
            why = "to get through the mat";
        } else if (isBlown()) {
            why = "wind: it must be felt and hold its depth";
        } else if (at.aimM() != null) {
            why = "for " + units.depth(at.aimM()) + (lure.onBottom() ? ": it keeps the bottom, the hand is slow" : "");
        } else {
            why = "depth unknown: the middle one";
        }
        boolean slow = lure.onBottom() && (at.mood() == Mood.INACTIVE || isCold()) && grams > least;
        say(
                Part.WEIGHT,
                units.lureWeight(grams),
                why,
                slow ? units.lureWeight(least) + ": lighter, so that it falls slowly by itself" : null);
    }

    private boolean isBlown() {
        return at.surface() == Surface.CHOP || at.surface() == Surface.WAVES;
    }

    private boolean isCold() {
        return at.stage() == SeasonStage.WINTER;
    }

    private void colour() {
        ColourFamily colour = Setup.colour(at, a);
        if (colour != null) {
            String water = units.visibility(at.visibilityM()) + " of visibility";
            String like = at.forage() == null ? "" : ", like " + at.forage().words();
            say(
                    Part.COLOUR,
                    colour.words() + (colour == ColourFamily.BOLD ? ", dark or bright" : like),
                    switch (colour) {
                        case NATURAL -> water + ": they look at it closely";
                        case MIXED -> water + ": natural with something to see";
                        case BOLD -> water + ": an outline to find";
                    });
        }
    }

    private void hook(Rig rig) {
        String number = hookSize(rig.hookSizes().get(size.index()));
        if (rig.hook() == HookStyle.FINESSE && isSnaggy()) {
            say(
                    Part.HOOK,
                    HookStyle.STRAIGHT.words() + " " + number,
                    at.cover().words() + ": the point lies in the bait");
        } else if (rig.hook() == HookStyle.JIG && isSnaggy() && lure.family() != Family.SWIMBAIT) {
            say(Part.HOOK, "weedless jighead " + number, at.cover().words() + ": an open point hangs up");
        } else if (lure.family() == Family.METAL) {
            say(
                    Part.HOOK,
                    rig.hook().words() + " " + number,
                    "sharp and no larger: heavy metal throws its hook",
                    "a single assist hook on a short cord: it turns with the fish");
        } else {
            say(Part.HOOK, rig.hook().words() + " " + number, why(rig.hook()));
        }
    }

    private static String hookSize(String size) {
        return size.contains("/") ? size : "#" + size;
    }

    private static String why(HookStyle hook) {
        return switch (hook) {
            case TREBLE -> "large enough to hold, small enough not to spoil how it swims";
            case MOULDED -> "check its point after each fish";
            case JIG -> "point free: it needs no hard set";
            case WIDE_GAP -> "weedless, room for a thick bait";
            case STRAIGHT -> "does not open in heavy cover";
            case FINESSE -> "light wire goes in by itself";
            case DOUBLE -> "rides point up over mats";
            case CIRCLE -> "hooks in the corner of the mouth: no set, wind down";
        };
    }

    /** Whether an open point hangs up there: a lure that passes over the top of the cover does not touch it. */
    private boolean isSnaggy() {
        boolean over = at.aimM() != null && at.isOverCover(at.aimM());
        return !over
                && (at.cover() == Cover.BRUSH
                        || at.cover() == Cover.TIMBER
                        || at.cover() == Cover.WOOD
                        || at.cover() == Cover.THICK_GRASS);
    }

    private void trailer(Rig rig) {
        if (rig.trailer() == null) {
            return;
        }
        boolean quiet = at.mood() == Mood.INACTIVE || isCold() || Boolean.TRUE.equals(at.front());
        if (rig.trailer() == Rig.Trailer.TOAD) {
            say(Part.TRAILER, "none, or a small soft toad", "it swims slower and higher with one");
        } else if (at.forage() == Forage.CRAYFISH || (rig.trailer() == Rig.Trailer.CRAW && at.forage() == null)) {
            say(
                    Part.TRAILER,
                    quiet ? "short craw, claws still" : "craw with claws that kick",
                    quiet ? "they do not chase: little movement" : "like a crayfish that flees");
        } else {
            say(
                    Part.TRAILER,
                    quiet ? "slim straight tail" : "paddle-tail",
                    quiet ? "they do not chase: little movement" : "swims like bait and lifts it");
        }
    }

    private void line() {
        FishingLine.Kind main = lure.tackle().lines().getFirst();
        boolean leadered = main == FishingLine.Kind.BRAID
                && lure.tackle().lines().contains(FishingLine.Kind.FLUOROCARBON)
                && at.cover() != Cover.THICK_GRASS;
        Strength strength = strength();
        Lure.Range kg = lure.tackle().strengthKg();
        boolean trebles = lure.rig() != null && lure.rig().hook() == HookStyle.TREBLE;
        String others = trebles && lure.family() != Family.METAL && lure.family() != Family.TOPWATER
                ? "braid and a stiff rod: no slack, ever"
                : null;
        if (leadered) {
            say(Part.LINE, "braid", "no stretch: felt at any depth, set at any distance");
            say(
                    Part.LEADER,
                    "fluorocarbon, "
                            + units.lineStrength(strength.kg(kg.from(), Math.min(kg.to(), a.heaviestLeaderKg()))),
                    strength.why);
        } else {
            say(
                    Part.LINE,
                    main.words() + ", " + units.lineStrength(strength.kg(kg.from(), kg.to())),
                    strength.why,
                    others);
        }
    }

    private record Strength(double share, String why) {

        double kg(double from, double to) {
            return from + share * (to - from);
        }
    }

    /** Where in a lure's range the line should lie. */
    private Strength strength() {
        if (at.cover() == Cover.THICK_GRASS || isSnaggy()) {
            return new Strength(1, at.cover().words() + ": they must be pulled out of it");
        }
        if (at.cover() == Cover.ROCK || at.cover() == Cover.DOCKS) {
            return new Strength(
                    0.75,
                    (at.cover() == Cover.ROCK ? "rock and shell fray" : "posts fray") + " it: feel it after each fish");
        }
        if (lure.motion() instanceof Motion.Dives dives && dives.depthM() > a.deepDiverM()) {
            return new Strength(0, "thin line lets it dive deeper");
        }
        if (isCold() && !lure.power()) {
            return new Strength(0.25, "cold fish fight little: light line serves");
        }
        if (at.visibilityM() != null && at.visibilityM() > a.clearM()) {
            return new Strength(0.25, "clear water: thin line is not seen");
        }
        return new Strength(0.5, "nothing calls for light or heavy");
    }

    private void rod() {
        Power power = lure.tackle().powers().stream()
                .max(Comparator.comparing(p -> isSnaggy() ? p.ordinal() : -p.ordinal()))
                .orElseThrow();
        boolean moving = lure.rig() != null && lure.rig().hook() == HookStyle.TREBLE && lure.family() != Family.METAL;
        String why;
        String others = null;
        if (lure.family() == Family.METAL) {
            why = "stiff: trebles on heavy metal need a tight line all the way";
            others = "a softer tip, so that the hook does not pull out";
        } else if (moving || lure.family() == Family.SWIMBAIT) {
            why = "bends deep: they take it in, and it does not pull out";
            others = moving ? "stiff, for the first second of the set" : null;
        } else if (isSnaggy() || at.cover() == Cover.THICK_GRASS) {
            why = "fast and stiff: set hard and turn them at once";
        } else {
            why = lure.power() ? "fast: drives one solid hook" : "soft tip, fast: light bites show, light line holds";
        }
        say(Part.ROD, power.words() + ", " + lure.tackle().action().words(), why, others);
    }

    private void reel() {
        boolean slowHand = at.mood() == Mood.INACTIVE || isCold();
        String others = slowHand && lure.search() ? "when nothing bites: faster, then a pause" : null;
        if (!lure.power() && lure.tackle().strengthKg().to() <= a.spinningToKg()) {
            say(Part.REEL, "spinning", "casts light lures on light line", others);
        } else if (lure.motion() instanceof Motion.Dives dives && dives.depthM() > a.deepDiverM()) {
            say(Part.REEL, "slow, about 5 to 1", "has the power to pull a deep diver down", others);
        } else if (lure.family() == Family.SWIMBAIT
                && (lure.hooking().teasers() > 0 || lure.usualGrams() >= a.bigSwimbaitG())) {
            say(Part.REEL, "slow, about 5 to 1", "keeps a heavy lure down and slow", others);
        } else if (lure.onBottom() || lure.vertical() || lure.motion() instanceof Motion.Surface || isJerked()) {
            say(Part.REEL, "fast, about 8 to 1", "takes up slack, catches up with a fish that comes up", others);
        } else {
            say(Part.REEL, "medium, about 6.5 to 1", "a steady pace without thinking", others);
        }
    }

    private boolean isJerked() {
        return lure.retrieves().getFirst() == Retrieve.TWITCH;
    }
}
