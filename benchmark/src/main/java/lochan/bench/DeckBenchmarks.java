package lochan.bench;

import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.RodBuilder;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import lochan.core.Assumptions;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.deck.DeckList;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.Situations;
import lochan.core.lures.path.Cast;
import lochan.core.lures.path.LureMotion;
import lochan.core.lures.path.LurePath;
import lochan.core.lures.path.WaterSlice;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Hooks;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Power;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.SeasonStage;
import lochan.core.tackle.Tackle;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Times what the Deck pages compute: advice of a whole catalogue for the ten stops of a plan, its deck from nine rods,
 * one cast.
 */
@State(Scope.Benchmark)
@Fork(1)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 10, time = 1)
public class DeckBenchmarks {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final int LURES = 60;
    private static final int RODS = 9;
    private static final int STOPS = 10;

    private EventData event;
    private Tackle tackle;
    private List<PlanStop> plan;

    @Setup
    public void setUp() {
        event = BenchEvents.of(PlanningBenchmarks.SPOTS, STOPS, PlanningBenchmarks.LENGTH, PlanningBenchmarks.SIDE_M, PlanningBenchmarks.SEED);
        Random random = new Random(PlanningBenchmarks.SEED);
        List<Lure> lures = new ArrayList<>();
        for (int i = 0; i < LURES; i++) {
            lures.add(lure(i, random));
        }
        List<Rod> rods = new ArrayList<>();
        for (int i = 0; i < RODS; i++) {
            rods.add(RodBuilder.builder().id("r" + i).name("Rod " + i).lengthM(2.1).power(Power.values()[1 + i % 4]).action(RodAction.FAST).turnM(0.7).line(new FishingLine(FishingLine.Kind.FLUOROCARBON, 6)).inBoat(true).entered(Map.of()).build());
        }
        tackle = new Tackle(lures, rods, List.of(), List.of());
        Instant start = event.day(1).start();
        plan = new ArrayList<>();
        for (int i = 0; i < STOPS; i++) {
            plan.add(new PlanStop(event.spots().get(i).id(), "p" + i, start.plus(Duration.ofMinutes(50L * i)), start.plus(Duration.ofMinutes(50L * i + 40))));
        }
    }

    private static Lure lure(int i, Random random) {
        Motion motion = i % 4 == 0 ? new Motion.Surface() : i % 4 == 1 ? new Motion.Dives(1 + 5 * random.nextDouble(), 6, true) : new Motion.Sinks(0.2 + random.nextDouble(), 0.9);
        double deep = 1 + 8 * random.nextDouble();
        return LureBuilder.builder().id("p" + i).name("Lure " + i).family(Family.values()[i % 8]).power(random.nextBoolean()).search(random.nextBoolean()).hooking(new Hooking(Hooks.SINGLE, 1, 0)).depth(new Lure.Range(deep / 3, deep)).motion(motion).speedMps(0.8).retrieves(List.of(Retrieve.STEADY)).sight(random.nextDouble()).cover(EnumSet.of(Cover.OPEN, Cover.values()[i % 7])).temperature(new Lure.Range(8, 28)).stages(Set.of(SeasonStage.values()[i % 6])).moods(Set.of(Mood.values()[i % 3])).forage(Set.of(Forage.BAITFISH)).weights(List.of(7.1, 10.6, 14.2)).tackle(new Lure.Outfit(List.of(FishingLine.Kind.FLUOROCARBON), new Lure.Range(4, 8), EnumSet.of(Power.values()[1 + i % 4]), RodAction.FAST)).build();
    }

    /** Each of ten stops with the whole catalogue ranked. */
    @Benchmark
    public List<List<LureAdvice>> adviceForTenStops() {
        Situations situations = new Situations(event, ASSUMPTIONS);
        return plan.stream().map(s -> LureAdvice.ranked(tackle.lures(), situations.at(event.spot(s.spotId()).orElseThrow(), s.arrive()), Units.USUAL, Map.of(), ASSUMPTIONS.advice())).toList();
    }

    /** The exact choice among nine rods for ten different setups, and each rod left out. */
    @Benchmark
    public DeckList deckForTenStops() {
        return DeckList.of(event, plan, List.of(), tackle, Map.of(), Units.USUAL, ASSUMPTIONS);
    }

    /** One cast of a lure that sinks. */
    @Benchmark
    public LurePath oneCast() {
        LureMotion motion = new LureMotion(tackle.lures().get(2), null, new FishingLine(FishingLine.Kind.FLUOROCARBON, 6), List.of(), ASSUMPTIONS.lurePath());
        return LurePath.of(motion, new Cast(30, Retrieve.STEADY, 0.8, null, false), new WaterSlice(6, 4, 0, 3.5), ASSUMPTIONS);
    }
}
