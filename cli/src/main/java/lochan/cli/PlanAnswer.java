package lochan.cli;

import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code plan}: the day's plan by a strategy, what it is worth, and what to do when its main pattern dies. */
final class PlanAnswer {

    private static final double NANOS = 1e9;
    private static final int SCENARIOS = 400;
    /** Enough for a backup's value to 2 %: it is a rung, not a projection. */
    private static final int BACKUP_SCENARIOS = 200;

    private static final double SEARCH_SHARE = 0.7;
    /** That all of it takes longer than it was given. */
    private static final double SECONDS_ON_TOP = 1.3;

    private static final int VALUED_SCENARIOS = 2_000;
    /** Their mean is then off by about 6 g, a fifth of an ounce. */
    private static final int SIMULATED_DAYS = 40_000;
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

    /**
     * The search has two thirds of the time; backups, and what the plan is worth, are computed side by side in what is left of it and a second.
     *
     * @param begin   {@link System#nanoTime} when the event was read
     * @param started the same when the program began
     */
    ObjectNode json(Strategy strategy, double seconds, long begin, long started) {
        ScenarioSet scenarios = new ScenarioSet(model, SCENARIOS, seed);
        long searched = begin + (long) (SEARCH_SHARE * seconds * NANOS);
        List<PlanStop> stops = new DayPlanner(scenarios, runs, DayPlanner.Wishes.of(strategy), seed)
                .plan(Math.max(2, (int) (seconds * ROUNDS_PER_SECOND)), i -> i == 0 || System.nanoTime() < searched);
        CompletableFuture<PlanValue> value = CompletableFuture.supplyAsync(
                () -> new PlanValuer(new ScenarioSet(model, VALUED_SCENARIOS, seed)).value(stops, SIMULATED_DAYS));
        long inTime = started + (long) ((seconds + SECONDS_ON_TOP) * NANOS);
        Backups.Ladder ladder = Backups.within(
                () -> System.nanoTime() < inTime,
                scenarios.only(IntStream.range(0, BACKUP_SCENARIOS).toArray()),
                runs,
                stops,
                seed,
                Math.max(2, (int) (seconds * BACKUP_ROUNDS_PER_SECOND)));
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        addStops(node.putArray("stops"), stops);
        node.put("leaveBy", stops.isEmpty() ? null : time(leaveBy(stops.getLast())));
        node.set("value", ValueAnswer.json(value.join(), model));
        ArrayNode backups = node.putArray("backups");
        for (Backups.Backup b : ladder.backups()) {
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
        return new Departures(event, model.day(), planning, runs)
                .from(event.spot(last.spotId()).orElseThrow().position(), last.arrive())
                .map(Departures.LeaveBy::at)
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
