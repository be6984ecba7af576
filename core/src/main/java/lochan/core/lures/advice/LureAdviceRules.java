package lochan.core.lures.advice;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.lake.BankSide;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/** Judges a lure in a situation by the rules. A rule that knows nothing of the situation is silent. */
final class LureAdviceRules {

    private static final Set<Family> FLASH = Set.of(Family.BLADES, Family.METAL);
    private static final Set<Retrieve> LIFTED = Set.of(Retrieve.HOP, Retrieve.LIFT_AND_FALL, Retrieve.VERTICAL);
    private static final double SEEN_FROM_FAR = 0.8;
    /** Where the fish's depth is unknown, some may be where a lure too shallow comes. */
    private static final double SHARE_BELOW = 0.5;

    private final Lure lure;
    private final Situation at;
    private final Assumptions.LureAdvice a;
    private final List<Judgement> judgements = new ArrayList<>();

    private LureAdviceRules(Lure lure, Situation at, Assumptions.LureAdvice a) {
        this.lure = lure;
        this.at = at;
        this.a = a;
    }

    static List<Judgement> judge(Lure lure, Situation at, Assumptions.LureAdvice a) {
        LureAdviceRules rules = new LureAdviceRules(lure, at, a);
        rules.depth();
        rules.takenOn();
        rules.suspended();
        rules.clarity();
        rules.clarityTrend();
        rules.temperature();
        rules.temperatureTrend();
        rules.season();
        rules.mood();
        rules.bank();
        rules.wind();
        rules.light();
        rules.cover();
        rules.forage();
        rules.pressure();
        rules.front();
        rules.vertical();
        return List.copyOf(rules.judgements);
    }

    private void say(LureReason reason, Object... values) {
        sayInPart(reason, 1, values);
    }

    /** @param part of the reason's score, −1 to 1 */
    private void sayInPart(LureReason reason, double part, Object... values) {
        double score = Math.clamp(part * reason.score(), -1, 1);
        if (score != 0) {
            judgements.add(new Judgement(reason.rule(), score, () -> reason.with(values)));
        }
    }

    /**
     * Judges whether it comes to the fish, or up to 2 ft above them; what they see well calls them up, the farther the
     * clearer the water.
     */
    private void depth() {
        if (at.aimM() == null) {
            return;
        }
        double aim = at.aimM();
        Reason fish = (at.fishDepthM() == null ? LureReason.Subject.WATER_DEPTH : LureReason.Subject.FISH_AT)
                .with(Measure.depth(aim));
        if (lure.motion() instanceof Motion.Surface) {
            onTop(aim, fish);
            return;
        }
        double away = lure.depth().away(aim);
        boolean above = lure.depth().to() < aim;
        double missed = Math.min(1, away / a.missedDepthM());
        if (away == 0) {
            say(
                    LureReason.AT_THEIR_DEPTH,
                    fish,
                    Measure.depth(lure.depth().from()),
                    Measure.depth(lure.depth().to()));
        } else if (!above) {
            sayInPart(LureReason.TOO_DEEP, missed, fish);
        } else if (away <= a.aboveFishM()) {
            say(LureReason.JUST_ABOVE_THEM, fish);
        } else if (callsUp() && away <= comeUpM()) {
            say(LureReason.CALLS_THEM_UP, fish);
        } else {
            sayInPart(LureReason.TOO_SHALLOW, at.anywhere() ? SHARE_BELOW * missed : missed, fish);
        }
    }

    /** Judges a topwater. Fish whose depth is unknown are taken to be halfway down. */
    private void onTop(double aim, Reason fish) {
        double seen =
                at.visibilityM() == null ? Math.max(comeUpM(), lure.depth().to()) : comeUpM();
        double reach = at.surface() == Surface.CALM && at.light() == Light.LOW ? seen * a.comeUpCalmLow() : seen;
        double from = at.anywhere() ? aim / 2 : aim;
        if (from <= reach) {
            say(LureReason.UP_TO_THE_TOP, fish);
        } else {
            sayInPart(LureReason.TOO_DEEP_FOR_THE_TOP, Math.min(1, (from - reach) / Math.max(reach, 1)), fish);
        }
    }

