package lochan.web.spot;

import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.SpotType;
import lochan.core.plan.Plan;
import lochan.core.quantity.Count;
import lochan.eventformat.KmlSpots;
import lochan.eventformat.gpx.GpxException;
import lochan.eventformat.gpx.GpxWaypoints;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Codes;
import lochan.web.shared.Downloads;
import lochan.web.shared.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Spots as files: GPX waypoints in and out, GeoJSON and KML out. */
@Controller
class SpotFilesController {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** A waypoint nearer than this to a spot of its name is that spot, m. */
    private static final double SAME_PLACE_M = 15;

    private final Spots spots;
    private final EventBook events;
    private final MapPlaces mapPlaces;

    SpotFilesController(Spots spots, EventBook events, MapPlaces mapPlaces) {
        this.spots = spots;
        this.events = events;
        this.mapPlaces = mapPlaces;
    }

    @GetMapping("/events/{eventId}/spots/gpx")
    void gpx(EventKey key, HttpServletResponse response) throws IOException {
        EventData event = events.event(key);
        Downloads.attach(response, "spots.gpx", "application/gpx+xml");
        GpxWaypoints.write(
                event.spots(),
                event.waypoints(),
                event.plans().stream().map(p -> way(p, event)).toList(),
                response.getOutputStream());
    }

    private static GpxWaypoints.Way way(Plan plan, EventData event) {
        String name = plan.name() == null ? "Day " + plan.day() : plan.name();
        return new GpxWaypoints.Way(
                name,
                plan.stops().stream()
                        .map(s -> event.spot(s.spotId()))
                        .flatMap(Optional::stream)
                        .toList());
    }

    @GetMapping("/events/{eventId}/spots/kml")
    void kml(EventKey key, HttpServletResponse response) throws IOException {
        EventData event = events.event(key);
        Downloads.attach(response, "spots.kml", "application/vnd.google-earth.kml+xml");
        KmlSpots.write(event.spots(), event.waypoints(), response.getOutputStream());
    }

    @GetMapping("/events/{eventId}/spots/geojson")
    void geoJson(EventKey key, HttpServletResponse response) throws IOException {
        Downloads.attach(response, "spots.geojson", "application/geo+json");
        ObjectNode root = JSON.createObjectNode().put("type", "FeatureCollection");
        ArrayNode features = root.putArray("features");
        for (Spot s : spots.all(key)) {
            ObjectNode feature = features.addObject().put("type", "Feature").put("id", s.id());
            feature.putObject("geometry")
                    .put("type", "Point")
                    .putArray("coordinates")
                    .add(s.position().lon())
                    .add(s.position().lat());
            feature.putObject("properties")
                    .put("name", s.name())
                    .put("spotType", s.spotType())
                    .put("zone", s.zone().code())
                    .put("depthMinM", s.depthMinM())
                    .put("depthMaxM", s.depthMaxM())
                    .put("radiusM", s.radiusM())
                    .put("stock", s.stock().code())
                    .put("crowdRisk", s.crowdRisk());
        }
        response.getOutputStream().write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(root));
    }

    /** Adds the waypoints of a file as spots, with what the map tells of them; those that are spots already are left alone. */
    @PostMapping("/events/{eventId}/spots/gpx")
    @EventWrite
    public String importGpx(EventKey key, @RequestParam MultipartFile file, RedirectAttributes flash)
            throws IOException {
        try (InputStream in = new BufferedInputStream(file.getInputStream())) {
            List<GpxWaypoints.Waypoint> waypoints = GpxWaypoints.read(in);
            List<Spot> known = spots.all(key);
            Set<String> taken = new HashSet<>();
            List<Spot> fresh = new ArrayList<>();
            for (GpxWaypoints.Waypoint w : waypoints) {
                if (known.stream()
                        .noneMatch(
                                s -> s.name().equals(w.name()) && s.position().metresTo(w.position()) < SAME_PLACE_M)) {
                    fresh.add(spot(w, spots.freshCode(key, w.name()), taken));
                }
            }
            List<Spot> filled = fresh.stream()
                    .map(s -> mapPlaces.of(key, s.position()).fill(s, SpotType.COMMON.contains(s.spotType())))
                    .toList();
            spots.add(key, filled);
            long deep = filled.stream().filter(s -> s.depthMaxM() != null).count();
            flash.addFlashAttribute(
                    "notice",
                    Count.of(fresh.size(), "spot") + " added, " + (waypoints.size() - fresh.size())
                            + " known already. "
                            + (deep > 0
                                    ? "The map gave depth and zone of " + deep + ", and a type where it shows one. "
                                    : "")
                            + "Tick spots to set their types and zones together.");
        } catch (GpxException e) {
            flash.addFlashAttribute("trouble", Refused.file(file.getOriginalFilename(), e.getMessage()));
        }
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    /** @param taken codes given to earlier waypoints of the file */
    private static Spot spot(GpxWaypoints.Waypoint w, String code, Set<String> taken) {
        String free = taken.contains(code) ? Codes.of(code, taken::contains) : code;
        taken.add(free);
        Spot spot = Spot.fresh(
                free, w.name().isEmpty() ? "Waypoint" : w.name(), w.position(), SpotType.orUnsorted(w.type()));
        return SpotBuilder.builder(spot)
                .symbol(w.symbol().isEmpty() ? null : w.symbol())
                .build();
    }
}
