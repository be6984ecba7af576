package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Spots are an angler's secrets: on every route there is, what belongs to another account is not there. */
@ExtendWith(TestServers.class)
@Tag("slow")
class OwnershipTest {

    /** Parameters that name something of the owner's, with what they name; and such as a handler needs at all. */
    private static Map<String, String> parameters(Visitor owner, String event) {
        Map<String, String> known = new TreeMap<>();
        owner.post(event + "/plan/new", "day", "1");
        String plan = owner.get(event + "/plan").path().contains("plan=")
                ? owner.get(event + "/plan").path().replaceAll(".*plan=(\\d+).*", "$1")
                : owner.get(event + "/plan")
                        .page()
                        .selectFirst("input[name=plan]")
                        .attr("value");
        Visitor.Answer practice = owner.get(event + "/practice");
        String stop = practice.page()
                .selectFirst("a[href*='stops/edit']")
                .attr("href")
                .replaceAll(".*stop=", "");
        known.putAll(Map.of(
                "spot",
                "reed-corner",
                "presentation",
                "swim-jig",
                "plan",
                plan,
                "stop",
                stop,
                "bite",
                "b1",
                "code",
                "fresh",
                "type",
                "official",
                "weight",
                "3-4",
                "outcome",
                "landed"));
        owner.post(event + "/spots/waypoints", "code", "m1", "position", "42.63, -116.91", "note", "Secret water");
        known.put("waypoint", "m1");
        owner.post(event + "/tackle/fish/edit", "spot", "reed-corner", "kind", "bed", "guessGrams", "5-0");
        owner.post(event + "/tackle/trials/new", "of", "colour", "firstWay", "white", "secondWay", "green");
        owner.post(event + "/tackle/trials/change", "presentation", "swim-jig", "what", "hook");
        known.putAll(Map.of(
                "fish",
                "reed-corner-fish",
                "trial",
                "white-or-green",
                "change",
                "swim-jig",
                "reaction",
                "LOOKED",
                "ofFirst",
                "true",
                "minutes",
                "5",
                "gone",
                "true"));
        owner.post(
                event + "/plan/edit",
                Map.of(
                        "plan", plan,
                        "op", "add",
                        "add/spot", "reed-corner",
                        "add/presentation", "swim-jig",
                        "add/minutes", "60"));
        known.put(
                "rehearsal",
                owner.post(event + "/plan/rehearsals", "plan", plan).path().replaceAll(".*rehearsal=", ""));
        known.put("shown", "true");
        known.put("split", "bank:blown");
        known.put("in", "false");
        known.put("rung", "0");
        known.put("found", "0");
        known.put("op", "close");
        known.put("name", "Mine now");
        known.put("position", "42.6, -116.9");
        known.put("spotType", "hump");
        known.put("zone", "deep");
        known.put("stock", "school");
        known.put("hooks", "single");
        return known;
    }

    private static Stream<String> eventRoutes(RunningApp app) {
        return app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().stream()
                .flatMap(OwnershipTest::routes)
                .filter(r -> r.contains("{eventId}"))
                .sorted();
    }

    private static Stream<String> routes(RequestMappingInfo info) {
        return info.getPatternValues().stream()
                .flatMap(p -> info.getMethodsCondition().getMethods().stream().map(m -> m + " " + p));
    }

    private static Visitor.Answer call(Visitor visitor, String route, String event, Map<String, String> parameters) {
        String path = route.substring(route.indexOf(' ') + 1)
                .replace("/events/{eventId}", event)
                .replace("/boat/{eventId}", SampleEvents.boat(event));
        if (route.startsWith("GET")) {
            List<String> query = parameters.entrySet().stream()
                    .filter(e -> List.of(
                                    "spot", "presentation", "plan", "stop", "bite", "waypoint", "fish", "rehearsal")
                            .contains(e.getKey()))
                    .map(e -> e.getKey() + "=" + e.getValue())
                    .toList();
            return visitor.get(path + "?" + String.join("&", query));
        }
        return visitor.post(path, parameters);
    }

    @Test
    void anotherAccountsEventIsNotThereOnAnyRoute(RunningApp app) {
        Visitor owner = app.angler();
        String event = SampleEvents.practisedEvent(owner, "Secret water");
        Map<String, String> parameters = parameters(owner, event);
        String before = owner.get(event + "/export").body();
        Visitor other = app.angler();
        List<String> routes = eventRoutes(app).toList();

        assertThat(routes).hasSizeGreaterThan(35);
        assertThat(routes).allSatisfy(route -> {
            Visitor.Answer answer = call(other, route, event, parameters);
            assertThat(answer.status()).as(route).isEqualTo(404);
            assertThat(answer.body()).as(route).doesNotContain("Secret water").doesNotContain("Reed Corner");
        });
        assertThat(owner.get(event + "/export").body())
                .as("nothing of it was touched")
                .isEqualTo(before);
        assertThat(other.get("/events").text()).doesNotContain("Secret water");
    }

