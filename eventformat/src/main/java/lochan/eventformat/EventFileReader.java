package lochan.eventformat;

import java.io.IOException;
import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.EventCheck;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.event.TieBreak;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishCount;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Lake;
import lochan.core.lake.Sighting;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.SpotCheck;
import lochan.core.lake.Stock;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.core.lake.Zone;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Conditions;
import lochan.core.practice.Current;
import lochan.core.practice.FishSize;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Hooks;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.LossWay;
import lochan.core.practice.LureSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Signs;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.eventformat.EventFileException.Problem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Reads an event file whole or refuses it whole. */
public final class EventFileReader {

    static final int VERSION = 2;

    private static final int MOST_PROBLEMS = 100;
    private static final double MUCH = 1e9;
    private static final int LONGEST_ENTERED = 80;
    private static final double DEEPEST_M = 300;

    private final JsonFields.Context context = new JsonFields.Context();
    private final Set<String> spotIds = new HashSet<>();
    private final Set<String> presentationIds = new HashSet<>();

    private EventFileReader() {}

    /**
     * Reads a file.
     *
     * @throws EventFileException with everything wrong in it
     * @throws IOException        when the stream cannot be read
     */
    public static EventFile read(InputStream in) throws EventFileException, IOException {
        JsonNode tree = JsonLimits.read(in);
        boolean old = tree instanceof ObjectNode file
                && file.path("lochan").isInt()
                && file.path("lochan").asInt() == Version1.NUMBER;
        if (!old) {
            return new EventFileReader().read(tree);
        }
        Version1.upgrade((ObjectNode) tree);
        try {
            return new EventFileReader().read(tree);
        } catch (EventFileException e) {
            throw new EventFileException(e.problems().stream()
                    .map(p -> new Problem(Version1.pointerInFile(p.pointer()), p.message()))
                    .toList());
        }
    }

    /**
     * Reads entries of a competition log that come after those of an event; whether they can stand there is for the log to say.
     *
     * @throws EventFileException with everything wrong in them, pointers from the list
     */
    public static List<Entry> entries(JsonNode list, EventData event) throws EventFileException {
        EventFileReader reader = of(event);
        list.forEach(entry -> {
            if (entry instanceof ObjectNode object) {
                Version1.entry(object);
            }
        });
        JsonNode wrapped = JsonNodeFactory.instance.objectNode().set("entries", list);
        List<Entry> entries = new JsonFields(wrapped, "", "", reader.context)
                .list("entries", "id", (f, i) -> reader.entry(f, event.event()));
        reader.stopAtProblems();
        return entries;
    }

    /**
     * Reads the stops of a plan at spots and with presentations of an event.
     *
     * @throws EventFileException with everything wrong in them
     */
    public static List<PlanStop> planStops(JsonNode list, EventData event) throws EventFileException {
        EventFileReader reader = of(event);
        JsonNode wrapped = JsonNodeFactory.instance.objectNode().set("stops", list);
        List<PlanStop> stops = new JsonFields(wrapped, "", "", reader.context).list("stops", (s, i) -> {
            PlanStop stop = planStop(s);
            checkDefined(s, "spot", stop.spotId(), reader.spotIds);
            checkDefined(s, "presentation", stop.presentationId(), reader.presentationIds);
            if (!stop.leave().isAfter(stop.arrive())) {
                s.problem("leave", "expected a time after \"arrive\"");
            }
            return stop;
        });
        reader.stopAtProblems();
        return stops;
    }

    /** A reader that knows an event's spots and presentations. */
    private static EventFileReader of(EventData event) {
        EventFileReader reader = new EventFileReader();
        event.spots().forEach(s -> reader.spotIds.add(s.id()));
        event.presentations().forEach(p -> reader.presentationIds.add(p.id()));
        return reader;
    }

