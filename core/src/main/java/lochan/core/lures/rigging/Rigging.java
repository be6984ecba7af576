package lochan.core.lures.rigging;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.Setup;
import lochan.core.lures.rigging.RigPart.Part;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Surface;
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
 * Tells how to rig a lure in a situation: size, weight, color, hook, trailer, line, leader, rod and reel, each with its
 * reason, and what others
 * do where good anglers disagree. Parts the lure's sheet says nothing about are left out.
 */
public final class Rigging {

    private final Lure lure;
    private final Situation at;
    private final Assumptions.LureAdvice a;
    private final SizeClass size;
    private final List<RigPart> parts = new ArrayList<>();

    private Rigging(Lure lure, Situation at, Assumptions.LureAdvice a) {
        this.lure = lure;
        this.at = at;
        this.a = a;
        this.size = SizeClass.of(lure, at, a);
    }

    /** Returns the parts in the order they are shown. */
    public static List<RigPart> of(Lure lure, Situation at, Assumptions.LureAdvice a) {
        Rigging rigging = new Rigging(lure, at, a);
        if (lure.rig() != null) {
            rigging.size(lure.rig());
        }
        rigging.weight();
        rigging.color();
        if (lure.rig() != null) {
            rigging.hook(lure.rig());
            rigging.trailer(lure.rig());
        }
        rigging.line();
        rigging.rod();
        rigging.reel();
        return List.copyOf(rigging.parts);
    }

    private void say(Part part, Reason choice, RigReason why) {
        say(part, choice, why.with(), null);
    }

    private void say(Part part, Reason choice, Reason why, @Nullable Reason others) {
        parts.add(new RigPart(part, choice, why, others));
    }

    private void size(Rig rig) {
        say(
                Part.SIZE,
                RigReason.SIZE.with(
                        size.name().with(), Measure.length(rig.lengthsMm().get(size.index()))),
                size.why());
    }

    private void weight() {
        double grams = Setup.usualGrams(lure, at, a);
        double least = lure.weights().getFirst();
        boolean slow = lure.onBottom() && (at.mood() == Mood.INACTIVE || isCold()) && grams > least;
        say(
                Part.WEIGHT,
                RigReason.WEIGHT.with(Measure.lureWeight(grams)),
                weightReason(),
                slow ? RigReason.WEIGHT_LIGHTER.with(Measure.lureWeight(least)) : null);
    }

    private Reason weightReason() {
        if (lure.weights().size() == 1) {
            return RigReason.WEIGHT_ONLY_ONE.with();
        }
        if (at.cover() == Cover.THICK_GRASS) {
            return RigReason.WEIGHT_MAT.with();
        }
        if (isBlown()) {
            return RigReason.WEIGHT_WIND.with();
        }
        if (at.aimM() == null) {
            return RigReason.WEIGHT_DEPTH_UNKNOWN.with();
        }
        return (lure.onBottom() ? RigReason.WEIGHT_DEPTH_BOTTOM : RigReason.WEIGHT_DEPTH)
                .with(Measure.depth(at.aimM()));
    }

    private boolean isBlown() {
        return at.surface() == Surface.CHOP || at.surface() == Surface.WAVES;
    }

    private boolean isCold() {
        return at.stage() == SeasonStage.WINTER;
    }

    private void color() {
        ColourFamily color = Setup.colour(at, a);
        if (color != null) {
            RigReason why =
                    switch (color) {
                        case NATURAL -> RigReason.COLOR_CLEAR;
                        case MIXED -> RigReason.COLOR_MIXED;
                        case BOLD -> RigReason.COLOR_MUDDY;
                    };
            say(Part.COLOUR, colorChoice(color), why.with(Measure.visibility(at.visibilityM())), null);
        }
    }

    private Reason colorChoice(ColourFamily color) {
        if (color == ColourFamily.BOLD) {
            return RigReason.COLOR_BOLD.with(color);
        }
        return at.forage() == null ? RigReason.COLOR.with(color) : RigReason.COLOR_LIKE.with(color, at.forage());
    }

    private void hook(Rig rig) {
        String number = hookSize(rig.hookSizes().get(size.index()));
        if (rig.hook() == HookStyle.FINESSE && isSnaggy()) {
            say(
                    Part.HOOK,
                    RigReason.HOOK.with(HookStyle.STRAIGHT, number),
                    RigReason.HOOK_POINT_IN_BAIT.with(at.cover()),
                    null);
        } else if (rig.hook() == HookStyle.JIG && isSnaggy() && lure.family() != Family.SWIMBAIT) {
            say(Part.HOOK, RigReason.HOOK_WEEDLESS.with(number), RigReason.HOOK_OPEN_POINT.with(at.cover()), null);
        } else if (lure.family() == Family.METAL) {
            say(
                    Part.HOOK,
                    RigReason.HOOK.with(rig.hook(), number),
                    RigReason.HOOK_METAL.with(),
                    RigReason.HOOK_ASSIST.with());
        } else {
            say(Part.HOOK, RigReason.HOOK.with(rig.hook(), number), why(rig.hook()));
        }
    }

    private static String hookSize(String size) {
        return size.contains("/") ? size : "#" + size;
    }

    private static RigReason why(HookStyle hook) {
        return switch (hook) {
            case TREBLE -> RigReason.HOOK_TREBLE;
            case MOULDED -> RigReason.HOOK_MOLDED;
            case JIG -> RigReason.HOOK_JIG;
            case WIDE_GAP -> RigReason.HOOK_WIDE_GAP;
            case STRAIGHT -> RigReason.HOOK_STRAIGHT;
            case FINESSE -> RigReason.HOOK_FINESSE;
            case DOUBLE -> RigReason.HOOK_DOUBLE;
            case CIRCLE -> RigReason.HOOK_CIRCLE;
        };
    }

