package lochan.web.tackle;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.model.learning.LossSigns;
import lochan.core.plan.Plan;
import lochan.core.planning.backups.Backups;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.plan.PlanWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.DeckWords;
import lochan.web.gear.Decks;
import lochan.web.gear.GearWords;
import lochan.web.gear.Notebooks;
import lochan.web.gear.PackLine;
import lochan.web.gear.RodRow;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.plan.PlanBackups;
import lochan.web.plan.PlanPage;
import lochan.web.plan.PlanValuation;
import lochan.web.plan.Plans;
import lochan.web.plan.StoredPlan;
import lochan.web.shared.Dates;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The deck of a plan: which rods to rig, is it allowed, what to pack. */
@Controller
class DeckController {

    private final Plans plans;
    private final EventBook events;
    private final Accounts accounts;
    private final Decks decks;
    private final PlanBackups backups;
    private final Notebooks notebooks;

    DeckController(
            Plans plans, EventBook events, Accounts accounts, Decks decks, PlanBackups backups, Notebooks notebooks) {
        this.plans = plans;
        this.events = events;
        this.accounts = accounts;
        this.decks = decks;
        this.backups = backups;
        this.notebooks = notebooks;
    }

    /**
     * The advice for a stop.
     *
     * @param weightiest the reason that says most
     * @param rather     what they like better in the boat; empty: nothing
     */
    record AdviceLine(
            String time,
            String spot,
            String spotId,
            String planned,
            String score,
            boolean against,
            String weightiest,
            String rather) {}

    private static AdviceLine said(Decks.StopAdvice a, EventData event, Units units) {
        LureAdvice p = a.planned();
        Optional<LureAdvice.WeightedJudgement> first = Optional.ofNullable(p).flatMap(x -> x.reasons().stream()
                .filter(r -> x.score() >= 0 || r.points() < 0)
                .findFirst());
        return new AdviceLine(
                Dates.clock(a.stop().arrive(), event.timeZone()),
                PlanWords.spot(a.stop().spotId(), event),
                a.stop().spotId(),
                event.presentation(a.stop().presentationId()).orElseThrow().name(),
                p == null ? "no sheet" : DeckWords.signed(p.score()),
                p != null && p.score() < 0,
                first.map(r -> Wording.text(r.judgement().reason(), units)).orElse(""),
                a.rather().stream()
                        .map(x -> x.lure().name() + " " + DeckWords.signed(x.score()))
                        .collect(Collectors.joining(", ")));
    }

    /** A stop that no rod does as it should be done. */
    record Poor(String stop, String words) {}

    @GetMapping("/events/{eventId}/tackle")
    String deck(EventKey key, @RequestParam(required = false) Long plan, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        List<StoredPlan> stored = plans.stored(key);
        StoredPlan shown = plan != null
                ? plans.stored(key, plan)
                : stored.stream()
                        .filter(p -> !p.plan().stops().isEmpty())
                        .findFirst()
                        .orElse(stored.isEmpty() ? null : stored.getFirst());
        DeckViewBuilder page = DeckViewBuilder.builder().data(event);
        page.plans(stored);
        page.shownPlan(shown);
        Plan kept = shown == null ? new Plan(1, null, List.of()) : PlanPage.kept(shown.plan(), event);
        Backups.Ladder ladder = shown == null
                ? null
                : backups.state(key, shown.id(), event, kept)
                        .map(BackgroundComputation.State::result)
                        .orElse(null);
        Decks.Deck deck = decks.of(key, event, kept.stops(), RodRow.firstStops(ladder));
        page.rows(RodRow.of(deck, event, units));
        page.poor(poor(deck, event));
        page.broken(GearWords.of(deck.broken(), units));
        page.inBoat(deck.inBoat().stream()
                .map(g -> Wording.text(g.found(), units) + " " + Wording.text("gear.leave-ashore"))
                .toList());
        page.noSheet(deck.list().noSheet().stream()
                .map(id -> event.presentation(id).map(p -> p.name()).orElse(id))
                .toList());
        page.noRods(deck.tackle().rodsInBoat().isEmpty());
        page.rodsWords(Count.of(deck.list().rows().size(), "rod"));
        page.spares(spares(deck));
        page.hasStops(!kept.stops().isEmpty());
        page.backupsKnown(ladder != null);
        page.gearRules(gearRules(event));
        if (!deck.list().rows().isEmpty()) {
            page.drawing(DeckDrawing.of(event, kept, deck.list()));
        }
        page.said(deck.advice().stream().map(a -> said(a, event, units)).toList());
        page.dayNumber(kept.day());
        page.signs(LossSigns.of(event, deck.tackle().lures(), PlanValuation.ASSUMPTIONS).stream()
                .map(s -> s.presentation().name())
                .toList());
        page.packing(PackLine.of(deck.packing(), units));
        page.packed(new HashSet<>(notebooks.packed(key)));
        return Views.show("tackle/rods", model, page.build());
    }

