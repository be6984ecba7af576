package lochan.web.tackle;

import static java.util.Objects.requireNonNull;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.Waypoint;
import lochan.core.model.evidence.Situations;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.plan.FishWords;
import lochan.offline.practice.ConditionWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.NotebookKind;
import lochan.web.gear.Notebooks;
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

/** Single fish that were seen: where, how big, what they did, when to come back. */
@Controller
class FishController {

    /** Fish that hang off the edge move up when bait does: some time, not long. */
    private static final Duration LOOK_AGAIN = Duration.ofHours(2);

    private static final long LONGEST_WAIT_MINUTES = 7 * 24 * 60;

    private final Notebooks notebooks;
    private final EventBook events;
    private final Accounts accounts;
    private final Clock clock;

    FishController(Notebooks notebooks, EventBook events, Accounts accounts, Clock clock) {
        this.notebooks = notebooks;
        this.events = events;
        this.accounts = accounts;
        this.clock = clock;
    }

    /**
     * A fish as the page shows it.
     *
     * @param crowd what to mind of other boats; null: nothing
     */
    @RecordBuilder
    record Row(
            KnownFish fish,
            String place,
            String size,
            String chance,
            String window,
            String next,
            boolean due,
            List<String> tries,
            @Nullable String crowd) {}

    record FishView(EventData data, List<Row> rows, KnownFish.Reaction[] reactions, String freshCode) {}

    @GetMapping("/events/{eventId}/tackle/fish")
    String list(EventKey key, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        ZoneId zone = event.timeZone();
        Instant now = clock.instant();
        return Views.show(
                "tackle/fish",
                model,
                new FishView(
                        event,
                        event.notebook().fish().stream()
                                .map(f -> FishControllerRowBuilder.builder()
                                        .fish(f)
                                        .place(FishWords.place(f, event))
                                        .size("about " + units.weight(f.guessGrams()))
                                        .chance(FishWords.chance(f))
                                        .window(FishWords.window(f, units))
                                        .next(f.nextVisit() == null ? null : Dates.dayAndClock(f.nextVisit(), zone))
                                        .due(f.isDue(now))
                                        .tries(f.tries().stream()
                                                .map(t -> Dates.dayAndClock(t.at(), zone) + ": "
                                                        + t.reaction().words()
                                                        + (t.presentationId() == null
                                                                ? ""
                                                                : ", "
                                                                        + event.presentation(t.presentationId())
                                                                                .orElseThrow()
                                                                                .name()
                                                                                .toLowerCase(java.util.Locale.ROOT)))
                                                .toList())
                                        .crowd(crowd(f, event))
                                        .build())
                                .toList(),
                        KnownFish.Reaction.values(),
                        UUID.randomUUID().toString()));
    }

    private static @Nullable String crowd(KnownFish f, EventData event) {
        double risk = event.spot(f.spotId()).orElseThrow().crowdRisk();
        return risk >= 0.3
                ? "Other boats are there first on " + Math.round(100 * risk)
                        + " of 100 days; the plan counts it as spooked then."
                : null;
    }

    @GetMapping("/events/{eventId}/tackle/fish/edit")
    String edit(EventKey key, @RequestParam(required = false) String fish, Model model) {
        EventData event = events.event(key);
        KnownFish known = fish == null ? null : notebooks.fish(key, fish);
        return page(event, fish, FishForm.of(known, event.timeZone(), accounts.units(key.accountId())), model);
    }

    /** @param fish null for a new one */
    record FishEditView(
            Form form,
            @Nullable String fish,
            Map<String, String> spots,
            Map<String, String> speciesChoices,
            Map<String, String> kinds) {}

    private static String page(EventData event, String fish, Form form, Model model) {
        Map<String, String> spots = new LinkedHashMap<>();
        event.spots().forEach(s -> spots.put(s.id(), s.name()));
        Map<String, String> species = new LinkedHashMap<>();
        event.rules()
                .species()
                .forEach(s -> species.put(s.species().code(), s.species().code()));
        Map<String, String> kinds = new LinkedHashMap<>();
        for (KnownFish.Kind k : KnownFish.Kind.values()) {
            kinds.put(
                    k.code(),
                    Map.of(
                                    KnownFish.Kind.BED,
                                    "on a bed",
                                    KnownFish.Kind.DOCK,
                                    "under a dock",
                                    KnownFish.Kind.COVER,
                                    "in cover",
                                    KnownFish.Kind.ROAMING,
                                    "roaming",
                                    KnownFish.Kind.SCHOOL,
                                    "a school that was not feeding")
                            .get(k));
        }
        return Views.show("tackle/fish-edit", model, new FishEditView(form, fish, spots, species, kinds));
    }

