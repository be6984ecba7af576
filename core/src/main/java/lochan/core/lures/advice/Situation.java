package lochan.core.lures.advice;

import io.soabase.recordbuilder.core.RecordBuilder;
import lochan.core.Assumptions;
import lochan.core.lake.BankSide;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;

/**
 * What a spot is like in an hour; null: unknown.
 *
 * @param waterTempC  water temperature, °C
 * @param tempTrend   where it goes
 * @param visibilityM how deep a light lure is seen, m
 * @param clarity     where that goes
 * @param light       how much light comes down
 * @param surface     what the wind makes of the surface
 * @param bank        what the wind does to its bank
 * @param stage       where bass are in their year
 * @param forage      what they feed on
 * @param fishDepthM  how deep the fish are, m
 * @param level       where in the water they are
 * @param takenOn     whether they take at the bottom, above it, or on the fall
 * @param waterDepthM how deep the water is, m
 * @param mood        how willing they are
 * @param cover       what the lure has to come through
 * @param coverTopM   how deep its top is, m
 * @param pressured   whether others fish there, or were seen to
 * @param front       whether a front went through in the last day or so
 * @param fishGrams   what its fish weigh, in the middle, g
 * @param vertical    whether the angler wants to fish under the boat
 */
@RecordBuilder
public record Situation(
        Double waterTempC,
        TempTrend tempTrend,
        Double visibilityM,
        ClarityTrend clarity,
        Light light,
        Surface surface,
        BankSide bank,
        SeasonStage stage,
        Forage forage,
        Double fishDepthM,
        FishLevel level,
        TakenOn takenOn,
        Double waterDepthM,
        Mood mood,
        Cover cover,
        Double coverTopM,
        Boolean pressured,
        Boolean front,
        Double fishGrams,
        Boolean vertical) {

    private static final double JUST_UNDER_M = 0.3;

    public static final Situation UNKNOWN = SituationBuilder.builder().build();

    /** How deep a lure should come: to the fish where they were seen, else to where such fish are; to the bottom where nothing is known. */
    public Double aimM() {
        if (fishDepthM != null) {
            return fishDepthM;
        }
        if (level == FishLevel.SURFACE) {
            return JUST_UNDER_M;
        }
        if (level == FishLevel.OVER_COVER && coverTopM != null) {
            return Math.max(JUST_UNDER_M, coverTopM - JUST_UNDER_M);
        }
        return waterDepthM;
    }

    /**
     * Returns the situation with the stage of the year by temperature and its trend, where it is not given; warming or
     * steady water counts as spring.
     */
    public Situation withStage(Assumptions.Seasons s) {
        return stage != null || waterTempC == null
                ? this
                : SituationBuilder.builder(this).stage(stage(waterTempC, s)).build();
    }

    private SeasonStage stage(double water, Assumptions.Seasons s) {
        if (water < s.winterBelowC()) {
            return SeasonStage.WINTER;
        }
        if (water >= s.summerFromC()) {
            return SeasonStage.SUMMER;
        }
        if (tempTrend == TempTrend.COOLING) {
            return SeasonStage.AUTUMN;
        }
        if (water < s.spawnFromC()) {
            return SeasonStage.PRE_SPAWN;
        }
        return water < s.postSpawnFromC() ? SeasonStage.SPAWN : SeasonStage.POST_SPAWN;
    }

    /** Tells whether the fish's depth is unknown: they may be anywhere above the bottom. */
    public boolean anywhere() {
        return fishDepthM == null && level == null;
    }

    /** Whether the fish hang above the bottom. */
    public boolean suspended() {
        return level == FishLevel.SUSPENDED
                || (level != FishLevel.BOTTOM && (takenOn == TakenOn.SUSPENDED || takenOn == TakenOn.FALL));
    }

    /** Whether a lure at a depth passes over the top of the cover. */
    public boolean isOverCover(double depthM) {
        return coverTopM != null && depthM < coverTopM;
    }
}
