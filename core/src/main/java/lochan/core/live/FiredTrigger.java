package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;

/**
 * A trigger of the plan that has fired: the stop had fewer bites by its time.
 *
 * @param backup where to go over to
 * @param seen   bites the stop had
 * @param chance how often such a stop has so few by then, 0 to 1
 */
public record FiredTrigger(Backups.Trigger trigger, Backups.Backup backup, int seen, double chance) {

    /** The pattern to go over to. */
    public Pattern to() {
        return backup.pattern();
    }

    /**
     * Those of a plan that have fired by now, of each stop the one whose backup is best.
     *
     * @param set scenarios of the day, to tell how usual it is
     */
    public static List<FiredTrigger> of(
            List<PlanStop> plan, Backups.Ladder ladder, Today today, Instant now, ScenarioSet set) {
        List<FiredTrigger> fired = new ArrayList<>();
        for (Backups.Backup backup : ladder.backups()) {
            for (Backups.Trigger t : backup.triggers()) {
                boolean spotKnown =
                        fired.stream().anyMatch(f -> f.trigger().spotId().equals(t.spotId()));
                if (!spotKnown && !t.at().isAfter(now)) {
                    plan.stream()
                            .filter(s -> s.spotId().equals(t.spotId())
                                    && !s.arrive().isAfter(t.at())
                                    && !s.leave().isBefore(t.at()))
                            .findFirst()
                            .flatMap(s -> at(s, t, backup, today, set))
                            .ifPresent(fired::add);
                }
            }
        }
        return fired;
    }

    /** The trigger as it fired at its stop; empty when the stop was not fished until then, or brought bites enough. */
    private static Optional<FiredTrigger> at(
            PlanStop stop, Backups.Trigger t, Backups.Backup backup, Today today, ScenarioSet set) {
        Cell cell = Cell.of(stop);
        boolean fished = today.efforts().stream().anyMatch(e -> e.cell().equals(cell) && !e.to().isBefore(t.at()));
        int seen = (int) today.bites().stream()
                .filter(b -> b.cell().equals(cell) && !b.at().isBefore(stop.arrive()) && b.at().isBefore(t.at()))
                .count();
        return fished && seen < t.bitesBelow()
                ? Optional.of(new FiredTrigger(
                        t, backup, seen, Outlooks.chanceOfSoFew(set, cell, stop.arrive(), t.at(), seen)))
                : Optional.empty();
    }
}