    @PostMapping("/events/{eventId}/tackle/fish/edit")
    String save(
            EventKey key,
            @RequestParam(required = false) String fish,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        EventData event = events.outline(key);
        KnownFish before = fish == null ? null : notebooks.fish(key, fish);
        Form form = new Form(fields, accounts.units(key.accountId()));
        String id = before != null
                ? before.id()
                : notebooks.freshCode(NotebookKind.FISH, key, form.value("spot") + " fish");
        Optional<KnownFish> read = FishForm.read(form, id, before, event);
        if (read.isEmpty()) {
            return page(event, fish, form, model);
        }
        notebooks.put(key, read.get());
        flash.addFlashAttribute("notice", "Fish saved.");
        return "redirect:/events/" + key.eventId() + "/tackle/fish";
    }

    /** Notes a try: what the fish did, and when to come back. */
    @PostMapping("/events/{eventId}/tackle/fish/try")
    String tried(
            EventKey key,
            @RequestParam String fish,
            @RequestParam String code,
            @RequestParam KnownFish.Reaction reaction,
            @RequestParam(defaultValue = "") String presentation,
            @RequestParam(defaultValue = "0") long comeBackMinutes,
            RedirectAttributes flash) {
        EventData event = events.outline(key);
        KnownFish known = notebooks.fish(key, fish);
        Instant now = clock.instant();
        String on = event.presentation(presentation).map(p -> p.id()).orElse(null);
        Instant next = comeBackMinutes > 0
                ? now.plus(Duration.ofMinutes(Math.min(comeBackMinutes, LONGEST_WAIT_MINUTES)))
                : null;
        notebooks.tried(key, known, code, new KnownFish.Try(now, reaction, on), next);
        Undo.offer(
                flash,
                "Logged: " + reaction.words()
                        + (reaction == KnownFish.Reaction.CAUGHT || reaction == KnownFish.Reaction.BIT
                                ? ". Check the hook."
                                : "."),
                path(key, "/try/undo?fish=" + encoded(fish) + "&code=" + encoded(code)));
        return "redirect:" + path(key, "");
    }

    private static String path(EventKey key, String rest) {
        return "/events/" + key.eventId() + "/tackle/fish" + rest;
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    @PostMapping("/events/{eventId}/tackle/fish/try/undo")
    String undoTry(EventKey key, @RequestParam String fish, @RequestParam String code) {
        notebooks.setTryDeleted(key, fish, code, true);
        return "redirect:" + path(key, "");
    }

    /** Puts fish that were seen, and did not feed, on the list of what to come back to. */
    @PostMapping("/events/{eventId}/tackle/fish/look-again")
    String lookAgain(EventKey key, @RequestParam String waypoint, RedirectAttributes flash) {
        EventData event = events.event(key);
        Waypoint seen = event.waypoints().stream()
                .filter(w -> w.id().equals(waypoint) && w.spotId() != null)
                .findFirst()
                .orElseThrow(NotThereException::new);
        Spot spot = event.spot(requireNonNull(seen.spotId())).orElseThrow(NotThereException::new);
        Instant now = clock.instant();
        Double usual = new Situations(event, Assumptions.DEFAULTS).at(spot, now).fishGrams();
        String id = notebooks.freshCode(NotebookKind.FISH, key, spot.id() + " school");
        notebooks.put(
                key,
                KnownFishBuilder.builder()
                        .id(id)
                        .spotId(spot.id())
                        .where(ConditionWords.of(seen.fish(), Units.USUAL))
                        .kind(KnownFish.Kind.SCHOOL)
                        .guessGrams(
                                usual == null
                                        ? Math.exp(Assumptions.DEFAULTS.size().speciesMean())
                                        : usual)
                        .nextVisit(now.plus(LOOK_AGAIN))
                        .gone(false)
                        .tries(List.of())
                        .entered(Map.of())
                        .build());
        Undo.offer(
                flash,
                spot.name() + " is on the list: look again in two hours, or when bait moves up.",
                path(key, "/delete?fish=" + encoded(id)));
        return "redirect:" + path(key, "");
    }

    /** Says that a fish is gone, or there again. */
    @PostMapping("/events/{eventId}/tackle/fish/gone")
    String gone(EventKey key, @RequestParam String fish, @RequestParam boolean gone) {
        notebooks.put(key, notebooks.fish(key, fish).gone(gone));
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/fish/delete")
    String delete(EventKey key, @RequestParam String fish, RedirectAttributes flash) {
        notebooks.delete(NotebookKind.FISH, key, fish);
        Undo.offer(flash, "Fish deleted.", path(key, "/restore?fish=" + encoded(fish)));
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/fish/restore")
    String restore(EventKey key, @RequestParam String fish) {
        notebooks.restore(NotebookKind.FISH, key, fish);
        return "redirect:" + path(key, "");
    }
}
