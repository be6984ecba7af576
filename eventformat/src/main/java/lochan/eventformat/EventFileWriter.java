package lochan.eventformat;

import java.io.OutputStream;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import lochan.core.Coded;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCodec;
import lochan.core.competition.EntryFields;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.Event;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Scoring;
import lochan.core.event.TieBreak;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Sighting;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes an event file: the same event gives the same bytes, fields in the order of the format, unknown ones after them. */
public final class EventFileWriter {

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final DefaultPrettyPrinter LAYOUT = layout();
    private static final double LARGEST_WHOLE = 1e15;

    private final Map<String, String> extras;
    private final ZoneId zone;

    private EventFileWriter(Map<String, String> extras, ZoneId zone) {
        this.extras = extras;
        this.zone = zone;
    }

    /** Writes UTF-8, lines ended by a line feed. */
    public static void write(EventFile file, OutputStream out) {
        ObjectNode tree = new EventFileWriter(file.extras(), file.data().timeZone()).tree(file.data());
        byte[] bytes = JSON.writer().with(LAYOUT).writeValueAsBytes(tree);
        try {
            out.write(bytes);
            out.write('\n');
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static DefaultPrettyPrinter layout() {
        DefaultIndenter lines = new DefaultIndenter(" ", "\n");
        Separators separators = Separators.createDefaultInstance().withObjectNameValueSpacing(Separators.Spacing.AFTER);
        return new DefaultPrettyPrinter(separators).withObjectIndenter(lines).withArrayIndenter(lines);
    }

    /** Of an event only its rules and its competition log, in the fields {@code event} and {@code entries}. */
    public static ObjectNode log(Event event, List<Entry> entries) {
        EventFileWriter writer = new EventFileWriter(Map.of(), event.timeZone());
        ObjectNode node = JSON.createObjectNode();
        node.set("event", writer.event(event));
        list(node, "entries", entries, writer::entry);
        return node;
    }

    /**
     * Of an event what a plan is made of and followed by: its rules, boat, spots, waypoints, presentations, forecast, plans and known fish ({@code fish}), in the
     * fields of an event file.
     */
    public static ObjectNode day(EventData data) {
        EventFileWriter writer = new EventFileWriter(Map.of(), data.timeZone());
        ObjectNode node = JSON.createObjectNode();
        node.set("event", writer.event(data.event()));
        node.set("boat", writer.boat(data.boat(), List.of()));
        list(node, "spots", data.spots(), s -> writer.spot(s, ""));
        list(node, "waypoints", data.waypoints(), w -> writer.waypoint(w, ""));
        list(node, "presentations", data.presentations(), p -> writer.presentation(p, ""));
        list(node, "forecast", data.forecast(), (f, i) -> writer.forecast(f, ""));
        list(node, "plans", data.plans(), (p, i) -> writer.plan(p, ""));
        list(node, "fish", data.notebook().fish(), f -> NotebookJson.fish(f, writer));
        return node;
    }

    /** A stop of a plan. */
    public static ObjectNode planStop(PlanStop stop, ZoneId zone) {
        return new EventFileWriter(Map.of(), zone).planStop(stop, "");
    }

    private ObjectNode tree(EventData data) {
        ObjectNode root = JSON.createObjectNode();
        root.put("lochan", EventFileReader.VERSION);
        root.set("event", event(data.event()));
        root.set("boat", boat(data.boat(), data.runs()));
        if (data.lake() != null) {
            root.set("lake", LakeJson.write(data.lake(), this::withUnknown));
        }
        list(root, "spots", data.spots(), s -> spot(s, "/spots/" + JsonFields.escape(s.id())));
        someOf(root, "waypoints", data.waypoints(), (m, i) -> waypoint(m, "/waypoints/" + JsonFields.escape(m.id())));
        list(
                root,
                "presentations",
                data.presentations(),
                p -> presentation(p, "/presentations/" + JsonFields.escape(p.id())));
        list(root, "stops", data.stops(), s -> stop(s, "/stops/" + JsonFields.escape(s.id())));
        list(root, "forecast", data.forecast(), (f, i) -> forecast(f, "/forecast/" + i));
        list(root, "plans", data.plans(), (p, i) -> plan(p, "/plans/" + i));
        list(
                root,
                "competition",
                data.competition(),
                e -> withUnknown(entry(e), "/competition/" + JsonFields.escape(e.id())));
        ObjectNode notebook = NotebookJson.write(data.notebook(), this, this::withUnknown);
        if (!notebook.isEmpty()) {
            root.set("notebook", notebook);
        }
        return withUnknown(root, "");
    }

    static ObjectNode object() {
        return JSON.createObjectNode();
    }

    private ObjectNode event(Event event) {
        ObjectNode node = JSON.createObjectNode();
        node.put("name", event.name()).put("timeZone", event.timeZone().getId());
        code(node, "format", event.rules().format());
        node.put("limit", event.rules().limit()).put("anglers", event.anglers());
        number(node, "targetGrams", event.rules().targetGrams());
        number(node, "scaleGrams", event.rules().scaleGrams());
        list(node, "species", event.rules().species(), (s, i) -> {
            ObjectNode rule = JSON.createObjectNode();
            code(rule, "code", s.species());
            number(rule, "minLengthMm", s.minLengthMm());
            some(rule, "minGrams", s.minGrams());
            if (s.slot() != null) {
                ObjectNode slot = rule.putObject("slot");
                number(slot, "fromMm", s.slot().fromMm());
                number(slot, "toMm", s.slot().toMm());
                withUnknown(slot.put("over", s.slot().over()), "/event/species/" + i + "/slot");
            }
            rule.put("bagLimit", s.bagLimit());
            entered(rule, s.entered());
            return withUnknown(rule, "/event/species/" + i);
        });
        if (!event.rules().culling()) {
            node.put("culling", false);
        }
        if (!event.rules().scoring().withCulling(true).equals(Scoring.DEFAULT)) {
            node.set("scoring", withUnknown(scoring(event.rules().scoring()), "/event/scoring"));
        }
        Penalties p = event.rules().penalties();
        ObjectNode penalties = JSON.createObjectNode();
        number(penalties, "deadFishGrams", p.deadFishGrams());
        number(penalties, "lateGramsPerMinute", p.lateGramsPerMinute());
        number(penalties, "lateDisqualifyMinutes", p.lateDisqualifyMinutes());
        number(penalties, "shortFishGrams", p.shortFishGrams());
        some(penalties, "overLimitGrams", p.overLimitGrams());
        node.set("penalties", withUnknown(penalties, "/event/penalties"));
        ObjectNode gear = JSON.createObjectNode()
                .put("maxHooksPerRig", event.rules().gear().maxHooksPerRig());
        event.rules().gear().banned().forEach(gear.putArray("banned")::add);
        if (event.rules().gear().maxRods() != null) {
            gear.put("maxRods", event.rules().gear().maxRods());
        }
        some(gear, "liveBaitAllowed", event.rules().gear().liveBaitAllowed());
        node.set("gear", withUnknown(gear, "/event/gear"));
        ArrayNode practice = node.putArray("practice");
        event.practice().forEach(d -> practice.add(d.toString()));
        list(node, "days", event.days(), (d, i) -> {
            ObjectNode day = JSON.createObjectNode().put("date", d.date().toString());
            time(day, "start", d.start());
            time(day, "checkIn", d.checkIn());
            return withUnknown(day, "/event/days/" + i);
        });
        node.set("launch", withUnknown(position(event.launch()), "/event/launch"));
        node.set("checkInAt", withUnknown(position(event.checkInAt()), "/event/checkInAt"));
        entered(node, event.entered());
        return withUnknown(node, "/event");
    }

    private ObjectNode scoring(Scoring scoring) {
        ObjectNode node = JSON.createObjectNode();
        some(node, "balanceOnly", scoring.balanceOnly() ? Boolean.TRUE : null);
        some(node, "lengthStepMm", scoring.lengthStepMm());
        if (scoring.tieBreak() != TieBreak.NONE) {
            code(node, "tieBreak", scoring.tieBreak());
        }
        if (scoring.cut() != null) {
            node.set(
                    "cut",
                    withUnknown(
                            JSON.createObjectNode()
                                    .put("afterDay", scoring.cut().afterDay())
                                    .put("places", scoring.cut().places()),
                            "/event/scoring/cut"));
        }
        if (!scoring.tags().isEmpty()) {
            scoring.tags().forEach(node.putArray("tags")::add);
        }
        return node;
    }

    private ObjectNode boat(Boat boat, List<BoatRun> runs) {
        ObjectNode node = JSON.createObjectNode();
        number(node, "runMps", boat.runMps());
        number(node, "roughMps", boat.roughMps());
        number(node, "setUpMinutes", boat.setUpMinutes());
        if (boat.maxWindMps() != null) {
            number(node, "maxWindMps", boat.maxWindMps());
        }
        if (boat.maxRunWindMps() != null) {
            number(node, "maxRunWindMps", boat.maxRunWindMps());
        }
        number(node, "fuelLitres", boat.fuelLitres());
        number(node, "litresPerKm", boat.litresPerKm());
        someOf(node, "runs", runs, (r, i) -> {
            ObjectNode run = JSON.createObjectNode();
            time(run, "start", r.start());
            time(run, "end", r.end());
            number(run, "metres", r.metres());
            number(run, "mps", r.mps());
            number(run, "windMps", r.windMps());
            return withUnknown(run, "/boat/runs/" + i);
        });
        entered(node, boat.entered());
        return withUnknown(node, "/boat");
    }

    private static ObjectNode position(Position position) {
        ObjectNode node = JSON.createObjectNode();
        number(node, "lat", position.lat());
        number(node, "lon", position.lon());
        return node;
    }

    private ObjectNode spot(Spot spot, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("id", spot.id()).put("name", spot.name());
        number(node, "lat", spot.position().lat());
        number(node, "lon", spot.position().lon());
        number(node, "radiusM", spot.radiusM());
        node.put("type", spot.spotType());
        code(node, "zone", spot.zone());
        number(node, "depthMinM", spot.depthMinM());
        number(node, "depthMaxM", spot.depthMaxM());
        number(node, "crowdRisk", spot.crowdRisk());
        code(node, "stock", spot.stock());
        if (spot.shelter()) {
            node.put("shelter", true);
        }
        if (spot.symbol() != null) {
            node.put("symbol", spot.symbol());
        }
        entered(node, spot.entered());
        return withUnknown(node, pointer);
    }

    private ObjectNode presentation(Presentation presentation, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("id", presentation.id()).put("name", presentation.name());
        code(node, "hooks", presentation.hooks());
        return withUnknown(node, pointer);
    }

    private ObjectNode waypoint(Waypoint waypoint, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("id", waypoint.id());
        time(node, "at", waypoint.at());
        number(node, "lat", waypoint.position().lat());
        number(node, "lon", waypoint.position().lon());
        optional(node, "spot", waypoint.spotId());
        seen(node, waypoint.fish());
        some(node, "waterDepthM", waypoint.waterDepthM());
        some(node, "bottom", waypoint.bottom());
        some(node, "bait", waypoint.fish().bait());
        optional(node, "note", waypoint.note());
        entered(node, waypoint.entered());
        return withUnknown(node, pointer);
    }

    private static void seen(ObjectNode node, Sighting fish) {
        some(node, "fishDepthM", fish.depthM());
        some(node, "position", fish.position());
        some(node, "fishCount", fish.count());
        some(node, "fishShape", fish.shape());
    }

    private ObjectNode stop(PracticeStop stop, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("id", stop.id()).put("spot", stop.spotId());
        time(node, "start", stop.start());
        time(node, "end", stop.end());
        node.put("anglers", stop.anglers());
        some(node, "idleMinutes", stop.idleMinutes() == 0 ? null : Double.valueOf(stop.idleMinutes()));
        list(node, "presentations", stop.presentations(), (p, i) -> {
            ObjectNode part = JSON.createObjectNode().put("id", p.presentationId());
            number(part, "minutes", p.minutes());
            optional(part, "retrieve", p.retrieve());
            some(part, "colour", p.colour());
            return withUnknown(part, pointer + "/presentations/" + i);
        });
        node.put("follows", stop.follows());
        some(node, "bycatch", stop.bycatch() == 0 ? null : Integer.valueOf(stop.bycatch()));
        list(node, "bites", stop.bites(), (b, i) -> bite(b, pointer + "/bites/" + i));
        Conditions c = stop.conditions();
        ObjectNode conditions = JSON.createObjectNode();
        number(conditions, "waterTempC", c.waterTempC());
        number(conditions, "visibilityM", c.visibilityM());
        number(conditions, "windMps", c.windMps());
        code(conditions, "sky", c.sky());
        conditions.put("boatsNear", c.boatsNear());
        some(conditions, "clarityTrend", c.signs().clarityTrend());
        some(conditions, "windFromDeg", c.signs().windFromDeg());
        some(conditions, "surface", c.signs().surface());
        some(conditions, "recentFront", c.signs().recentFront());
        some(conditions, "levelTrend", c.signs().levelTrend());
        some(conditions, "current", c.signs().current());
        some(conditions, "baitSeen", c.signs().baitSeen());
        some(conditions, "baitDepthM", c.signs().baitDepthM());
        some(conditions, "seenPosition", c.signs().fish().position());
        some(conditions, "seenDepthM", c.signs().fish().depthM());
        some(conditions, "seenCount", c.signs().fish().count());
        some(conditions, "seenShape", c.signs().fish().shape());
        entered(conditions, c.entered());
        node.set("conditions", withUnknown(conditions, pointer + "/conditions"));
        return withUnknown(node, pointer);
    }

    private ObjectNode bite(Bite bite, String pointer) {
        ObjectNode node = JSON.createObjectNode();
        time(node, "at", bite.at());
        code(node, "outcome", bite.outcome());
        node.put("presentation", bite.presentationId());
        code(node, "species", bite.species());
        node.set("size", bite.size() == null ? null : size(bite.size(), pointer + "/size"));
        BiteNotes notes = bite.notes();
        optional(node, "retrieve", notes.retrieve());
        seen(node, notes.seen());
        some(node, "baitNear", notes.seen().bait());
        some(node, "waterDepthM", notes.waterDepthM());
        some(node, "takenOn", notes.takenOn());
        optional(node, "onRig", notes.onRig());
        some(node, "colour", notes.colour());
        some(node, "lureSize", notes.size());
        some(node, "lossWay", notes.lossWay());
        entered(node, notes.entered());
        return withUnknown(node, pointer);
    }

    private ObjectNode size(FishSize size, String pointer) {
        ObjectNode node = JSON.createObjectNode();
        code(node, "how", size.how());
        number(node, "grams", size.grams());
        number(node, "loGrams", size.loGrams());
        number(node, "hiGrams", size.hiGrams());
        number(node, "mm", size.mm());
        number(node, "guessGrams", size.guessGrams());
        optional(node, "entered", size.entered());
        return withUnknown(node, pointer);
    }

    private ObjectNode forecast(ForecastPeriod period, String pointer) {
        ObjectNode node = JSON.createObjectNode();
        time(node, "from", period.from());
        time(node, "to", period.to());
        number(node, "windMps", period.windMps());
        some(node, "gustMps", period.gustMps());
        number(node, "windFromDeg", period.windFromDeg());
        code(node, "sky", period.sky());
        some(node, "rainMm", period.rainMm());
        some(node, "thunderChance", period.thunderChance());
        some(node, "airTempC", period.airTempC());
        some(node, "pressureHpa", period.pressureHpa());
        number(node, "waterTempC", period.waterTempC());
        number(node, "visibilityM", period.visibilityM());
        node.put("lightning", period.lightning());
        if (period.origin() != ForecastPeriod.Origin.TYPED) {
            code(node, "origin", period.origin());
        }
        return withUnknown(node, pointer);
    }

    private ObjectNode plan(Plan plan, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("day", plan.day());
        optional(node, "name", plan.name());
        list(node, "stops", plan.stops(), (s, i) -> planStop(s, pointer + "/stops/" + i));
        return withUnknown(node, pointer);
    }

    private ObjectNode planStop(PlanStop stop, String pointer) {
        ObjectNode node = JSON.createObjectNode().put("spot", stop.spotId()).put("presentation", stop.presentationId());
        time(node, "arrive", stop.arrive());
        time(node, "leave", stop.leave());
        if (stop.locked()) {
            node.put("locked", true);
        }
        return withUnknown(node, pointer);
    }

    private ObjectNode entry(Entry entry) {
        ObjectNode node =
                JSON.createObjectNode().put("type", EntryCodec.kind(entry).type());
        EntryCodec.write(entry, new EntryNode(node));
        return node;
    }

    /** An entry's fields as they are written; one without a value is left out. */
    private final class EntryNode implements EntryFields.Sink {

        private final ObjectNode node;

        EntryNode(ObjectNode node) {
            this.node = node;
        }

        @Override
        public void put(String name, @Nullable String value) {
            optional(node, name, value);
        }

        @Override
        public void put(String name, @Nullable Double value) {
            some(node, name, value);
        }

        @Override
        public void put(String name, @Nullable Integer value) {
            some(node, name, value);
        }

        @Override
        public void put(String name, @Nullable Boolean value) {
            some(node, name, value);
        }

        @Override
        public void put(String name, @Nullable Instant value) {
            time(node, name, value);
        }
    }

    private ObjectNode withUnknown(ObjectNode node, String pointer) {
        String unknown = extras.get(pointer);
        if (unknown != null) {
            for (Map.Entry<String, JsonNode> field : JSON.readTree(unknown).properties()) {
                if (!node.has(field.getKey())) {
                    node.set(field.getKey(), field.getValue());
                }
            }
        }
        return node;
    }

    void time(ObjectNode node, String name, @Nullable Instant time) {
        node.put(name, time == null ? null : DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(time.atZone(zone)));
    }

    static void code(ObjectNode node, String name, @Nullable Coded value) {
        node.put(name, value == null ? null : value.code());
    }

    static void number(ObjectNode node, String name, @Nullable Double value) {
        if (value != null && value == Math.rint(value) && Math.abs(value) < LARGEST_WHOLE) {
            node.put(name, value.longValue());
        } else {
            node.put(name, value);
        }
    }

    static void optional(ObjectNode node, String name, @Nullable String value) {
        if (value != null) {
            node.put(name, value);
        }
    }

    static void some(ObjectNode node, String name, @Nullable Double value) {
        if (value != null) {
            number(node, name, value);
        }
    }

    static void some(ObjectNode node, String name, @Nullable Integer value) {
        if (value != null) {
            node.put(name, value);
        }
    }

    static void some(ObjectNode node, String name, @Nullable Boolean value) {
        if (value != null) {
            node.put(name, value);
        }
    }

    static void some(ObjectNode node, String name, @Nullable Coded value) {
        if (value != null) {
            code(node, name, value);
        }
    }

    static <T> void someOf(ObjectNode node, String name, List<T> values, Indexed<T> toNode) {
        if (!values.isEmpty()) {
            list(node, name, values, toNode);
        }
    }

    static void entered(ObjectNode node, Map<String, String> entered) {
        if (!entered.isEmpty()) {
            ObjectNode typed = node.putObject("entered");
            new TreeMap<>(entered).forEach(typed::put);
        }
    }

    interface Indexed<T> {
        ObjectNode node(T value, int index);
    }

    static <T> void list(ObjectNode node, String name, List<T> values, Indexed<T> toNode) {
        ArrayNode array = node.putArray(name);
        for (int i = 0; i < values.size(); i++) {
            array.add(toNode.node(values.get(i), i));
        }
    }

    static <T> void list(
            ObjectNode node, String name, List<T> values, java.util.function.Function<T, ObjectNode> toNode) {
        list(node, name, values, (v, i) -> toNode.apply(v));
    }
}
