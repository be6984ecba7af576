package lochan.core.lures.advice;

import io.soabase.recordbuilder.core.RecordBuilder;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;

/**
 * What a spot is like in an hour; null where nobody knows.
 *
 * @param waterTempC  water temperature, °C
 * @param tempTrend   where it goes
 * @param visibilityM how deep a light lure is seen, m
 * @param clarity     where that goes
 * @param light       how much light comes down
 * @param surface     what the wind makes of the surface
 * @param stage       where bass are in their year
 * @param forage      what they feed on
 * @param fishDepthM  how deep the fish are, m
 * @param takenOn     whether they take at the bottom, above it, or on the fall
 * @param waterDepthM how deep the water is, m
 * @param mood        how willing they are
 * @param cover       what the lure has to come through
 * @param pressured   whether others fish there, or were seen to
 * @param front       whether a front went through in the last day or so
 */
@RecordBuilder
public record Situation(
        Double waterTempC,
        TempTrend tempTrend,
        Double visibilityM,
        ClarityTrend clarity,
        Light light,
        Surface surface,
        SeasonStage stage,
        Forage forage,
        Double fishDepthM,
        TakenOn takenOn,
        Double waterDepthM,
        Mood mood,
        Cover cover,
        Boolean pressured,
        Boolean front) {

    public static final Situation UNKNOWN = SituationBuilder.builder().build();

    /** How deep a lure should come: to the fish where they were seen, else to the bottom. */
    public Double aimM() {
        return fishDepthM == null ? waterDepthM : fishDepthM;
    }

    /** Whether the fish hang above the bottom. */
    public boolean suspended() {
        return takenOn == TakenOn.SUSPENDED || takenOn == TakenOn.FALL;
    }
}