    /** Returns how far fish come up for what they see, m. */
    private double comeUpM() {
        double seen = at.visibilityM() == null ? a.clearM() : at.visibilityM();
        double far = seen < a.clearM() / 2
                ? a.comeUpStainedM()
                : Math.clamp(a.comeUpPerSeen() * seen, a.comeUpStainedM(), a.mostComeUpM());
        return at.mood() == Mood.INACTIVE ? far / 2 : far;
    }

    /** Tells whether it is large and plain enough to be seen from far, and swims. */
    private boolean callsUp() {
        return lure.sight() >= SEEN_FROM_FAR && (lure.family() == Family.SWIMBAIT || lure.family() == Family.JERKBAIT);
    }

    /** Tells whether it is the one big, slow bait that suspended, inactive fish may still eat. */
    private boolean isSlowMeal() {
        return lure.family() == Family.SWIMBAIT && at.mood() == Mood.INACTIVE && at.suspended();
    }

    /** Tells whether it can be held or swum above the bottom. */
    private boolean leavesBottom() {
        return !lure.onBottom() || lure.retrieves().stream().anyMatch(Retrieve::leavesBottom);
    }

    private void takenOn() {
        if (at.takenOn() == TakenOn.FALL && lure.motion() instanceof Motion.Sinks) {
            say(LureReason.EATEN_ON_THE_FALL);
        } else if (at.takenOn() == TakenOn.LIFT && lure.retrieves().stream().anyMatch(LIFTED::contains)) {
            say(LureReason.EATEN_ON_THE_LIFT);
        } else if (at.takenOn() == TakenOn.SWIM && lure.search()) {
            say(LureReason.EATEN_SWIMMING);
        }
    }

    private void suspended() {
        if (at.takenOn() == TakenOn.FALL) {
            return;
        }
        if (at.level() == FishLevel.BOTTOM && lure.onBottom()) {
            say(LureReason.STAYS_ON_BOTTOM);
        }
        if (!at.suspended()) {
            return;
        }
        Double depth = at.fishDepthM();
        Reason fish = depth == null
                ? LureReason.Subject.SUSPENDED.with()
                : LureReason.Subject.SUSPENDED_AT.with(Measure.depth(depth));
        if (!leavesBottom()) {
            say(LureReason.WORKS_UNDER_THEM, fish);
        } else if (lure.onBottom()) {
            say(LureReason.LIFTED_AND_HELD, fish);
        } else if (isSlowMeal()) {
            say(LureReason.BIG_AND_SLOW, fish);
        } else if (lure.motion() instanceof Motion.Sinks && depth == null) {
            say(LureReason.FALLS_PAST_THEM, fish);
        } else if (lure.motion() instanceof Motion.Sinks) {
            say(
                    LureReason.FALLS_THROUGH,
                    fish,
                    Measure.depth(Math.max(0, depth - a.aboveFishM())),
                    Measure.depth(depth));
        }
    }

    private void clarity() {
        if (at.visibilityM() == null) {
            return;
        }
        Measure seen = Measure.visibility(at.visibilityM());
        if (at.visibilityM() < a.muddyM()) {
            sayInPart(lure.sight() <= 0.5 ? LureReason.FELT_FIRST : LureReason.TOO_MURKY, 1 - 2 * lure.sight(), seen);
        } else if (at.visibilityM() > a.clearM()) {
            double subtle = lure.power() ? 0.6 * lure.sight() - 0.3 : 0.3 + 0.5 * lure.sight();
            LureReason liked = lure.power() ? LureReason.SEEN_FROM_FAR : LureReason.SUBTLE;
            sayInPart(subtle > 0 ? liked : LureReason.TOO_CLEAR, subtle, seen);
        }
    }

    private void clarityTrend() {
        if (at.clarity() == ClarityTrend.CLEARING) {
            sayInPart(LureReason.CLEARING, lure.sight() - 0.4);
        } else if (at.clarity() == ClarityTrend.MUDDYING) {
            sayInPart(LureReason.MUDDYING, 0.6 - lure.sight());
        }
    }

