package lochan.web.spot;

import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.quantity.Count;
import lochan.eventformat.gpx.GpxException;
import lochan.eventformat.gpx.GpxWaypoints;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Codes;
import lochan.web.shared.Downloads;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Spots as files: GPX waypoints in and out, GeoJSON out. */
@Controller
class SpotFilesController {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** A waypoint nearer than this to a spot of its name is that spot, m. */
    private static final double SAME_PLACE_M = 15;

    private final Spots spots;

    SpotFilesController(Spots spots) {
        this.spots = spots;
    }

    @GetMapping("/events/{eventId}/spots/gpx")
    void gpx(EventKey key, HttpServletResponse response) throws IOException {
        Downloads.attach(response, "spots.gpx", "application/gpx+xml");
        GpxWaypoints.write(spots.all(key), response.getOutputStream());
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

    /** Adds the waypoints of a file as spots; those that are spots already are left alone. */
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
            spots.add(key, fresh);
            flash.addFlashAttribute(
                    "notice",
                    Count.of(fresh.size(), "spot") + " added, " + (waypoints.size() - fresh.size())
                            + " known already. Set their spot type and zone.");
        } catch (GpxException e) {
            flash.addFlashAttribute(
                    "trouble",
                    "“" + file.getOriginalFilename() + "” was not imported; nothing was changed: " + e.getMessage()
                            + ".");
        }
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    /** @param taken codes given to earlier waypoints of the file */
    private static Spot spot(GpxWaypoints.Waypoint w, String code, Set<String> taken) {
        String free = taken.contains(code) ? Codes.of(code, taken::contains) : code;
        taken.add(free);
        return Spot.fresh(
                free, w.name().isEmpty() ? "Waypoint" : w.name(), w.position(), SpotType.orUnsorted(w.type()));
    }
}
