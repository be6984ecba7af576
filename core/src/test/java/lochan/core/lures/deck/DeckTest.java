package lochan.core.lures.deck;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.Reason;
import lochan.core.Sample;
import lochan.core.event.Gear;
import lochan.core.eventdata.EventData;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.plan.PlanStop;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Hooks;
import lochan.core.practice.Presentation;
import lochan.core.practice.Surface;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Power;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.core.tackle.SampleTackle;
import lochan.core.tackle.Tackle;
import org.junit.jupiter.api.Test;

class DeckTest {

    private static final EventData EVENT = Sample.practiced(5, 1);
    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;

    private static PlanStop stop(String spot, String presentation, String arrive, String leave) {
        return new PlanStop(spot, presentation, Sample.at("06-05T" + arrive), Sample.at("06-05T" + leave));
    }

    private static final List<PlanStop> PLAN = List.of(
            stop("grass-1", "walker", "06:30", "07:30"),
            stop("grass-2", "swim-jig", "08:00", "10:00"),
            stop("ledge-1", "drop-shot", "10:30", "11:00"),
            stop("grass-3", "swim-jig", "11:30", "12:30"));

    private static DeckList deck(List<PlanStop> plan, List<PlanStop> backups, Rod... rods) {
        return DeckList.of(EVENT, plan, backups, SampleTackle.with(rods), Map.of(), ASSUMPTIONS);
    }

