package lochan.offline.boat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.competition.EntryOfficialBuilder;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.event.TieBreak;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import lochan.core.quantity.Units;
import lochan.eventformat.BagRows;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.EventFileWriter;
import lochan.eventformat.PackWriter;
import lochan.offline.bag.BagView;
import lochan.offline.bag.FormEntry;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.practice.PracticeChange;
import lochan.offline.practice.PracticeLog;
import lochan.offline.practice.PracticeLogStopBuilder;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The module in the page, run by Node, says of every log what the same Java says here. */
@Tag("slow")
class BoatModuleTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final Instant START = Instant.parse("2027-06-05T12:00:00Z");
    private static final Names NAMES = new Names(Map.of("s1", "Harth Grass"), Map.of("jig", "Swim jig"));
    private static final double ROUNDING = 1e-9;
    private static final int LOGS = 150;
    private static final int FORMS = 300;
    /** Compressed. */
    private static final int MOST_BYTES = 155_000;

    private static final Path CASES = Path.of("../eventformat/src/test/resources/cases");

    private static NodeModule page;
    /** When the server gave a log: the module takes two of the same time for the same. */
    private static long given;

    @BeforeAll
    static void begin() throws Exception {
        page = NodeModule.start("bag.js", "parity.mjs");
    }

    @AfterAll
    static void end() throws Exception {
        page.close();
    }

    record Log(String name, Event event, List<Entry> entries) {

        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Log> logs() throws Exception {
        return Stream.concat(
                shared(), Stream.iterate(0, i -> i < LOGS, i -> i + 1).map(BoatModuleTest::random));
    }

    /** The demo's log, and the worked cases. */
    private static Stream<Log> shared() throws Exception {
        List<Log> logs = new ArrayList<>();
        List<Path> files = new ArrayList<>(List.of(Path.of("../web/src/main/resources/demo/two-arms-open.event.json")));
        files.add(CASES.resolve("bag-rules.event.json"));
        files.add(CASES.resolve("bag-simple.event.json"));
        for (Path file : files) {
            try (InputStream in = Files.newInputStream(file)) {
                var data = EventFileReader.read(in).data();
                logs.add(new Log(file.getFileName().toString(), data.event(), data.competition()));
            }
        }
        return logs.stream();
    }

    private static Log random(int seed) {
        Random random = new Random(seed);
        Event event = event(random);
        BagLog log = new BagLog(event);
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            var pending = log.bag(1).pending();
            Instant at = START.plus(Duration.ofMinutes(10L * i));
            Entry entry = pending != null && random.nextInt(4) > 0
                    ? new Entry.Balance("e" + i, at, pending.first(), pending.second())
                    : entry("e" + i, at, entries, event, random);
            if (log.append(entry).isEmpty()) {
                entries.add(entry);
            }
        }
        return new Log("random " + seed, event, entries);
    }

    private static Event event(Random random) {
        Format format = Format.values()[random.nextInt(3)];
        List<SpeciesRule> species = Stream.of(Species.LARGEMOUTH, Species.SMALLMOUTH)
                .map(s -> new SpeciesRule(
                        s,
                        random.nextBoolean() ? 304.8 : null,
                        random.nextInt(4) == 0 ? 350.0 : null,
                        random.nextInt(3) == 0 ? new SpeciesRule.Slot(330, 380, random.nextBoolean() ? 1 : null) : null,
                        random.nextInt(3) == 0 ? 2 : null,
                        Map.of()))
                .toList();
        Scoring scoring = new Scoring(
                random.nextInt(5) > 0,
                random.nextInt(4) == 0,
                random.nextBoolean() ? 6.35 : null,
                random.nextBoolean() ? TieBreak.BIGGEST_FISH : TieBreak.NONE,
                random.nextBoolean() ? new Scoring.Cut(1, 20) : null,
                random.nextBoolean() ? List.of("Pine", "Bell") : List.of());
        Rules rules = new Rules(
                format,
                format == Format.EVERY_FISH ? null : 1 + random.nextInt(5),
                null,
                random.nextBoolean() ? 20.0 : null,
                species,
                scoring,
                new Penalties(113.4, 453.6, 15.0, 226.8, 400.0),
                Gear.FREE);
        Position ramp = new Position(42.6, -116.9);
        List<CompetitionDay> days = List.of(
                new CompetitionDay(LocalDate.parse("2027-06-05"), START, START.plusSeconds(36_000)),
                new CompetitionDay(
                        LocalDate.parse("2027-06-06"), START.plusSeconds(86_400), START.plusSeconds(122_400)));
        return new Event("Random", ZONE, 1, List.of(), days, new Event.Ramp(ramp, ramp), rules, Map.of());
    }

    private static Entry entry(String id, Instant at, List<Entry> before, Event event, Random random) {
        String some = before.isEmpty()
                ? "none"
                : before.get(random.nextInt(before.size())).id();
        boolean weighs = !event.rules().scoring().balanceOnly() && random.nextInt(6) > 0;
        double grams = Math.rint(300 + 2000 * random.nextDouble());
        return switch (random.nextInt(15)) {
            case 0 -> new Entry.Died(id, at, some);
            case 1 -> new Entry.Correct(id, at, some, grams, null, null);
            case 2 -> new Entry.Correct(id, at, some, null, 250 + 200 * random.nextDouble(), null);
            case 3 -> new Entry.Void(id, at, some);
            case 4 ->
                EntryOfficialBuilder.builder()
                        .id(id)
                        .at(at)
                        .grams(5000.0)
                        .mm(1900.0)
                        .deadFish(random.nextInt(3))
                        .lateMinutes(20 * random.nextDouble())
                        .shortFish(random.nextInt(2))
                        .overLimit(random.nextInt(2))
                        .place(1 + random.nextInt(40))
                        .biggestGrams(2000.0)
                        .build();
            case 5 -> new Entry.ScaleCheck(id, at, 1000, 980 + 40 * random.nextDouble());
            case 6 -> new Entry.Bite(id, at, "s1", "jig", Outcome.LOST);
            case 7 -> new Entry.Fishing(id, at, random.nextBoolean() ? "s1" : null, "jig");
            case 9 ->
                new Entry.Loss(
                        id, at, before.isEmpty() ? "none" : before.getLast().id(), LossWay.JUMPED_OFF);
            case 8 -> new Entry.LivewellReading(id, at, 15 + 15 * random.nextDouble());
            default ->
                EntryCatchBuilder.builder()
                        .id(id)
                        .at(at)
                        .species(
                                random.nextInt(8) == 0
                                        ? null
                                        : random.nextBoolean() ? Species.LARGEMOUTH : Species.SMALLMOUTH)
                        .grams(weighs ? grams : null)
                        .mm(
                                event.rules().format() == Format.LIMIT_LENGTH || random.nextBoolean()
                                        ? 250 + 200 * random.nextDouble()
                                        : null)
                        .spotId("s1")
                        .presentationId("jig")
                        .alive(random.nextInt(10) > 0)
                        .tag(random.nextInt(6) == 0 ? "Blue" : null)
                        .build();
        };
    }

    /** Returns a log as the page sends it. */
    private static ObjectNode sent(Log log, Units units) {
        ObjectNode known = EventFileWriter.log(log.event(), log.entries());
        known.put("now", ++given).set("units", PackWriter.units(units));
        ObjectNode names = known.putObject("names");
        NAMES.spots().forEach(names.putObject("spots")::put);
        NAMES.presentations().forEach(names.putObject("presentations")::put);
        return known;
    }

    private static Units units(int number) {
        return number % 2 == 0 ? Units.USUAL : Units.METRIC;
    }

    private static BagView.Moment moment(Instant now) {
        return new BagView.Moment(1, now, now.plus(Duration.ofMinutes(25)), "the launch");
    }

    @ParameterizedTest
    @MethodSource("logs")
    void sayTheSame(Log log) throws Exception {
        Units units = units(log.entries().size());
        Instant now = log.event().day(1).checkIn().minus(Duration.ofMinutes(90));
        ObjectNode asked = JSON.createObjectNode().put("day", 1).put("now", now.toEpochMilli());
        asked.set("log", sent(log, units));
        JsonNode answer = page.say(asked);

        BagLog known = BagLog.replay(log.event(), log.entries());
        same(answer.path("rows"), rows(known), "/rows");
        same(answer.path("view"), JSON.valueToTree(BagView.of(known, NAMES, moment(now), units)), "/view");
    }

    private static JsonNode rows(BagLog log) {
        return BagRows.json(log, log.event().rules().format() == Format.LIMIT_LENGTH);
    }

    private static final List<String> WEIGHTS = List.of(
            "3-4",
            "2-15.5",
            "1 lb 12 oz",
            "about 3 and a half pounds",
            "1,35 kg",
            "1.35kg",
            "1350 g",
            "2 1/2",
            "3#2",
            "half a pound",
            "40 oz",
            "-2",
            "12 stone",
            "3-17",
            "two pounds",
            "2\u00a0lb",
            "",
            "99",
            "4 and 3 quarters",
            "5 lb and a bit",
            "3.25");
    private static final List<String> LENGTHS = List.of(
            "14 1/4", "14\"", "36 cm", "360mm", "14,5 in", "a foot", "1 ft 2", "", "15", "0", "3/4", "1'2\"", "14-1/4");
    private static final List<String> COUNTS = List.of("", "1", "2.5", "x", "-1", "12 min", "0");

    private static String one(List<String> of, Random random) {
        return of.get(random.nextInt(of.size()));
    }

    private static Map<String, String> typed(Random random, List<Entry> known) {
        Map<String, String> form = new HashMap<>();
        String some = known.isEmpty()
                ? "none"
                : known.get(random.nextInt(known.size())).id();
        switch (random.nextInt(8)) {
            case 0 -> form.putAll(Map.of("type", "correct", "catch", some, "weight", one(WEIGHTS, random)));
            case 1 -> form.putAll(Map.of("type", "void", "entry", some));
            case 2 ->
                form.putAll(
                        Map.of("type", "scale-check", "known", one(WEIGHTS, random), "reads", one(WEIGHTS, random)));
            case 3 ->
                form.putAll(Map.of(
                        "type",
                        "official",
                        "official",
                        one(WEIGHTS, random),
                        "deadFish",
                        one(COUNTS, random),
                        "lateMinutes",
                        one(COUNTS, random),
                        "place",
                        one(COUNTS, random)));
            case 4 ->
                form.putAll(Map.of(
                        "type", "livewell", "livewell", one(List.of("72", "22 C", "71.5F", "cold", "150"), random)));
            default ->
                form.putAll(Map.of(
                        "type",
                        "catch",
                        "species",
                        one(List.of("largemouth", "smallmouth", "pike", ""), random),
                        "weight",
                        one(WEIGHTS, random),
                        "length",
                        one(LENGTHS, random),
                        "spot",
                        one(List.of("s1", "", "s9"), random),
                        "tag",
                        one(List.of("", "Blue"), random)));
        }
        return form;
    }

    /** The phone reads typed values as the server does, with the same messages. */
    @Test
    void readTheSame() throws Exception {
        Random random = new Random(7);
        int taken = 0;
        for (int i = 0; i < FORMS; i++) {
            Log log = random(i % LOGS);
            Units units = units(i);
            Instant at = log.event().day(1).start().plus(Duration.ofHours(8));
            Map<String, String> typed = typed(random, log.entries());
            ObjectNode asked = JSON.createObjectNode().put("id", "new").put("at", at.toEpochMilli());
            asked.set("log", sent(log, units));
            asked.set("form", JSON.valueToTree(typed));
            JsonNode answer = page.say(asked);

            Form form = new Form(typed, units);
            BagLog known = BagLog.replay(log.event(), log.entries());
            Optional<Entry> entry = FormEntry.read(form, log.event(), NAMES, "new", at);
            entry.flatMap(known::append).map(FormEntry::onForm).ifPresent(form::violation);
            sameErrors(answer, form, typed);
            if (form.ok()) {
                taken++;
                List<Entry> after = new ArrayList<>(log.entries());
                after.add(entry.orElseThrow());
                // The file leaves out what the page says is null.
                ((ObjectNode) answer.path("entry")).values().removeIf(JsonNode::isNull);
                NodeModule.same(
                        answer.path("entry"),
                        EventFileWriter.log(log.event(), after).path("entries").get(after.size() - 1),
                        "/entry of " + typed,
                        ROUNDING,
                        BoatModuleTest::sameTimeOrText);
                same(answer.path("row"), rows(known).get(after.size() - 1), "/row of " + typed);
                same(
                        answer.path("view"),
                        JSON.valueToTree(BagView.of(known, NAMES, moment(at), units)),
                        "/view of " + typed);
            }
        }
        assertThat(taken).as("forms that could be read").isBetween(FORMS / 4, FORMS * 3 / 4);
    }

    /** The page writes times in UTC, the event file in the zone of the event. */
    private static void sameTimeOrText(JsonNode page, JsonNode here, String at) {
        if (at.startsWith("/entry") && at.endsWith("/at")) {
            assertThat(OffsetDateTime.parse(page.asString()).toInstant())
                    .as(at)
                    .isEqualTo(OffsetDateTime.parse(here.asString()).toInstant());
        } else {
            assertThat(page).as(at).isEqualTo(here);
        }
    }

    private static void sameErrors(JsonNode answer, Form form, Map<String, String> typed) {
        List<String> told = new ArrayList<>();
        answer.path("errors")
                .forEach(e -> told.add(
                        e.path("field").asString() + ": " + e.path("message").asString()));
        List<String> here = new ArrayList<>();
        form.allErrors().forEach((field, messages) -> messages.forEach(m -> here.add(field + ": " + m)));
        assertThat(told).as(typed.toString()).containsExactlyInAnyOrderElementsOf(here);
    }

    private static final List<String> CHANGED = List.of(
            "date",
            "2027-06-01",
            "2027-02-30",
            "1.6.2027",
            "start",
            "06:30",
            "6:45",
            "25:00",
            "6h",
            "06:30:15",
            "waterTempC",
            "64",
            "17 C",
            "warm",
            "visibilityM",
            "3 ft",
            "1,5 m",
            "windMps",
            "10 mph",
            "4 m/s",
            "windFromDeg",
            "NW",
            "270",
            "90 deg",
            "baitDepthM",
            "6-8 ft",
            "12'");
    private static final List<String> SEEN = List.of(
            "2 o'clock, 70 ft",
            "10:30h 20 yd",
            "bearing 045, 70 ft",
            "port 60 ft",
            "behind the boat",
            "starboard, 25 yards",
            "13 o'clock, 5 m");

    private static Map<String, String> practised(Random random) {
        return switch (random.nextInt(4)) {
            case 0 ->
                Map.of(
                        "what",
                        "waypoint",
                        "seen",
                        one(SEEN, random),
                        "heading",
                        one(List.of("0", "271.5", "400", ""), random),
                        "position",
                        one(List.of("42.63001, -116.91002", "42 37.8 N, 116 54.6 W", "here", "91, 0"), random),
                        "waterDepthM",
                        "12 ft");
            case 1 ->
                Map.of(
                        "what",
                        "spot",
                        "spot",
                        "s5",
                        "name",
                        "New spot",
                        "position",
                        one(List.of("42.6, -116.9", "N42 37.8 W116 54.6", "11T 508000 4717900"), random));
            case 2 ->
                Map.of(
                        "what",
                        "bite",
                        "stop",
                        "a",
                        "how",
                        "guess",
                        "outcome",
                        one(List.of("landed", "missed", "eaten"), random),
                        "size",
                        one(WEIGHTS, random));
            default -> {
                int name = random.nextInt(CHANGED.size());
                String field = CHANGED.get(name).matches("[a-z]+[A-Z]?\\w*") ? CHANGED.get(name) : "date";
                yield Map.of(
                        "what", "edit-stop", "stop", "a", "set/" + field, one(CHANGED, random), "was/" + field, "");
            }
        };
    }

    @Test
    void practiceIsReadTheSame() throws Exception {
        Random random = new Random(8);
        Log log = random(1);
        Instant start = Instant.parse("2027-06-01T12:00:00Z");
        PracticeLog known = new PracticeLog(
                NAMES,
                Map.of("s1", new Position(42.63, -116.91)),
                ZONE,
                List.of(PracticeLogStopBuilder.builder()
                        .id("a")
                        .spotId("s1")
                        .start(start)
                        .anglers(1)
                        .presentations(List.of("jig"))
                        .follows(0)
                        .bycatch(0)
                        .conditions(Map.of())
                        .bites(List.of())
                        .build()));
        ObjectNode practice = JSON.createObjectNode();
        practice.putArray("places")
                .addObject()
                .put("id", "s1")
                .put("lat", 42.63)
                .put("lon", -116.91);
        practice.putArray("stops")
                .addObject()
                .put("id", "a")
                .put("spot", "s1")
                .put("start", start.toString())
                .put("anglers", 1)
                .putArray("presentations")
                .add("jig");
        int taken = 0;
        for (int i = 0; i < FORMS; i++) {
            Units units = units(i);
            Instant at = start.plus(Duration.ofMinutes(i));
            Map<String, String> typed = practised(random);
            ObjectNode asked = JSON.createObjectNode().put("id", "new").put("at", at.toEpochMilli());
            asked.set("log", sent(log, units));
            asked.set("practice", practice);
            asked.set("form", JSON.valueToTree(typed));
            JsonNode answer = page.say(asked).path("made");

            Form form = new Form(typed, units);
            Optional<PracticeChange> change = PracticeChange.read(form, NAMES, "new", at);
            change.ifPresent(c -> known.check(c, form));
            sameErrors(answer, form, typed);
            taken += answer.has("change") ? 1 : 0;
        }
        assertThat(taken).as("changes that could be read").isBetween(FORMS / 4, FORMS * 3 / 4);
    }

    /** It is fetched over a weak signal and read while the app opens. */
    @Test
    void isSmall() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (InputStream in = NodeModule.class.getResourceAsStream("/static/js/boat/bag.js");
                GZIPOutputStream zip = new GZIPOutputStream(out)) {
            in.transferTo(zip);
        }
        assertThat(out.size()).isLessThanOrEqualTo(MOST_BYTES);
    }

    private static void same(JsonNode page, JsonNode here, String at) {
        NodeModule.same(
                page, here, at, ROUNDING, (p, h, of) -> assertThat(p).as(of).isEqualTo(h));
    }
}
