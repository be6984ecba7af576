package lochan.web.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import lochan.core.event.BoatRun;
import lochan.core.event.Position;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.BiteNotesBuilder;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Conditions;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;

/**
 * Makes the notes of the demo's angler besides the bare bites: retrieves, depths, signs of the water, waypoints of the
 * sonar, runs of a track.
 */
final class DemoNotes {

    private static final double FOOT = 0.3048;

    /** How each presentation is worked, and where it is mostly taken. */
    private record Work(List<String> retrieves, TakenOn takenOn) {}

    private static final Map<String, Work> WORK = Map.of(
            "walking-topwater",
            new Work(List.of("steady walk", "walk, pause"), null),
            "swim-jig",
            new Work(List.of("slow and steady", "lift and fall"), TakenOn.SUSPENDED),
            "stick-worm",
            new Work(List.of("let fall"), TakenOn.FALL),
            "flipping-jig",
            new Work(List.of("let fall", "hopped twice"), TakenOn.FALL),
            "medium-crankbait",
            new Work(List.of("bumped off rock"), TakenOn.BOTTOM),
            "shaky-head",
            new Work(List.of("dragged, shaken"), TakenOn.BOTTOM),
            "carolina-rig",
            new Work(List.of("dragged", "long pulls"), TakenOn.BOTTOM),
            "drop-shot",
            new Work(List.of("held still", "shaken"), TakenOn.SUSPENDED));
    /** By the day of practice: clarity, direction of the wind, level. */
    private static final List<Signs> DAYS = List.of(
            signs(ClarityTrend.STEADY, 200, LevelTrend.STEADY, false),
            signs(ClarityTrend.MUDDYING, 215, LevelTrend.RISING, false),
            signs(ClarityTrend.CLEARING, 300, LevelTrend.STEADY, true),
            signs(ClarityTrend.CLEARING, 280, LevelTrend.FALLING, false));

    private final Random random = new Random(20270607);
    /** Of what was added later, so that all else stays as it is. */
    private final Random details = new Random(20270608);

    private final EventData event;

    private DemoNotes(EventData event) {
        this.event = event;
    }

    private static Signs signs(ClarityTrend clarity, double windFrom, LevelTrend level, boolean front) {
        return new Signs(clarity, windFrom, null, front, level, null, null, null, Sighting.NONE);
    }

    static EventData addedTo(EventData event) {
        DemoNotes notes = new DemoNotes(event);
        List<PracticeStop> stops = event.stops().stream().map(notes::noted).toList();
        return event.toBuilder()
                .runs(notes.runs())
                .waypoints(notes.waypoints())
                .stops(stops)
                .notebook(notebook())
                .build();
    }

    private PracticeStop noted(PracticeStop stop) {
        Spot spot = event.spot(stop.spotId()).orElseThrow();
        Conditions c = stop.conditions();
        Signs day = DAYS.get((int)
                Duration.between(event.stops().getFirst().start(), stop.start()).toDays());
        boolean bait = random.nextInt(3) == 0;
        double baitDepth = (2 + random.nextInt(4)) * FOOT * (spot.depthMaxM() > 4 ? 3 : 1);
        Signs signs = new Signs(
                day.clarityTrend(),
                day.windFromDeg(),
                Surface.ofWind(c.windMps()),
                day.recentFront(),
                day.levelTrend(),
                null,
                bait ? Boolean.TRUE : null,
                bait ? baitDepth : null,
                Sighting.NONE);
        return stop.withConditions(new Conditions(
                        c.waterTempC(), c.visibilityM(), c.windMps(), c.sky(), c.boatsNear(), signs, c.entered()))
                .withBites(stop.bites().stream().map(b -> noted(b, spot)).toList());
    }

