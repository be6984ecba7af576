package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
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
                PlanStop stop = plan.stream()
                        .filter(s -> s.spotId().equals(t.spotId())
                                && !s.arrive().isAfter(t.at())
                                && !s.leave().isBefore(t.at()))
                        .findFirst()
                        .orElse(null);
                boolean fished = stop != null
                        && today.efforts().stream()
                                .anyMatch(e -> e.cell().equals(Cell.of(stop)) && !e.to().isBefore(t.at()));
                if (fished
                        && !t.at().isAfter(now)
                        && fired.stream().noneMatch(f -> f.trigger().spotId().equals(t.spotId()))) {
                    int seen = (int) today.bites().stream()
                            .filter(s -> s.cell().equals(Cell.of(stop))
                                    && !s.at().isBefore(stop.arrive())
                                    && s.at().isBefore(t.at()))
                            .count();
                    if (seen < t.bitesBelow()) {
                        fired.add(new FiredTrigger(
                                t,
                                backup,
                                seen,
                                Outlooks.chanceOfSoFew(set, Cell.of(stop), stop.arrive(), t.at(), seen)));
                    }
                }
            }
        }
        return fired;
    }
}