    private EventFile read(JsonNode tree) throws EventFileException {
        JsonFields root = new JsonFields(tree, "", "", context);
        if (tree == null || !tree.isObject() || !root.has("lochan")) {
            throw new EventFileException(
                    List.of(new Problem("/lochan", "missing, expected the version of an event file, " + VERSION)));
        }
        Integer version = root.wholeOrNull("lochan", Version1.NUMBER, VERSION);
        if (version != null && !root.has("event")) {
            root.problem("event", "missing, expected the event's rules");
        }
        stopAtProblems();
        Event event = event(root.object("event"));
        // Without its zone, days and rules nothing else can be judged.
        if (event == null) {
            throw problems();
        }
        JsonFields boatFields = root.object("boat");
        List<BoatRun> runs = boatFields.list("runs", (f, i) -> boatRun(f));
        Boat boat = boat(root, boatFields);
        Lake lake = LakeJson.read(root);
        List<Spot> spots = root.list("spots", "id", (f, i) -> spot(f));
        spots.forEach(s -> spotIds.add(s.id()));
        List<Waypoint> waypoints = root.list("waypoints", "id", (f, i) -> waypoint(f));
        List<Presentation> presentations = root.list("presentations", "id", (f, i) -> presentation(f));
        presentations.forEach(p -> presentationIds.add(p.id()));
        List<PracticeStop> stops = root.list("stops", "id", (f, i) -> stop(f, event));
        List<ForecastPeriod> forecast = root.list("forecast", (f, i) -> forecast(f));
        List<Plan> plans = root.list("plans", (f, i) -> plan(f));
        List<Entry> entries = root.list("competition", "id", (f, i) -> entry(f, event));
        Notebook notebook = new NotebookJson(event, spotIds, presentationIds).read(root);
        root.keepUnknown();
        stopAtProblems();
        EventData data = EventData.builder(event, boat)
                .runs(runs)
                .lake(lake)
                .spots(spots)
                .waypoints(waypoints)
                .presentations(presentations)
                .stops(stops)
                .forecast(forecast)
                .plans(plans)
                .competition(entries)
                .notebook(notebook)
                .build();
        for (int i = 0; i < plans.size(); i++) {
            String pointer = "/plans/" + i + "/";
            PlanCheck.check(data, plans.get(i)).forEach(v -> context.problems.add(Problem.of(pointer, v)));
        }
        replay(event, entries);
        stopAtProblems();
        return new EventFile(data, context.extras, context.leftOut);
    }

    private void stopAtProblems() throws EventFileException {
        if (!context.problems.isEmpty()) {
            throw problems();
        }
    }

    private EventFileException problems() {
        return new EventFileException(
                context.problems.stream().limit(MOST_PROBLEMS).toList());
    }

    private void replay(Event event, List<Entry> entries) {
        BagLog log = new BagLog(event);
        for (int i = 0; i < entries.size(); i++) {
            String pointer = "/competition/" + i + "/";
            log.append(entries.get(i)).ifPresent(v -> context.problems.add(Problem.of(pointer, v)));
        }
    }

