package lochan.cli;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.function.IntPredicate;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.edits.DayRuns;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code plan}: the day's plan by a strategy, what it is worth, and what to do when its main pattern dies. */
final class PlanAnswer {

    private static final int SCENARIOS = 400;
    private static final int VALUED_SCENARIOS = 4_000;
    private static final int SIMULATED_DAYS = 100_000;
    /** So many rounds are asked for as a slow machine does in its time: the same seed then gives the same plan on all others. */
    private static final double ROUNDS_PER_SECOND = 41;

    private static final double BACKUP_ROUNDS_PER_SECOND = 0.5;

    private final FittedDayModel model;
    private final DayRuns runs;
    private final long seed;

    PlanAnswer(FittedDayModel model, long seed) {
        this.model = model;
        this.runs = DayRuns.of(model.event(), model.assumptions().planning());
        this.seed = seed;
    }

    /** @param goOn asked before each round; false ends the search with what it has */
    ObjectNode json(Strategy strategy, double seconds, IntPredicate goOn) {
        ScenarioSet scenarios = new ScenarioSet(model, SCENARIOS, seed);
        List<PlanStop> stops = new DayPlanner(scenarios, runs, DayPlanner.Wishes.of(strategy), seed)
                .plan(Math.max(2, (int) (seconds * ROUNDS_PER_SECOND)), goOn);
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        addStops(node.putArray("stops"), stops);
        node.put("leaveBy", stops.isEmpty() ? null : time(leaveBy(stops.getLast())));
        node.set(
                "value",
                ValueAnswer.json(
                        new PlanValuer(new ScenarioSet(model, VALUED_SCENARIOS, seed)).value(stops, SIMULATED_DAYS),
                        model));
        ArrayNode backups = node.putArray("backups");
        for (Backups.Backup b : Backups.of(
                        scenarios, runs, stops, seed, Math.max(2, (int) (seconds * BACKUP_ROUNDS_PER_SECOND)))
                .backups()) {
            ObjectNode backup = backups.addObject()
                    .put("spotType", b.pattern().spotType())
                    .put("presentation", b.pattern().presentationId())
                    .put("valueWhenMainFailsGrams", b.grams());
            addStops(backup.putArray("stops"), b.stops());
            ArrayNode triggers = backup.putArray("triggers");
            b.triggers().forEach(t -> triggers.addObject()
                    .put("spot", t.spotId())
                    .put("at", time(t.at()))
                    .put("bitesBelow", t.bitesBelow()));
        }
        return node;
    }

    /** Check-in less the run from the last stop on rough water and the margin. */
    private Instant leaveBy(PlanStop last) {
        EventData event = model.event();
        Assumptions.Planning planning = model.assumptions().planning();
        return runs.leaveBy(
                        event.spot(last.spotId()).orElseThrow().position(),
                        event.checkInAt(),
                        event.day(model.day()).checkIn(),
                        Duration.ofMinutes(planning.checkInMarginMinutes()))
                .orElse(last.leave())
                .truncatedTo(ChronoUnit.MINUTES);
    }

    private void addStops(ArrayNode array, List<PlanStop> stops) {
        stops.forEach(s -> array.addObject()
                .put("spot", s.spotId())
                .put("presentation", s.presentationId())
                .put("arrive", time(s.arrive()))
                .put("leave", time(s.leave())));
    }

    private String time(Instant at) {
        return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(
                at.atZone(model.event().timeZone()));
    }
}
