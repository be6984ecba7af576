package lochan.offline.boat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.zip.GZIPOutputStream;
import lochan.core.Assumptions;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.live.Effort;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.RestoredDayModel;
import lochan.core.notebook.Notebook;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.EventFileWriter;
import lochan.eventformat.PackWriter;
import lochan.offline.pack.Pack;
import lochan.offline.plan.DayAdvice;
import lochan.offline.plan.PlanScreen;
import lochan.offline.plan.RestOfDay;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The page's worker, run by Node, advises the same from a pack as the server from practice and the whole lake: the same
 * decisions, numbers within
 * 10⁻⁶.
 */
@Tag("slow")
class AdviceModuleTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double ROUNDING = 1e-6;
    private static final Pattern TIME = Pattern.compile("\\d{4}-\\d\\d-\\d\\dT.*Z");
    /** Of each event. */
    private static final int ASKINGS = Boolean.getBoolean("lochan.long") ? 50 : 20;
    /** Of an event's askings that plan the rest of the day too. */
    private static final int REST_EVERY = 25;

    private static final Effort EFFORT = new Effort(100, 60, 12, 1, 1);

    @ParameterizedTest
    @ValueSource(strings = {"two-arms-open", "may-opener", "long-light", "two-day-autumn"})
    void saysTheSame(String name) throws Exception {
        EventData event = demo(name);
        saysTheSame(event, new FittedDayModel(event, 1, Assumptions.DEFAULTS), ASKINGS, name);
    }

    /** Events as they begin: some spots and lures, hardly any practice, or none. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void advisesOnAnEventFromNothing(int stops) throws Exception {
        EventData demo = demo("two-arms-open");
        Random random = new Random(stops);
        List<Spot> spots = new ArrayList<>(demo.spots());
        List<Presentation> lures = new ArrayList<>(demo.presentations());
        Collections.shuffle(spots, random);
        Collections.shuffle(lures, random);
        spots = spots.subList(0, 1 + stops);
        lures = lures.subList(0, 1 + stops);
        List<PracticeStop> practice = new ArrayList<>();
        for (PracticeStop stop : demo.stops().subList(0, stops)) {
            practice.add(PracticeStopBuilder.builder(stop)
                    .spotId(spots.getFirst().id())
                    .presentations(List.of(new PresentationTime(lures.getFirst().id(), null)))
                    .bites(List.of())
                    .build());
        }
        EventData event = demo.toBuilder()
                .spots(spots)
                .presentations(lures)
                .stops(practice)
                .plans(List.of())
                .notebook(Notebook.EMPTY)
                .competition(List.of())
                .build();
        FittedDayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        saysTheSame(event, new RestoredDayModel(event, 1, Assumptions.DEFAULTS, model.numbers()), 20, "from nothing");
    }

    private static EventData demo(String name) throws Exception {
        try (InputStream in = Files.newInputStream(Path.of("../web/src/main/resources/demo/" + name + ".event.json"))) {
            return EventFileReader.read(in).data();
        }
    }

    private static void saysTheSame(EventData event, DayModel model, int askings, String name) throws Exception {
        DayRuns runs = DayRuns.of(event, Assumptions.DEFAULTS.planning());
        List<PlanStop> plan = event.planOf(1);
        Backups.Ladder ladder = ladder(model, plan);
        DayAdvice here = new DayAdvice(
                new Pack(
                        event,
                        Units.USUAL,
                        runs,
                        0.9,
                        EFFORT,
                        Map.of(),
                        Map.of(),
                        null,
                        Map.of(1, new Pack.Day(model, ladder))),
                1);
        here.ready();
        ObjectNode pack = PackWriter.of(
                event,
                Units.USUAL,
                runs,
                0.9,
                EFFORT,
                List.of(new PackWriter.Day(1, new FittedDayModel(event, 1, Assumptions.DEFAULTS).numbers(), ladder)),
                Map.of());
        CompetitionDay day = event.day(1);
        try (NodeModule phone = NodeModule.start("advice.js", "adviser.mjs")) {
            ObjectNode first = JSON.createObjectNode();
            first.set("pack", pack);
            phone.say(first.put("now", day.start().toEpochMilli()));
            Random random = new Random(name.hashCode());
            for (int i = 0; i < askings; i++) {
                Instant now = time(day, random);
                List<Entry> log = log(event, now, random);
                Position at = random.nextBoolean() ? null : near(event, random);
                String which = name + " " + i + " at " + now;
                PlanScreen screen = here.screen(log, now, at);
                assertThat(screen.stay()).as(which).isNotNull();
                same(phone.say(question(event, log, now, at)), JSON.valueToTree(screen), which);
                if (i % REST_EVERY == 0) {
                    same(
                            phone.say(question(event, log, now, at).put("rest", true)),
                            tree(here.rest(log, now, at)),
                            which + " rest");
                }
            }
        }
    }

    private static JsonNode tree(RestOfDay rest) {
        ObjectNode tree = JSON.valueToTree(rest);
        tree.path("plan").forEach(stop -> {
            ObjectNode fields = (ObjectNode) stop;
            fields.set("spot", fields.remove("spotId"));
            fields.set("presentation", fields.remove("presentationId"));
        });
        return tree;
    }

    /** A trigger at each stop of a plan, of the kind that fires. */
    private static Backups.Ladder ladder(DayModel model, List<PlanStop> plan) {
        if (plan.isEmpty()) {
            return new Backups.Ladder(null, List.of());
        }
        List<Backups.Trigger> triggers = plan.stream()
                .map(s -> new Backups.Trigger(s.spotId(), s.arrive().plusSeconds(1200), 2))
                .toList();
        lochan.core.model.rate.Pattern main = model.pattern(Cell.of(plan.getFirst()));
        return new Backups.Ladder(main, List.of(new Backups.Backup(main, 2000, plan, triggers)));
    }

    /** Some time of a day, most often near its end: what is asked early looks ahead over all of it. */
    private static Instant time(CompetitionDay day, Random random) {
        long seconds = Duration.between(day.start(), day.checkIn()).toSeconds();
        long last = random.nextInt(5) == 0 ? seconds : seconds / 3;
        return day.checkIn().minusSeconds(1 + random.nextLong(last));
    }

    /** An event as large as they come is taken along in 1.5 MB. */
    @Test
    void aLargeEventIsTakenAlongToo() throws Exception {
        EventData event = demo("two-arms-open");
        Random random = new Random(1);
        List<Spot> spots = new ArrayList<>(event.spots());
        while (spots.size() < 200) {
            Spot like = event.spots().get(random.nextInt(event.spots().size()));
            spots.add(SpotBuilder.builder(like)
                    .id("spot-" + spots.size())
                    .position(near(event, random))
                    .build());
        }
        List<Presentation> lures = new ArrayList<>(event.presentations());
        while (lures.size() < 20) {
            lures.add(new Presentation("lure-" + lures.size(), "Lure " + lures.size(), Hooks.SINGLE));
        }
        // Practice such that every class of spot was fished with every lure.
        List<PracticeStop> stops = event.stops().stream()
                .map(s -> s.withPresentations(lures.stream()
                        .map(l -> new PresentationTime(l.id(), null))
                        .toList()))
                .toList();
        EventData large =
                event.toBuilder().spots(spots).presentations(lures).stops(stops).build();
        FittedDayModel model = new FittedDayModel(large, 1, Assumptions.DEFAULTS);
        assertThat(model.cells()).hasSizeGreaterThan(3500);
        ByteArrayOutputStream sent = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(sent)) {
            gzip.write(PackWriter.of(
                            large,
                            Units.USUAL,
                            DayRuns.of(large, Assumptions.DEFAULTS.planning()),
                            1,
                            EFFORT,
                            List.of(new PackWriter.Day(1, model.numbers(), new Backups.Ladder(null, List.of()))),
                            Map.of())
                    .toString()
                    .getBytes(StandardCharsets.UTF_8));
        }
        assertThat(sent.size()).isLessThan(1_500_000);
    }

    private static ObjectNode question(EventData event, List<Entry> log, Instant now, @Nullable Position at) {
        ObjectNode question = JSON.createObjectNode().put("now", now.toEpochMilli());
        question.set("log", EventFileWriter.log(event.event(), log));
        return at == null ? question : question.put("lat", at.lat()).put("lon", at.lon());
    }

    /** On the water or near it, somewhere about a spot. */
    private static Position near(EventData event, Random random) {
        Position spot = event.spots().get(random.nextInt(event.spots().size())).position();
        return new Position(spot.lat() + 0.004 * random.nextGaussian(), spot.lon() + 0.004 * random.nextGaussian());
    }

    /** A day fished until now: any spot with any lure for an hour or so each, tried in practice or not, bites and fish among them. */
    private static List<Entry> log(EventData event, Instant now, Random random) {
        List<Cell> cells = event.spots().stream()
                .flatMap(s -> event.presentations().stream().map(p -> new Cell(s.id(), p.id())))
                .toList();
        List<Entry> entries = new ArrayList<>();
        BagLog log = new BagLog(event.event());
        Instant at = event.day(1).start().plusSeconds(random.nextInt(3600));
        Cell cell = null;
        for (int i = 0; at.isBefore(now); i++) {
            int kind = cell == null ? 0 : random.nextInt(6);
            if (kind == 0) {
                cell = cells.get(random.nextInt(cells.size()));
            }
            Entry entry = kind == 0
                    ? new Entry.Fishing("e" + i, at, cell.spotId(), cell.presentationId())
                    : kind < 3
                            ? new Entry.Bite(
                                    "e" + i,
                                    at,
                                    cell.spotId(),
                                    cell.presentationId(),
                                    kind == 1 ? Outcome.LOST : Outcome.MISSED)
                            : EntryCatchBuilder.builder()
                                    .id("e" + i)
                                    .at(at)
                                    .species(event.rules().species().getFirst().species())
                                    .grams(400.0 + random.nextInt(2500))
                                    .spotId(cell.spotId())
                                    .presentationId(cell.presentationId())
                                    .alive(true)
                                    .build();
            if (log.append(entry).isEmpty()) {
                entries.add(entry);
            }
            at = at.plusSeconds(300 + random.nextInt(2400));
        }
        return entries;
    }

    private static void same(JsonNode phone, JsonNode here, String at) {
        NodeModule.same(phone, here, at, ROUNDING, AdviceModuleTest::sameText);
    }

    private static void sameText(JsonNode phone, JsonNode here, String at) {
        if (here.isString() && TIME.matcher(here.asString()).matches()) {
            Instant said = phone.isNumber() ? Instant.ofEpochMilli(phone.asLong()) : Instant.parse(phone.asString());
            assertThat(said).as(at).isEqualTo(Instant.parse(here.asString()));
        } else {
            assertThat(phone).as(at).isEqualTo(here);
        }
    }
}
