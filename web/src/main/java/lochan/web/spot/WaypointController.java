package lochan.web.spot;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.model.evidence.FishStanding;
import lochan.core.quantity.Units;
import lochan.core.tackle.Mood;
import lochan.offline.form.Form;
import lochan.offline.spot.WaypointForm;
import lochan.offline.spot.WaypointWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Noting what the electronics show while idling: seconds, one thumb; later it becomes a spot or stays a note on one. */
@Controller
class WaypointController {

    private static final int LONGEST_CODE = 64;
    /** A spot farther than this from a waypoint is not offered for it, m. */
    private static final double NEAR_M = 500;

    private final Waypoints waypoints;
    private final Spots spots;
    private final Events events;
    private final Accounts accounts;

    WaypointController(Waypoints waypoints, Spots spots, Events events, Accounts accounts) {
        this.waypoints = waypoints;
        this.spots = spots;
        this.events = events;
        this.accounts = accounts;
    }

    /**
     * A waypoint as the page lists it.
     *
     * @param meaning   what fish that stand so do; null: it cannot be told
     * @param lookAgain whether they are to be looked at again
     * @param nearest the nearest spot it could be a note on; null: none near
     */
    record Row(
            String id,
            String time,
            String words,
            String position,
            @Nullable String spot,
            @Nullable String meaning,
            boolean lookAgain,
            @Nullable String nearest,
            @Nullable String nearestName) {}

    /** @param position where a place was tapped on the map; null: nowhere */
    @GetMapping("/events/{eventId}/spots/waypoints")
    String list(EventKey key, @RequestParam(required = false) String position, Model model) {
        return page(key, new Form(accounts.units(key.accountId())).put("position", position), null, model);
    }

    @PostMapping("/events/{eventId}/spots/waypoints")
    String add(
            EventKey key,
            @RequestParam String code,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Waypoint> waypoint = WaypointForm.read(form, form::position, code, waypoints.now());
        if (code.isEmpty() || code.length() > LONGEST_CODE) {
            form.fail("position", "forms.out-of-date");
        }
        if (!checkSpot(key, form) || waypoint.isEmpty() || !form.ok()) {
            return page(key, form, null, model);
        }
        waypoints.addAll(key, List.of(waypoint.get()));
        Undo.offer(flash, "Waypoint saved.", path(key, "/delete", code));
        return "redirect:" + path(key, "", null);
    }

    private boolean checkSpot(EventKey key, Form form) {
        if (form.has("spot") && spots.all(key).stream().noneMatch(s -> s.id().equals(form.value("spot")))) {
            form.fail("spot", "spotforms.spot-or-none");
        }
        return form.ok();
    }

    @GetMapping("/events/{eventId}/spots/waypoints/edit")
    String edit(EventKey key, @RequestParam String waypoint, Model model) {
        return page(
                key,
                WaypointForm.of(waypoints.waypoint(key, waypoint), accounts.units(key.accountId())),
                waypoint,
                model);
    }

    @PostMapping("/events/{eventId}/spots/waypoints/edit")
    String save(
            EventKey key,
            @RequestParam String waypoint,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<Waypoint> read = WaypointForm.read(
                form,
                form::position,
                waypoint,
                waypoints.waypoint(key, waypoint).at());
        if (read.isEmpty() || !checkSpot(key, form)) {
            return page(key, form, waypoint, model);
        }
        waypoints.update(key, read.get());
        flash.addFlashAttribute("notice", "Waypoint saved.");
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/waypoints/put")
    String put(EventKey key, @RequestParam String waypoint, @RequestParam String spot, RedirectAttributes flash) {
        waypoints.waypoint(key, waypoint);
        String name = spots.spot(key, spot).name();
        waypoints.putOn(key, waypoint, spot);
        flash.addFlashAttribute("notice", "Added to “" + name + "” now.");
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/waypoints/delete")
    String delete(EventKey key, @RequestParam String waypoint, RedirectAttributes flash) {
        waypoints.delete(key, waypoint);
        Undo.offer(flash, "Waypoint deleted.", path(key, "/restore", waypoint));
        return "redirect:" + path(key, "", null);
    }

    @PostMapping("/events/{eventId}/spots/waypoints/restore")
    String restore(EventKey key, @RequestParam String waypoint) {
        waypoints.restore(key, waypoint);
        return "redirect:" + path(key, "", null);
    }

    /** @param waypoint the one being changed; null: none */
    record WaypointsView(
            Form form,
            @Nullable String waypoint,
            List<Spot> spots,
            Waypoint.Bottom[] bottoms,
            String freshCode,
            List<Row> rows) {}

    private String page(EventKey key, Form form, @Nullable String waypoint, Model model) {
        Units units = accounts.units(key.accountId());
        List<Spot> spotsNow = spots.all(key);
        return Views.show(
                "spot/waypoints",
                model,
                new WaypointsView(
                        form,
                        waypoint,
                        spotsNow,
                        Waypoint.Bottom.values(),
                        UUID.randomUUID().toString(),
                        waypoints.all(key).reversed().stream()
                                .map(m -> row(m, spotsNow, key, units))
                                .toList()));
    }

    private Row row(Waypoint m, List<Spot> spotsNow, EventKey key, Units units) {
        Optional<Spot> on =
                spotsNow.stream().filter(s -> s.id().equals(m.spotId())).findFirst();
        Optional<Spot> nearest = spotsNow.stream()
                .filter(s -> s.position().metresTo(m.position()) <= NEAR_M)
                .min(Comparator.comparingDouble(s -> s.position().metresTo(m.position())));
        String nearestName = nearest.map(
                        s -> s.name() + ", " + units.reach(s.position().metresTo(m.position())) + " off")
                .orElse(null);
        return new Row(
                m.id(),
                Dates.dayAndClock(m.at(), events.event(key).timeZone()),
                WaypointWords.of(m, units),
                String.format(
                        java.util.Locale.ROOT,
                        "%.5f, %.5f",
                        m.position().lat(),
                        m.position().lon()),
                on.map(Spot::name).orElse(null),
                on.isPresent() ? meaning(m) : null,
                on.isPresent() && FishStanding.mood(m.fish()) == Mood.INACTIVE,
                on.isPresent() ? null : nearest.map(Spot::id).orElse(null),
                nearestName);
    }

    /** What fish that stand so do, and what takes them; null: it cannot be told. */
    private static @Nullable String meaning(Waypoint m) {
        if (m.fish().isOtherKind()) {
            return "A tall stack: mostly other fish.";
        }
        Mood mood = FishStanding.mood(m.fish());
        if (mood == null) {
            return null;
        }
        return switch (mood) {
            case ACTIVE -> "Feeding: show them something fast, at once.";
            case NEUTRAL -> "Neither feeding nor sulking: a jig or worm, slowly.";
            case INACTIVE ->
                "Not feeding: one big slow meal at their depth, or something that falls past them. They move up when bait does.";
        };
    }

    private static String path(EventKey key, String page, @Nullable String waypoint) {
        return "/events/" + key.eventId() + "/spots/waypoints" + page
                + (waypoint == null ? "" : "?waypoint=" + URLEncoder.encode(waypoint, StandardCharsets.UTF_8));
    }
}
