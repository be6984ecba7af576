package lochan.web.competition;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(TestServers.class)
class CompetitionPagesTest {

    private static Visitor.Answer fish(Visitor angler, String event, String code, String weight) {
        return angler.post(
                event + "/competition/entries",
                "type",
                "catch",
                "code",
                code,
                "species",
                "largemouth",
                "weight",
                weight);
    }

    private static String verdict(Visitor.Answer page) {
        return String.join(" ", page.texts(".verdict:not([hidden]) .act-words"));
    }

    private static List<String> slots(Visitor.Answer page) {
        return page.texts(".bag-slots li");
    }

    @Test
    void tellsAtOnceWhatToDoWithAFish(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Two fish");

        assertThat(verdict(fish(angler, event, "c1", "2-3"))).contains("Keep").contains("Red");
        assertThat(verdict(fish(angler, event, "c2", "1-12"))).contains("Keep").contains("White");
        Visitor.Answer culled = fish(angler, event, "c3", "2-0");
        assertThat(verdict(culled)).contains("Cull White").contains("1 lb 12 oz");
        assertThat(slots(culled)).hasSize(2).first().asString().contains("Red").contains("2 lb 3 oz");
        assertThat(slots(culled))
                .last()
                .asString()
                .contains("White")
                .contains("2 lb 0 oz")
                .contains("to beat");
        assertThat(culled.text()).contains("must weigh more than 2 lb 0 oz");
        assertThat(verdict(fish(angler, event, "c4", "1-15"))).containsIgnoringCase("release");
        Visitor.Answer tooShort = angler.post(
                event + "/competition/entries",
                "type",
                "catch",
                "code",
                "c5",
                "species",
                "largemouth",
                "length",
                "14 1/4");
        assertThat(tooShort.texts(".verdict:not([hidden])"))
                .singleElement()
                .asString()
                .contains("Release the new fish.")
                .contains("14.25 in")
                .contains("14.5 in");
    }

    @Test
    void equalFishGoOnTheBalance(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Balance");
        fish(angler, event, "c1", "2-0");
        fish(angler, event, "c2", "3-0");
        Visitor.Answer close = fish(angler, event, "c3", "2-0");
        assertThat(verdict(close)).contains("Put the new fish and Red on the balance beam.");

        assertThat(fish(angler, event, "c4", "5-0").status())
                .as("nothing else until it is settled")
                .isEqualTo(422);
        Visitor.Answer settled = angler.post(
                event + "/competition/entries", "type", "balance", "code", "x1", "heavier", "c3", "lighter", "c1");
        assertThat(verdict(settled)).contains("Cull Red");
    }

    @Test
    void entriesAreCorrectedByLaterEntriesAndTheBagFollows(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Corrected");
        fish(angler, event, "c1", "2-0");
        fish(angler, event, "c2", "3-0");

        Visitor.Answer corrected = angler.post(
                event + "/competition/entries", "type", "correct", "code", "k1", "catch", "c1", "weight", "2-8");
        assertThat(corrected.text()).contains("5 lb 8 oz");
        Visitor.Answer dead = angler.post(event + "/competition/entries", "type", "died", "code", "d1", "catch", "c2");
        assertThat(dead.text()).contains("less penalties 5 lb 4 oz");
        Visitor.Answer voided =
                angler.post(event + "/competition/entries", "type", "void", "code", "v1", "entry", "c1");
        assertThat(voided.text()).contains("Bag 3 lb 0 oz");
        Visitor.Answer back = angler.post(event + "/competition/entries", "type", "void", "code", "v2", "entry", "v1");
        assertThat(back.text()).contains("Bag 5 lb 8 oz");
        Visitor.Answer official = angler.post(
                event + "/competition/entries",
                "type",
                "official",
                "code",
                "o1",
                "official",
                "5-6",
                "deadFish",
                "1",
                "place",
                "3");
        assertThat(official.text()).contains("5 lb 6 oz official. Less 0 lb 4 oz penalty: 5 lb 2 oz counts. Place 3.");
        assertThat(angler.get(event + "/competition").page().select(".log > li"))
                .as("nothing is ever taken from the log")
                .hasSize(7);
    }

