package lochan.web.spot;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.plan.BankWords;
import lochan.offline.spot.WaypointWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.MapMarks;
import lochan.web.lake.SpotWorths;
import lochan.web.shared.Dates;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Listing, adding and editing spots. */
@Controller
class SpotController {

    private final SpotWorths worths;
    private final Spots spots;
    private final Waypoints waypoints;
    private final EventBook events;
    private final Accounts accounts;
    private final MapPlaces mapPlaces;

    SpotController(
            Spots spots,
            Waypoints waypoints,
            EventBook events,
            Accounts accounts,
            MapPlaces mapPlaces,
            SpotWorths worths) {
        this.worths = worths;
        this.mapPlaces = mapPlaces;
        this.events = events;
        this.spots = spots;
        this.waypoints = waypoints;
        this.accounts = accounts;
    }

    /**
     * @param closed ids of the spots that the rules close
     * @param spotTypes that can be chosen for many at once
     * @param marks     of the map; null: the lake is not known
     */
    record SpotsView(
            List<Spot> spots,
            Set<String> closed,
            List<String> spotTypes,
            Zone[] zones,
            Stock[] stocks,
            @Nullable String marks) {}

    private @Nullable String marks(EventKey key, EventData event) {
        if (event.lake() == null || event.spots().isEmpty()) {
            return null;
        }
        Units units = accounts.units(key.accountId());
        return MapMarks.of(event, units)
                .places(worths.marks(key, event, 1, units).ofTheDay())
                .build()
                .json();
    }

    @GetMapping("/events/{eventId}/spots")
    String list(EventKey key, Model model) {
        EventData known = events.event(key);
        EventData event = known.onLevelOf(spots.now());
        return Views.show(
                "spot/spots",
                model,
                new SpotsView(
                        event.spots(),
                        event.spots().stream()
                                .filter(event::offLimits)
                                .map(Spot::id)
                                .collect(Collectors.toSet()),
                        types(event.spots()),
                        Zone.values(),
                        Stock.values(),
                        marks(key, known)));
    }

    /** By how much the water stands above the level that depths are kept at, m: what is typed are today's. */
    private double above(EventKey key) {
        return events.event(key).aboveReferenceM(spots.now());
    }

    /** @param position where a place was tapped on the map; null: nowhere */
    @GetMapping("/events/{eventId}/spots/new")
    String fresh(
            EventKey key,
            @RequestParam(required = false) String waypoint,
            @RequestParam(required = false) String position,
            Model model) {
        Units units = accounts.units(key.accountId());
        Form form = waypoint == null ? SpotForm.empty(units) : SpotForm.of(waypoints.waypoint(key, waypoint), units);
        if (position != null) {
            form.put("position", position);
            SpotForm.fill(form, mapPlaces.of(key, form.position("position")), units, above(key));
        }
        return page(key, form, null, waypoint, model);
    }

    @PostMapping("/events/{eventId}/spots/new")
    String add(
            EventKey key,
            @RequestParam(required = false) String waypoint,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Spot> spot = SpotForm.read(form, spots.freshCode(key, form.value("name")), null)
                .map(s -> s.deeperBy(-above(key)));
        if (spot.isEmpty()) {
            return page(key, form, null, waypoint, model);
        }
        spots.add(key, List.of(spot.get()));
        if (waypoint != null) {
            waypoints.putOn(key, waypoint, spot.get().id());
        }
        flash.addFlashAttribute("notice", "Spot “" + spot.get().name() + "” added.");
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    @GetMapping("/events/{eventId}/spots/edit")
    String edit(EventKey key, @RequestParam String spot, Model model) {
        return page(
                key,
                SpotForm.of(spots.spot(key, spot).deeperBy(above(key)), accounts.units(key.accountId())),
                spot,
                null,
                model);
    }

    @PostMapping("/events/{eventId}/spots/edit")
    String save(
            EventKey key,
            @RequestParam String spot,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Spot> read = SpotForm.read(form, spot, spots.spot(key, spot)).map(s -> s.deeperBy(-above(key)));
        if (read.isEmpty()) {
            return page(key, form, spot, null, model);
        }
        spots.update(key, read.get());
        flash.addFlashAttribute("notice", "Spot “" + read.get().name() + "” saved.");
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    @PostMapping("/events/{eventId}/spots/delete")
    String delete(EventKey key, @RequestParam String spot, RedirectAttributes flash) {
        String name = spots.spot(key, spot).name();
        if (spots.mustStay(key, spot)) {
            flash.addFlashAttribute("trouble", "Spot “" + name + "” stays: the competition log names it.");
        } else {
            spots.delete(key, spot);
            Undo.offer(
                    flash,
                    "Spot “" + name + "” deleted, with what was logged there.",
                    "/events/" + key.eventId() + "/spots/restore?spot="
                            + URLEncoder.encode(spot, StandardCharsets.UTF_8));
        }
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    @PostMapping("/events/{eventId}/spots/restore")
    String restore(EventKey key, @RequestParam String spot, RedirectAttributes flash) {
        spots.restore(key, spot);
        flash.addFlashAttribute("notice", "The spot is back.");
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    /** @param spot null for a new one
     * @param waypoint the waypoint a new one is made of; null: none */
    record SpotView(
            Form form,
            @Nullable String spot,
            List<String> spotTypes,
            Zone[] zones,
            List<String> notes,
            List<String> bankHours,
            @Nullable String waypoint) {}

    private String page(EventKey key, Form form, @Nullable String spot, @Nullable String waypoint, Model model) {
        return Views.show(
                "spot/spot",
                model,
                new SpotView(
                        form,
                        spot,
                        types(spots.all(key)),
                        Zone.values(),
                        spot == null
                                ? List.of()
                                : waypoints.all(key).stream()
                                        .filter(m -> spot.equals(m.spotId()))
                                        .map(m -> WaypointWords.of(m, accounts.units(key.accountId())))
                                        .toList(),
                        spot == null ? List.of() : bankHours(events.event(key), spot),
                        waypoint));
    }

    /** Types in words: the common ones, and those of the event. */
    private static List<String> types(List<Spot> known) {
        TreeSet<String> types = new TreeSet<>(SpotType.COMMON);
        known.forEach(s -> types.add(s.spotType()));
        return types.stream().map(SpotType::words).toList();
    }

    /** Returns how the forecast wind meets its bank, a line for each day it covers. */
    private static List<String> bankHours(EventData event, String spot) {
        return event.days().stream()
                .map(d -> {
                    String words = BankWords.of(
                            event.spot(spot).orElseThrow(NotThereException::new),
                            event,
                            d.start(),
                            d.checkIn(),
                            Assumptions.DEFAULTS.bank());
                    return words == null ? null : Dates.day(d.date()) + ": " + words;
                })
                .filter(Objects::nonNull)
                .toList();
    }
}
