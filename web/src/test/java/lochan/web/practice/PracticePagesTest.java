package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(TestServers.class)
class PracticePagesTest {

    /** Starts fishing at the event's spot and gives the stop's code. */
    private static String start(Visitor angler, String event) {
        angler.post(event + "/practice/start", "spot", "reed-corner", "code", "s1", "presentation", "swim-jig");
        return "s1";
    }

    private static Visitor.Answer bite(
            Visitor angler, String event, String stop, String code, String outcome, String size) {
        return angler.post(
                event + "/practice/bites",
                "stop",
                stop,
                "code",
                code,
                "outcome",
                outcome,
                "size",
                size,
                "how",
                "guess",
                "presentation",
                "swim-jig");
    }

    @Test
    void aStopIsStartedStruckAndEndedByTaps(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Tapped");
        String stop = start(angler, event);

        assertThat(bite(angler, event, stop, "b1", "landed", "about two and a half")
                        .text())
                .contains("Landed, logged.")
                .contains("≈ 2 lb 8 oz");
        assertThat(bite(angler, event, stop, "b2", "missed", "").text()).contains("Missed, logged.");
        angler.post(event + "/practice/follow", "stop", stop);
        Visitor.Answer ended = angler.post(event + "/practice/end", "stop", stop);

        assertThat(ended.text())
                .contains("Stop ended.")
                .contains("Start fishing")
                .contains("2 bites");
        assertThat(ended.texts("table tbody td.num").subList(0, 4)).containsExactly("1", "·", "1", "·");
        angler.post(ended.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/practice").text())
                .contains("Fishing Reed Corner")
                .contains("1 follow so far");
    }

    @Test
    void whatIsSentTwiceIsThereOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Twice");
        String stop = start(angler, event);
        start(angler, event);
        bite(angler, event, stop, "b1", "landed", "3-4");
        bite(angler, event, stop, "b1", "landed", "3-4");

        assertThat(angler.get(event + "/practice").page().select(".log li")).hasSize(1);
    }

    @Test
    void movingOnEndsTheStopBefore(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Moving");
        angler.post(event + "/spots/new", SampleEvents.spot("Other Corner"));
        start(angler, event);
        angler.post(event + "/practice/start", "spot", "other-corner", "code", "s2");

        Visitor.Answer page = angler.get(event + "/practice");
        assertThat(page.text()).contains("Fishing Other Corner");
        assertThat(page.page().select("table tbody tr"))
                .as("the stop before is among the finished")
                .hasSize(1);
    }

    @Test
    void aBadSizeIsExplainedAndNothingTypedIsLost(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Bad size");
        String stop = start(angler, event);

        Visitor.Answer refused = bite(angler, event, stop, "b1", "landed", "3-17");

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("ounces go from 0 to 15");
        assertThat(refused.value("size")).isEqualTo("3-17");
        assertThat(refused.page().select(".log li")).isEmpty();
    }

    @Test
    void aStopPastMidnightHasItsEndDateAndALongOneIsConfirmed(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Night");
        Map<String, String> night = SampleEvents.stop("reed-corner");
        night.putAll(Map.of("start", "23:00", "end", "01:00"));
        assertThat(angler.post(event + "/practice/stops/new", night).status()).isEqualTo(422);

        night.put("endDate", LocalDate.parse(night.get("date")).plusDays(1).toString());
        assertThat(angler.post(event + "/practice/stops/new", night).status()).isEqualTo(200);

        Map<String, String> day = SampleEvents.stop("reed-corner");
        day.putAll(Map.of("start", "07:00", "end", "14:00"));
        Visitor.Answer asked = angler.post(event + "/practice/stops/new", day);
        assertThat(asked.text()).contains("Yes, this stop was longer than 6 hours");
        day.put("longStop", "on");
        assertThat(angler.post(event + "/practice/stops/new", day).status()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "end | 07:00 | The stop ends before it starts",
                "end | 06:30 | The stop ends before it starts",
                "end | 13:30 | This stop lasts 6 h 30 min",
                "start | 7 o'clock | isn't a time",
                "date | June | isn't a date",
                "anglers | 3 | 1 or 2 anglers",
                "visibilityM | clear | isn't a depth",
                "waterTempC | 200 | must be 23 °F to 122 °F",
                "minutes/swim-jig | 2000 | must be 0 to 1440"
            })
    void aStopLoggedAfterwardsIsChecked(String field, String typed, String message, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Checked");
        Map<String, String> stop = SampleEvents.stop("reed-corner");
        stop.put(field, typed);

        Visitor.Answer refused = angler.post(event + "/practice/stops/new", stop);

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains(message);
        assertThat(refused.value(field)).isEqualTo(typed);
    }