    /** Returns the note about spare rods; null when there are none. */
    private static @Nullable String spares(Decks.Deck deck) {
        int free = deck.tackle().rodsInBoat().size() - deck.list().rows().size();
        if (free <= 0) {
            return null;
        }
        boolean anyWillDo = !deck.list().rows().isEmpty()
                && deck.list().without().stream().allMatch(w -> w.suffers().isEmpty());
        return Count.of(free, "rod") + " in the boat " + (free == 1 ? "stays" : "stay") + " free."
                + (anyWillDo ? " A free one can replace any of them." : "");
    }

    private static List<Poor> poor(Decks.Deck deck, EventData event) {
        return deck.list().demands().stream()
                .filter(d -> d.share() < 1)
                .map(d -> new Poor(
                        PlanWords.spot(d.stop().spotId(), event),
                        d.row() == null
                                ? "no rod is free for the "
                                        + d.wanted().lure().name().toLowerCase(Locale.ROOT)
                                : "wants the " + d.wanted().lure().name().toLowerCase(Locale.ROOT) + "; rod "
                                        + (d.row() + 1) + " stands in"))
                .toList();
    }

    /** Returns the rules for gear in words; empty when there are none. */
    private static String gearRules(EventData event) {
        var gear = event.rules().gear();
        List<String> rules = new ArrayList<>();
        if (gear.maxHooksPerRig() != null) {
            rules.add("at most " + Count.of(gear.maxHooksPerRig(), "hook") + " on one rig, a treble counted as one");
        }
        if (!gear.banned().isEmpty()) {
            rules.add(
                    "no " + gear.banned().stream().map(b -> b.replace('-', ' ')).collect(Collectors.joining(", no ")));
        }
        if (gear.maxRods() != null) {
            rules.add("at most " + gear.maxRods() + " rods rigged");
        }
        if (Boolean.FALSE.equals(gear.liveBaitAllowed())) {
            rules.add("no live bait");
        }
        return String.join("; ", rules);
    }

    /** Ticks something of the packing list, or takes the tick away. */
    @PostMapping("/events/{eventId}/tackle/pack")
    String pack(
            EventKey key,
            @RequestParam String code,
            @RequestParam boolean packed,
            @RequestParam(required = false) Long plan) {
        notebooks.pack(key, code.length() > 40 ? code.substring(0, 40) : code, packed);
        return "redirect:/events/" + key.eventId() + "/tackle" + (plan == null ? "" : "?plan=" + plan) + "#packing";
    }

    @PostMapping("/events/{eventId}/tackle/unpack")
    String unpack(EventKey key, @RequestParam(required = false) Long plan) {
        notebooks.unpackAll(key);
        return "redirect:/events/" + key.eventId() + "/tackle" + (plan == null ? "" : "?plan=" + plan) + "#packing";
    }
}
