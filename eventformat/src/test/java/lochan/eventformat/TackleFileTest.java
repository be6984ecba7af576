package lochan.eventformat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.lures.path.Cast;
import lochan.core.lures.path.LureMotion;
import lochan.core.lures.path.LurePath;
import lochan.core.lures.path.WaterSlice;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Presentation;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Power;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.core.tackle.SeasonStage;
import lochan.core.tackle.Tackle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TackleFileTest {

    private static Tackle read(String json) throws EventFileException, IOException {
        return TackleFile.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
    }

    private static String sheet(Lure lure) {
        return TackleFile.json(lure);
    }

    @Test
    void theCatalogueHasEveryKindAndASheetForEveryPresentationThatIsOffered() {
        List<Lure> lures = Catalogue.lures();
        assertThat(lures).hasSizeGreaterThanOrEqualTo(35);
        assertThat(lures).extracting(Lure::id).doesNotHaveDuplicates();
        assertThat(lures).extracting(Lure::name).doesNotHaveDuplicates();
        assertThat(Presentation.COMMON).allSatisfy(p -> assertThat(lures).anySatisfy(l -> {
            assertThat(l.id()).isEqualTo(p.id());
            assertThat(l.name()).isEqualTo(p.name());
            assertThat(l.hooking().kind()).isEqualTo(p.hooks());
        }));
        assertThat(lures)
                .extracting(Lure::family)
                .contains(Arrays.stream(Family.values())
                        .filter(f -> f != Family.LIVE_BAIT)
                        .toArray(Family[]::new));
        for (Cover cover : Cover.values()) {
            assertThat(lures).anyMatch(l -> l.cover().contains(cover));
        }
        for (SeasonStage stage : SeasonStage.values()) {
            assertThat(lures.stream().filter(l -> l.stages().contains(stage)).count())
                    .as(stage.code())
                    .isGreaterThan(5);
        }
        for (Mood mood : Mood.values()) {
            assertThat(lures.stream().filter(l -> l.moods().contains(mood)).count())
                    .as(mood.code())
                    .isGreaterThan(5);
        }
    }

    @Test
    void everyLureOfTheCatalogueComesToTheDepthsItIsToldFor() {
        Assumptions a = Assumptions.DEFAULTS;
        for (Lure lure : Catalogue.lures()) {
            double middle = Math.max(0.5, (lure.depth().from() + lure.depth().to()) / 2);
            FishingLine line = new FishingLine(
                    lure.tackle().lines().getFirst(), lure.tackle().strengthKg().from());
            LureMotion motion = new LureMotion(lure, null, line, List.of(), a.lurePath());
            LurePath path = LurePath.of(
                    motion,
                    new Cast(30, lure.retrieves().getFirst(), Math.max(0.15, lure.speedMps()), null, false),
                    new WaterSlice(middle, middle, 0, null),
                    a);
            boolean surface = lure.motion() instanceof lochan.core.tackle.Motion.Surface;
            assertThat(path.zoneShare() > 0.1 || (surface && path.deepestM() == 0))
                    .as(lure.id() + " in " + middle + " m: " + path.zoneShare())
                    .isTrue();
        }
    }

    @Test
    void tackleGoesOutAndComesBackAsItWas() throws EventFileException, IOException {
        FishingLine braid = new FishingLine(FishingLine.Kind.BRAID, 18.14);
        FishingLine leader = new FishingLine(FishingLine.Kind.FLUOROCARBON, 3.63);
        Tackle all = new Tackle(
                Catalogue.lures(),
                List.of(
                        RodBuilder.builder()
                                .id("r")
                                .name("Grass rod")
                                .lengthM(2.18)
                                .power(Power.MEDIUM_HEAVY)
                                .action(RodAction.FAST)
                                .turnM(0.79)
                                .line(braid)
                                .leader(leader)
                                .inBoat(true)
                                .entered(Map.of("length", "7-2"))
                                .build(),
                        RodBuilder.builder()
                                .id("s")
                                .name("Spare")
                                .lengthM(2)
                                .power(Power.LIGHT)
                                .action(RodAction.MODERATE)
                                .line(leader)
                                .inBoat(false)
                                .entered(Map.of())
                                .build()),
                List.of(
                        BoxItemBuilder.builder()
                                .id("i")
                                .kind(BoxItem.Kind.LURE)
                                .name("Swim jig, white")
                                .lureId("swim-jig")
                                .grams(10.6)
                                .colour(ColourFamily.BOLD)
                                .count(3)
                                .inBoat(true)
                                .entered(Map.of("grams", "3/8"))
                                .build(),
                        BoxItemBuilder.builder()
                                .id("l")
                                .kind(BoxItem.Kind.LEADER)
                                .name("Leader")
                                .line(leader)
                                .count(1)
                                .inBoat(false)
                                .entered(Map.of())
                                .build()),
                List.of(new LureObservation(
                        "o", "medium-crankbait", LureObservation.Saw.DIVE, 3.35, null, 30.0, 14.2, leader)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        TackleFile.write(all, out);
        assertThat(TackleFile.read(new ByteArrayInputStream(out.toByteArray()))).isEqualTo(all);
        assertThat(TackleFile.lure(sheet(Catalogue.lures().getFirst())))
                .isEqualTo(Catalogue.lures().getFirst());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{} | /lochanTackle: missing",
                "[ | is no JSON",
                "{\"lochanTackle\":1,\"rods\":[{\"id\":\"r\",\"name\":\"x\",\"lengthM\":2,\"power\":\"steel\",\"action\":\"fast\",\"line\":{\"kind\":\"braid\",\"strengthKg\":9}}]} | /rods/0/power: found \"steel\"",
                "{\"lochanTackle\":1,\"rods\":[{\"id\":\"r\",\"name\":\"x\",\"lengthM\":2,\"power\":\"light\",\"action\":\"fast\"}]} | /rods/0/line: missing",
                "{\"lochanTackle\":1,\"observations\":[{\"id\":\"o\",\"lure\":\"tube\",\"saw\":\"fall\",\"depthM\":2,\"line\":{\"kind\":\"braid\",\"strengthKg\":9}}]} | /observations/0/seconds: missing",
                "{\"lochanTackle\":1,\"box\":[{\"id\":\"b\",\"kind\":\"lure\",\"name\":\"x\"},{\"id\":\"b\",\"kind\":\"hooks\",\"name\":\"y\"}]} | a second time",
                "{\"lochanTackle\":1,\"lures\":[{\"id\":\"x\",\"name\":\"X\",\"family\":\"jig\"}]} | /lures/0"
            })
    void aFileThatIsWrongIsRefusedWithItsPlace(String json, String message) {
        EventFileException refused = catchThrowableOfType(EventFileException.class, () -> read(json));
        assertThat(refused.problems()).anyMatch(p -> p.toString().contains(message));
    }

    @Test
    void aSheetWithAWrongValueSaysWhatWasExpected() {
        Set<String> said = new HashSet<>();
        String good = sheet(Catalogue.lures().getFirst());
        for (String[] change : new String[][] {
            {"\"sight\":0.7", "\"sight\":7"},
            {"[\"twitch\"]", "[\"wiggle\"]"},
            {"\"kind\":\"surface\"", "\"kind\":\"flies\""},
            {"[0.0,2.5]", "[2.5]"}
        }) {
            assertThat(good).contains(change[0]);
            EventFileException refused = catchThrowableOfType(
                    EventFileException.class,
                    () -> read("{\"lochanTackle\":1,\"lures\":[" + good.replace(change[0], change[1]) + "]}"));
            said.add(refused.problems().getFirst().toString());
        }
        assertThat(said)
                .anyMatch(s -> s.contains("sight"))
                .anyMatch(s -> s.contains("\"wiggle\", expected some of steady"))
                .anyMatch(s -> s.contains("surface, dives, sinks"))
                .anyMatch(s -> s.contains("expected two, the lower first"));
    }
}