    @Test
    void stopsAndBitesCanBeEditedAndBroughtBack(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Edited");
        Visitor.Answer day = angler.get(event + "/practice");
        String edit = day.page().selectFirst("a[href*='stops/edit']").attr("href");
        assertThat(angler.get(edit).value("visibilityM")).as("as typed").isEqualTo("4 ft");
        assertThat(angler.get(edit).value("waterTempC")).isEqualTo("66");

        Map<String, String> form = angler.get(edit).form("form.sheet");
        form.put("end", "09:00");
        assertThat(angler.post(edit, form).text()).contains("Stop saved.").contains("2 h 00");

        String stop = edit.replaceAll(".*stop=", "");
        Visitor.Answer without = angler.post(event + "/practice/bites/delete?bite=b3");
        assertThat(without.text()).contains("2 bites");
        assertThat(angler.post(without.page().selectFirst(".note form").attr("action"))
                        .text())
                .contains("3 bites");

        Visitor.Answer gone = angler.post(event + "/practice/stops/delete?stop=" + stop);
        assertThat(gone.page().select("table tbody tr")).isEmpty();
        assertThat(angler.post(gone.page().selectFirst(".note form").attr("action"))
                        .text())
                .contains("3 bites");
    }

    @Test
    void conditionsAreCarriedOnToTheNextStop(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Carried");
        String stop = start(angler, event);
        angler.post(event + "/practice/conditions", "stop", stop, "waterTempC", "19 C", "sky", "cloudy");
        angler.post(event + "/practice/end", "stop", stop);
        Visitor.Answer next = angler.post(event + "/practice/start", "spot", "reed-corner", "code", "s2");

        assertThat(next.value("waterTempC")).isEqualTo("19 C");
        assertThat(next.value("sky")).isEqualTo("cloudy");
    }

    @Test
    void whatCanBeComputedIsFilledInAndWhatWasSaidStays(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Filled in");
        Map<String, String> before = SampleEvents.stop("reed-corner");
        before.put("windFromDeg", "SW");
        angler.post(event + "/practice/stops/new", before);
        Map<String, String> after = SampleEvents.stop("reed-corner");
        after.putAll(Map.of(
                "start",
                "16:00",
                "end",
                "17:00",
                "windFromDeg",
                "315",
                "windMps",
                "12",
                "clarityTrend",
                "muddying",
                "baitDepthM",
                "8 ft"));

        String edit = angler.post(event + "/practice/stops/new", after).path();
        Visitor.Answer stop = angler.get(edit);

        assertThat(stop.value("surface")).as("12 mph").isEqualTo("chop");
        assertThat(stop.value("recentFront"))
                .as("from the south-west round to the north-west")
                .isEqualTo("yes");
        assertThat(stop.value("baitSeen")).isEqualTo("yes");
        assertThat(stop.value("windFromDeg")).isEqualTo("315");
        assertThat(stop.text()).contains("sunrise 06:11").contains("% lit");
        Map<String, String> form = stop.form("form.sheet");
        form.put("surface", "calm");
        form.put("recentFront", "no");
        angler.post(edit, form);
        assertThat(angler.get(edit).value("surface")).as("a lee").isEqualTo("calm");
        assertThat(angler.get(edit).value("recentFront")).isEqualTo("no");
        form.put("baitDepthM", "deep");
        assertThat(angler.post(edit, form).text()).contains("isn't a depth");
    }

    @Test
    void howABiteCameAboutIsNotedAndOfferedForTheNext(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Notes");
        String stop = start(angler, event);
        Map<String, String> bite = new java.util.HashMap<>(Map.of(
                "stop",
                stop,
                "code",
                "b1",
                "outcome",
                "lost",
                "presentation",
                "swim-jig",
                "retrieve",
                "slow roll",
                "fishDepthM",
                "9",
                "waterDepthM",
                "12 ft",
                "takenOn",
                "fall",
                "onRig",
                "trailer"));
        Visitor.Answer page = angler.post(event + "/practice/bites", bite);

        assertThat(page.texts(".log li"))
                .singleElement()
                .asString()
                .contains("slow roll · fish at 9 ft · in 12 ft · on the fall · on the trailer");
        assertThat(page.text()).contains("Notes for each bite: slow roll · fish at 9 ft");
        assertThat(page.value("waterDepthM")).isEqualTo("12 ft");
        assertThat(page.texts("[data-offers] button")).containsExactly("slow roll");
        bite.putAll(Map.of("code", "b2", "fishDepthM", "15"));
        assertThat(angler.post(event + "/practice/bites", bite).texts(".field .error"))
                .singleElement()
                .asString()
                .contains("deeper than the water");
        assertThat(angler.get(event + "/practice/bites/edit?stop=" + stop + "&bite=b1")
                        .value("onRig"))
                .isEqualTo("trailer");
    }

