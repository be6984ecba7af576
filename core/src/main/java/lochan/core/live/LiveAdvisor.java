package lochan.core.live;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.competition.BagLog;
import lochan.core.event.Position;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import org.jspecify.annotations.Nullable;

/** All that is said while a competition day is fished. The heavy parts are kept from one asking to the next. Safe for several threads. */
public final class LiveAdvisor {

    private final DayModel model;
    private final MoveAdvice stayOrGo;
    private final Outlooks outlooks;

    /**
     * @param scenarios of each set that outlooks are drawn in
     * @param seed      the same seed gives the same advice
     */
    public LiveAdvisor(DayModel model, DayRuns runs, int scenarios, long seed) {
        this.model = model;
        this.stayOrGo = new MoveAdvice(model, runs);
        this.outlooks = new Outlooks(model, scenarios, seed);
    }

    /**
     * How the day is likely to end.
     *
     * @param kinds    the fish that the outlook's additions are of; null where no size is known
     * @param triggers of the plan, that have fired
     */
    public record Ahead(Outlook outlook, @Nullable Kinds kinds, List<FiredTrigger> triggers) {

        public Ahead {
            triggers = List.copyOf(triggers);
        }
    }

    /**
     * Fish as a cell gives them.
     *
     * @param smallGrams one in ten keepers is lighter
     * @param usualGrams the mean keeper
     * @param kickerGrams one in ten keepers is heavier
     */
    public record Kinds(double smallGrams, double usualGrams, double kickerGrams) {

        /** The three, rising. */
        public List<Double> grams() {
            return List.of(smallGrams, usualGrams, kickerGrams);
        }
    }

    /** Draws beforehand what an answer takes longest for. */
    public LiveAdvisor ready(List<PlanStop> plan) {
        synchronized (outlooks) {
            outlooks.ready();
            outlooks.of(Today.NOTHING, plan, new BagLog(model.event().event()).bag(model.day()));
        }
        return this;
    }

    /** Whether to stay or go, which takes no time. */
    public MoveAdvice.Answer ask(MoveAdvice.State standing) {
        synchronized (stayOrGo) {
            return stayOrGo.ask(standing);
        }
    }

    /** The way from where the boat is to a spot, with set-up time; empty: there is none by water. */
    public Optional<Duration> way(MoveAdvice.State standing, Position to) {
        synchronized (stayOrGo) {
            return stayOrGo.way(standing.now(), standing.place(model.event()), to);
        }
    }

    /**
     * Asks how the day is likely to end.
     *
     * @param found  what {@link #ask} found of the same standing
     * @param ladder of the plan; without rungs nothing is said of triggers
     * @param factor by which what is to come is scaled, as {@link Outlooks.Question} has it
     */
    public Ahead ahead(
            MoveAdvice.State standing,
            MoveAdvice.Answer found,
            List<PlanStop> plan,
            Backups.Ladder ladder,
            double factor) {
        Cell fished = standing.fishing() != null
                ? standing.fishing()
                : found.best() == null ? null : found.best().cell();
        Kinds kinds = fished == null ? null : kinds(fished);
        synchronized (outlooks) {
            Outlook outlook = outlooks.of(
                    standing.today(),
                    new Outlooks.Question(
                            Outlooks.rest(plan, standing.now()),
                            standing.bag(),
                            kinds == null ? List.of() : kinds.grams(),
                            factor));
            return new Ahead(
                    outlook,
                    kinds,
                    FiredTrigger.of(plan, ladder, standing.today(), standing.now(), outlooks.scenarios()));
        }
    }

    private @Nullable Kinds kinds(Cell cell) {
        Assumptions.Size a = model.assumptions().size();
        KeeperWeight keeper =
                KeeperWeight.of(model.event(), model.sizes(), model.mix(), model.pattern(cell), cell.spotId(), a);
        return keeper.meanGrams() > 0 ? new Kinds(keeper.p10Grams(), keeper.meanGrams(), keeper.p90Grams()) : null;
    }
}
