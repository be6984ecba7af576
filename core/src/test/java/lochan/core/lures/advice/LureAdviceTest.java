package lochan.core.lures.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.ReasonCode;
import lochan.core.lake.BankSide;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.SampleTackle;
import lochan.core.tackle.SeasonStage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LureAdviceTest {

    private static final Assumptions.LureAdvice A = Assumptions.DEFAULTS.advice();

    private static Situation water(
            Light light, Surface surface, double depthM, Double visibilityM, ClarityTrend clarity) {
        return SituationBuilder.builder()
                .waterTempC(22.0)
                .visibilityM(visibilityM)
                .clarity(clarity)
                .light(light)
                .surface(surface)
                .stage(SeasonStage.POST_SPAWN)
                .waterDepthM(depthM)
                .cover(Cover.OPEN)
                .build();
    }

    private static Situation fish(Double fishDepthM, TakenOn takenOn, Double waterDepthM, Mood mood) {
        return SituationBuilder.builder()
                .fishDepthM(fishDepthM)
                .takenOn(takenOn)
                .waterDepthM(waterDepthM)
                .mood(mood)
                .build();
    }

    private static double points(Lure lure, Situation at, Rule rule) {
        return LureAdvice.of(lure, at).reasons().stream()
                .filter(r -> r.judgement().rule() == rule)
                .mapToDouble(LureAdvice.WeightedJudgement::points)
                .sum();
    }

    private static Reason reason(Lure lure, Situation at, Rule rule) {
        return LureAdvice.of(lure, at).reasons().stream()
                .filter(r -> r.judgement().rule() == rule)
                .map(r -> r.judgement().reason())
                .findFirst()
                .orElseThrow();
    }

    private static Lure best(Situation at, Lure... of) {
        return LureAdvice.ranked(List.of(of), at, Map.of(), A).getFirst().lure();
    }

    @Test
    void topwaterAtDawnAndNotUnderAHighSunOrInAChop() {
        assertThat(best(
                        water(Light.LOW, Surface.CALM, 2, 1.0, null),
                        SampleTackle.DIVER,
                        SampleTackle.WALKER,
                        SampleTackle.FOOTBALL))
                .isSameAs(SampleTackle.WALKER);
        assertThat(points(SampleTackle.WALKER, water(Light.BRIGHT, Surface.CALM, 2, 1.0, null), Rule.LIGHT))
                .isNegative();
        assertThat(points(SampleTackle.WALKER, water(Light.LOW, Surface.CHOP, 2, 1.0, null), Rule.WIND))
                .isNegative();
        assertThat(points(SampleTackle.JIG, water(Light.LOW, Surface.RIPPLE, 2, 1.0, null), Rule.WIND))
                .isPositive();
    }

    @Test
    void muddyWaterWantsWhatIsFeltAndTheTrendCounts() {
        assertThat(points(SampleTackle.SWIMBAIT, water(null, null, 3, 0.2, null), Rule.CLARITY))
                .isNegative();
        assertThat(points(SampleTackle.DIVER, water(null, null, 3, 0.2, null), Rule.CLARITY))
                .isPositive();
        assertThat(points(SampleTackle.WORM, water(null, null, 3, 2.0, null), Rule.CLARITY))
                .isPositive();
        assertThat(reason(SampleTackle.SWIMBAIT, water(null, null, 3, 0.8, ClarityTrend.CLEARING), Rule.CLARITY_TREND))
                .isEqualTo(LureReason.CLEARING.with());
        assertThat(points(SampleTackle.SWIMBAIT, water(null, null, 3, 0.8, ClarityTrend.CLEARING), Rule.CLARITY_TREND))
                .isPositive();
        assertThat(points(SampleTackle.SWIMBAIT, water(null, null, 3, 0.8, ClarityTrend.MUDDYING), Rule.CLARITY_TREND))
                .isNegative();
    }

    @Test
    void fishOffTheBottomAreFishedThroughNotUnder() {
        Situation hanging = fish(3.35, TakenOn.SUSPENDED, 7.0, null);
        assertThat(reason(SampleTackle.SWIMBAIT, hanging, Rule.SUSPENDED))
                .isEqualTo(LureReason.FALLS_THROUGH.with(
                        LureReason.Subject.SUSPENDED_AT.with(Measure.depth(3.35)),
                        Measure.depth(2.75),
                        Measure.depth(3.35)));
        assertThat(points(SampleTackle.FOOTBALL, hanging, Rule.SUSPENDED)).isEqualTo(-1);
        assertThat(LureAdvice.of(SampleTackle.FOOTBALL, hanging).ruledOut()).isTrue();
        Situation falling = fish(3.35, TakenOn.FALL, 7.0, null);
        assertThat(points(SampleTackle.FOOTBALL, falling, Rule.SUSPENDED)).isPositive();
        assertThat(points(SampleTackle.DIVER, falling, Rule.SUSPENDED)).isZero();
    }

    @Test
    void atTheFishOrUpToTwoFeetAbove() {
        assertThat(points(SampleTackle.JIG, fish(2.0, null, 3.0, null), Rule.DEPTH))
                .isEqualTo(1.5);
        assertThat(points(SampleTackle.JIG, fish(3.0, null, 3.0, null), Rule.DEPTH))
                .isEqualTo(0.75);
        assertThat(points(SampleTackle.JIG, fish(6.0, null, 7.0, null), Rule.DEPTH))
                .isEqualTo(-1.5);
        assertThat(reason(SampleTackle.DIVER, fish(1.0, null, 6.0, null), Rule.DEPTH))
                .isEqualTo(LureReason.TOO_DEEP.with(LureReason.Subject.FISH_AT.with(Measure.depth(1))));
    }

    @Test
    void whatIsSeenFromFarCallsFishUpAndTheRestDoesNot() {
        assertThat(points(SampleTackle.WALKER, seen(4.6, 5.0), Rule.DEPTH)).isPositive();
        assertThat(points(SampleTackle.WALKER, seen(4.6, 0.4), Rule.DEPTH)).isEqualTo(-1.5);
        assertThat(points(SampleTackle.UMBRELLA, seen(11, 4.0), Rule.DEPTH)).isPositive();
        assertThat(points(SampleTackle.JIG, seen(4.6, 5.0), Rule.DEPTH)).isEqualTo(-1.5);
    }

    private static Situation seen(double fishDepthM, double visibilityM) {
        return SituationBuilder.builder()
                .fishDepthM(fishDepthM)
                .visibilityM(visibilityM)
                .level(FishLevel.BOTTOM)
                .build();
    }

    @Test
    void coverBelowTheLureDoesNotRuleItOut() {
        SituationBuilder over = SituationBuilder.builder()
                .cover(Cover.TIMBER)
                .level(FishLevel.OVER_COVER)
                .fishDepthM(3.0)
                .waterDepthM(9.0);
        assertThat(LureAdvice.of(SampleTackle.SWIMBAIT, over.build()).ruledOut())
                .isTrue();
        assertThat(LureAdvice.of(SampleTackle.SWIMBAIT, over.coverTopM(4.0).build())
                        .ruledOut())
                .isFalse();
        assertThat(LureAdvice.of(SampleTackle.FOOTBALL, over.build()).ruledOut())
                .as("worked on the bottom, among it")
                .isTrue();
    }

    @Test
    void temperatureTellsTheStageWhereNobodySays() {
        Assumptions.Seasons seasons = A.seasons();
        assertThat(SituationBuilder.builder()
                        .waterTempC(7.0)
                        .build()
                        .withStage(seasons)
                        .stage())
                .isEqualTo(SeasonStage.WINTER);
        assertThat(SituationBuilder.builder()
                        .waterTempC(13.0)
                        .build()
                        .withStage(seasons)
                        .stage())
                .isEqualTo(SeasonStage.PRE_SPAWN);
        assertThat(SituationBuilder.builder()
                        .waterTempC(13.0)
                        .tempTrend(TempTrend.COOLING)
                        .build()
                        .withStage(seasons)
                        .stage())
                .isEqualTo(SeasonStage.AUTUMN);
        assertThat(Situation.UNKNOWN.withStage(seasons)).isEqualTo(Situation.UNKNOWN);
    }

    @Test
    void aLureIsWorkedWhereTheFishAre() {
        Lure held = LureBuilder.builder(SampleTackle.WORM)
                .retrieves(List.of(Retrieve.DRAG, Retrieve.VERTICAL))
                .build();
        Situation hanging = fish(3.35, TakenOn.SUSPENDED, 7.0, null);
        assertThat(points(held, hanging, Rule.SUSPENDED)).isPositive();
        assertThat(LureAdvice.of(held, hanging).retrieve(hanging)).isEqualTo(Retrieve.VERTICAL);
        assertThat(LureAdvice.of(held, seen(5, 2)).retrieve(seen(5, 2))).isEqualTo(Retrieve.DRAG);
    }

    @Test
    void underTheBoatOnlyInTwelveFeet() {
        assertThat(reason(SampleTackle.SPOON, fish(null, null, 3.0, null), Rule.VERTICAL))
                .isEqualTo(
                        LureReason.TOO_SHALLOW_FOR_VERTICAL.with(Measure.depth(A.verticalFromM()), Measure.depth(3)));
        assertThat(points(SampleTackle.SPOON, fish(null, null, 4.0, null), Rule.VERTICAL))
                .isZero();
    }

    @Test
    void willingFishAreSearchedForAndUnwillingOnesPickedAt() {
        Situation active = fish(null, null, null, Mood.ACTIVE);
        Situation inactive = fish(null, null, null, Mood.INACTIVE);
        assertThat(best(active, SampleTackle.WORM, SampleTackle.SWIMBAIT)).isSameAs(SampleTackle.SWIMBAIT);
        assertThat(best(inactive, SampleTackle.SWIMBAIT, SampleTackle.WORM)).isSameAs(SampleTackle.WORM);
    }

    /** A reason that no situation gives would be a dead row of the table. */
    @Test
    void givesEveryReasonInSomeSituation() {
        Random random = new Random(11);
        Set<ReasonCode> given = new HashSet<>();
        for (int i = 0; i < 4000; i++) {
            Situation at = any(random);
            variants(SampleTackle.ALL.get(i % SampleTackle.ALL.size())).forEach(l -> LureAdvice.of(l, at)
                    .reasons()
                    .forEach(r -> given.add(r.judgement().reason().code())));
        }
        assertThat(given).contains(LureReason.values());
    }

    private static List<Lure> variants(Lure lure) {
        return List.of(
                lure,
                LureBuilder.builder(lure).moods(Set.of(Mood.values())).build(),
                LureBuilder.builder(lure).moods(Set.of(Mood.ACTIVE)).build(),
                LureBuilder.builder(lure).cover(Set.of(Cover.TIMBER)).build(),
                LureBuilder.builder(lure)
                        .retrieves(List.of(Retrieve.DRAG, Retrieve.VERTICAL))
                        .build());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void adviceOnlyLeansAPriorAndAWeightOfNoughtSilencesARule(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 50; i++) {
            Situation at = any(random);
            for (Lure lure : SampleTackle.ALL) {
                LureAdvice advice = LureAdvice.of(lure, at);
                assertThat(advice.suitability(A)).isBetween(0.6, 1.5);
                assertThat(advice.score())
                        .isCloseTo(
                                advice.reasons().stream()
                                        .mapToDouble(LureAdvice.WeightedJudgement::points)
                                        .sum(),
                                within(1e-9));
                Map<Rule, Double> silent = new java.util.EnumMap<>(Rule.class);
                Arrays.stream(Rule.values()).forEach(r -> silent.put(r, 0.0));
                assertThat(LureAdvice.of(lure, at, silent, A).suitability(A)).isEqualTo(1);
                assertThat(LureAdvice.of(lure, at, silent, A).ruledOut()).isFalse();
            }
        }
    }

    @Test
    void nothingKnownSaysNothing() {
        assertThat(SampleTackle.ALL)
                .allSatisfy(l -> assertThat(LureAdvice.of(l, Situation.UNKNOWN).reasons())
                        .isEmpty());
    }

    private static <E> E one(E[] of, Random random) {
        int i = random.nextInt(of.length + 1);
        return i == of.length ? null : of[i];
    }

    private static Double some(Random random, double most) {
        return random.nextInt(4) == 0 ? null : Double.valueOf(0.1 + most * random.nextDouble());
    }

    private static Situation any(Random random) {
        return SituationBuilder.builder()
                .waterTempC(some(random, 30))
                .tempTrend(one(TempTrend.values(), random))
                .visibilityM(some(random, 3))
                .clarity(one(ClarityTrend.values(), random))
                .light(one(Light.values(), random))
                .surface(one(Surface.values(), random))
                .bank(one(BankSide.values(), random))
                .stage(one(SeasonStage.values(), random))
                .forage(one(Forage.values(), random))
                .fishDepthM(some(random, 8))
                .level(one(FishLevel.values(), random))
                .coverTopM(some(random, 5))
                .vertical(random.nextBoolean() ? null : random.nextBoolean())
                .takenOn(one(TakenOn.values(), random))
                .waterDepthM(some(random, 9))
                .mood(one(Mood.values(), random))
                .cover(one(Cover.values(), random))
                .pressured(random.nextBoolean() ? null : random.nextBoolean())
                .front(random.nextBoolean())
                .build();
    }
}
