package lochan.offline.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import lochan.core.event.Position;
import lochan.core.quantity.Units;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PracticeLogTest {

    private static final Instant MORNING = Instant.parse("2027-06-01T12:00:00Z");
    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final Names NAMES = new Names(
            Map.of("reed", "Reed Corner", "sill", "Sill Ledge"), Map.of("jig", "Swim jig", "shot", "Drop shot"));
    private static final Map<String, Position> PLACES =
            Map.of("reed", new Position(42.63, -116.91), "sill", new Position(42.64, -116.91));
    private static final PracticeLog EMPTY = new PracticeLog(NAMES, PLACES, ZONE, List.of());

    private static PracticeChange change(String id, int minute, String... fields) {
        Map<String, String> typed = new HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            typed.put(fields[i], fields[i + 1]);
        }
        return read(typed, id, minute).orElseThrow();
    }

    private static Optional<PracticeChange> read(Map<String, String> typed, String id, int minute) {
        return PracticeChange.read(new Form(typed, Units.USUAL), NAMES, id, MORNING.plusSeconds(60L * minute));
    }

    private static String[] edit(PracticeLog log, String stop, String field, String value) {
        String before = log.stops().stream()
                .filter(s -> s.id().equals(stop))
                .map(s -> s.form(ZONE, Units.USUAL).value(field))
                .findFirst()
                .orElse("");
        return new String[] {"what", "edit-stop", "stop", stop, "set/" + field, value, "was/" + field, before};
    }

    private static PracticeLog with(PracticeLog log, PracticeChange change) {
        return log.after(change, Units.USUAL);
    }

    private static PracticeScreen screen(PracticeLog log, int minute) {
        return PracticeScreen.of(log, MORNING.plusSeconds(60L * minute), null, Units.USUAL);
    }

    /**
     * Whatever is logged: one stop is open at most, none ends before it begins, and what takes a change back leaves all
     * unchanged.
     */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void everyChangeCanBeTakenBackAndOneStopIsOpenAtMost(int seed) {
        Random random = new Random(seed);
        PracticeLog log = EMPTY;
        for (int i = 0; i < 60; i++) {
            String stop = log.stops().isEmpty()
                    ? "none"
                    : log.stops().get(random.nextInt(log.stops().size())).id();
            PracticeChange change =
                    switch (random.nextInt(8)) {
                        case 0 -> change("c" + i, i, "what", "start", "spot", random.nextBoolean() ? "reed" : "sill");
                        case 1 -> change("c" + i, i, "what", "end", "stop", stop);
                        case 2 -> change("c" + i, i, "what", "follow", "stop", stop);
                        case 3 -> change("c" + i, i, "what", "bycatch", "stop", stop);
                        case 4 ->
                            change("c" + i, i, edit(log, stop, "waterTempC", random.nextBoolean() ? "64" : "17 C"));
                        case 5 -> change("c" + i, i, edit(log, stop, "spot", "sill"));
                        default -> change("c" + i, i, "what", "bite", "stop", stop, "outcome", "missed");
                    };
            PracticeLog before = log;
            log = with(log, change);
            assertThat(with(log, change).stops().size())
                    .as("sent twice")
                    .isEqualTo(log.stops().size());
            assertThat(log.stops().stream().filter(s -> s.end() == null)).hasSizeLessThan(2);
            assertThat(log.stops())
                    .allSatisfy(s -> assertThat(s.end() == null || s.end().isAfter(s.start()))
                            .isTrue());
            boolean changed = !log.equals(before);
            boolean closesOthers =
                    change instanceof PracticeChange.Started && before.open().isPresent();
            if (changed && !closesOthers) {
                PracticeChange back = read(change.undo(), "u" + i, i).orElseThrow();
                assertThat(with(log, back)).isEqualTo(before);
            }
        }
    }

    @Test
    void theScreenShowsWhatIsFishedWhatItBroughtAndTheDay() {
        PracticeLog log = with(EMPTY, change("one", 0, "what", "start", "spot", "reed", "presentation", "jig,shot"));
        log = with(
                log,
                change("b1", 4, "what", "bite", "stop", "one", "outcome", "landed", "size", "3-4", "how", "guess"));
        log = with(log, change("b2", 9, "what", "bite", "stop", "one", "outcome", "shaken", "presentation", "shot"));
        log = with(log, change("f", 10, "what", "follow", "stop", "one"));
        PracticeScreen.Open open = screen(log, 21).open();
        assertThat(open.spot()).isEqualTo("Reed Corner");
        assertThat(open.since()).isEqualTo("21 min");
        assertThat(open.usual()).as("what the last bite came on").isEqualTo("shot");
        assertThat(open.follows()).isEqualTo("1 follow");
        assertThat(open.bites().stream().map(b -> b.time() + " " + b.words()))
                .containsExactly("06:09 Shaken off, Drop shot", "06:04 Landed, ≈ 3 lb 4 oz");

        log = with(log, change("two", 30, "what", "start", "spot", "sill"));
        PracticeScreen day = screen(log, 31);
        assertThat(day.today()).singleElement().satisfies(line -> {
            assertThat(line.time() + " " + line.spot()).isEqualTo("06:00–06:30 Reed Corner");
            assertThat(line.words()).isEqualTo("Swim jig, Drop shot · 2 bites · 1 follow");
        });
        assertThat(day.sum()).isEqualTo("2 stops, 2 bites");
        assertThat(screen(log, 31 + 24 * 60).today()).as("the next day").isEmpty();
    }

    @Test
    void whatWasLoggedCanBeChangedAndWhatIsWrongIsSaid() {
        PracticeLog log = with(EMPTY, change("one", 0, "what", "start", "spot", "reed", "presentation", "jig"));
        log = with(log, change("b", 4, "what", "bite", "stop", "one", "outcome", "landed", "size", "3-4"));
        log = with(
                log,
                change("e1", 5, "what", "edit-bite", "stop", "one", "bite", "b", "set/size", "2-8", "was/size", "3-4"));
        log = with(log, change("e2", 6, edit(log, "one", "waterTempC", "64")));
        log = with(log, change("e3", 7, edit(log, "one", "sky", "cloudy")));
        assertThat(screen(log, 8).open().bites().getFirst().words()).isEqualTo("Landed, ≈ 2 lb 8 oz");
        assertThat(screen(log, 8).open().conditions()).isEqualTo("64 °F · cloudy");

        Form form = new Form(Map.of(), Units.USUAL);
        log.check(change("e4", 9, edit(log, "one", "waterTempC", "warm")), form);
        log.check(
                change(
                        "e5",
                        9,
                        "what",
                        "edit-bite",
                        "stop",
                        "one",
                        "bite",
                        "b",
                        "set/size",
                        "heavy",
                        "was/size",
                        "2-8"),
                form);
        assertThat(form.allErrors()).containsOnlyKeys("waterTempC", "size");
    }

    @Test
    void theNearestSpotStandsFirst() {
        PracticeLog log = with(
                EMPTY,
                change("s", 0, "what", "spot", "spot", "here", "name", "New spot", "position", "42.6395, -116.91"));
        Position boat = new Position(42.6396, -116.91);
        assertThat(PracticeScreen.of(log, MORNING, boat, Units.USUAL).spots())
                .containsExactly(
                        new PracticeScreen.Near("here", "New spot", "12 yd"),
                        new PracticeScreen.Near("sill", "Sill Ledge", "49 yd"),
                        new PracticeScreen.Near("reed", "Reed Corner", "0.7 mi"));
        assertThat(screen(log, 0).spots().stream().map(PracticeScreen.Near::name))
                .as("by name where the boat is not known")
                .containsExactly("New spot", "Reed Corner", "Sill Ledge");
    }

    @Test
    void whatCannotBeReadSaysWhy() {
        Form form = new Form(Map.of("what", "bite", "stop", "one", "outcome", "landed", "size", "heavy"), Units.USUAL);
        assertThat(PracticeChange.read(form, NAMES, "b", MORNING)).isEmpty();
        assertThat(form.errors("size")).singleElement().asString().contains("“heavy” isn't a weight");
        assertThat(read(Map.of("what", "start", "spot", "gone"), "s", 0)).isEmpty();
        assertThat(read(Map.of("what", "spot", "spot", "here"), "s", 0))
                .as("without a position")
                .isEmpty();
        assertThat(read(Map.of("what", "end", "stop", "one"), " ", 0))
                .as("without an id")
                .isEmpty();
    }
}