    @Test
    void anEntrySentAgainIsThereOnceEvenAtTheSameTime(RunningApp app) throws Exception {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Again");
        angler.get(event + "/competition");
        CountDownLatch together = new CountDownLatch(1);
        try (ExecutorService senders = Executors.newFixedThreadPool(6)) {
            List<Future<Integer>> answers = IntStream.range(0, 12)
                    .mapToObj(i -> senders.submit(() -> {
                        together.await();
                        return fish(angler, event, "same-" + i / 6, "2-0").status();
                    }))
                    .toList();
            together.countDown();
            for (Future<Integer> answer : answers) {
                assertThat(answer.get()).isEqualTo(200);
            }
        }

        assertThat(angler.get(event + "/competition").page().select(".log > li"))
                .hasSize(2);
    }

    @Test
    void badEntriesAreRefusedWithTheReason(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Refused");

        Visitor.Answer refused = fish(angler, event, "c1", "heavy");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("“heavy” isn't a weight");
        assertThat(angler.post(event + "/competition/entries", "type", "void", "code", "v", "entry", "nothing")
                        .status())
                .isEqualTo(422);
        assertThat(angler.post(event + "/competition/entries", "type", "dance", "code", "v")
                        .status())
                .isEqualTo(422);
        assertThat(fish(angler, event, " ", "2-0").status()).isEqualTo(422);
        assertThat(angler.get(event + "/competition").page().select(".log > li"))
                .isEmpty();
    }

    @Test
    void theDemoHidesWhatItsClockHasNotSeen(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
        angler.post("/demo/clock", "moment", "DAY_1_MORNING");
        assertThat(slots(angler.get(event + "/competition")).getFirst()).contains("2 lb 11 oz");

        angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
        assertThat(angler.get(event + "/competition").text()).contains("Nothing logged on this day yet");
        assertThat(fish(angler, event, "early", "2-0").text()).contains("Set it to a later time first");
    }

    @Test
    void slotsMinimumWeightsAndNoCullingAreKeptAsTheRulesSay(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Slot rules");
        java.util.Map<String, String> form = SampleEvents.form("Slot rules");
        form.put("species/0/minGrams", "1-0");
        form.put("species/0/slotFrom", "16");
        form.put("species/0/slotTo", "15");
        assertThat(angler.post(event + "/rules", form).texts(".error")).anyMatch(e -> e.contains("shorter first"));
        form.put("species/0/slotTo", "20");
        form.put("species/0/slotOver", "1");
        form.put("culling", "no");
        angler.post(event + "/rules", form);
        assertThat(angler.get(event + "/rules").value("species/0/slotTo")).isEqualTo("20");
        assertThat(angler.get(event + "/rules").value("culling")).isEqualTo("no");
        assertThat(sized(angler, event, "c1", "3-0", "18").texts(".verdict:not([hidden])"))
                .singleElement()
                .asString()
                .contains("In the slot: 18 in. Your rules protect 16 in to 20 in.");
        assertThat(sized(angler, event, "c2", "0-12", "15").texts(".verdict:not([hidden])"))
                .singleElement()
                .asString()
                .contains("Light: 0 lb 12 oz. Your rules say at least 1 lb 0 oz.");
        assertThat(verdict(sized(angler, event, "c3", "5-0", "21"))).contains("Keep");
        assertThat(sized(angler, event, "c4", "4-0", "21").texts(".verdict:not([hidden])"))
                .singleElement()
                .asString()
                .contains("don't allow culling");
        String file = angler.get(event + "/export").body();
        assertThat(file).contains("\"culling\": false").contains("\"slot\"").contains("\"minGrams\"");
        angler.get("/events");
        String again = "/events/"
                + angler.upload(
                                "/events/import",
                                "file",
                                "e.json",
                                file.getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .numberAfter("events");
        assertThat(angler.get(again + "/export").body()).isEqualTo(file);
    }

    private static Visitor.Answer sized(Visitor angler, String event, String code, String weight, String length) {
        return angler.post(
                event + "/competition/entries",
                "type",
                "catch",
                "code",
                code,
                "species",
                "largemouth",
                "weight",
                weight,
                "length",
                length);
    }

    @Test
    void whereEveryFishCountsItIsReleasedAtOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Every fish");
        java.util.Map<String, String> form = SampleEvents.form("Every fish");
        form.put("format", "every-fish");
        form.remove("limit");
        angler.post(event + "/rules", form);
        assertThat(fish(angler, event, "c1", "2-0").texts(".verdict:not([hidden])"))
                .singleElement()
                .asString()
                .contains("It counts. Release it.")
                .contains("1 so far");
        assertThat(verdict(fish(angler, event, "c2", "1-0"))).contains("It counts");
    }

