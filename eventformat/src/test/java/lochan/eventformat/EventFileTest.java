package lochan.eventformat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import lochan.core.Bounds;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishPosition;
import lochan.core.notebook.KnownFish;
import lochan.core.practice.TakenOn;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class EventFileTest {

    private static final Path DEMO = Path.of("../web/src/main/resources/demo/two-arms-open.event.json");
    /** An event whose lake is not known. */
    private static final Path DRY = DEMO.resolveSibling("april-shakedown.event.json");

    private static final Path SCHEMA = Path.of("src/main/resources/static/schema/event.schema.json");

    private static final Path VERSION_1 = Path.of("src/test/resources/version-1");
    private static final List<String> OLD_NAMES = List.of(
            "placeClass",
            "marks",
            "holding",
            "settleMinutes",
            "mostWindMps",
            "struck",
            "strikes",
            "lineHours",
            "leanings");

    static Stream<Path> files() throws IOException {
        return Stream.concat(Files.list(Path.of("src/test/resources/cases")), Files.list(DEMO.getParent()))
                .filter(p -> p.toString().endsWith(".event.json"))
                .sorted();
    }

    private static EventFile read(String json) throws EventFileException {
        try {
            return EventFileReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String written(EventFile file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        EventFileWriter.write(file, out);
        return out.toString(StandardCharsets.UTF_8);
    }

    private static List<String> problems(String json) {
        return catchThrowableOfType(EventFileException.class, () -> read(json)).problems().stream()
                .map(Object::toString)
                .toList();
    }

    private static List<String> schemaProblems(String json) {
        try {
            return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                    .getSchema(Files.readString(SCHEMA))
                    .validate(
                            json, InputFormat.JSON, c -> c.getExecutionConfig().setFormatAssertionsEnabled(true))
                    .stream()
                    .map(Object::toString)
                    .toList();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @MethodSource("files")
    void readingAndWritingLosesNothing(Path file) throws Exception {
        String once = written(read(Files.readString(file)));

        assertThat(written(read(once))).isEqualTo(once);
        assertThat(read(once)).isEqualTo(read(Files.readString(file)));
    }

    /** Files of version 1: the worked cases, and what was shipped and written in its time. */
    static Stream<Path> oldFiles() throws IOException {
        return Stream.concat(Files.list(Path.of("src/test/resources/cases")), Files.list(VERSION_1))
                .filter(p -> p.toString().endsWith(".event.json"))
                .sorted();
    }

    @ParameterizedTest
    @MethodSource("oldFiles")
    void filesOfVersion1AreReadAndWrittenInVersion2(Path file) throws Exception {
        String old = Files.readString(file);
        EventFile read = read(old);

        assertThat(old).contains("\"lochan\": 1");
        assertThat(read.extras().keySet()).as("nothing of version 1 is unknown").noneMatch(p -> OLD_NAMES.stream()
                .anyMatch(n -> read.extras().get(p).contains("\"" + n + "\"")));
        assertThat(written(read))
                .contains("\"lochan\": 2")
                .doesNotContain(OLD_NAMES.stream().map(n -> "\"" + n + "\":").toArray(String[]::new));
        assertThat(schemaProblems(written(read))).isEmpty();
        assertThat(read(written(read)).data()).isEqualTo(read.data());
    }

    @Test
    void everyRenamedFieldOfVersion1ArrivesUnderItsNewName() throws Exception {
        EventData read = read(Files.readString(VERSION_1.resolve("two-arms-open.event.json")))
                .data();

        assertThat(read.spots()).first().extracting(s -> s.spotType()).isEqualTo("grass-edge");
        assertThat(read.boat().setUpMinutes()).isEqualTo(4);
        assertThat(read.boat().maxWindMps()).isEqualTo(8.5);
        assertThat(read.waypoints())
                .extracting(w -> w.fish().position())
                .contains(FishPosition.ON_TOP, FishPosition.OFF_EDGE);
        assertThat(read.stops().stream().flatMap(s -> s.bites().stream()).map(b -> b.notes()
                        .takenOn()))
                .contains(TakenOn.FALL);
        assertThat(read.notebook().fish())
                .anyMatch(f -> f.tries().stream().anyMatch(t -> t.reaction() == KnownFish.Reaction.BIT));
        assertThat(read.notebook().trials()).anyMatch(t -> t.rounds().stream().anyMatch(x -> x.bites() > 0));
    }

    @Test
    void entriesOfOldTypesAreReadFromWhereverTheyCome() throws Exception {
        EventData event = read(Files.readString(DEMO)).data();
        JsonNode sent = JsonMapper.builder().build().readTree("""
                [{"type": "strike", "id": "s", "at": "2027-06-06T06:00:00-06:00", "spot": null, "presentation": null, "outcome": "missed"},
                 {"type": "well-water", "id": "w", "at": "2027-06-06T06:01:00-06:00", "celsius": 21}]""");

        assertThat(EventFileReader.entries(sent, event))
                .hasSize(2)
                .hasAtLeastOneElementOfType(Entry.Bite.class)
                .hasAtLeastOneElementOfType(Entry.LivewellReading.class);
    }

    @Test
    void whatIsWrongInVersion1IsNamedAsItStandsThere() throws Exception {
        String old = Files.readString(VERSION_1.resolve("two-arms-open.event.json"));

        assertThat(problems(old.replaceFirst("\"holding\": \"on top\"", "\"holding\": 3")))
                .singleElement()
                .asString()
                .startsWith("/marks/0/holding: found 3");
        assertThat(problems(old.replaceFirst("\"placeClass\": \"[a-z-]+\"", "\"placeClass\": 7")))
                .allMatch(m -> m.startsWith("/spots/0/placeClass: "))
                .isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("files")
    void filesFitTheSchemaThatShips(Path file) throws Exception {
        assertThat(file.startsWith(DEMO.getParent()) ? schemaProblems(Files.readString(file)) : List.of())
                .isEmpty();
        assertThat(schemaProblems(written(read(Files.readString(file))))).isEmpty();
    }

    @Test
    void theDemosFilesAreAsTheWriterWritesThem() throws Exception {
        assertThat(written(read(Files.readString(DEMO)))).isEqualTo(Files.readString(DEMO));
    }

    @Test
    void unknownFieldsComeBackWhereTheyWere() throws Exception {
        String json = Files.readString(DEMO)
                .replaceFirst("\"lochan\": 2,", "\"lochan\": 2, \"buoys\": {\"outline\": {\"type\": \"Polygon\"}},")
                .replaceFirst("\"id\": \"harth-grass\",", "\"id\": \"harth-grass\", \"marker\": [1, 2.50, \"ü\"],")
                .replaceFirst("\"outcome\": \"landed\",", "\"outcome\": \"landed\", \"onTheFall\": true,");

        String back = written(read(json));

        assertThat(back)
                .contains("\"buoys\"")
                .contains("\"onTheFall\"")
                .contains("2.50")
                .contains("ü");
        assertThat(written(read(back))).isEqualTo(back);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"takenOn\": \"fall\" | \"takenOn\": \"upwards\" | expected one of bottom, suspended, fall",
                "\"windFromDeg\": 200 | \"windFromDeg\": 400 | /windFromDeg: found 400",
                "\"position\": \"on-top\" | \"position\": 3 | /waypoints/0/position",
                "\"spot\": \"pale-hump\",\\n   \"fishDepthM\" | \"spot\": \"nowhere\",\\n   \"fishDepthM\" | /waypoints/0/spot: found \"nowhere\"",
                "\"bait\": true | \"bait\": \"some\" | /waypoints/0/bait",
                "\"clarityTrend\": \"clearing\" | \"clarityTrend\": \"clear\" | expected one of clearing, steady, muddying"
            })
    void aWrongNoteIsRefusedWithItsPlace(String right, String wrong, String message) throws IOException {
        String json = Files.readString(DEMO);
        String broken = json.replaceFirst(
                java.util.regex.Pattern.quote(right.replace("\\n", "\n")), wrong.replace("\\n", "\n"));
        assertThat(broken).isNotEqualTo(json);

        assertThat(problems(broken)).singleElement().asString().contains(message);
    }

    private static final String LAKE = """
            "lake": {"outline": {"type": "Polygon", "coordinates": [[[-117, 42.5], [-116.8, 42.5], [-116.8, 42.7], [-117, 42.7], [-117, 42.5]],
                                  [[-116.9, 42.55], [-116.89, 42.55], [-116.89, 42.56], [-116.9, 42.55]]]},
             "slowZones": {"type": "FeatureCollection", "name": "kept", "features": [{"type": "Feature", "id": 7, "properties": {"mps": 2.5,
                                  "name": "Harbour", "sign": "buoys"}, "geometry": {"type": "Polygon",
                                  "coordinates": [[[-116.91, 42.6], [-116.9, 42.6], [-116.9, 42.61], [-116.91, 42.6]]]}}]}},
            """;

    @Test
    void theLakeIsReadAsGeoJsonAndKeepsWhatItDoesNotKnow() throws Exception {
        String json = Files.readString(DRY).replaceFirst("\"spots\":", LAKE + "\"spots\":");
        EventFile file = read(json);

        assertThat(file.data().lake().bodies()).singleElement().satisfies(b -> assertThat(b.islands())
                .hasSize(1));
        assertThat(file.data().lake().slowZones()).singleElement().satisfies(z -> assertThat(z.mps())
                .isEqualTo(2.5));
        assertThat(written(file)).contains("\"kept\"").contains("\"buoys\"").contains("\"id\": 7");
        assertThat(written(read(written(file)))).isEqualTo(written(file));
        assertThat(schemaProblems(written(file))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"mps\": 2.5 | \"mps\": 0 | /lake/slowZones/features/0/properties/mps: The speed in a slow zone must be more than 0 m/s",
                "[-116.8, 42.7] | [-116.8, 142.7] | /lake/outline/coordinates/0/2: found [-116.8,142.7], expected [longitude, latitude]",
                "{\"type\": \"Polygon\", \"coordinates\": [[[-117 | {\"type\": \"Point\", \"coordinates\": [[[-117 | /lake/outline: found type \"Point\", expected a GeoJSON Polygon",
                "\"type\": \"FeatureCollection\" | \"type\": \"Features\" | /lake/slowZones/type: expected \"FeatureCollection\""
            })
    void aWrongLakeIsRefusedWithItsPointer(String right, String wrong, String message) throws Exception {
        assertThat(LAKE).contains(right);
        String json = Files.readString(DRY).replaceFirst("\"spots\":", LAKE.replace(right, wrong) + "\"spots\":");

        assertThat(problems(json)).anySatisfy(p -> assertThat(p).contains(message));
    }

    /** Each wrong value is refused with its pointer, by the reader as by the schema. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"lochan\": 2, | \"lochan\": 3, | /lochan: found 3, expected a whole number from 1 to 2",
                "\"format\": \"limit-weight\" | \"format\": \"heaviest\" | /event/format: found \"heaviest\", expected one of limit-weight, every-fish, limit-length",
                "\"limit\": 5 | \"limit\": \"five\" | /event/limit: found \"five\"",
                "\"lat\": 42.612 | \"lat\": 142.612 | /event/launch/lat: found 142.612, expected a number from -90 to 90",
                "\"zone\": \"shallow\" | \"zone\": \"wet\" | /spots/0/zone: found \"wet\"",
                "\"crowdRisk\": 0.2 | \"crowdRisk\": 1.2 | /spots/0/crowdRisk: The crowd risk must be 0",
                "\"start\": \"2027-06-01T05:35:00-06:00\" | \"start\": \"yesterday\" | /stops/0/start: found \"yesterday\", expected a time with offset",
                "\"outcome\": \"lost\" | \"outcome\": \"eaten\" | /bites/",
                "\"from\": \"2027-06-05T00:00:00-06:00\" | \"from\": 7 | /forecast/0/from: found 7"
            })
    void refusesAWrongValueWithItsPointer(String right, String wrong, String message) throws Exception {
        String json = Files.readString(DEMO);
        String broken = json.replaceFirst(
                java.util.regex.Pattern.quote(right), java.util.regex.Matcher.quoteReplacement(wrong));
        assertThat(broken).isNotEqualTo(json);

        assertThat(problems(broken)).anySatisfy(p -> assertThat(p).contains(message));
        assertThat(schemaProblems(broken)).isNotEmpty();
    }

    /** What no schema can tell: references, times in order, ids given twice, a log that cannot stand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"spot\": \"fallen-alder\" | \"spot\": \"nowhere\" | /stops/1/spot: found \"nowhere\", expected an id that this file defines",
                "\"end\": \"2027-06-01T06:50:00-06:00\" | \"end\": \"2027-06-01T05:00:00-06:00\" | /stops/0/end: the stop ends before it begins",
                "\"id\": \"long-meadow\" | \"id\": \"harth-grass\" | /spots/1/id: found \"harth-grass\" a second time (first at /spots/0)",
                "\"id\": \"a2\" | \"id\": \"a1\" | /competition/1/id: found \"a1\" a second time",
                "\"arrive\": \"2027-06-05T07:00:00-06:00\" | \"arrive\": \"2027-06-05T06:30:00-06:00\" | /plans/0/stops/1/arrive: You arrive before",
                "\"leave\": \"2027-06-05T07:00:00-06:00\" | \"leave\": \"2027-06-05T06:00:00-06:00\" | /plans/0/stops/0/leave: You leave before you arrive",
                "\"checkIn\": \"2027-06-05T15:00:00-06:00\" | \"checkIn\": \"2027-06-05T05:00:00-06:00\" | /event/days/0/checkIn: Check-in on day 1 must be after the start"
            })
    void refusesWhatContradictsItself(String right, String wrong, String message) throws Exception {
        String json = Files.readString(DEMO);
        String broken = json.replaceFirst(
                java.util.regex.Pattern.quote(right), java.util.regex.Matcher.quoteReplacement(wrong));
        assertThat(broken).isNotEqualTo(json);

        assertThat(problems(broken)).anySatisfy(p -> assertThat(p).contains(message));
    }

    @Test
    void refusesAPlanWithASpotOrPresentationThatIsNotThere() throws Exception {
        String json = Files.readString(DEMO);
        int plans = json.indexOf("\"plans\"");
        String broken = json.substring(0, plans)
                + json.substring(plans)
                        .replaceFirst("\"spot\": \"[a-z-]+\"", "\"spot\": \"nowhere\"")
                        .replaceFirst("\"presentation\": \"[a-z-]+\"", "\"presentation\": \"nothing\"");

        assertThat(problems(broken))
                .anySatisfy(p -> assertThat(p).contains("/plans/0/stops/0/spot").contains("nowhere"))
                .anySatisfy(p ->
                        assertThat(p).contains("/plans/0/stops/0/presentation").contains("nothing"));
    }

    /** A lock is kept, and so is the wind that the boat takes. */
    @Test
    void keepsLocksAndWhatTheBoatTakes() throws Exception {
        String json = Files.readString(DEMO);
        int leave = json.indexOf("\"leave\"", json.indexOf("\"plans\""));
        int end = json.indexOf('\n', leave);
        String locked = json.substring(0, end) + ",\n     \"locked\": true" + json.substring(end);

        EventFile read = EventFileReader.read(
                new java.io.ByteArrayInputStream(locked.getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        assertThat(read.data().plans().getFirst().stops())
                .extracting(lochan.core.plan.PlanStop::locked)
                .startsWith(true, false);
        assertThat(read.data().boat().maxWindMps()).isEqualTo(8.5);
        assertThat(schemaProblems(locked)).isEmpty();
        java.io.ByteArrayOutputStream out = new java.io.ByteArrayOutputStream();
        EventFileWriter.write(read, out);
        assertThat(out.toString(java.nio.charset.StandardCharsets.UTF_8)).isEqualTo(locked);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "[]",
                "7",
                "null",
                "{}",
                "{\"lochan\": 1}",
                "{\"lochan\": 1, \"event\": 7}",
                "{\"lochan\": 1, \"event\": {}} x",
                "{\"lochan\": 1, \"lochan\": 1}",
                "{\"lochan\": 1, \"event\": {\"days\": {}, \"species\": [3]}}"
            })
    void refusesWhatIsNoEventFile(String text) {
        assertThat(problems(text)).isNotEmpty().allSatisfy(p -> assertThat(p).contains(": "));
    }

    @Test
    void findsManyProblemsAtOnce() throws Exception {
        String json = Files.readString(DEMO)
                .replace("\"outcome\": \"missed\"", "\"outcome\": \"none\"")
                .replace("\"stock\": \"school\"", "\"stock\": \"many\"");

        assertThat(problems(json))
                .hasSizeGreaterThan(8)
                .anyMatch(p -> p.contains("/stock"))
                .anyMatch(p -> p.contains("/outcome"));
    }

    @Test
    void aFileOfManySmallObjectsIsRefusedBeforeItIsInMemory() {
        String many = "{\"lochan\": 1, \"unknown\": [" + "{\"a\":1},".repeat(700_000) + "{}]}";

        assertThat(problems(many))
                .singleElement()
                .asString()
                .contains("is too large")
                .contains("1500000 values and names");
        assertThat(problems("{\"lochan\": 1, \"unknown\": " + "[".repeat(200) + "]".repeat(200) + "}"))
                .singleElement()
                .asString()
                .contains("is too large");
    }

    @Test
    void fieldsThatNobodyKnowsAreKeptOnlyAsFarAsThereIsRoom() throws Exception {
        String json = Files.readString(DEMO);
        String few = json.replaceFirst("\\{", "{\"mine\": {\"a\": 1},");
        EventFile kept = read(few);
        assertThat(kept.leftOut()).isZero();
        assertThat(kept.extras().values()).anyMatch(v -> v.contains("mine"));
        EventFile much =
                read(json.replaceFirst("\\{", "{\"mine\": [" + ("\"" + "x".repeat(1000) + "\",").repeat(1200) + "1],"));
        assertThat(much.leftOut()).isEqualTo(1);
        assertThat(much.data()).as("the rest is read").isEqualTo(kept.data());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1e999999999 | expected a number from",
                "-1e9999999999 | is no JSON",
                "9e400 | expected a number from",
                "\"2\" | expected a number from"
            })
    void numbersOfAnySizeAreRefusedInWords(String number, String message) throws Exception {
        assertThat(problems(Files.readString(DEMO)
                        .replaceFirst("\"deadFishGrams\": [0-9.]+", "\"deadFishGrams\": " + number)))
                .anyMatch(p -> p.contains(message));
        assertThat(problems(Files.readString(DEMO)
                        .replaceFirst("\"deadFishGrams\": [0-9.]+", "\"deadFishGrams\": " + "9".repeat(400))))
                .anyMatch(p -> p.contains("is too large"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"sill-ledge ", " x", "\\ud800", "a\\u0000b", "a\\nb", ""})
    void idsThatCannotBeToldApartOrShownAreRefused(String id) throws Exception {
        String json = Files.readString(DEMO);
        String first = json.replaceAll("(?s).*?\"spots\": \\[\\s*\\{\\s*\"id\": \"([^\"]+)\".*", "$1");

        assertThat(problems(json.replace("\"" + first + "\"", "\"" + id + "\"")))
                .anyMatch(p -> p.startsWith("/spots/0/id: ") && p.contains("expected an id"));
    }

    @Test
    void namesAreCleanedOfWhatNothingCanShow() throws Exception {
        EventFile read = read(Files.readString(DEMO).replace("\"Two Arms", "\"\\u0007Tw\\u202e\\ud800o\\ufffe Arms"));

        assertThat(read.data().name()).startsWith("Two Arms");
    }

    @Test
    void aStopOfMoreThanADayAndYearsThatNobodyMeansAreRefused() throws Exception {
        String json = Files.readString(DEMO);
        int stops = json.indexOf("\"stops\": [");
        assertThat(problems(json.substring(0, stops)
                        + json.substring(stops).replaceFirst("\"end\": \"2027", "\"end\": \"2126")))
                .anyMatch(p -> p.contains("the stop lasts longer than a day"));
        assertThat(problems(json.replaceFirst("(\"practice\": \\[\\s*\")2027", "$1+99999")))
                .anyMatch(p -> p.contains("expected a date"));
    }

    /** A file of 30,000 spots once had no answer within a minute. */
    @ParameterizedTest
    @ValueSource(strings = {"spots", "stops", "competition"})
    void refusesMoreThanAnEventHas(String list) throws Exception {
        int most = Bounds.ofList(list);
        String many = "{}" + ",{}".repeat(most);
        String json = """
                {"lochan": 2, "event": {"name": "Many", "timeZone": "America/Boise", "format": "limit-weight", "limit": 5,
                 "species": [{"code": "largemouth"}], "days": [{"date": "2027-05-29", "start": "2027-05-29T06:00:00-06:00", "checkIn": "2027-05-29T15:00:00-06:00"}],
                 "launch": {"lat": 42.61, "lon": -116.95}}, "%s": [%s]}""".formatted(list, many);

        assertThatThrownBy(() -> read(json))
                .isInstanceOf(EventFileException.class)
                .hasMessageContaining("/" + list)
                .hasMessageContaining("at most " + most);
    }
}