    @Test
    void everyStopHasItsRodWhenThereAreEnoughAndTheyStandInTheOrderOfTheDay() {
        DeckList deck = deck(
                PLAN,
                List.of(),
                SampleTackle.rod("heavy", Power.MEDIUM_HEAVY, 6),
                SampleTackle.rod("light", Power.MEDIUM_LIGHT, 5),
                SampleTackle.rod("middle", Power.MEDIUM, 6),
                SampleTackle.rod("spare", Power.HEAVY, 6));
        assertThat(deck.rows())
                .extracting(r -> r.rod().id(), r -> r.setup().lure().id())
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("middle", "walker"),
                        org.assertj.core.groups.Tuple.tuple("heavy", "swim-jig"),
                        org.assertj.core.groups.Tuple.tuple("light", "drop-shot"));
        assertThat(deck.demands()).allSatisfy(d -> assertThat(d.share()).isEqualTo(1));
        assertThat(deck.rows().get(1).stops()).containsExactly(1, 3);
    }

    @Test
    void oneRodFewerTellsWhichStopsSuffer() {
        DeckList deck = deck(
                PLAN,
                List.of(),
                SampleTackle.rod("heavy", Power.MEDIUM_HEAVY, 6),
                SampleTackle.rod("middle", Power.MEDIUM, 6));
        assertThat(deck.demands().get(2).share()).isLessThan(1);
        assertThat(deck.without()).allSatisfy(w -> assertThat(w.hours()).isPositive());
        assertThat(deck.without().stream()
                        .filter(w -> deck.rows().get(w.row()).rod().id().equals("heavy"))
                        .findFirst()
                        .orElseThrow()
                        .suffers())
                .isNotEmpty();
        assertThat(deck(PLAN, List.of()).demands())
                .allSatisfy(d -> assertThat(d.row()).isNull());
    }

    @Test
    void aBackupCountsHalfAndAPresentationWithoutASheetIsTold() {
        DeckList deck = deck(
                List.of(stop("grass-1", "walker", "06:30", "07:30"), stop("grass-2", "mystery", "08:00", "09:00")),
                List.of(stop("ledge-1", "drop-shot", "06:30", "08:00")),
                SampleTackle.rod("any", Power.MEDIUM, 5));
        assertThat(deck.rows())
                .singleElement()
                .satisfies(r -> assertThat(r.setup().lure().id()).isEqualTo("walker"));
        assertThat(deck.noSheet()).containsExactly("mystery");
    }

    @Test
    void depthWindMoodAndCoverChooseTheWeight() {
        Lure jig = SampleTackle.FOOTBALL;
        assertThat(grams(jig, 2, null, null, null)).isEqualTo(7.1);
        assertThat(grams(jig, 10, null, null, null)).isEqualTo(14.2);
        assertThat(grams(jig, 6.25, Surface.CHOP, null, null)).isEqualTo(14.2);
        assertThat(grams(jig, 5, null, null, Cover.ROCK)).isEqualTo(14.2);
        assertThat(grams(jig, 2, null, null, Cover.THICK_GRASS)).isEqualTo(14.2);
        assertThat(grams(jig, 6.25, null, Mood.INACTIVE, null))
                .as("slow is the hand")
                .isEqualTo(10.6);
        assertThat(grams(SampleTackle.SWIMBAIT, 4.5, null, null, null)).isEqualTo(10.6);
        assertThat(grams(SampleTackle.SWIMBAIT, 4.5, null, Mood.INACTIVE, null)).isEqualTo(7.1);
    }

    private static double grams(Lure lure, double depthM, Surface surface, Mood mood, Cover cover) {
        Situation at = SituationBuilder.builder()
                .surface(surface)
                .waterDepthM(depthM)
                .mood(mood)
                .cover(cover)
                .build();
        return Setup.of(lure, at, Tackle.NONE, ASSUMPTIONS.advice()).grams();
    }

    @Test
    void clarityAndItsTrendChooseTheColourAndTheBoxGoesFirst() {
        assertThat(colour(0.2, null)).isEqualTo(ColourFamily.BOLD);
        assertThat(colour(0.8, null)).isEqualTo(ColourFamily.MIXED);
        assertThat(colour(0.8, ClarityTrend.CLEARING)).isEqualTo(ColourFamily.NATURAL);
        assertThat(colour(2.0, ClarityTrend.MUDDYING)).isEqualTo(ColourFamily.MIXED);
        BoxItem bold = item("bold", 14.2, ColourFamily.BOLD);
        BoxItem natural = item("natural", 17.7, ColourFamily.NATURAL);
        Tackle tackle = new Tackle(SampleTackle.ALL, List.of(), List.of(bold, natural), List.of());
        Situation clear =
                SituationBuilder.builder().visibilityM(2.0).waterDepthM(10.0).build();
        Setup setup = Setup.of(SampleTackle.FOOTBALL, clear, tackle, ASSUMPTIONS.advice());
        assertThat(setup.grams()).isEqualTo(17.7);
        assertThat(setup.fromBox(tackle)).containsExactly(natural, bold);
        BoxItem tooHeavy = item("heavy", 28.3, ColourFamily.NATURAL);
        assertThat(Setup.of(
                                SampleTackle.FOOTBALL,
                                clear,
                                new Tackle(SampleTackle.ALL, List.of(), List.of(bold, tooHeavy), List.of()),
                                ASSUMPTIONS.advice())
                        .grams())
                .isEqualTo(14.2);
    }

    private static ColourFamily colour(double visibilityM, ClarityTrend trend) {
        return Setup.colour(
                SituationBuilder.builder()
                        .visibilityM(visibilityM)
                        .clarity(trend)
                        .build(),
                ASSUMPTIONS.advice());
    }

    private static BoxItem item(String id, double grams, ColourFamily colour) {
        return BoxItemBuilder.builder()
                .id(id)
                .kind(BoxItem.Kind.LURE)
                .name(id)
                .lureId("football-jig")
                .grams(grams)
                .colour(colour)
                .count(2)
                .inBoat(true)
                .entered(Map.of())
                .build();
    }

    @Test
    void aRodFitsByPowerActionAndLine() {
        assertThat(RodFit.of(SampleTackle.rod("r", Power.MEDIUM_HEAVY, 6), SampleTackle.FOOTBALL))
                .isEqualTo(new RodFit(1, List.of()));
        assertThat(RodFit.of(SampleTackle.rod("r", Power.MEDIUM, 6), SampleTackle.FOOTBALL)
                        .share())
                .isEqualTo(0.6);
        assertThat(RodFit.of(SampleTackle.rod("r", Power.LIGHT, 6), SampleTackle.FOOTBALL)
                        .share())
                .isLessThan(ASSUMPTIONS.deck().poorestRod());
        assertThat(RodFit.of(SampleTackle.rod("r", Power.MEDIUM_HEAVY, 14), SampleTackle.FOOTBALL)
                        .reasons())
                .containsExactly(RodReason.HEAVY_LINE.with());
        Rod braided = RodBuilder.builder()
                .id("b")
                .name("b")
                .lengthM(2.1)
                .power(Power.MEDIUM_HEAVY)
                .action(RodAction.FAST)
                .line(new FishingLine(FishingLine.Kind.BRAID, 6))
                .inBoat(true)
                .entered(Map.of())
                .build();
        assertThat(RodFit.of(braided, SampleTackle.FOOTBALL).reasons()).containsExactly(RodReason.ADD_LEADER.with());
    }

    private static List<Reason> found(Gear gear, int rods, Presentation... tiedOn) {
        return GearCheck.of(gear, List.of(tiedOn), SampleTackle.ALL, rods).stream()
                .flatMap(c -> Stream.of(c.found(), c.remedy()))
                .toList();
    }

    @Test
    void theBriefsGearRulesAreCheckedOfEveryKind() {
        Presentation umbrella = new Presentation("umbrella-rig", "Umbrella rig", Hooks.MULTI);
        Presentation walker = new Presentation("walker", "Walker", Hooks.TREBLE);
        Presentation own = new Presentation("minnow", "Live minnow", Hooks.SINGLE);
        assertThat(found(new Gear(null, List.of("umbrella-rigs")), 3, umbrella, walker))
                .containsExactly(
                        GearReason.BANNED.with("Umbrella rig", "umbrella rigs"), GearReason.TIE_SOMETHING_ELSE.with());
        assertThat(found(new Gear(null, List.of("topwater")), 3, walker))
                .first()
                .isEqualTo(GearReason.BANNED.with("Walker", "topwater"));
        assertThat(found(new Gear(3, List.of()), 3, umbrella))
                .containsExactly(GearReason.TOO_MANY_HOOKS.with("Umbrella rig", 5, 3), GearReason.USE_TEASERS.with(2));
        assertThat(found(new Gear(1, List.of()), 3, walker))
                .containsExactly(GearReason.TOO_MANY_HOOKS.with("Walker", 2, 1), GearReason.REMOVE_HOOKS.with(1));
        assertThat(found(new Gear(null, List.of(), 6, null), 8))
                .containsExactly(GearReason.TOO_MANY_RODS.with(8, 6), GearReason.UNRIG_RODS.with(2));
        assertThat(found(Gear.FREE, 20, umbrella, walker, own)).isEmpty();
        assertThat(found(new Gear(3, List.of("minnow")), 3, own)).hasSize(2);
    }

    @Test
    void liveBaitIsFoundWhereTheBriefSaysNone() {
        var j = SampleTackle.WORM;
        var minnow = LureBuilder.builder(j)
                .id("minnow")
                .name("Live minnow")
                .family(Family.LIVE_BAIT)
                .build();
        Presentation p = new Presentation("minnow", "Live minnow", Hooks.SINGLE);
        assertThat(GearCheck.of(new Gear(null, List.of(), null, false), List.of(p), List.of(minnow), 1))
                .singleElement()
                .satisfies(c -> assertThat(c.found()).isEqualTo(GearReason.LIVE_BAIT.with("Live minnow")));
        assertThat(GearCheck.of(new Gear(null, List.of(), null, true), List.of(p), List.of(minnow), 1))
                .isEmpty();
    }

    @Test
    void thePackingListStartsWithWhatLifeHangsOnAndKnowsTheFormat() {
        List<PackItem> list = PackItem.of(EVENT.event(), List.of());
        assertThat(list)
                .extracting(PackItem::code)
                .startsWith("life-jackets", "lanyard")
                .contains("scale", "balance", "livewell-pump", "batteries", "pliers", "tags", "hooks")
                .doesNotHaveDuplicates();
        assertThat(list.subList(0, 5)).allSatisfy(i -> assertThat(i.safety()).isTrue());
        List<PackItem> length = PackItem.of(
                Sample.tournament(lochan.core.event.Format.LIMIT_LENGTH, 5, List.of(Sample.LARGEMOUTH), null),
                List.of());
        assertThat(length).extracting(PackItem::code).contains("camera").doesNotContain("scale");
    }
}
