package lochan.web.testing;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;

/** Fields of forms as an angler fills them in, and the small event they make. */
public final class SampleEvents {

    private SampleEvents() {}

    /** A one-day event of two fish on 5 June 2027. */
    public static Map<String, String> form(String name) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", name);
        fields.put("timeZone", "America/Boise");
        fields.put("format", "limit-weight");
        fields.put("limit", "2");
        fields.put("anglers", "1");
        fields.put("targetGrams", "7-8");
        fields.put("launch", "42.6120, -116.9030");
        fields.put("days/0/date", "2027-06-05");
        fields.put("days/0/start", "06:00");
        fields.put("days/0/checkIn", "15:00");
        fields.put("practice/0", "2027-06-03");
        fields.put("species/0/counts", "on");
        fields.put("species/0/minLengthMm", "14 1/2");
        fields.put("penalties/deadFishGrams", "0-4");
        fields.put("runMps", "40 mph");
        return fields;
    }

    /** The demo's event once more as one of the angler's own, so that no other test has a hand in it. */
    public static String demoAgain(Visitor angler) {
        angler.get("/events");
        return "/events/"
                + angler.upload("/events/import", "file", "again.event.json", demoFile())
                        .numberAfter("events");
    }

    /** The demo's event as its file has it. */
    public static EventData demo() throws EventFileException, IOException {
        return EventFileReader.read(new ByteArrayInputStream(demoFile())).data();
    }

    private static byte[] demoFile() {
        try (InputStream in = SampleEvents.class.getResourceAsStream("/demo/two-arms-open.event.json")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Map<String, String> spot(String name) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", name);
        fields.put("position", "42.63, -116.91");
        fields.put("spotType", "Grass edge");
        fields.put("zone", "shallow");
        fields.put("depthMinM", "2");
        fields.put("depthMaxM", "6 ft");
        fields.put("crowdRisk", "20");
        fields.put("stock", "general");
        return fields;
    }

    /** A finished stop on the practice day at a spot, with one presentation. */
    public static Map<String, String> stop(String spot) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("spot", spot);
        fields.put("date", "2027-06-03");
        fields.put("start", "07:00");
        fields.put("end", "08:00");
        fields.put("anglers", "1");
        fields.put("follows", "1");
        fields.put("fished/swim-jig", "on");
        fields.put("waterTempC", "66");
        fields.put("visibilityM", "4 ft");
        return fields;
    }

    /** A track: 06:50 to 07:50 local time on the practice day at Reed Corner, a run, and twenty minutes elsewhere. */
    public static String track() {
        StringBuilder gpx = new StringBuilder("<gpx version=\"1.1\"><trk><trkseg>");
        Instant start = Instant.parse("2027-06-03T12:50:00Z");
        for (int s = 0; s < 5400; s += 5) {
            double lat = s < 3600 ? 42.63 : s < 3900 ? 42.63 + (s - 3600) * 1e-4 : 42.66;
            gpx.append("<trkpt lat=\"")
                    .append(lat)
                    .append("\" lon=\"-116.91\"><time>")
                    .append(start.plusSeconds(s))
                    .append("</time></trkpt>");
        }
        return gpx + "</trkseg></trk></gpx>";
    }

    /** A largemouth of 3 lb 4 oz on the scale. */
    public static Map<String, String> landed(String code, String presentation) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("code", code);
        fields.put("outcome", "landed");
        fields.put("size", "3-4");
        fields.put("how", "scale");
        fields.put("species", "largemouth");
        fields.put("presentation", presentation);
        return fields;
    }

    /** Path of the boat's app of an event. */
    public static String boat(String event) {
        return event.replace("/events/", "/boat/");
    }

    /** Makes the event with one spot and gives its path. */
    public static String event(Visitor angler, String name) {
        Visitor.Answer made = angler.post("/events/new", form(name));
        String event = "/events/" + made.numberAfter("events");
        angler.post(event + "/spots/new", spot("Reed Corner"));
        return event;
    }

    /** Makes an event with an hour of practice: two fish landed and one missed on a swim jig. */
    public static String practisedEvent(Visitor angler, String name) {
        String event = event(angler, name);
        String stop = angler.post(event + "/practice/stops/new", stop("reed-corner"))
                .path()
                .replaceAll(".*stop=", "");
        angler.post(event + "/practice/stops/bites?stop=" + stop, landed("b1", "swim-jig"));
        angler.post(
                event + "/practice/stops/bites?stop=" + stop,
                "code",
                "b2",
                "outcome",
                "landed",
                "size",
                "about 2",
                "how",
                "guess",
                "species",
                "largemouth",
                "presentation",
                "swim-jig");
        angler.post(
                event + "/practice/stops/bites?stop=" + stop,
                "code",
                "b3",
                "outcome",
                "missed",
                "presentation",
                "swim-jig");
        return event;
    }

    /** A plan of day 1 with an hour at Reed Corner with a swim jig; gives its id. */
    public static String plan(Visitor angler, String event) {
        return plan(angler, event, "reed-corner", "swim-jig");
    }

    /** A plan of day 1 with an hour at a spot; gives its id. */
    public static String plan(Visitor angler, String event, String spot, String presentation) {
        String plan = angler.post(event + "/plan/new", "day", "1").path().replaceAll(".*plan=(\\d+).*", "$1");
        addStop(angler, event, plan, spot, presentation, 60);
        return plan;
    }

    /** Adds so many minutes at a spot to a plan. */
    public static Visitor.Answer addStop(
            Visitor angler, String event, String plan, String spot, String presentation, int minutes) {
        return angler.post(
                event + "/plan/edit",
                "plan",
                plan,
                "op",
                "add",
                "add/spot",
                spot,
                "add/presentation",
                presentation,
                "add/minutes",
                "" + minutes);
    }

    /** Sets the first stop of a plan, at Reed Corner with a swim jig, to other times. */
    public static Visitor.Answer setStop(Visitor angler, String event, String plan, String arrive, String leave) {
        return angler.post(
                event + "/plan/edit",
                "plan",
                plan,
                "op",
                "set",
                "index",
                "0",
                "stops/0/spot",
                "reed-corner",
                "stops/0/presentation",
                "swim-jig",
                "stops/0/arrive",
                arrive,
                "stops/0/leave",
                leave);
    }
}
