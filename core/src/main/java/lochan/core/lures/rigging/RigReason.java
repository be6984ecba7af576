package lochan.core.lures.rigging;

import lochan.core.ReasonCode;

/** Lists how a lure is rigged, why, and what others do. */
enum RigReason implements ReasonCode {
    SIZE(2),
    SIZE_SMALL,
    SIZE_USUAL,
    SIZE_LARGE,
    SIZE_BIG_FISH,
    SIZE_SMALL_FISH,
    SIZE_TINY_FORAGE,
    SIZE_PANFISH,
    SIZE_PRESSURED,
    SIZE_COLD,
    SIZE_ONE_BIG_MEAL,
    SIZE_NO_REASON,
    WEIGHT(1),
    WEIGHT_ONLY_ONE,
    WEIGHT_MAT,
    WEIGHT_WIND,
    WEIGHT_DEPTH(1),
    WEIGHT_DEPTH_BOTTOM(1),
    WEIGHT_DEPTH_UNKNOWN,
    WEIGHT_LIGHTER(1),
    COLOR(1),
    COLOR_LIKE(2),
    COLOR_BOLD(1),
    COLOR_CLEAR(1),
    COLOR_MIXED(1),
    COLOR_MUDDY(1),
    HOOK(2),
    HOOK_WEEDLESS(1),
    HOOK_POINT_IN_BAIT(1),
    HOOK_OPEN_POINT(1),
    HOOK_METAL,
    HOOK_ASSIST,
    HOOK_TREBLE,
    HOOK_MOLDED,
    HOOK_JIG,
    HOOK_WIDE_GAP,
    HOOK_STRAIGHT,
    HOOK_FINESSE,
    HOOK_DOUBLE,
    HOOK_CIRCLE,
    TRAILER_TOAD,
    TRAILER_TOAD_WHY,
    TRAILER_CRAW_QUIET,
    TRAILER_CRAW,
    TRAILER_TAIL_QUIET,
    TRAILER_PADDLE,
    TRAILER_QUIET_WHY,
    TRAILER_CRAW_WHY,
    TRAILER_PADDLE_WHY,
    BRAID,
    BRAID_WHY,
    LEADER(1),
    LINE(2),
    LINE_OTHERS,
    LINE_COVER(1),
    LINE_ROCK,
    LINE_POSTS,
    LINE_THIN_DIVES,
    LINE_COLD,
    LINE_CLEAR,
    LINE_USUAL,
    ROD(2),
    ROD_METAL,
    ROD_METAL_OTHERS,
    ROD_MOVING,
    ROD_MOVING_OTHERS,
    ROD_COVER,
    ROD_POWER,
    ROD_FINESSE,
    REEL_SPINNING,
    REEL_SLOW,
    REEL_FAST,
    REEL_MEDIUM,
    REEL_LIGHT_LINE,
    REEL_POWER,
    REEL_HEAVY_LURE,
    REEL_SLACK,
    REEL_STEADY,
    REEL_OTHERS;

    private final int arity;

    RigReason() {
        this(0);
    }

    RigReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "rigging";
    }
}