    /** Tells whether an open point hangs up there. A lure that passes over the top of the cover doesn't touch it. */
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
        boolean craw = at.forage() == Forage.CRAYFISH || (rig.trailer() == Rig.Trailer.CRAW && at.forage() == null);
        if (rig.trailer() == Rig.Trailer.TOAD) {
            say(Part.TRAILER, RigReason.TRAILER_TOAD.with(), RigReason.TRAILER_TOAD_WHY);
        } else if (quiet) {
            say(
                    Part.TRAILER,
                    (craw ? RigReason.TRAILER_CRAW_QUIET : RigReason.TRAILER_TAIL_QUIET).with(),
                    RigReason.TRAILER_QUIET_WHY);
        } else if (craw) {
            say(Part.TRAILER, RigReason.TRAILER_CRAW.with(), RigReason.TRAILER_CRAW_WHY);
        } else {
            say(Part.TRAILER, RigReason.TRAILER_PADDLE.with(), RigReason.TRAILER_PADDLE_WHY);
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
        boolean disputed = trebles && lure.family() != Family.METAL && lure.family() != Family.TOPWATER;
        if (leadered) {
            say(Part.LINE, RigReason.BRAID.with(), RigReason.BRAID_WHY);
            say(
                    Part.LEADER,
                    RigReason.LEADER.with(strength.of(kg.from(), Math.min(kg.to(), a.heaviestLeaderKg()))),
                    strength.why,
                    null);
        } else {
            say(
                    Part.LINE,
                    RigReason.LINE.with(main, strength.of(kg.from(), kg.to())),
                    strength.why,
                    disputed ? RigReason.LINE_OTHERS.with() : null);
        }
    }

    private record Strength(double share, Reason why) {

        Strength(double share, RigReason why) {
            this(share, why.with());
        }

        Measure of(double from, double to) {
            return Measure.lineStrength(from + share * (to - from));
        }
    }

    /** Returns where in a lure's range the line should be. */
    private Strength strength() {
        if (at.cover() == Cover.THICK_GRASS || isSnaggy()) {
            return new Strength(1, RigReason.LINE_COVER.with(at.cover()));
        }
        if (at.cover() == Cover.ROCK || at.cover() == Cover.DOCKS) {
            return new Strength(0.75, at.cover() == Cover.ROCK ? RigReason.LINE_ROCK : RigReason.LINE_POSTS);
        }
        if (lure.motion() instanceof Motion.Dives dives && dives.depthM() > a.deepDiverM()) {
            return new Strength(0, RigReason.LINE_THIN_DIVES);
        }
        if (isCold() && !lure.power()) {
            return new Strength(0.25, RigReason.LINE_COLD);
        }
        if (at.visibilityM() != null && at.visibilityM() > a.clearM()) {
            return new Strength(0.25, RigReason.LINE_CLEAR);
        }
        return new Strength(0.5, RigReason.LINE_USUAL);
    }

    private void rod() {
        Power power = lure.tackle().powers().stream()
                .max(Comparator.comparing(p -> isSnaggy() ? p.ordinal() : -p.ordinal()))
                .orElseThrow();
        Reason choice = RigReason.ROD.with(power, lure.tackle().action());
        boolean moving = lure.rig() != null && lure.rig().hook() == HookStyle.TREBLE && lure.family() != Family.METAL;
        if (lure.family() == Family.METAL) {
            say(Part.ROD, choice, RigReason.ROD_METAL.with(), RigReason.ROD_METAL_OTHERS.with());
        } else if (moving) {
            say(Part.ROD, choice, RigReason.ROD_MOVING.with(), RigReason.ROD_MOVING_OTHERS.with());
        } else if (lure.family() == Family.SWIMBAIT) {
            say(Part.ROD, choice, RigReason.ROD_MOVING);
        } else if (isSnaggy() || at.cover() == Cover.THICK_GRASS) {
            say(Part.ROD, choice, RigReason.ROD_COVER);
        } else {
            say(Part.ROD, choice, lure.power() ? RigReason.ROD_POWER : RigReason.ROD_FINESSE);
        }
    }

    private void reel() {
        if (!lure.power() && lure.tackle().strengthKg().to() <= a.spinningToKg()) {
            reel(RigReason.REEL_SPINNING, RigReason.REEL_LIGHT_LINE);
        } else if (lure.motion() instanceof Motion.Dives dives && dives.depthM() > a.deepDiverM()) {
            reel(RigReason.REEL_SLOW, RigReason.REEL_POWER);
        } else if (lure.family() == Family.SWIMBAIT
                && (lure.hooking().teasers() > 0 || lure.usualGrams() >= a.bigSwimbaitG())) {
            reel(RigReason.REEL_SLOW, RigReason.REEL_HEAVY_LURE);
        } else if (lure.onBottom() || lure.vertical() || lure.motion() instanceof Motion.Surface || isJerked()) {
            reel(RigReason.REEL_FAST, RigReason.REEL_SLACK);
        } else {
            reel(RigReason.REEL_MEDIUM, RigReason.REEL_STEADY);
        }
    }

    private void reel(RigReason choice, RigReason why) {
        boolean slowHand = at.mood() == Mood.INACTIVE || isCold();
        say(Part.REEL, choice.with(), why.with(), slowHand && lure.search() ? RigReason.REEL_OTHERS.with() : null);
    }

    private boolean isJerked() {
        return lure.retrieves().getFirst() == Retrieve.TWITCH;
    }
}