    @Test
    @Tag("slow")
    void takesWhatIsFishedAndWhatWasLost(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
        angler.post("/demo/clock", "moment", "DAY_1_MORNING");
        angler.post(
                event + "/competition/entries",
                "type",
                "fishing",
                "code",
                "f1",
                "spot",
                "harth-grass",
                "presentation",
                "swim-jig");
        assertThat(angler.post(
                                event + "/competition/entries",
                                "type",
                                "bite",
                                "code",
                                "s1",
                                "spot",
                                "harth-grass",
                                "presentation",
                                "swim-jig",
                                "outcome",
                                "lost")
                        .texts(".log > li")
                        .getFirst())
                .contains("Bite lost");
        assertThat(angler.post(event + "/competition/entries", "type", "fishing", "code", "f2", "spot", "harth-grass")
                        .text())
                .contains("or neither");
        assertThat(angler.post(
                                event + "/competition/entries",
                                "type",
                                "bite",
                                "code",
                                "s2",
                                "spot",
                                "nowhere",
                                "outcome",
                                "lost")
                        .text())
                .contains("Choose a spot from the list");

        angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
    }

    /** The stops of the plan as its page shows them, with their times. */
    private static List<String> stops(Visitor angler, String event) {
        return angler.get(event + "/plan").texts("[data-bead]");
    }

    /** A pack comes again only where it has changed; stops that a phone planned again go into the plan once, and can be undone at the desk. */
    @Tag("slow")
    @Test
    void aPackIsSentWhereItChangedAndAPhonesPlanIsTakenOnce(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = SampleEvents.demoAgain(angler);
        String boat = SampleEvents.boat(event);
        angler.post("/demo/clock", "moment", "DAY_1_MORNING");
        JsonNode pack = Awaitility.await()
                .atMost(Duration.ofMinutes(2))
                .until(
                        () -> JsonMapper.shared()
                                .readTree(angler.get(boat + "/pack").body()),
                        p -> p.path("days").valueStream().noneMatch(d -> d.path("ladder")
                                .isNull()));
        assertThat(pack.path("days").size()).isEqualTo(2);
        Visitor.Answer whole = angler.get(boat + "/pack");
        assertThat(angler.get(boat + "/pack").header("ETag")).isEqualTo(whole.header("ETag"));
        List<String> stops = stops(angler, event);
        JsonNode first = pack.path("data").path("plans").get(0).path("stops").get(0);
        String again = """
                {"id": "again", "day": 1, "stops": [%s]}""".formatted(first);
        for (int times = 0; times < 2; times++) {
            assertThat(angler.postJson(boat + "/plan", again).status()).isEqualTo(200);
            assertThat(stops(angler, event)).hasSize(1);
        }
        assertThat(angler.get(boat + "/pack").header("ETag")).isNotEqualTo(whole.header("ETag"));
        assertThat(angler.get(event + "/plan").text()).contains("Rest of the day planned again on the water");
        angler.post(
                event + "/plan/undo",
                "plan",
                angler.get(event + "/plan")
                        .page()
                        .selectFirst("form[action*=undo] [name=plan]")
                        .val());
        assertThat(stops(angler, event)).isEqualTo(stops);
        angler.postJson(boat + "/plan", again);
        assertThat(stops(angler, event)).as("sent late once more").isEqualTo(stops);

        assertThat(angler.postJson(boat + "/plan", again.replace("\"day\": 1", "\"day\": 7"))
                        .status())
                .isEqualTo(422);
        assertThat(angler.postJson(
                                boat + "/plan",
                                again.replace("\"again\"", "\"other\"")
                                        .replace(first.path("spot").asString(), "gone"))
                        .body())
                .contains("plan the rest of the day again");
        angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
    }

