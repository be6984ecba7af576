package lochan.eventformat;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import lochan.core.Assumptions;
import lochan.core.Reason;
import lochan.core.lures.advice.FishLevel;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.lures.rigging.RigPart;
import lochan.core.lures.rigging.RigPart.Part;
import lochan.core.lures.rigging.Rigging;
import lochan.core.practice.Surface;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RiggingTest {

    private static final Assumptions.LureAdvice A = Assumptions.DEFAULTS.advice();

    /** A part in words. */
    private record Said(String choice, String why, String others) {

        static Said of(RigPart p) {
            return new Said(text(p.choice()), text(p.why()), p.others() == null ? "" : text(p.others()));
        }

        private static String text(Reason reason) {
            return Wording.text(reason, Units.USUAL);
        }
    }

    private static Map<Part, Said> of(String lure, SituationBuilder at) {
        Lure sheet = Catalogue.lures().stream()
                .filter(l -> l.id().equals(lure))
                .findFirst()
                .orElseThrow();
        Map<Part, Said> parts = new EnumMap<>(Part.class);
        Rigging.of(sheet, at.build(), A).forEach(p -> parts.put(p.part(), Said.of(p)));
        return parts;
    }

    @SafeVarargs
    private static <E> E any(Random random, E... values) {
        int i = random.nextInt(values.length + 1);
        return i == values.length ? null : values[i];
    }

    private static Situation situation(Random random) {
        return SituationBuilder.builder()
                .visibilityM(any(random, 0.2, 0.8, 3.0))
                .surface(any(random, Surface.values()))
                .stage(any(random, SeasonStage.values()))
                .forage(any(random, Forage.values()))
                .fishDepthM(any(random, 1.0, 5.0))
                .level(any(random, FishLevel.values()))
                .waterDepthM(any(random, 2.0, 8.0))
                .mood(any(random, Mood.values()))
                .cover(any(random, Cover.values()))
                .coverTopM(any(random, 1.5))
                .pressured(any(random, true, false))
                .front(any(random, true, false))
                .fishGrams(any(random, 400.0, 1000.0, 2500.0))
                .vertical(any(random, true, false))
                .build();
    }

    @Test
    void everyLureIsRiggedInEverySituationWithAReasonForEachPart() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            Situation at = situation(random);
            for (Lure lure : Catalogue.lures()) {
                List<RigPart> parts = Rigging.of(lure, at, A);
                assertThat(parts)
                        .as(lure.id())
                        .extracting(RigPart::part)
                        .doesNotHaveDuplicates()
                        .contains(Part.SIZE, Part.WEIGHT, Part.HOOK, Part.LINE, Part.ROD, Part.REEL)
                        .isSorted();
                assertThat(parts).allSatisfy(p -> {
                    assertThat(Said.of(p).choice()).isNotBlank();
                    assertThat(Said.of(p).why()).isNotBlank();
                });
            }
        }
    }

    /** Bigger bait for a bigger fish, as small as the fry, smaller where it is crowded and cold; one big meal for fish that hang. */
    @ParameterizedTest
    @CsvSource({
        "2500, , false, , usual-up",
        "400, , false, , small",
        ", fry, false, , small",
        ", panfish, false, , large",
        ", , true, , small",
        "2500, , true, , usual",
        ", , false, winter, small"
    })
    void sizeFollowsFishForageAndPressure(Double fish, String forage, boolean pressured, String stage, String size) {
        SituationBuilder at = SituationBuilder.builder()
                .fishGrams(fish)
                .forage(
                        forage == null
                                ? null
                                : Arrays.stream(Forage.values())
                                        .filter(f -> f.code().equals(forage))
                                        .findFirst()
                                        .orElseThrow())
                .pressured(pressured)
                .stage(stage == null ? null : SeasonStage.WINTER);
        assertThat(of("swim-jig", at).get(Part.SIZE).choice()).startsWith(size.equals("usual-up") ? "large" : size);
    }

    @Test
    void fishThatHangAndDoNotFeedGetOneBigMealEvenWhereTheWaterIsPressured() {
        SituationBuilder at = SituationBuilder.builder()
                .level(FishLevel.SUSPENDED)
                .mood(Mood.INACTIVE)
                .pressured(true);
        assertThat(of("big-underspin", at).get(Part.SIZE).choice()).startsWith("large");
    }

    @Test
    void hookLineAndReelFollowCoverDepthAndLure() {
        SituationBuilder brush = SituationBuilder.builder().cover(Cover.BRUSH).waterDepthM(6.0);
        assertThat(of("drop-shot", brush).get(Part.HOOK).choice()).startsWith("straight-shank");
        assertThat(of("drop-shot", SituationBuilder.builder()).get(Part.HOOK).choice())
                .startsWith("light-wire");
        assertThat(of("drop-shot", brush.coverTopM(5.0).fishDepthM(4.0))
                        .get(Part.HOOK)
                        .choice())
                .as("above the brush nothing hangs up")
                .startsWith("light-wire");

        Map<Part, Said> diver = of("deep-crankbait", SituationBuilder.builder());
        assertThat(diver.get(Part.LINE).choice()).isEqualTo("fluorocarbon, 10 lb");
        assertThat(diver.get(Part.LINE).others()).contains("braid");
        assertThat(diver.get(Part.REEL).choice()).startsWith("slow");

        Map<Part, Said> spoon = of("jigging-spoon", SituationBuilder.builder());
        assertThat(spoon.get(Part.HOOK).others()).contains("assist hook");
        assertThat(spoon.get(Part.ROD).why()).startsWith("stiff");

        Map<Part, Said> jig = of(
                "football-jig",
                SituationBuilder.builder()
                        .stage(SeasonStage.WINTER)
                        .mood(Mood.INACTIVE)
                        .waterDepthM(8.0));
        assertThat(jig.get(Part.WEIGHT).others()).contains("1/2 oz").contains("falls slowly");
        assertThat(jig.get(Part.TRAILER).choice()).contains("still");
        assertThat(of("hollow-frog", SituationBuilder.builder().cover(Cover.THICK_GRASS))
                        .get(Part.LINE)
                        .choice())
                .isEqualTo("braid, 80 lb");
        assertThat(of("drop-shot", SituationBuilder.builder().visibilityM(3.0)))
                .containsKey(Part.LEADER)
                .doesNotContainKey(Part.TRAILER);
    }
}
