package lochan.web.gear;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Rule;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.DeckList;
import lochan.core.lures.deck.GearCheck;
import lochan.core.lures.deck.PackItem;
import lochan.core.model.evidence.Situations;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Hooks;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Tackle;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The decks of plans, checked against the rules. */
@Service
public class Decks {

    private static final double CLEARLY_BETTER = 0.5;
    private static final int MOST_RATHER = 2;

    private final Tackles tackles;
    private final Accounts accounts;

    Decks(Tackles tackles, Accounts accounts) {
        this.tackles = tackles;
        this.accounts = accounts;
    }

    /**
     * A deck.
     *
     * @param broken   what on it breaks the rules's rules of gear
     * @param inBoat   what in the boat would, if it were tied on
     * @param packing  what to pack and check
     * @param advice   what the rules say of each stop
     */
    public record Deck(
            Tackle tackle,
            DeckList list,
            List<GearCheck> broken,
            List<GearCheck> inBoat,
            List<PackItem> packing,
            List<StopAdvice> advice) {}

    /**
     * The advice for a stop.
     *
     * @param planned of what is planned there; null: it has no sheet
     * @param rather  lures in the boat that the rules like better, best first
     */
    public record StopAdvice(PlanStop stop, @Nullable LureAdvice planned, List<LureAdvice> rather) {}

    /**
     * The deck for a plan.
     *
     * @param backups the first stop of each backup
     */
    public Deck of(EventKey key, EventData event, List<PlanStop> stops, List<PlanStop> backups) {
        Tackle tackle = tackles.tackle(key.accountId());
        Map<Rule, Double> weights = tackles.weights(key.accountId());
        DeckList list = DeckList.of(event, stops, backups, tackle, weights, Assumptions.DEFAULTS);
        List<Presentation> tiedOn = presentations(
                event,
                Stream.concat(stops.stream(), backups.stream())
                        .map(PlanStop::presentationId)
                        .toList());
        List<GearCheck> broken = GearCheck.of(
                event.rules().gear(), tiedOn, tackle.lures(), list.rows().size());
        return new Deck(
                tackle,
                list,
                broken,
                inBoat(event, tackle, tiedOn),
                PackItem.of(event.event(), list.rows()),
                advice(event, stops, tackle, weights));
    }

    private static List<StopAdvice> advice(
            EventData event, List<PlanStop> stops, Tackle tackle, Map<Rule, Double> weights) {
        Situations situations = new Situations(event, Assumptions.DEFAULTS);
        List<Lure> allowed = tackle.lures().stream()
                .filter(l -> !tackle.inBoat(l.id()).isEmpty())
                .filter(l -> GearCheck.of(
                                event.rules().gear(),
                                List.of(new Presentation(
                                        l.id(), l.name(), l.hooking().kind())),
                                List.of(l),
                                0)
                        .isEmpty())
                .toList();
        return stops.stream()
                .map(s -> {
                    Situation at = event.spot(s.spotId())
                            .map(spot -> situations.at(spot, s.arrive()))
                            .orElse(Situation.UNKNOWN);
                    LureAdvice planned = tackle.lure(s.presentationId())
                            .map(l -> LureAdvice.of(l, at, weights, Assumptions.DEFAULTS.advice()))
                            .orElse(null);
                    List<LureAdvice> rather =
                            LureAdvice.ranked(allowed, at, weights, Assumptions.DEFAULTS.advice()).stream()
                                    .filter(x -> !x.ruledOut())
                                    .filter(x -> planned == null || x.score() > planned.score() + CLEARLY_BETTER)
                                    .limit(MOST_RATHER)
                                    .toList();
                    return new StopAdvice(s, planned, rather);
                })
                .toList();
    }

    private static List<Presentation> presentations(EventData event, List<String> ids) {
        return new LinkedHashSet<>(ids)
                .stream()
                        .map(id -> event.presentation(id).orElse(null))
                        .filter(Objects::nonNull)
                        .toList();
    }

    private static List<GearCheck> inBoat(EventData event, Tackle tackle, List<Presentation> tiedOn) {
        Set<String> known =
                new LinkedHashSet<>(tiedOn.stream().map(Presentation::id).toList());
        List<Presentation> others = new ArrayList<>();
        tackle.box().stream()
                .filter(i -> i.kind() == BoxItem.Kind.LURE
                        && i.inBoat()
                        && i.count() > 0
                        && i.lureId() != null
                        && known.add(i.lureId()))
                .forEach(i -> others.add(new Presentation(
                        i.lureId(),
                        i.name(),
                        tackle.lure(i.lureId()).map(l -> l.hooking().kind()).orElse(Hooks.SINGLE))));
        return GearCheck.of(event.rules().gear(), others, tackle.lures(), 0);
    }

    /** What of a plan's presentations breaks the event's rules of gear. */
    public List<GearCheck> check(EventKey key, EventData event, List<PlanStop> stops) {
        return check(
                key,
                event,
                presentations(
                        event, stops.stream().map(PlanStop::presentationId).toList()));
    }

    /** Returns the checks of all the event's presentations, in words by their ids. */
    public Map<String, String> notAllowed(EventKey key, EventData event) {
        Units units = accounts.units(key.accountId());
        return check(key, event, event.presentations()).stream()
                .collect(Collectors.toMap(
                        g -> requireNonNull(g.presentationId()),
                        g -> GearWords.of(g, units),
                        (a, b) -> a + " " + b,
                        LinkedHashMap::new));
    }

    private List<GearCheck> check(EventKey key, EventData event, Collection<Presentation> presentations) {
        return GearCheck.of(event.rules().gear(), List.copyOf(presentations), tackles.lures(key.accountId()), 0);
    }
}