    @Tag("slow")
    @Test
    void theLivewellIsWatched(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = SampleEvents.demoAgain(angler);
        angler.post("/demo/clock", "moment", "DAY_1_MORNING");
        Visitor.Answer page = angler.get(event + "/competition");
        assertThat(slots(page).getFirst()).contains("2 h 40 min");
        assertThat(angler.post(
                                event + "/competition/entries",
                                "type",
                                "livewell",
                                "code",
                                "well-0",
                                "livewell",
                                "200 F")
                        .status())
                .isEqualTo(422);
        assertThat(angler.post(event + "/competition/entries", "type", "livewell", "code", "well-1", "livewell", "79")
                        .texts(".log > li")
                        .getFirst())
                .contains("79 °F");
        angler.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
    }

    @Test
    @Tag("slow")
    void afterTheWeighInThePlanLiesBesideWhatHappened(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(April Shakedown)")
                .attr("href")
                .replace("/rules", "");
        Awaitility.await().atMost(Duration.ofMinutes(2)).until(() -> angler.get(event + "/competition/review")
                .page()
                .select("[data-again]")
                .isEmpty());
        Visitor.Answer review = angler.get(event + "/competition/review");
        assertThat(review.text())
                .contains("15 lb 14 oz official")
                .contains("Bag through the day")
                .contains("Your scale made the bag 15 lb 9 oz, the official one 15 lb 14 oz")
                .contains("fell in the likely range")
                .contains("Carolina rig × ");
        assertThat(review.texts("section:has(#stops) tbody tr"))
                .hasSize(4)
                .first()
                .asString()
                .contains("Harth Grass")
                .contains("11, 9 landed");
        assertThat(review.page().select(".clock-fan path")).hasSize(3);
        assertThat(review.page().select("section:has(#scores) tbody tr").size())
                .isEqualTo(review.page().select(".calibration circle").size())
                .isPositive();

        Visitor other = demo.angler();
        assertThat(other.get(event + "/competition/review").status()).isEqualTo(404);
        String empty = SampleEvents.event(other, "Not yet");
        assertThat(other.get(empty + "/competition/review").text())
                .contains("The day is not over")
                .contains("No official weight yet")
                .doesNotContain("No plan for this day");
    }

    private static String entry(String id, Instant at, int grams, String more) {
        return "{\"id\":\"" + id + "\",\"at\":\"" + at + "\",\"type\":\"catch\",\"alive\":true,\"grams\":" + grams
                + more + "}";
    }

    /** A phone that had no signal from Saturday to Tuesday, another whose clock was off, and a spot deleted at the desk meanwhile. */
    @Tag("slow")
    @Test
    void whateverAPhoneLoggedCanBeDeliveredHoweverLate(RunningApp app) {
        Visitor angler = app.angler();
        Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);
        Map<String, String> rules = SampleEvents.form("Late delivery");
        rules.put(
                "days/0/date",
                LocalDate.ofInstant(now.minus(Duration.ofDays(5)), ZoneId.of("America/Boise"))
                        .toString());
        rules.put("practice/0", "");
        String event = "/events/" + angler.post("/events/new", rules).numberAfter("events");
        angler.post(event + "/spots/new", SampleEvents.spot("Reed Corner"));
        angler.post(event + "/spots/delete?spot=reed-corner");
        Instant saturday = now.minus(Duration.ofDays(5));
        angler.get(event + "/competition");

