package lochan.core.tackle;

import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.practice.Hooks;

/** Sheets and rods for tests. */
public final class SampleTackle {

    public static final FishingLine LIGHT = new FishingLine(FishingLine.Kind.FLUOROCARBON, 5.58);
    public static final Lure JIG = lure(
            "swim-jig",
            Family.JIG,
            true,
            true,
            new Hooking(Hooks.SINGLE, 1, 0),
            0.3,
            2.5,
            new Motion.Sinks(0.4, 0.9),
            Retrieve.STEADY,
            0.5,
            Set.of(Cover.OPEN, Cover.SPARSE_GRASS, Cover.WOOD),
            Power.MEDIUM_HEAVY);
    public static final Lure WALKER = lure(
            "walker",
            Family.TOPWATER,
            true,
            true,
            new Hooking(Hooks.TREBLE, 2, 0),
            0,
            2.5,
            new Motion.Surface(),
            Retrieve.TWITCH,
            0.7,
            Set.of(Cover.OPEN, Cover.ROCK, Cover.SPARSE_GRASS),
            Power.MEDIUM);
    public static final Lure DIVER = lure(
            "deep-crankbait",
            Family.CRANKBAIT,
            true,
            true,
            new Hooking(Hooks.TREBLE, 2, 0),
            3.5,
            6.4,
            new Motion.Dives(6, 10, true),
            Retrieve.STEADY,
            0.4,
            Set.of(Cover.OPEN, Cover.ROCK),
            Power.MEDIUM_HEAVY);
    public static final Lure SWIMBAIT = lure(
            "jighead-swimbait",
            Family.SWIMBAIT,
            true,
            true,
            new Hooking(Hooks.SINGLE, 1, 0),
            1.5,
            9,
            new Motion.Sinks(0.5, 0.8),
            Retrieve.STEADY,
            0.8,
            Set.of(Cover.OPEN, Cover.ROCK),
            Power.MEDIUM);
    public static final Lure FOOTBALL = lure(
            "football-jig",
            Family.JIG,
            true,
            false,
            new Hooking(Hooks.SINGLE, 1, 0),
            2.5,
            10,
            new Motion.Sinks(0.8, 1.3),
            Retrieve.DRAG,
            0.4,
            Set.of(Cover.OPEN, Cover.ROCK),
            Power.MEDIUM_HEAVY);
    public static final Lure SPOON = lure(
            "jigging-spoon",
            Family.METAL,
            true,
            false,
            new Hooking(Hooks.TREBLE, 1, 0),
            4,
            16,
            new Motion.Sinks(1.3, 1.7),
            Retrieve.VERTICAL,
            0.5,
            Set.of(Cover.OPEN),
            Power.MEDIUM_HEAVY);
    public static final Lure WORM = lure(
            "drop-shot",
            Family.SOFT_PLASTIC,
            false,
            false,
            new Hooking(Hooks.SINGLE, 1, 0),
            1.5,
            12,
            new Motion.Sinks(0.9, 1.3),
            Retrieve.DRAG,
            0.5,
            Set.of(Cover.OPEN, Cover.ROCK, Cover.BRUSH),
            Power.MEDIUM_LIGHT);
    public static final Lure UMBRELLA = lure(
            "umbrella-rig",
            Family.SWIMBAIT,
            true,
            true,
            new Hooking(Hooks.MULTI, 5, 0),
            1,
            8,
            new Motion.Sinks(0.6, 1),
            Retrieve.STEADY,
            0.8,
            Set.of(Cover.OPEN),
            Power.HEAVY);
    public static final List<Lure> ALL = List.of(JIG, WALKER, DIVER, SWIMBAIT, FOOTBALL, SPOON, WORM, UMBRELLA);

    private SampleTackle() {}

    private static Lure lure(
            String id,
            Family family,
            boolean power,
            boolean search,
            Hooking hooking,
            double from,
            double to,
            Motion motion,
            Retrieve retrieve,
            double sight,
            Set<Cover> cover,
            Power rod) {
        return LureBuilder.builder()
                .id(id)
                .name(id.replace('-', ' '))
                .family(family)
                .power(power)
                .search(search)
                .hooking(hooking)
                .depth(new Lure.Range(from, to))
                .motion(motion)
                .speedMps(0.8)
                .retrieves(List.of(retrieve))
                .sight(sight)
                .cover(cover)
                .temperature(new Lure.Range(12, 28))
                .stages(Set.of(SeasonStage.POST_SPAWN, SeasonStage.SUMMER))
                .moods(power ? Set.of(Mood.ACTIVE, Mood.NEUTRAL) : Set.of(Mood.NEUTRAL, Mood.INACTIVE))
                .forage(Set.of(Forage.BAITFISH))
                .weights(List.of(7.1, 10.6, 14.2))
                .tackle(new Lure.Outfit(
                        List.of(FishingLine.Kind.FLUOROCARBON), new Lure.Range(4.5, 7), Set.of(rod), RodAction.FAST))
                .build();
    }

    public static Rod rod(String id, Power power, double strengthKg) {
        return RodBuilder.builder()
                .id(id)
                .name(id)
                .lengthM(2.13)
                .power(power)
                .action(RodAction.FAST)
                .turnM(0.7)
                .line(new FishingLine(FishingLine.Kind.FLUOROCARBON, strengthKg))
                .inBoat(true)
                .entered(Map.of())
                .build();
    }

    public static Tackle with(Rod... rods) {
        return new Tackle(ALL, List.of(rods), List.of(), List.of());
    }
}
