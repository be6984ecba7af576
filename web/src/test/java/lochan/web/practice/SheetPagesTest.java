package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A practice log kept in a spreadsheet, as an angler brings it. */
@ExtendWith(TestServers.class)
class SheetPagesTest {

    private static final String LOG = """
            Date;Place;From;Min;Lure;Result;Weight;Water temp
            6/3/2027;Reed corner;5:30 am;45;Swim Jig;landed;3-4;66
            ;;;;Swim jig;missed;;
            6/3/2027;Reed Corner;14:00;30;Rock crawler;;;70 F
            """;

    private static Visitor.Answer send(Visitor angler, String event, String csv) {
        angler.get(event + "/practice/sheet");
        return angler.upload(event + "/practice/sheet", "file", "log.csv", csv.getBytes(StandardCharsets.UTF_8));
    }

    private static Visitor.Answer take(Visitor angler, String event, Visitor.Answer read) {
        return angler.post(event + "/practice/sheet/take", read.form("form[action$=columns]"));
    }

    @Test
    void aLogOfOnesOwnIsReadByTheNamesOfItsColumns(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Sheet");

        Visitor.Answer read = send(angler, event, LOG);
        assertThat(read.value("column/3")).isEqualTo("minutes");
        assertThat(read.text())
                .contains("2 stops, 2 bites, new presentations: Rock crawler")
                .contains("≈ 3 lb 4 oz");
        Map<String, String> fields = read.form("form[action$=columns]");
        fields.putAll(Map.of("weighed", "scale", "hooks/0", "treble"));
        Visitor.Answer again = angler.post(event + "/practice/sheet/columns", fields);
        assertThat(again.texts("section[aria-labelledby=taken] tbody tr"))
                .last()
                .asString()
                .contains("14:00–14:30")
                .contains("none");
        Visitor.Answer taken = take(angler, event, again);

        assertThat(taken.text())
                .contains("2 stops with 2 bites imported, 1 presentation added.")
                .contains("05:30–06:15")
                .contains("Rock crawler treble hooks");
        assertThat(taken.text()).doesNotContain("≈");
        assertThat(send(angler, event, LOG).text()).contains("Already logged, unchanged: 2");
        assertThat(angler.post(taken.page().selectFirst(".note form").attr("action"))
                        .text())
                .contains("2 stops removed again")
                .contains("No practice yet");
        assertThat(send(angler, event, LOG).text()).contains("2 stops, 2 bites");
    }

    @Test
    void badRowsAreListedAndNothingIsHalfTaken(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Bad rows");
        String bad = LOG
                + "13/13/2027;Reed corner;5:30;45;;;;\n6/4/2027;Nowhere;noon;a while;;landed;heavy;\n6/4/2027;Reed corner;7:00;30;;eaten;;\n6/4/2027;Nowhere;8:00;45;;;;\n";

        Visitor.Answer read = send(angler, event, bad);

        assertThat(read.texts("section[aria-labelledby=problems] li"))
                .anySatisfy(p -> assertThat(p).contains("Row 5: Date: “13/13/2027” isn't a date"))
                .anySatisfy(p -> assertThat(p).contains("Rows 6, 8: No spot is called “Nowhere”"))
                .anySatisfy(p -> assertThat(p).contains("Row 6: Start: “noon” isn't a time"))
                .anySatisfy(p -> assertThat(p).contains("Row 6: Minutes fished: “a while” isn't a number of minutes"))
                .anySatisfy(p -> assertThat(p).contains("Row 6: Size: “heavy” isn't a weight"))
                .anySatisfy(p -> assertThat(p)
                        .contains("Row 7: Outcome: “eaten” isn't one of these: landed, lost, missed, shaken"));
        Map<String, String> forced = read.form("form[action$=columns]");
        assertThat(angler.post(event + "/practice/sheet/take", forced).status()).isEqualTo(422);
        assertThat(angler.get(event + "/practice").text())
                .contains("No practice yet")
                .doesNotContain("Rock crawler");
        forced.put("column/1", "");
        assertThat(angler.post(event + "/practice/sheet/columns", forced).text())
                .contains("No column is said to hold “Spot”");
        forced.put("column/1", "date");
        assertThat(angler.post(event + "/practice/sheet/take", forced).text())
                .contains("“Date” is chosen for two columns");
    }

    @Test
    void whatIsExportedReadsTheSameElsewhereInOtherUnits(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "=Out");
        Map<String, String> stop = SampleEvents.stop("reed-corner");
        stop.putAll(Map.of(
                "minutes/swim-jig",
                "50",
                "windMps",
                "12",
                "windFromDeg",
                "SW",
                "baitDepthM",
                "8",
                "clarityTrend",
                "clearing",
                "sky",
                "cloudy"));
        String id = angler.post(event + "/practice/stops/new", stop).path().replaceAll(".*stop=", "");
        Map<String, String> bite = SampleEvents.landed("b1", "swim-jig");
        bite.putAll(Map.of("guessed", "3.5", "retrieve", "=slow", "fishDepthM", "9", "takenOn", "fall"));
        angler.post(event + "/practice/stops/bites?stop=" + id, bite);
        angler.post(
                event + "/practice/stops/bites?stop=" + id,
                "code",
                "b2",
                "outcome",
                "lost",
                "size",
                "3 to 4",
                "how",
                "guess");
        angler.post(
                event + "/practice/stops/bites?stop=" + id,
                "code",
                "b3",
                "outcome",
                "shaken",
                "size",
                "15 in",
                "how",
                "guess");

        Visitor.Answer out = angler.get(event + "/practice/log.csv");
        assertThat(out.header("content-disposition")).contains("practice.csv");
        assertThat(out.body())
                .contains("3 lb 4 oz")
                .contains("3 lb to 4 lb")
                .contains("12 mph")
                .contains("'=slow")
                .contains("Swim jig 50 min");
        Visitor other = app.angler();
        String elsewhere =
                "/events/" + other.post("/events/new", SampleEvents.form("In")).numberAfter("events");
        other.post(
                "/settings", Map.of("weight", "kg", "length", "cm", "depth", "m", "temperature", "C", "speed", "km/h"));
        Visitor.Answer read = send(other, elsewhere, out.body());
        assertThat(read.text()).contains("1 stop, 3 bites, new spots: Reed Corner");
        take(other, elsewhere, read);

        assertThat(other.get(elsewhere + "/practice/log.csv").body())
                .as("a guess is not kept as typed")
                .isEqualTo(out.body().replace("3 lb 8 oz", "1.588 kg"));
    }

    @Tag("slow")
    @Test
    void whatIsNoTableIsRefusedAndAForgottenSheetIsAskedForAgain(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "No table");

        assertThat(send(angler, event, "PK\0\0").text())
                .contains("“log.csv” wasn't imported, and nothing was changed: this isn't a text file");
        Visitor.Answer read = send(angler, event, LOG);
        Map<String, String> fields = read.form("form[action$=columns]");
        String second = SampleEvents.event(angler, "Other event");
        assertThat(angler.post(second + "/practice/sheet/take", fields).text()).contains("choose it again");
        fields.put("sheet", "unknown");
        assertThat(angler.post(event + "/practice/sheet/take", fields).text()).contains("choose it again");
        assertThat(angler.get(event + "/practice").text()).contains("No practice yet");
    }
}