    private Bite noted(Bite bite, Spot spot) {
        if (random.nextInt(5) > 1) {
            return bite;
        }
        Work work = WORK.get(bite.presentationId());
        double water =
                Math.round((spot.depthMinM() + random.nextDouble() * (spot.depthMaxM() - spot.depthMinM())) / FOOT)
                        * FOOT;
        double fish = work.takenOn() == TakenOn.BOTTOM ? water : Math.max(FOOT, water - random.nextInt(4) * FOOT);
        BiteNotes notes = BiteNotesBuilder.builder(BiteNotes.NONE)
                .retrieve(work.retrieves().get(random.nextInt(work.retrieves().size())))
                .seen(new Sighting(
                        details.nextInt(3) == 0 ? (fish == water ? FishPosition.ON_BOTTOM : FishPosition.ON_TOP) : null,
                        fish,
                        null,
                        null,
                        null))
                .waterDepthM(water)
                .takenOn(work.takenOn())
                .colour(details.nextInt(3) == 0 ? ColourFamily.MIXED : ColourFamily.NATURAL)
                .lossWay(
                        bite.outcome() == Outcome.LOST
                                ? LossWay.values()[details.nextInt(2)]
                                : bite.outcome() == Outcome.MISSED ? LossWay.SHORT_BITE : null)
                .build();
        return new Bite(bite.at(), bite.outcome(), bite.presentationId(), bite.species(), bite.size(), notes);
    }

    private static Instant local(String time) {
        return java.time.LocalDateTime.parse("2027-06-" + time)
                .atZone(DemoWorld.ZONE)
                .toInstant();
    }

    /** Two fish that were seen, two trials, one change of hooks. */
    private static Notebook notebook() {
        KnownFish dock = KnownFishBuilder.builder()
                .id("dock-giant")
                .spotId("old-boathouse")
                .where("Under the third slip, in its shade")
                .kind(KnownFish.Kind.DOCK)
                .species(Species.LARGEMOUTH)
                .guessGrams(2608)
                .from(LocalTime.of(10, 30))
                .to(LocalTime.of(14, 0))
                .nextVisit(local("05T11:15"))
                .gone(false)
                .note("Comes out when the sun is on the boards")
                .tries(List.of(
                        tried("03T11:40", KnownFish.Reaction.LOOKED, "stick-worm"),
                        tried("04T11:35", KnownFish.Reaction.BIT, "stick-worm")))
                .entered(Map.of("guessGrams", "5-12"))
                .build();
        KnownFish bed = KnownFishBuilder.builder()
                .id("late-bed")
                .spotId("grey-snag")
                .where("Pale patch left of the trunk")
                .kind(KnownFish.Kind.BED)
                .species(Species.LARGEMOUTH)
                .guessGrams(1871)
                .from(LocalTime.of(8, 30))
                .to(LocalTime.of(15, 0))
                .maxWindMps(4.5)
                .nextVisit(local("05T09:30"))
                .gone(false)
                .tries(List.of(tried("04T14:50", KnownFish.Reaction.IGNORED, "flipping-jig")))
                .entered(Map.of("guessGrams", "4-2"))
                .build();
        Trial retrieve = new Trial(
                "drop-shot-work",
                Trial.Subject.RETRIEVE,
                "drop shot held still",
                "drop shot shaken",
                List.of(
                        round("02T13:20", true, 20, 4, 3),
                        round("02T13:42", false, 18, 1, 1),
                        round("04T12:55", true, 25, 5, 4),
                        round("04T13:20", false, 20, 2, 1)));
        Trial colour = new Trial(
                "swim-jig-colour",
                Trial.Subject.COLOUR,
                "green and orange",
                "white",
                List.of(round("03T05:50", true, 25, 4, 3), round("03T06:20", false, 25, 3, 2)));
        SetupChange trebles = new SetupChange(
                "walker-trebles", "walking-topwater", local("03T20:30"), "short-shanked trebles, a size up", null);
        return new Notebook(
                List.of(dock, bed), List.of(retrieve, colour), List.of(trebles), List.of(), Notebook.Priors.NONE);
    }