    @Test
    void aPresentationOfOnesOwnIsOffered(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Own lure");

        angler.post(event + "/practice/presentations", "name", "Spoon' + ${7*7}", "hooks", "treble");

        assertThat(angler.get(event + "/practice").text()).contains("Spoon' + ${7*7}");
        assertThat(angler.post(event + "/practice/presentations", "name", "", "hooks", "treble")
                        .text())
                .contains("needs a name");
    }

    @Test
    void aDeletedSpotTakesItsStopsAlongAndBringsThemBack(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Spot gone");
        Visitor.Answer gone = angler.post(event + "/spots/delete?spot=reed-corner");
        assertThat(angler.get(event + "/practice").page().select("table tbody tr"))
                .isEmpty();

        angler.post(gone.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/practice").text()).contains("3 bites");
    }

    /** Two phones of a team tap at the same moment. */
    @Tag("slow")
    @Test
    void tapsOfTwoPhonesLeaveOneStopOpenAndEveryBiteWithAPlaceOfItsOwn(RunningApp app) {
        RunningApp.Account account = app.account();
        String event = SampleEvents.practisedEvent(account.visitor(), "Two phones");
        List<Visitor> phones = IntStream.range(0, 4)
                .mapToObj(i -> {
                    Visitor phone = app.visitor();
                    phone.post("/sign-in", "name", account.name(), "password", account.password());
                    phone.get(event + "/practice");
                    return phone;
                })
                .toList();
        List<Visitor.Answer> started = together(
                phones,
                (phone, i) -> phone.post(
                        event + "/practice/start",
                        "spot",
                        "reed-corner",
                        "presentation",
                        "swim-jig",
                        "code",
                        "start" + i));
        assertThat(started).extracting(Visitor.Answer::status).containsOnly(200);
        DSLContext db = app.bean(DSLContext.class);
        long id = Long.parseLong(event.replaceAll("\\D", ""));
        List<String> open = db.fetch("SELECT code FROM stop WHERE event_id = ? AND end_at IS NULL", id)
                .getValues(0, String.class);
        assertThat(open).hasSize(1);

        for (int round = 0; round < 4; round++) {
            String at = "-" + round;
            assertThat(together(
                            phones,
                            (phone, i) -> phone.post(
                                    event + "/practice/bites?stop=" + open.getFirst(),
                                    "code",
                                    "tap" + i + at,
                                    "outcome",
                                    "missed",
                                    "presentation",
                                    "swim-jig")))
                    .extracting(Visitor.Answer::status)
                    .containsOnly(200);
        }
        assertThat(db.fetch(
                                "SELECT ordinal FROM bite WHERE event_id = ? AND stop_code = ? ORDER BY ordinal",
                                id,
                                open.getFirst())
                        .getValues(0, Integer.class))
                .isEqualTo(IntStream.range(0, 16).boxed().toList());
    }

    private static List<Visitor.Answer> together(
            List<Visitor> phones, java.util.function.BiFunction<Visitor, Integer, Visitor.Answer> tap) {
        return IntStream.range(0, phones.size())
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> tap.apply(phones.get(i), i)))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .toList();
    }

    @Test
    void aStopThatWasNeverEndedEndsAfterADay(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Forgotten");
        angler.post(event + "/practice/start", "spot", "reed-corner", "code", "left");
        DSLContext db = app.bean(DSLContext.class);
        long id = Long.parseLong(event.replaceAll("\\D", ""));
        db.execute("UPDATE stop SET start_at = start_at - INTERVAL 400 DAY WHERE event_id = ? AND code = 'left'", id);
        angler.post(event + "/practice/end?stop=left");

        assertThat(db.fetchValue(
                        "SELECT TIMESTAMPDIFF(HOUR, start_at, end_at) FROM stop WHERE event_id = ? AND code = 'left'",
                        id))
                .isEqualTo(24L);
        assertThat(angler.get(event + "/rankings").status()).isEqualTo(200);
    }
}