    @Test
    void withoutSigningInEveryRouteLeadsToTheDoor(RunningApp app) {
        String event = SampleEvents.practisedEvent(app.angler(), "Closed water");
        Visitor stranger = app.visitor();

        assertThat(eventRoutes(app).toList()).allSatisfy(route -> {
            Visitor.Answer answer = call(stranger, route, event, Map.of());
            assertThat(List.of("/sign-in", "").contains(answer.path()) || answer.status() == 403)
                    .as(route)
                    .isTrue();
        });
    }

    /** Ids of one event used under another of the same or a second account. */
    @Test
    void idsOfAnotherEventAreNotThereUnderOnesOwn(RunningApp app) {
        Visitor owner = app.angler();
        String event = SampleEvents.practisedEvent(owner, "Owner's");
        Map<String, String> parameters = parameters(owner, event);
        Visitor other = app.angler();
        String own = "/events/"
                + other.post("/events/new", SampleEvents.form("Other's")).numberAfter("events");

        for (String route : List.of(
                "GET /events/{eventId}/spots/edit",
                "POST /events/{eventId}/spots/edit",
                "POST /events/{eventId}/spots/delete",
                "POST /events/{eventId}/spots/restore",
                "GET /events/{eventId}/spots/waypoints/edit",
                "POST /events/{eventId}/spots/waypoints/edit",
                "POST /events/{eventId}/spots/waypoints/put",
                "POST /events/{eventId}/spots/waypoints/delete",
                "POST /events/{eventId}/spots/waypoints/restore",
                "GET /events/{eventId}/practice/stops/edit",
                "POST /events/{eventId}/practice/stops/delete",
                "POST /events/{eventId}/practice/stops/restore",
                "POST /events/{eventId}/practice/end",
                "POST /events/{eventId}/practice/reopen",
                "POST /events/{eventId}/practice/bites",
                "POST /events/{eventId}/practice/bites/delete",
                "POST /events/{eventId}/practice/bites/restore",
                "GET /events/{eventId}/practice/bites/edit",
                "POST /events/{eventId}/practice/stops/bites",
                "POST /events/{eventId}/practice/conditions",
                "POST /events/{eventId}/practice/follow",
                "POST /events/{eventId}/plan/edit",
                "POST /events/{eventId}/plan/delete",
                "POST /events/{eventId}/plan/copy",
                "POST /events/{eventId}/plan/redo",
                "POST /events/{eventId}/plan/search",
                "POST /events/{eventId}/plan/search/stop",
                "POST /events/{eventId}/plan/search/keep",
                "GET /events/{eventId}/plan/sheet",
                "GET /events/{eventId}/plan/route.gpx",
                "GET /events/{eventId}/plan/calendar",
                "POST /events/{eventId}/plan/undo",
                "GET /events/{eventId}/plan/backups",
                "POST /events/{eventId}/plan/backups",
                "POST /events/{eventId}/plan/backups/keep",
                "POST /events/{eventId}/plan/restore",
                "POST /events/{eventId}/plan/rehearsals",
                "GET /events/{eventId}/plan/rehearsals/played",
                "POST /events/{eventId}/plan/rehearsals/played",
                "POST /events/{eventId}/plan/rehearsals/again",
                "POST /events/{eventId}/plan/rehearsals/delete",
                "POST /events/{eventId}/plan/rehearsals/restore",
                "GET /boat/{eventId}/rehearsal",
                "GET /boat/{eventId}/rehearsal/pack",
                "GET /boat/{eventId}/rehearsal/state",
                "POST /boat/{eventId}/rehearsal/step",
                "POST /boat/{eventId}/rehearsal/advice",
                "GET /events/{eventId}/rankings/evidence",
                "GET /events/{eventId}/tackle",
                "GET /events/{eventId}/tackle/advice",
                "GET /events/{eventId}/tackle/path",
                "GET /events/{eventId}/tackle/fish/edit",
                "POST /events/{eventId}/tackle/fish/edit",
                "POST /events/{eventId}/tackle/fish/try",
                "POST /events/{eventId}/tackle/fish/try/undo",
                "POST /events/{eventId}/tackle/fish/gone",
                "POST /events/{eventId}/tackle/fish/delete",
                "POST /events/{eventId}/tackle/fish/restore",
                "POST /events/{eventId}/tackle/trials/round",
                "POST /events/{eventId}/tackle/trials/round/undo",
                "POST /events/{eventId}/tackle/trials/delete",
                "POST /events/{eventId}/tackle/trials/restore",
                "POST /events/{eventId}/tackle/trials/change/delete",
                "POST /events/{eventId}/tackle/trials/change/restore")) {
            assertThat(call(other, route, own, parameters).status()).as(route).isEqualTo(404);
        }
        Map<String, String> planned = new LinkedHashMap<>(parameters);
        assertThat(call(other, "GET /events/{eventId}/plan", own, planned).body())
                .doesNotContain("Reed Corner");
    }
}
