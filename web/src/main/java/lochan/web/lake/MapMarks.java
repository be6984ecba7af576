package lochan.web.lake;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.joining;
import static java.util.stream.Collectors.toList;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.quantity.Units;
import lochan.offline.spot.WaypointWords;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a page puts on its map; what it does not is empty.
 *
 * @param places     spots
 * @param ramps      launch and check-in
 * @param glyphs     shapes of candidates, by kind
 * @param routes     ways on the water
 * @param legs       words along them
 * @param beads      stops of the day
 * @param hours      how places change through a day
 * @param shore      places along the shore, as latitude, longitude …, by which hours tell what the wind does to the banks
 */
@RecordBuilder
public record MapMarks(
        List<Place> places,
        List<Sign> waypoints,
        List<Look> candidates,
        Map<String, String> glyphs,
        List<Ramp> ramps,
        List<Route> routes,
        List<Leg> legs,
        List<Bead> beads,
        List<Hour> hours,
        double[] shore) {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double DEGREES = 1e6;

    /**
     * A spot.
     *
     * @param stones how much evidence there is, 1 to 5
     * @param share  what it is worth, as a share of the best, 0 to 1
     * @param gone   whether it was fished and gave nothing
     * @param caution why nobody may fish there; null: all may
     * @param lure    presentation that brings most there; null: none is known
     */
    @RecordBuilder
    public record Place(
            String id,
            String name,
            String words,
            double lat,
            double lon,
            int stones,
            double share,
            boolean gone,
            @Nullable String caution,
            @Nullable String lure) {}

    /** A waypoint's description. */
    public record Sign(String id, double lat, double lon, String words) {}

    /** A candidate of the map. */
    public record Look(String id, String kind, double lat, double lon, String words) {}

    public record Ramp(double lat, double lon, String letter) {}

    /** @param way as latitude, longitude, latitude, longitude … */
    public record Route(double[] way, boolean rough) {}

    public record Leg(String words, double[] at) {}

    /**
     * @param id    number of its first stop, from 0
     * @param words number or numbers of its stops, from 1
     */
    public record Bead(String id, double lat, double lon, String words) {}

    /**
     * An hour of the day.
     *
     * @param wind   null: no forecast
     * @param places what changes of the places, in their order
     * @param note   what the hour has of its own, as a storm; empty: nothing
     * @param banks  a letter for each place of the shore: b blown, s sheltered, k slick, - neither; empty: not known
     */
    public record Hour(String clock, @Nullable Wind wind, List<Now> places, String note, String banks) {}

    public record Wind(double fromDeg, String words) {}

    public record Now(int stones, double share, String words) {}

    /** Spots, ramps and waypoints of an event; all spots worth the same. */
    public static MapMarksBuilder of(EventData event, Units units) {
        return MapMarksBuilder.builder()
                .places(event.spots().stream().map(s -> place(s, event).build()).toList())
                .waypoints(event.waypoints().stream()
                        .map(w -> new Sign(
                                w.id(), w.position().lat(), w.position().lon(), WaypointWords.of(w, units)))
                        .toList())
                .ramps(ramps(event))
                .candidates(List.of())
                .glyphs(CandidateSigns.PATHS)
                .routes(List.of())
                .legs(List.of())
                .beads(List.of())
                .hours(List.of())
                .shore(new double[0]);
    }

    /** A spot with its position alone. */
    public static MapMarksPlaceBuilder place(Spot s, EventData event) {
        return MapMarksPlaceBuilder.builder()
                .id(s.id())
                .name(s.name())
                .words(SpotType.words(s.spotType()))
                .lat(s.position().lat())
                .lon(s.position().lon())
                .stones(3)
                .share(0.5)
                .caution(event.offLimits(s) ? "Off limits by your rules" : null);
    }

    private static List<Ramp> ramps(EventData event) {
        Position launch = event.launch();
        Position checkIn = event.checkInAt();
        List<Ramp> ramps = new ArrayList<>(List.of(new Ramp(launch.lat(), launch.lon(), "L")));
        if (!checkIn.equals(launch)) {
            ramps.add(new Ramp(checkIn.lat(), checkIn.lon(), "C"));
        }
        return ramps;
    }

    /** A bead for each spot, with the numbers of its stops. */
    public static List<Bead> beads(List<Spot> stops) {
        Map<Spot, List<Integer>> ofSpot =
                IntStream.range(0, stops.size()).boxed().collect(groupingBy(stops::get, LinkedHashMap::new, toList()));
        List<Bead> beads = new ArrayList<>();
        ofSpot.forEach((s, at) -> beads.add(new Bead(
                at.getFirst().toString(),
                s.position().lat(),
                s.position().lon(),
                at.stream().map(i -> Integer.toString(i + 1)).collect(joining("·")))));
        return beads;
    }

    /** A way as the browser takes it. */
    public static double[] way(List<Position> way) {
        double[] numbers = new double[2 * way.size()];
        for (int i = 0; i < way.size(); i++) {
            numbers[2 * i] = Math.rint(DEGREES * way.get(i).lat()) / DEGREES;
            numbers[2 * i + 1] = Math.rint(DEGREES * way.get(i).lon()) / DEGREES;
        }
        return numbers;
    }

    /** As the page carries it. */
    public String json() {
        return JSON.writeValueAsString(this);
    }
}