        JsonNode answer = JsonMapper.shared()
                .readTree(angler.postJson(
                                SampleEvents.boat(event) + "/log",
                                "{\"entries\":["
                                        + String.join(
                                                ",",
                                                entry("old", saturday, 1000, ""),
                                                entry(
                                                        "gone",
                                                        saturday.plusSeconds(1),
                                                        1100,
                                                        ",\"spot\":\"reed-corner\""),
                                                entry("ahead", now.plus(Duration.ofDays(3)), 1200, ""),
                                                entry("dead-battery", Instant.parse("2001-01-01T00:00:00Z"), 1300, ""))
                                        + "]}")
                        .body());
        assertThat(answer.path("refused").size()).as(answer.toString()).isZero();
        assertThat(answer.path("moved").valueStream().map(m -> m.path("id").asString()))
                .containsExactly("gone", "ahead", "dead-battery");
        assertThat(answer.path("log").path("entries").valueStream().map(e -> e.path("id")
                        .asString()))
                .containsExactly("old", "gone", "ahead", "dead-battery");
        assertThat(Instant.parse(
                        answer.path("log").path("entries").get(0).path("at").asString()))
                .isEqualTo(saturday);
        assertThat(Instant.parse(
                        answer.path("log").path("entries").get(2).path("at").asString()))
                .isBetween(now, now.plusSeconds(60));
    }

    @Test
    void aBodyThatIsTooLargeIsRefusedBeforeItIsRead(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Large");
        angler.get(event + "/competition");

        assertThat(angler.postJson(
                                SampleEvents.boat(event) + "/log", "{\"entries\":[\"" + "x".repeat(2_000_000) + "\"]}")
                        .status())
                .isEqualTo(413);
        assertThat(angler.postJson(SampleEvents.boat(event) + "/log", "[".repeat(5000))
                        .status())
                .isEqualTo(400);
    }

    @Tag("slow")
    @Test
    void whoSignedOutIsToldNothingMore(RunningApp app) throws Exception {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Watched");
        var stream = angler.open(SampleEvents.boat(event) + "/changes");
        angler.post("/sign-out");
        assertThat(stream.get(45, java.util.concurrent.TimeUnit.SECONDS))
                .as("it ends")
                .doesNotContain("event:log");
    }

    /**
     * The boat's page asks on while its event is deleted at the desk: it learns that there is none, and the log stays
     * quiet.
     */
    @Test
    void anEventIsDeletedWhileItsBoatIsOpen(RunningApp app) throws Exception {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Deleted under way");
        angler.get(event + "/competition");
        Logger log = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        ListAppender<ILoggingEvent> told = new ListAppender<>();
        told.start();
        log.addAppender(told);
        try {
            var stream = angler.open(SampleEvents.boat(event) + "/changes");
            angler.post(event + "/delete");
            for (String path : List.of("", "/log", "/pack", "/changes", "/practice")) {
                assertThat(angler.get(SampleEvents.boat(event) + path).status())
                        .as(path)
                        .isEqualTo(404);
            }
            assertThat(angler.postJson(
                                    SampleEvents.boat(event) + "/log",
                                    "{\"entries\":[{\"type\":\"bite\",\"outcome\":\"missed\",\"id\":\"b1\",\"at\":\"2027-06-05T14:00:00Z\"}]}")
                            .status())
                    .isEqualTo(404);
            angler.post("/sign-out");
            stream.get(45, java.util.concurrent.TimeUnit.SECONDS);
        } finally {
            log.detachAppender(told);
        }
        assertThat(told.list).filteredOn(e -> e.getThrowableProxy() != null).isEmpty();
    }

    /** The fished spot was deleted at the desk, or half of the entry was never noted. */
    @Tag("slow")
    @Test
    void anEntryThatSaysHalfOfWhatIsFishedDoesNotBreakThePage(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Half said");
        angler.get(event + "/competition");
        String head = "{\"type\":\"fishing\",\"at\":\"2027-06-05T07:00:00-06:00\",";
        assertThat(angler.postJson(
                                SampleEvents.boat(event) + "/log",
                                "{\"entries\":[" + head + "\"id\":\"f1\",\"spot\":\"reed-corner\"}," + head
                                        + "\"id\":\"f2\",\"presentation\":\"swim-jig\"}," + head
                                        + "\"id\":\"f3\",\"spot\":\"reed-corner\",\"presentation\":\"deleted\"}]}")
                        .body())
                .contains("\"refused\":[]");

        assertThat(angler.get(event + "/competition").text())
                .contains("Fishing Reed Corner")
                .contains("Under way");
    }
}