    private @Nullable Event event(JsonFields f) {
        ZoneId zone = zone(f);
        Format format = f.choice("format", Format.class);
        JsonFields penalties = f.object("penalties");
        Penalties off = new Penalties(
                penalties.numberOrNull("deadFishGrams", 0, MUCH),
                penalties.numberOrNull("lateGramsPerMinute", 0, MUCH),
                penalties.numberOrNull("lateDisqualifyMinutes", 0, MUCH),
                penalties.numberOrNull("shortFishGrams", 0, MUCH),
                penalties.numberOrNull("overLimitGrams", 0, MUCH));
        penalties.keepUnknown();
        JsonFields gear = f.object("gear");
        Gear allowed = new Gear(
                gear.wholeOrNull("maxHooksPerRig", 0, 100),
                gear.texts("banned"),
                gear.wholeOrNull("maxRods", 1, 100),
                gear.truthOrNull("liveBaitAllowed"));
        gear.keepUnknown();
        String name = f.text("name");
        Integer limit = f.wholeOrNull("limit", -1_000_000, 1_000_000);
        int anglers = f.whole("anglers", -1_000_000, 1_000_000, 1);
        Double target = f.numberOrNull("targetGrams", -MUCH, MUCH);
        Double scale = f.numberOrNull("scaleGrams", -MUCH, MUCH);
        List<SpeciesRule> species = f.list(
                "species",
                (s, i) -> new SpeciesRule(
                        s.choice("code", Species.class),
                        s.numberOrNull("minLengthMm", -MUCH, MUCH),
                        s.numberOrNull("minGrams", -MUCH, MUCH),
                        slot(s),
                        s.wholeOrNull("bagLimit", -1_000_000, 1_000_000),
                        s.entered("minLengthMm")));
        Scoring scoring = scoring(f);
        var practice = f.dates("practice");
        List<CompetitionDay> days =
                f.list("days", (d, i) -> new CompetitionDay(d.date("date"), d.time("start"), d.time("checkIn")));
        Position launch = position(f, "launch", true);
        Position checkInAt = f.has("checkInAt") ? position(f, "checkInAt", true) : position(f, "checkInAt", false);
        var entered = f.entered("targetGrams");
        f.keepUnknown();
        if (!context.problems.isEmpty() || zone == null || launch == null) {
            return null;
        }
        Event event = new Event(
                name,
                zone,
                anglers,
                practice,
                days,
                new Event.Ramp(launch, checkInAt == null ? launch : checkInAt),
                new Rules(format, limit, target, scale, species, scoring, off, allowed),
                entered);
        List<Violation> violations = EventCheck.check(event);
        f.violations(violations);
        return violations.isEmpty() ? event : null;
    }

    private static Scoring scoring(JsonFields event) {
        boolean culling = !Boolean.FALSE.equals(event.truthOrNull("culling"));
        JsonFields f = event.object("scoring");
        JsonFields cut = f.object("cut");
        Scoring.Cut made = f.has("cut")
                ? new Scoring.Cut(cut.whole("afterDay", 1, 1000, 1), cut.whole("places", 1, 1_000_000, 1))
                : null;
        cut.keepUnknown();
        TieBreak tieBreak = f.choiceOrNull("tieBreak", TieBreak.class);
        Scoring scoring = new Scoring(
                culling,
                Boolean.TRUE.equals(f.truthOrNull("balanceOnly")),
                f.numberOrNull("lengthStepMm", -MUCH, MUCH),
                tieBreak == null ? TieBreak.NONE : tieBreak,
                made,
                f.texts("tags"));
        f.keepUnknown();
        return scoring;
    }

    private static SpeciesRule.@Nullable Slot slot(JsonFields parent) {
        boolean given = parent.has("slot");
        JsonFields f = parent.object("slot");
        if (!given) {
            return null;
        }
        SpeciesRule.Slot slot = new SpeciesRule.Slot(
                f.number("fromMm", -MUCH, MUCH),
                f.number("toMm", -MUCH, MUCH),
                f.wholeOrNull("over", -1_000_000, 1_000_000));
        f.keepUnknown();
        return slot;
    }

    private static @Nullable ZoneId zone(JsonFields f) {
        String name = f.text("timeZone");
        try {
            return name.isEmpty() ? null : ZoneId.of(name);
        } catch (DateTimeException e) {
            f.problem("timeZone", "found \"" + name + "\", expected the name of a time zone as America/Boise");
            return null;
        }
    }

    private static @Nullable Position position(JsonFields parent, String name, boolean needed) {
        if (!parent.has(name)) {
            parent.object(name);
            if (needed) {
                parent.problem(name, "missing, expected a position");
            }
            return null;
        }
        JsonFields f = parent.object(name);
        Position position = position(f);
        f.keepUnknown();
        return position;
    }

    private static Position position(JsonFields f) {
        return new Position(f.number("lat", -90, 90), f.number("lon", -180, 180));
    }

