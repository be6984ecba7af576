package lochan.web.competition;

import java.time.Instant;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.lake.depth.DepthCells;
import lochan.core.live.Effort;
import lochan.eventformat.PackWriter;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Decks;
import lochan.web.lake.Lakes;
import lochan.web.modelling.Budgets;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;

/** What a phone takes along of an event, as {@link lochan.offline.pack.Pack} reads it. */
@Component
public class BoatPacks {

    private final Accounts accounts;
    private final Lakes lakes;
    private final Decks decks;
    private final Budgets budgets;

    BoatPacks(Accounts accounts, Lakes lakes, Decks decks, Budgets budgets) {
        this.accounts = accounts;
        this.lakes = lakes;
        this.decks = decks;
        this.budgets = budgets;
    }

    /**
     * All but the depths.
     *
     * @param known  the current event, or as it is supposed
     * @param now    of whose water level the depths of spots are
     * @param factor by which what is to come is scaled
     */
    public ObjectNode of(EventKey key, EventData known, Instant now, List<PackWriter.Day> days, double factor) {
        return PackWriter.of(
                known.onLevelOf(now),
                accounts.units(key.accountId()),
                lakes.dayRuns(known),
                factor,
                effort(),
                days,
                decks.notAllowed(key, known));
    }

    /** How much is computed of a day under way. */
    public Effort effort() {
        Budgets.Boat boat = budgets.boat();
        return new Effort(
                boat.outlook(),
                boat.weighed(),
                boat.rest().scenarios(),
                boat.rest().rounds(),
                Budgets.SEED);
    }

    /** Puts the depths of the lake into a pack, where they are known. */
    public void addDepths(ObjectNode pack, EventKey key, EventData known, Instant now) {
        lakes.depthsForPhone(key)
                .ifPresent(grid -> PackWriter.addDepths(pack, new DepthCells(grid, known.aboveReferenceM(now))));
    }
}
