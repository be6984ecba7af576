package lochan.web.deck;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.deck.DeckList;
import lochan.core.deck.GearCheck;
import lochan.core.deck.PackItem;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Presentation;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.Tackle;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.tackle.Tackles;
import org.springframework.stereotype.Service;

/** The decks of plans, checked against the brief. */
@Service
public class Decks {

    private final Tackles tackles;
    private final Accounts accounts;

    Decks(Tackles tackles, Accounts accounts) {
        this.tackles = tackles;
        this.accounts = accounts;
    }

    /**
     * A deck.
     *
     * @param broken   what on it breaks the brief's rules of gear
     * @param inBoat   what in the boat would, if it were tied on
     * @param packing  what to pack and check
     */
    public record Deck(Tackle tackle, DeckList list, List<GearCheck> broken, List<GearCheck> inBoat, List<PackItem> packing) { }

    /**
     * The deck for a plan.
     *
     * @param backups the first stop of each backup
     */
    public Deck of(EventKey key, EventData event, List<PlanStop> stops, List<PlanStop> backups) {
        Tackle tackle = tackles.tackle(key.accountId());
        DeckList list = DeckList.of(event, stops, backups, tackle, tackles.weights(key.accountId()), accounts.units(key.accountId()), Assumptions.DEFAULTS);
        List<Presentation> tiedOn = presentations(event, Stream.concat(stops.stream(), backups.stream()).map(PlanStop::presentationId).toList());
        List<GearCheck> broken = GearCheck.of(event.brief().gear(), tiedOn, tackle.lures(), list.rows().size());
        return new Deck(tackle, list, broken, inBoat(event, tackle, tiedOn), PackItem.of(event.brief(), list.rows()));
    }

    private static List<Presentation> presentations(EventData event, List<String> ids) {
        return new LinkedHashSet<>(ids).stream().map(id -> event.presentation(id).orElse(null)).filter(Objects::nonNull).toList();
    }

    private static List<GearCheck> inBoat(EventData event, Tackle tackle, List<Presentation> tiedOn) {
        Set<String> known = new LinkedHashSet<>(tiedOn.stream().map(Presentation::id).toList());
        List<Presentation> others = new ArrayList<>();
        tackle.box().stream().filter(i -> i.kind() == BoxItem.Kind.LURE && i.inBoat() && i.count() > 0 && i.lureId() != null && known.add(i.lureId()))
                .forEach(i -> others.add(new Presentation(i.lureId(), i.name(), tackle.lure(i.lureId()).map(l -> l.hooking().kind()).orElse(null))));
        return GearCheck.of(event.brief().gear(), others, tackle.lures(), 0);
    }

    /** What of a plan's presentations breaks the brief's rules of gear. */
    public List<GearCheck> check(EventKey key, EventData event, List<PlanStop> stops) {
        return GearCheck.of(event.brief().gear(), presentations(event, stops.stream().map(PlanStop::presentationId).toList()), tackles.lures(key.accountId()), 0);
    }
}