    private static Boat boat(JsonFields root, JsonFields f) {
        if (!root.has("boat")) {
            return Boat.USUAL;
        }
        Boat boat = new Boat(
                f.number("runMps", 0.5, 60),
                f.number("roughMps", 0.5, 60),
                f.number("setUpMinutes", 0, 120),
                f.numberOrNull("maxWindMps", 1, 40),
                f.numberOrNull("maxRunWindMps", 1, 40),
                f.numberOrNull("fuelLitres", 0, MUCH),
                f.numberOrNull("litresPerKm", 0, MUCH),
                f.entered("runMps"));
        f.keepUnknown();
        return boat;
    }

    private static Spot spot(JsonFields f) {
        Double radius = f.numberOrNull("radiusM", -MUCH, MUCH);
        Spot spot = SpotBuilder.builder()
                .id(f.id("id"))
                .name(f.text("name"))
                .position(position(f))
                .radiusM(radius == null ? Spot.USUAL_RADIUS_M : radius)
                .spotType(f.shortTextOrNull("type", 64))
                .zone(f.choice("zone", Zone.class))
                .depthMinM(f.numberOrNull("depthMinM", -MUCH, MUCH))
                .depthMaxM(f.numberOrNull("depthMaxM", -MUCH, MUCH))
                .crowdRisk(f.has("crowdRisk") ? f.number("crowdRisk", -MUCH, MUCH) : missingCrowdRisk(f))
                .stock(f.choice("stock", Stock.class))
                .shelter(Boolean.TRUE.equals(f.truthOrNull("shelter")))
                .symbol(f.shortTextOrNull("symbol", 60))
                .entered(f.entered("depthMaxM"))
                .build();
        f.violations(SpotCheck.check(spot).stream()
                .map(v -> v.field().equals("spotType") ? v.at("type") : v)
                .toList());
        return spot;
    }

    private static BoatRun boatRun(JsonFields f) {
        BoatRun run = new BoatRun(
                f.time("start"),
                f.time("end"),
                f.number("metres", 0, MUCH),
                f.number("mps", 0, 60),
                f.numberOrNull("windMps", 0, 100));
        if (!PracticeStop.canRun(run.start(), run.end())) {
            f.problem(
                    "end",
                    run.end().isAfter(run.start())
                            ? "the run lasts longer than a day, expected a time at most 24 hours after its start"
                            : "the run ends before it begins, expected a time after its start");
        }
        return run;
    }

    private Waypoint waypoint(JsonFields f) {
        return WaypointBuilder.builder()
                .id(f.id("id"))
                .at(f.time("at"))
                .position(position(f))
                .spotId(referenceOrNull(f, "spot", spotIds))
                .fish(sighting(f, "", f.truthOrNull("bait")))
                .waterDepthM(f.numberOrNull("waterDepthM", 0, DEEPEST_M))
                .bottom(f.choiceOrNull("bottom", Waypoint.Bottom.class))
                .note(f.shortTextOrNull("note", Waypoint.LONGEST_NOTE))
                .entered(f.entered("fishDepthM"))
                .build();
    }

    /** @param of before the names of its fields */
    private static Sighting sighting(JsonFields f, String of, @Nullable Boolean bait) {
        boolean plain = of.isEmpty();
        return new Sighting(
                f.choiceOrNull(plain ? "position" : of + "Position", FishPosition.class),
                f.numberOrNull(plain ? "fishDepthM" : of + "DepthM", 0, DEEPEST_M),
                bait,
                f.choiceOrNull(plain ? "fishCount" : of + "Count", FishCount.class),
                f.choiceOrNull(plain ? "fishShape" : of + "Shape", FishShape.class));
    }

    private static double missingCrowdRisk(JsonFields f) {
        f.numberOrNull("crowdRisk", 0, 1);
        return 0;
    }

    private static Presentation presentation(JsonFields f) {
        String id = f.id("id");
        String name = f.shortTextOrNull("name", 80);
        return new Presentation(id, name == null ? id : name, f.choice("hooks", Hooks.class));
    }

