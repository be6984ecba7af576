package lochan.web.map;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Sighting;
import lochan.core.lake.Spot;
import lochan.core.lake.WaypointBuilder;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.HiddenCandidates;
import lochan.web.lake.Lakes;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Undo;
import lochan.web.spot.Spots;
import lochan.web.spot.Waypoints;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Lets the angler make a candidate a spot, mark it for a look, or hide it. */
@Controller
class CandidateController {

    private final Lakes lakes;
    private final EventBook events;
    private final Accounts accounts;
    private final Spots spots;
    private final Waypoints waypoints;
    private final HiddenCandidates hidden;
    private final Clock clock;

    CandidateController(
            Lakes lakes,
            EventBook events,
            Accounts accounts,
            Spots spots,
            Waypoints waypoints,
            HiddenCandidates hidden,
            Clock clock) {
        this.lakes = lakes;
        this.events = events;
        this.accounts = accounts;
        this.spots = spots;
        this.waypoints = waypoints;
        this.hidden = hidden;
        this.clock = clock;
    }

    private record Found(Candidate candidate, DepthGrid grid) {}

    private Found found(EventKey key, Map<String, String> fields) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        DepthGrid grid = lakes.survey(key).orElseThrow(NotThereException::new);
        return new Found(
                lakes.structure(key, new StructureFinder.Filter(null, null, Suggestion.prominenceM(form))).stream()
                        .filter(c -> Suggestion.id(c).equals(form.value("candidate")))
                        .findFirst()
                        .orElseThrow(NotThereException::new),
                grid);
    }

    @PostMapping("/events/{eventId}/map/spot")
    String add(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Found found = found(key, fields);
        Units units = accounts.units(key.accountId());
        EventData event = events.event(key);
        double above = event.aboveReferenceM(clock.instant());
        String kind = found.candidate().kind().code();
        String name = kind.substring(0, 1).toUpperCase(Locale.ROOT) + kind.substring(1) + ", "
                + units.depth(found.candidate().depthM() + above);
        Spot spot = Suggestion.spot(found.candidate(), found.grid(), spots.freshCode(key, name), name);
        spots.add(key, List.of(spot));
        Undo.offer(
                flash,
                "“" + name + "” added as a spot.",
                "/events/" + key.eventId() + "/spots/delete?spot="
                        + URLEncoder.encode(spot.id(), StandardCharsets.UTF_8));
        return MapController.back(key);
    }

    @PostMapping("/events/{eventId}/map/mark")
    String mark(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Found found = found(key, fields);
        String id = UUID.randomUUID().toString();
        waypoints.addAll(
                key,
                List.of(WaypointBuilder.builder()
                        .id(id)
                        .at(clock.instant())
                        .position(Suggestion.position(found.grid(), found.candidate()))
                        .fish(Sighting.NONE)
                        .waterDepthM(found.candidate().depthM())
                        .note("look at this " + found.candidate().kind().code())
                        .entered(Map.of())
                        .build()));
        Undo.offer(
                flash,
                "Marked to be looked at.",
                "/events/" + key.eventId() + "/spots/waypoints/delete?waypoint=" + id);
        return MapController.back(key);
    }

    @PostMapping("/events/{eventId}/map/hide")
    String hide(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Found found = found(key, fields);
        HiddenCandidates.Hidden one = new HiddenCandidates.Hidden(
                found.candidate().kind().code(), Suggestion.position(found.grid(), found.candidate()));
        hidden.hide(key, one);
        Undo.offer(
                flash,
                "Hidden.",
                "/events/" + key.eventId() + "/map/unhide?kind=" + one.kind() + "&lat="
                        + one.at().lat() + "&lon=" + one.at().lon());
        return MapController.back(key);
    }

    @PostMapping("/events/{eventId}/map/unhide")
    String unhide(EventKey key, @RequestParam String kind, @RequestParam double lat, @RequestParam double lon) {
        if (!Position.exists(lat, lon)) {
            throw new NotThereException();
        }
        hidden.show(key, new HiddenCandidates.Hidden(kind, new Position(lat, lon)));
        return MapController.back(key);
    }

    @PostMapping("/events/{eventId}/map/unhide-all")
    String unhideAll(EventKey key, RedirectAttributes flash) {
        hidden.showAll(key);
        flash.addFlashAttribute("notice", "All candidates are shown again.");
        return MapController.back(key);
    }
}
