package lochan.core.lures.advice;

import lochan.core.ReasonCode;

/**
 * Holds the table of lure advice: what a rule can find, and how much it speaks for a lure (above 0) or against it. The
 * score stands before the
 * rule's weight; a finding by degrees, such as a missed depth, counts a share of it.
 */
public enum LureReason implements ReasonCode {
    AT_THEIR_DEPTH(Rule.DEPTH, 1, 3),
    JUST_ABOVE_THEM(Rule.DEPTH, 0.5, 1),
    CALLS_THEM_UP(Rule.DEPTH, 0.3, 1),
    TOO_SHALLOW(Rule.DEPTH, -1, 1),
    TOO_DEEP(Rule.DEPTH, -1, 1),
    UP_TO_THE_TOP(Rule.DEPTH, 0.6, 1),
    TOO_DEEP_FOR_THE_TOP(Rule.DEPTH, -1, 1),

    EATEN_ON_THE_FALL(Rule.SUSPENDED, 0.8),
    EATEN_ON_THE_LIFT(Rule.SUSPENDED, 0.6),
    EATEN_SWIMMING(Rule.SUSPENDED, 0.6),
    STAYS_ON_BOTTOM(Rule.SUSPENDED, 0.5),
    WORKS_UNDER_THEM(Rule.SUSPENDED, -1, 1),
    LIFTED_AND_HELD(Rule.SUSPENDED, 0.5, 1),
    BIG_AND_SLOW(Rule.SUSPENDED, 1, 1),
    FALLS_PAST_THEM(Rule.SUSPENDED, 1, 1),
    FALLS_THROUGH(Rule.SUSPENDED, 1, 3),

    FELT_FIRST(Rule.CLARITY, 1, 1),
    TOO_MURKY(Rule.CLARITY, 1, 1),
    SEEN_FROM_FAR(Rule.CLARITY, 1, 1),
    SUBTLE(Rule.CLARITY, 1, 1),
    TOO_CLEAR(Rule.CLARITY, 1, 1),
    CLEARING(Rule.CLARITY_TREND, 1),
    MUDDYING(Rule.CLARITY_TREND, 1),

    IN_ITS_TEMPERATURES(Rule.TEMPERATURE, 0.4, 3),
    OUT_OF_ITS_TEMPERATURES(Rule.TEMPERATURE, -1, 3),
    WARMING(Rule.TEMPERATURE_TREND, 0.5),
    COOLING(Rule.TEMPERATURE_TREND, 0.4),
    COOLING_TOO_FAST(Rule.TEMPERATURE_TREND, -0.4),

    SHALLOW_IN_WINTER(Rule.SEASON, 0.4),
    IN_SEASON(Rule.SEASON, 0.6, 2),
    OUT_OF_SEASON(Rule.SEASON, -0.6, 2),

    ACTIVE_WANT_FASTER(Rule.MOOD, -0.8),
    NEUTRAL_TOO_FAST(Rule.MOOD, -0.8),
    INACTIVE_TOO_FAST(Rule.MOOD, -0.8),
    COVERS_WATER(Rule.MOOD, 0.9),
    ACTIVE_TAKE_IT(Rule.MOOD, 0.2),
    INACTIVE_TAKE_ONE_BIG(Rule.MOOD, 0.8),
    NEUTRAL_SLOWLY(Rule.MOOD, 0.5),
    NEUTRAL_POWER_SLOWLY(Rule.MOOD, 0.2),
    INACTIVE_SLOWLY(Rule.MOOD, 0.9),
    INACTIVE_POWER_SLOWLY(Rule.MOOD, 0.2),

    BAIT_ON_THE_BANK(Rule.BANK, 0.6),
    WAVES_HIDE_IT(Rule.BANK, -0.4),
    SLICK_BANK(Rule.BANK, 0.4),
    CALM_TOPWATER(Rule.WIND, 0.5),
    CALM_QUIET(Rule.WIND, 0.3),
    CALM_FLASH(Rule.WIND, -0.4),
    RIPPLE_MOVING(Rule.WIND, 0.6),
    RIPPLE_TOPWATER(Rule.WIND, 0.2),
    CHOP_TOPWATER(Rule.WIND, -0.9),
    CHOP_POWER(Rule.WIND, 0.5),
    CHOP_HARD_TO_FEEL(Rule.WIND, -0.2),
    WAVES_HARD_TO_FEEL(Rule.WIND, -0.4),

    LOW_LIGHT_TOPWATER(Rule.LIGHT, 1),
    LOW_LIGHT_SHALLOW(Rule.LIGHT, 0.4),
    BRIGHT_TOPWATER(Rule.LIGHT, -0.7),
    BRIGHT_DEEP(Rule.LIGHT, 0.4),

    ABOVE_THE_COVER(Rule.COVER, -0.2, 1),
    RIPPED_FREE(Rule.COVER, 1),
    COMES_THROUGH(Rule.COVER, 0.7, 1),
    IN_OPEN_WATER(Rule.COVER, 0.2),
    NEEDS_COVER(Rule.COVER, -0.5),
    HANGS_UP_ON_ROCK(Rule.COVER, -0.5),
    HANGS_UP(Rule.COVER, -1, 1),

    LOOKS_LIKE_FORAGE(Rule.FORAGE, 0.7, 1),
    UNLIKE_FORAGE(Rule.FORAGE, -0.3, 1),
    PRESSURED_SUBTLE(Rule.PRESSURE, 0.8),
    PRESSURED_POWER(Rule.PRESSURE, -0.2),
    PRESSURED_SEARCH(Rule.PRESSURE, -0.6),
    FRONT_SLOW(Rule.FRONT, 0.6),
    FRONT_TOO_FAST(Rule.FRONT, -0.6),

    TOO_SHALLOW_FOR_VERTICAL(Rule.VERTICAL, -1, 2),
    VERTICAL(Rule.VERTICAL, 0.6),
    NOT_VERTICAL(Rule.VERTICAL, -0.5);

    private final Rule rule;
    private final double score;
    private final int arity;

    LureReason(Rule rule, double score) {
        this(rule, score, 0);
    }

    LureReason(Rule rule, double score, int arity) {
        this.rule = rule;
        this.score = score;
        this.arity = arity;
    }

    Rule rule() {
        return rule;
    }

    double score() {
        return score;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "lures";
    }

    /** Names what a reason is about. */
    enum Subject implements ReasonCode {
        FISH_AT(1),
        WATER_DEPTH(1),
        SUSPENDED(0),
        SUSPENDED_AT(1),
        OPEN_WATER(0),
        SEASON_WINTER(0),
        SEASON_PRE_SPAWN(0),
        SEASON_SPAWN(0),
        SEASON_POST_SPAWN(0),
        SEASON_SUMMER(0),
        SEASON_AUTUMN(0);

        private final int arity;

        Subject(int arity) {
            this.arity = arity;
        }

        static Subject of(lochan.core.tackle.SeasonStage stage) {
            return switch (stage) {
                case WINTER -> SEASON_WINTER;
                case PRE_SPAWN -> SEASON_PRE_SPAWN;
                case SPAWN -> SEASON_SPAWN;
                case POST_SPAWN -> SEASON_POST_SPAWN;
                case SUMMER -> SEASON_SUMMER;
                case AUTUMN -> SEASON_AUTUMN;
            };
        }

        @Override
        public int arity() {
            return arity;
        }

        @Override
        public String file() {
            return "lures";
        }
    }
}
