package lochan.web.spot;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.Coded;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.SpotType;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.quantity.Count;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.Undo;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Many spots at once: their type, zone and fish, and those that are one place twice. */
@Controller
class SpotBulkController {

    /** Spots nearer to each other are one place, m. */
    private static final double ONE_PLACE_M = 30;

    private final Spots spots;
    private final EventBook events;

    SpotBulkController(Spots spots, EventBook events) {
        this.spots = spots;
        this.events = events;
    }

    @PostMapping("/events/{eventId}/spots/bulk")
    @EventWrite
    public String change(
            EventKey key,
            @RequestParam(required = false) List<String> spot,
            @RequestParam String op,
            @RequestParam(defaultValue = "") String spotType,
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "") String stock,
            RedirectAttributes flash) {
        List<Spot> chosen = spots.all(key).stream()
                .filter(s -> spot != null && spot.contains(s.id()))
                .toList();
        if (chosen.isEmpty() && !op.equals("merge")) {
            flash.addFlashAttribute("trouble", "No spot is ticked: tick those that are to change.");
            return back(key);
        }
        switch (op) {
            case "set" -> set(key, chosen, spotType, zone, stock, flash);
            case "delete" -> delete(key, chosen, "deleted, with what was logged there", flash);
            case "merge" -> merge(key, chosen.isEmpty() ? spots.all(key) : chosen, flash);
            default -> flash.addFlashAttribute("trouble", "Choose what is to be done with the spots.");
        }
        return back(key);
    }

    private void set(
            EventKey key, List<Spot> chosen, String spotType, String zone, String stock, RedirectAttributes flash) {
        Optional<Zone> zones = Coded.find(Zone.class, zone);
        Optional<Stock> stocks = Coded.find(Stock.class, stock);
        String type = SpotType.code(spotType);
        if (zones.isEmpty() && stocks.isEmpty() && type.isEmpty()) {
            flash.addFlashAttribute("trouble", "Choose a type, a zone or the fish that the ticked spots are to have.");
            return;
        }
        for (Spot s : chosen) {
            SpotBuilder changed = SpotBuilder.builder(s);
            zones.ifPresent(changed::zone);
            stocks.ifPresent(changed::stock);
            if (!type.isEmpty()) {
                changed.spotType(SpotType.orUnsorted(type));
            }
            spots.update(key, changed.build());
        }
        flash.addFlashAttribute("notice", Count.of(chosen.size(), "spot") + " changed.");
    }

    private void delete(EventKey key, List<Spot> chosen, String what, RedirectAttributes flash) {
        List<Spot> gone =
                chosen.stream().filter(s -> !spots.mustStay(key, s.id())).toList();
        gone.forEach(s -> spots.delete(key, s.id()));
        int stay = chosen.size() - gone.size();
        if (stay > 0) {
            flash.addFlashAttribute("trouble", Count.of(stay, "spot") + " stay: the competition log names them.");
        }
        if (!gone.isEmpty()) {
            Undo.offer(
                    flash,
                    Count.of(gone.size(), "spot") + " " + what + ".",
                    "/events/" + key.eventId() + "/spots/bulk/restore?"
                            + gone.stream()
                                    .map(s -> "spot=" + URLEncoder.encode(s.id(), StandardCharsets.UTF_8))
                                    .collect(Collectors.joining("&")));
        }
    }

    @PostMapping("/events/{eventId}/spots/bulk/restore")
    @EventWrite
    public String restore(EventKey key, @RequestParam List<String> spot, RedirectAttributes flash) {
        spot.forEach(s -> spots.restore(key, s));
        flash.addFlashAttribute("notice", Count.of(spot.size(), "spot") + " back.");
        return back(key);
    }

    /** Of spots on one place the one with records stays; where several have records all of these do. */
    private void merge(EventKey key, List<Spot> chosen, RedirectAttributes flash) {
        EventData event = events.event(key);
        Set<String> used = used(key, event);
        List<Spot> gone = new ArrayList<>();
        List<Spot> kept = new ArrayList<>();
        chosen.stream()
                .sorted(Comparator.comparing(s -> !used.contains(s.id())))
                .forEach(s -> {
                    Spot same = near(kept, s);
                    if (same == null || used.contains(s.id())) {
                        kept.add(s);
                    } else {
                        gone.add(s);
                    }
                });
        if (gone.isEmpty()) {
            flash.addFlashAttribute("notice", "No two spots lie within 30 m, or all of them have records.");
        } else {
            delete(key, gone, "merged into those beside them", flash);
        }
    }

    private static @Nullable Spot near(List<Spot> kept, Spot s) {
        return kept.stream()
                .filter(k -> k.position().metresTo(s.position()) <= ONE_PLACE_M)
                .findFirst()
                .orElse(null);
    }

    /** Spots that practice, plans or the log name. */
    private Set<String> used(EventKey key, EventData event) {
        Set<String> used = new HashSet<>();
        event.stops().forEach(s -> used.add(s.spotId()));
        event.plans().forEach(p -> p.stops().forEach(s -> used.add(s.spotId())));
        event.waypoints().forEach(w -> {
            if (w.spotId() != null) {
                used.add(w.spotId());
            }
        });
        event.spots().stream()
                .map(Spot::id)
                .filter(id -> spots.mustStay(key, id))
                .forEach(used::add);
        return used;
    }

    private static String back(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/spots";
    }
}
