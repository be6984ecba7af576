package lochan.offline.boat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
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
import lochan.core.practice.Outcome;
import lochan.core.quantity.Units;
import lochan.eventformat.BagRows;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.EventFileWriter;
import lochan.offline.bag.BagView;
import lochan.offline.bag.Names;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
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
    private static final Path CASES = Path.of("../eventformat/src/test/resources/cases");

    private static NodeModule page;

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

    @ParameterizedTest
    @MethodSource("logs")
    void sayTheSame(Log log) throws Exception {
        Units units = log.entries().size() % 2 == 0
                ? Units.USUAL
                : new Units(Units.Weight.KG, Units.Length.CM, Units.Depth.M, Units.Temperature.C, Units.Speed.KMH);
        Instant now = log.event().day(1).checkIn().minus(Duration.ofMinutes(90));
        ObjectNode asked = JSON.createObjectNode();
        ObjectNode known = EventFileWriter.log(log.event(), log.entries());
        known.putObject("units")
                .put("weight", units.weight().code())
                .put("length", units.length().code())
                .put("temperature", units.temperature().code());
        ObjectNode names = known.putObject("names");
        NAMES.spots().forEach(names.putObject("spots")::put);
        NAMES.presentations().forEach(names.putObject("presentations")::put);
        asked.set("log", known);
        JsonNode answer = page.say(asked.put("day", 1).put("now", now.toEpochMilli()));

        same(
                answer.path("rows"),
                BagRows.json(
                        BagLog.replay(log.event(), log.entries()),
                        log.event().rules().format() == Format.LIMIT_LENGTH),
                "/rows");
        BagView view = BagView.of(
                log.event(), NAMES, log.entries(), new BagView.Moment(1, now, now.plus(Duration.ofMinutes(25))), units);
        same(answer.path("view"), JSON.valueToTree(view), "/view");
    }

    private static void same(JsonNode page, JsonNode here, String at) {
        NodeModule.same(
                page, here, at, ROUNDING, (p, h, of) -> assertThat(p).as(of).isEqualTo(h));
    }
}