    private PracticeStop stop(JsonFields f, Event event) {
        String id = f.id("id");
        String spot = reference(f, "spot", spotIds);
        Instant start = f.time("start");
        Instant end = f.timeOrNull("end");
        if (end != null && !PracticeStop.canRun(start, end)) {
            f.problem(
                    "end",
                    end.isAfter(start)
                            ? "the stop lasts longer than a day, expected a time at most 24 hours after its start"
                            : "the stop ends before it begins, expected a time after its start");
        }
        List<PresentationTime> presentations = f.list(
                "presentations",
                (p, i) -> new PresentationTime(
                        reference(p, "id", presentationIds),
                        p.numberOrNull("minutes", 0, 1440),
                        p.shortTextOrNull("retrieve", LONGEST_ENTERED),
                        p.choiceOrNull("colour", ColourFamily.class)));
        List<Bite> bites = f.list("bites", (b, i) -> bite(b, event, start, end));
        JsonFields c = f.object("conditions");
        Conditions conditions = new Conditions(
                c.numberOrNull("waterTempC", -5, 50),
                c.numberOrNull("visibilityM", 0.01, 100),
                c.numberOrNull("windMps", 0, 100),
                c.choiceOrNull("sky", Sky.class),
                c.wholeOrNull("boatsNear", 0, 1000),
                signs(c),
                c.entered("waterTempC"));
        c.keepUnknown();
        return PracticeStopBuilder.builder()
                .id(id)
                .spotId(spot)
                .start(start)
                .end(end)
                .anglers(f.whole("anglers", 1, 2, 1))
                .idleMinutes(orZero(f.numberOrNull("idleMinutes", 0, 1440)))
                .presentations(presentations)
                .follows(f.whole("follows", 0, 1000, 0))
                .bycatch(f.whole("bycatch", 0, 1000, 0))
                .bites(bites)
                .conditions(conditions)
                .build();
    }

    private static Signs signs(JsonFields c) {
        return new Signs(
                c.choiceOrNull("clarityTrend", ClarityTrend.class),
                c.numberOrNull("windFromDeg", 0, 360),
                c.choiceOrNull("surface", Surface.class),
                c.truthOrNull("recentFront"),
                c.choiceOrNull("levelTrend", LevelTrend.class),
                c.choiceOrNull("current", Current.class),
                c.truthOrNull("baitSeen"),
                c.numberOrNull("baitDepthM", 0, DEEPEST_M),
                sighting(c, "seen", null));
    }

    private static double orZero(@Nullable Double value) {
        return value == null ? 0 : value;
    }

    private Bite bite(JsonFields f, Event event, Instant start, @Nullable Instant end) {
        Instant at = f.timeOrNull("at");
        if (at != null && (at.isBefore(start) || (end != null && at.isAfter(end)))) {
            f.problem("at", "the bite lies outside its stop, expected a time in it, or null");
        }
        Species species = species(f, event);
        return new Bite(
                at,
                f.choice("outcome", Outcome.class),
                referenceOrNull(f, "presentation", presentationIds),
                species,
                size(f),
                notes(f));
    }

    private static BiteNotes notes(JsonFields f) {
        return new BiteNotes(
                f.shortTextOrNull("retrieve", LONGEST_ENTERED),
                sighting(f, "", f.truthOrNull("baitNear")),
                f.numberOrNull("waterDepthM", 0, DEEPEST_M),
                f.choiceOrNull("takenOn", TakenOn.class),
                f.shortTextOrNull("onRig", LONGEST_ENTERED),
                f.choiceOrNull("colour", ColourFamily.class),
                f.choiceOrNull("lureSize", LureSize.class),
                f.choiceOrNull("lossWay", LossWay.class),
                f.entered("fishDepthM"));
    }

    static @Nullable Species species(JsonFields f, Event event) {
        Species species = f.choiceOrNull("species", Species.class);
        if (species != null && event.rules().rule(species).isEmpty()) {
            f.problem("species", "found \"" + species.code() + "\", expected a species of the event, or null");
        }
        return species;
    }