    private static KnownFish.Try tried(String time, KnownFish.Reaction reaction, String presentation) {
        return new KnownFish.Try(local(time), reaction, presentation);
    }

    private static Trial.Round round(String time, boolean first, double minutes, int bites, int landed) {
        return new Trial.Round(local(time), first, minutes, bites, landed);
    }

    private List<Waypoint> waypoints() {
        return List.of(
                waypoint(
                        "m1",
                        "2027-06-02T15:10",
                        "pale-hump",
                        40,
                        20,
                        "fish",
                        22,
                        24,
                        Waypoint.Bottom.HARD,
                        true,
                        FishPosition.ON_TOP,
                        null,
                        "pale-hump"),
                waypoint(
                        "m2",
                        "2027-06-02T15:25",
                        "harth-bend",
                        -60,
                        90,
                        "fish",
                        19,
                        31,
                        Waypoint.Bottom.FIRM,
                        true,
                        FishPosition.OFF_EDGE,
                        "A string of arches over the channel",
                        "harth-bend"),
                waypoint(
                        "m3",
                        "2027-06-03T15:05",
                        "lost-hump",
                        210,
                        -160,
                        null,
                        0,
                        26,
                        Waypoint.Bottom.HARD,
                        null,
                        null,
                        "Shell bed, hard as a road",
                        null),
                waypoint(
                        "m4",
                        "2027-06-04T15:20",
                        "sill-ledge",
                        -180,
                        240,
                        "fish",
                        15,
                        29,
                        Waypoint.Bottom.SOFT,
                        true,
                        FishPosition.SUSPENDED,
                        null,
                        null));
    }

    private Waypoint waypoint(
            String id,
            String time,
            String near,
            double eastM,
            double northM,
            String fish,
            int fishFeet,
            int waterFeet,
            Waypoint.Bottom bottom,
            Boolean bait,
            FishPosition fishPosition,
            String note,
            String on) {
        Position p = event.spot(near).orElseThrow().position();
        Position at = new Position(
                round(p.lat() + northM / Position.METRES_PER_DEGREE),
                round(p.lon() + eastM / Position.metresPerDegreeEast(p.lat())));
        return WaypointBuilder.builder()
                .id(id)
                .at(java.time.LocalDateTime.parse(time).atZone(DemoWorld.ZONE).toInstant())
                .position(at)
                .spotId(on)
                .fish(new Sighting(
                        fishPosition,
                        fish == null ? null : fishFeet * FOOT,
                        bait,
                        fish == null ? null : FishCount.MANY,
                        fish == null ? null : FishShape.FLAT_LAYER))
                .waterDepthM(waterFeet * FOOT)
                .bottom(bottom)
                .note(note)
                .entered(Map.of())
                .build();
    }

    private static double round(double degrees) {
        return Math.round(degrees * 1e5) / 1e5;
    }

    /** Runs between the stops, as tracks of two days showed them. */
    private List<BoatRun> runs() {
        List<BoatRun> runs = new ArrayList<>();
        for (int i = 0; i + 1 < event.stops().size(); i++) {
            PracticeStop from = event.stops().get(i);
            PracticeStop to = event.stops().get(i + 1);
            double metres = 1.15
                    * event.spot(from.spotId())
                            .orElseThrow()
                            .position()
                            .metresTo(event.spot(to.spotId()).orElseThrow().position());
            Instant start = from.end().plusSeconds(60);
            double wind = from.conditions().windMps();
            double mps = 19.2 - 0.4 * wind + random.nextGaussian();
            if (metres > 600 && Duration.between(from.end(), to.start()).toHours() < 2 && i % 2 == 0) {
                runs.add(new BoatRun(
                        start,
                        start.plusSeconds(Math.round(metres / mps) + 40),
                        Math.round(metres),
                        Math.round(10 * mps) / 10.0,
                        wind));
            }
        }
        return runs;
    }
}
