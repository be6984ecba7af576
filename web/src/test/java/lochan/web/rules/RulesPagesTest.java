package lochan.web.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import lochan.web.TestServers;
import lochan.web.eventbook.Events;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class RulesPagesTest {

    @Test
    void keepsWhatWasTypedAndShowsItBackUnchanged(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Typed Open");

        Visitor.Answer answer = angler.get(event + "/rules");

        SampleEvents.form("Typed Open").forEach((name, typed) -> {
            if (!typed.equals("on")) {
                assertThat(answer.value(name))
                        .as(name)
                        .isEqualTo(typed.replace("42.6120", "42.612").replace("-116.9030", "-116.903"));
            }
        });
        assertThat(answer.header("Content-Type")).contains("text/html");
    }

    @Test
    void showsEveryViolationBesideItsFieldAndLosesNothing(RunningApp app) {
        Map<String, String> fields = SampleEvents.form("");
        fields.put("limit", "0");
        fields.put("targetGrams", "lots");
        fields.put("days/0/checkIn", "06:00");
        fields.put("species/0/minLengthMm", "14 stone");
        fields.put("launch", "north of the dam");
        fields.put("timeZone", "Lakeside");

        Visitor.Answer refused = app.angler().post("/events/new", fields);

        assertThat(refused.status()).isEqualTo(422);
        fields.forEach((name, typed) -> {
            if (!typed.equals("on")) {
                assertThat(refused.value(name)).as(name).isEqualTo(typed);
            }
        });
        for (String wrong : new String[] {"targetGrams", "species/0/minLengthMm", "launch", "timeZone"}) {
            String error = refused.page()
                    .getElementById(wrong)
                    .parent()
                    .select(".error")
                    .text();
            assertThat(error).as(wrong).contains("“" + fields.get(wrong) + "”");
        }

        fields.putAll(Map.of(
                "timeZone",
                "America/Boise",
                "launch",
                "42.6, -116.9",
                "targetGrams",
                "15",
                "species/0/minLengthMm",
                "14"));
        assertThat(app.angler().post("/events/new", fields).texts(".field .error"))
                .hasSize(3)
                .anyMatch(e -> e.equals(Wording.text("rules.name-missing")))
                .anyMatch(e -> e.contains("limit must be 1 to 100"))
                .anyMatch(e -> e.contains("must be after the start"));
    }

    @Test
    void aChangeThatOtherRecordsForbidIsRefused(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Bound Open");
        Map<String, String> noLargemouth = SampleEvents.form("Bound Open");
        noLargemouth.remove("species/0/counts");
        noLargemouth.put("species/1/counts", "on");

        Visitor.Answer refused = angler.post(event + "/rules", noLargemouth);

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("You've logged largemouth");
    }

    @Tag("slow")
    @Test
    void rulesUnderWhichTheCompetitionLogCouldNotStandAreRefused(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Logged Open");
        for (String weight : new String[] {"2-0", "2-1", "2-2"}) {
            angler.post(
                    event + "/competition/entries",
                    "type",
                    "catch",
                    "code",
                    "c" + weight,
                    "species",
                    "largemouth",
                    "weight",
                    weight);
        }
        Map<String, String> coarseScale = SampleEvents.form("Logged Open");
        coarseScale.put("limit", "1");
        coarseScale.put("scaleGrams", "100 g");

        assertThat(angler.post(event + "/rules", coarseScale).text())
                .contains("conflict with your log entry")
                .contains("still in your hand");
        assertThat(angler.get(event + "/competition").status()).isEqualTo(200);
    }

    @Test
    void aDeletedEventCanBeBroughtBack(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Lost and found");

        Visitor.Answer deleted = angler.post(event + "/delete");
        assertThat(deleted.text()).contains("deleted").doesNotContain("Reed Corner");
        assertThat(angler.get(event + "/rules").status()).isEqualTo(404);

        angler.post(deleted.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/spots").text()).contains("Reed Corner");
    }

    @Test
    void anEventWithoutAnythingSaysWhatToDoNext(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.get("/events").text()).contains("No event yet").contains("import an event file");
        String event = "/events/"
                + angler.post("/events/new", SampleEvents.form("Empty Open")).numberAfter("events");

        assertThat(angler.get(event + "/spots").text()).contains("No spots yet");
        assertThat(angler.get(event + "/practice").text()).contains("Add a spot first");
        assertThat(angler.get(event + "/rankings").text()).contains("No evidence yet");
        assertThat(angler.get(event + "/competition").text()).contains("Nothing logged on this day yet");
        assertThat(angler.get(event + "/plan").status()).isEqualTo(200);
    }

    @Test
    void unknownPagesAreSaidToBeMissing(RunningApp app) {
        assertThat(app.angler().get("/events/99999999/rules").status()).isEqualTo(404);
        assertThat(app.angler().get("/events/none/rules").status()).isEqualTo(404);
        assertThat(app.angler().get("/nowhere").status()).isEqualTo(404);
    }

    @Test
    void aDeletedEventIsRemovedForGoodAfterThirtyDays(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Long gone");
        String recent = SampleEvents.practisedEvent(angler, "Just gone");
        angler.post(event + "/plan/new", "day", "1");
        angler.post(event + "/delete");
        angler.post(recent + "/delete");
        org.jooq.DSLContext db = app.bean(org.jooq.DSLContext.class);
        long id = Long.parseLong(event.replaceAll("\\D", ""));
        assertThat(db.execute("UPDATE event SET deleted_at = deleted_at - INTERVAL 31 DAY WHERE id = ?", id))
                .isEqualTo(1);

        assertThat(app.bean(Events.class).purge()).isGreaterThanOrEqualTo(1);
        for (org.jooq.Table<?> table : lochan.web.db.DefaultSchema.DEFAULT_SCHEMA.getTables()) {
            if (table.field("event_id") != null) {
                assertThat(db.fetchCount(
                                table, table.field("event_id", Long.class).eq(id)))
                        .as(table.getName())
                        .isZero();
            }
        }
        assertThat(angler.post(event + "/restore").status()).isEqualTo(404);
        assertThat(angler.post(recent + "/restore").status()).isEqualTo(200);
    }

    /** Plans and the forecast move with their day, after one question. */
    @Test
    void whatIsMeantForADayMovesWithIt(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Moved Open");
        SampleEvents.plan(angler, event);
        angler.post(
                event + "/practice/forecast",
                Map.of(
                        "day",
                        "1",
                        "0/from",
                        "06:00",
                        "0/to",
                        "12:00",
                        "0/wind",
                        "8",
                        "0/windFrom",
                        "sw",
                        "0/sky",
                        "cloudy"));
        Map<String, String> moved = SampleEvents.form("Moved Open");
        moved.put("days/0/date", "2027-06-12");

        Visitor.Answer asked = angler.post(event + "/rules", moved);
        assertThat(asked.text())
                .contains("Day 1 moves from Sat 5 June to Sat 12 June. Move 1 plan and the forecast with it?");
        assertThat(angler.get(event + "/export").body()).contains("\"2027-06-05\"");

        moved.put("move", "yes");
        assertThat(angler.post(event + "/rules", moved).text()).contains("Event saved.");
        String file = angler.get(event + "/export").body();
        assertThat(file.substring(file.indexOf("\"forecast\"")))
                .contains("2027-06-12T")
                .doesNotContain("2027-06-05T");
        assertThat(angler.get(event + "/plan").text()).doesNotContain("min short", "doesn’t work");
    }
}