    private static @Nullable FishSize size(JsonFields bite) {
        boolean given = bite.has("size");
        JsonFields f = bite.object("size");
        if (!given) {
            return null;
        }
        FishSize.How how = f.neededChoice("how", FishSize.How.class);
        Double grams = f.numberOrNull("grams", 1e-6, 30_000);
        Double lo = f.numberOrNull("loGrams", 1e-6, 30_000);
        Double hi = f.numberOrNull("hiGrams", 1e-6, 30_000);
        Double mm = f.numberOrNull("mm", 1e-6, 1500);
        Double guess = f.numberOrNull("guessGrams", 1e-6, 30_000);
        String entered = f.shortTextOrNull("entered", LONGEST_ENTERED);
        f.keepUnknown();
        if (how == null) {
            return null;
        }
        try {
            return new FishSize(how, grams, lo, hi, mm, guess, entered);
        } catch (IllegalArgumentException e) {
            f.problem("", String.valueOf(e.getMessage()));
            return null;
        }
    }

    /** The id of something of this file; empty when missing or wrong. */
    static String reference(JsonFields f, String name, Set<String> ids) {
        String id = f.id(name);
        checkDefined(f, name, id, ids);
        return id;
    }

    static @Nullable String referenceOrNull(JsonFields f, String name, Set<String> ids) {
        String id = f.idOrNull(name);
        if (id != null) {
            checkDefined(f, name, id, ids);
        }
        return id;
    }

    private static void checkDefined(JsonFields f, String name, String id, Set<String> ids) {
        if (!id.isEmpty() && !ids.contains(id)) {
            f.problem(name, "found \"" + id + "\", expected an id that this file defines");
        }
    }

    private static ForecastPeriod forecast(JsonFields f) {
        ForecastPeriod.Origin origin = f.choiceOrNull("origin", ForecastPeriod.Origin.class);
        ForecastPeriod period = new ForecastPeriod(
                f.time("from"),
                f.time("to"),
                f.numberOrNull("windMps", 0, 100),
                f.numberOrNull("gustMps", 0, 100),
                f.numberOrNull("windFromDeg", 0, 360),
                f.choiceOrNull("sky", Sky.class),
                f.numberOrNull("rainMm", 0, 500),
                f.numberOrNull("thunderChance", 0, 1),
                f.numberOrNull("airTempC", -60, 60),
                f.numberOrNull("pressureHpa", 850, 1100),
                f.numberOrNull("waterTempC", -5, 50),
                f.numberOrNull("visibilityM", 0.01, 100),
                f.truthOrNull("lightning"),
                origin == null ? ForecastPeriod.Origin.TYPED : origin);
        if (!period.to().isAfter(period.from())) {
            f.problem("to", "the period ends before it begins, expected a time after its start");
        }
        return period;
    }

    private static Plan plan(JsonFields f) {
        return new Plan(
                f.whole("day", 1, 1000, 1), f.shortTextOrNull("name", 80), f.list("stops", (s, i) -> planStop(s)));
    }

    private static PlanStop planStop(JsonFields f) {
        return new PlanStop(
                f.id("spot"),
                f.id("presentation"),
                f.time("arrive"),
                f.time("leave"),
                Boolean.TRUE.equals(f.truthOrNull("locked")));
    }

    private @Nullable Entry entry(JsonFields f, Event event) {
        String type = f.text("type");
        EntryCodec.Kind<?> kind = EntryCodec.kind(type).orElse(null);
        if (kind == null) {
            f.problem("type", "found \"" + type + "\", expected one of " + EntryCodec.types());
            return null;
        }
        return entry(kind, f, event);
    }

    private <E extends Entry> E entry(EntryCodec.Kind<E> kind, JsonFields f, Event event) {
        return kind.fields().apply(new FileEntryFields<>(f, event, spotIds, presentationIds));
    }
}