    private void temperature() {
        if (at.waterTempC() == null) {
            return;
        }
        double away = lure.temperature().away(at.waterTempC());
        sayInPart(
                away == 0 ? LureReason.IN_ITS_TEMPERATURES : LureReason.OUT_OF_ITS_TEMPERATURES,
                away == 0 ? 1 : Math.min(1, away / a.missedTempC()),
                Measure.temperature(at.waterTempC()),
                Measure.temperature(lure.temperature().from()),
                Measure.temperature(lure.temperature().to()));
    }

    private void temperatureTrend() {
        if (at.tempTrend() == TempTrend.WARMING && lure.search()) {
            say(LureReason.WARMING);
        } else if (at.tempTrend() == TempTrend.COOLING) {
            say(lure.search() && lure.power() ? LureReason.COOLING_TOO_FAST : LureReason.COOLING);
        }
    }

    private void season() {
        SeasonStage stage = at.stage();
        if (stage == null) {
            return;
        }
        boolean fits = lure.stages().contains(stage);
        if (!fits && isSkinny() && lure.search() && lure.depth().from() < a.skinnyM()) {
            say(LureReason.SHALLOW_IN_WINTER);
        } else {
            say(
                    fits ? LureReason.IN_SEASON : LureReason.OUT_OF_SEASON,
                    stage,
                    LureReason.Subject.of(stage).with());
        }
    }

    private boolean isSkinny() {
        return at.stage() == SeasonStage.WINTER
                && at.waterDepthM() != null
                && at.waterDepthM() < a.skinnyM()
                && at.mood() != Mood.INACTIVE;
    }

    private void mood() {
        if (at.mood() != null) {
            say(
                    switch (at.mood()) {
                        case ACTIVE -> active();
                        case NEUTRAL -> neutral();
                        case INACTIVE -> inactive();
                    });
        }
    }

    private LureReason active() {
        if (!lure.moods().contains(Mood.ACTIVE)) {
            return LureReason.ACTIVE_WANT_FASTER;
        }
        return lure.search() && lure.power() ? LureReason.COVERS_WATER : LureReason.ACTIVE_TAKE_IT;
    }

    private LureReason neutral() {
        if (!lure.moods().contains(Mood.NEUTRAL)) {
            return LureReason.NEUTRAL_TOO_FAST;
        }
        return lure.power() ? LureReason.NEUTRAL_POWER_SLOWLY : LureReason.NEUTRAL_SLOWLY;
    }

    private LureReason inactive() {
        if (!lure.moods().contains(Mood.INACTIVE)) {
            return LureReason.INACTIVE_TOO_FAST;
        }
        if (isSlowMeal()) {
            return LureReason.INACTIVE_TAKE_ONE_BIG;
        }
        return lure.power() ? LureReason.INACTIVE_POWER_SLOWLY : LureReason.INACTIVE_SLOWLY;
    }

    private boolean isTopwater() {
        return lure.motion() instanceof Motion.Surface;
    }

    private boolean isMoving() {
        return lure.search() && !isTopwater();
    }

    private void bank() {
        if (at.bank() == BankSide.BLOWN && isTopwater()) {
            say(LureReason.WAVES_HIDE_IT);
        } else if (at.bank() == BankSide.BLOWN && isMoving() && lure.depth().from() < a.shallowM()) {
            say(LureReason.BAIT_ON_THE_BANK);
        } else if (at.bank() == BankSide.SLICK && isTopwater()) {
            say(LureReason.SLICK_BANK);
        }
    }

    private void wind() {
        LureReason reason =
                switch (at.surface()) {
                    case null -> null;
                    case CALM -> calm();
                    case RIPPLE -> ripple();
                    case CHOP -> rough(LureReason.CHOP_HARD_TO_FEEL);
                    case WAVES -> rough(LureReason.WAVES_HARD_TO_FEEL);
                };
        if (reason != null) {
            say(reason);
        }
    }

    private @Nullable LureReason calm() {
        if (isTopwater()) {
            return LureReason.CALM_TOPWATER;
        }
        if (FLASH.contains(lure.family())) {
            return LureReason.CALM_FLASH;
        }
        return lure.power() ? null : LureReason.CALM_QUIET;
    }

    private @Nullable LureReason ripple() {
        if (isMoving()) {
            return LureReason.RIPPLE_MOVING;
        }
        return isTopwater() ? LureReason.RIPPLE_TOPWATER : null;
    }

    private LureReason rough(LureReason otherwise) {
        if (isTopwater()) {
            return LureReason.CHOP_TOPWATER;
        }
        return isMoving() && lure.power() ? LureReason.CHOP_POWER : otherwise;
    }

    private void light() {
        if (at.light() == Light.LOW) {
            if (isTopwater()) {
                say(LureReason.LOW_LIGHT_TOPWATER);
            } else if (lure.search() && lure.power() && lure.depth().from() < a.shallowM()) {
                say(LureReason.LOW_LIGHT_SHALLOW);
            }
        } else if (at.light() == Light.BRIGHT) {
            if (isTopwater()) {
                say(LureReason.BRIGHT_TOPWATER);
            } else if (lure.depth().to() >= a.deepM() || lure.onBottom()) {
                say(LureReason.BRIGHT_DEEP);
            }
        }
    }

    private void cover() {
        Cover cover = at.cover();
        if (cover == null) {
            return;
        }
        boolean comes = lure.cover().contains(cover);
        if (!comes && passesAbove()) {
            say(LureReason.ABOVE_THE_COVER, cover == Cover.OPEN ? LureReason.Subject.OPEN_WATER.with() : cover);
        } else if (comes && cover == Cover.SPARSE_GRASS && lure.search() && lure.family() != Family.JERKBAIT) {
            say(LureReason.RIPPED_FREE);
        } else if (cover == Cover.OPEN) {
            say(comes ? LureReason.IN_OPEN_WATER : LureReason.NEEDS_COVER);
        } else if (comes) {
            say(LureReason.COMES_THROUGH, cover);
        } else if (cover == Cover.ROCK) {
            say(LureReason.HANGS_UP_ON_ROCK);
        } else {
            say(LureReason.HANGS_UP, cover);
        }
    }

    private boolean passesAbove() {
        return at.aimM() != null && at.isOverCover(at.aimM()) && lure.depth().from() < at.coverTopM() && leavesBottom();
    }

    private void forage() {
        if (at.forage() != null) {
            say(
                    lure.forage().contains(at.forage()) ? LureReason.LOOKS_LIKE_FORAGE : LureReason.UNLIKE_FORAGE,
                    at.forage());
        }
    }

    private void pressure() {
        if (!Boolean.TRUE.equals(at.pressured())) {
            return;
        }
        if (!lure.power()) {
            say(LureReason.PRESSURED_SUBTLE);
        } else {
            say(lure.search() ? LureReason.PRESSURED_SEARCH : LureReason.PRESSURED_POWER);
        }
    }

    private void front() {
        if (!Boolean.TRUE.equals(at.front())) {
            return;
        }
        if (lure.power() && lure.search()) {
            say(LureReason.FRONT_TOO_FAST);
        } else if (lure.onBottom() || !lure.power()) {
            say(LureReason.FRONT_SLOW);
        }
    }

    private void vertical() {
        boolean asked = Boolean.TRUE.equals(at.vertical());
        boolean can = lure.retrieves().contains(Retrieve.VERTICAL);
        if (at.waterDepthM() != null && at.waterDepthM() < a.verticalFromM() && (lure.vertical() || (asked && can))) {
            say(LureReason.TOO_SHALLOW_FOR_VERTICAL, Measure.depth(a.verticalFromM()), Measure.depth(at.waterDepthM()));
        } else if (asked) {
            say(can ? LureReason.VERTICAL : LureReason.NOT_VERTICAL);
        }
    }
}
