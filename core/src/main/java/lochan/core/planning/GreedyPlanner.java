package lochan.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import lochan.core.Assumptions;
import lochan.core.event.Brief;
import lochan.core.event.Position;
import lochan.core.plan.PlanStop;
import lochan.core.rate.Cell;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.core.water.Runs;

/**
 * Fills a day by greedy insertion: again and again the stop is put in that adds most value for the time it takes with its run, then
 * what is left of the day goes to the stops that gain most from it. Deterministic for a set of scenarios.
 */
public final class GreedyPlanner {

    private static final List<Duration> DWELLS = List.of(Duration.ofMinutes(30), Duration.ofMinutes(60), Duration.ofMinutes(120));
    private static final Duration STRETCH = Duration.ofMinutes(15);
    /** Cells looked at: the best by their two hours, since a plan has room for few. */
    private static final int CANDIDATES = 24;

    private final ScenarioSet scenarios;
    private final PlanValuer valuer;
    private final Brief brief;
    private final Instant start;
    private final Instant backBy;
    private final Runs runs;
    private final Duration grid;

    public GreedyPlanner(ScenarioSet scenarios, Runs runs) {
        DayModel model = scenarios.model();
        Assumptions.Planning planning = model.assumptions().planning();
        this.scenarios = scenarios;
        this.valuer = new PlanValuer(scenarios);
        this.brief = model.event().brief();
        this.start = brief.day(model.day()).start();
        this.backBy = brief.day(model.day()).checkIn().minus(Duration.ofMinutes(planning.checkInMarginMinutes()));
        this.runs = runs;
        this.grid = Duration.ofMinutes(planning.gridMinutes());
    }

    /** A plan with its value by the formula, grams. */
    public record Suggestion(List<PlanStop> stops, double grams) { }

    private record Leg(Cell cell, Duration dwell) { }

    /** The cells with the best two hours, best first. */
    public List<Cell> candidates() {
        return candidates(scenarios.model().cells());
    }

    /** The best of some cells by their two hours, best first; never at a spot off limits. */
    public List<Cell> candidates(List<Cell> all) {
        List<Cell> cells = all.stream().filter(scenarios.model()::isOpen).toList();
        Map<Cell, Double> worth = new HashMap<>();
        TwoHourValue twoHours = new TwoHourValue(scenarios);
        cells.forEach(c -> worth.put(c, twoHours.grams(c)));
        return cells.stream().sorted(Comparator.comparing(worth::get).reversed()).limit(CANDIDATES).toList();
    }

    /** A plan from all candidates; no stops when nothing fits or nothing is known. */
    public Suggestion suggest() {
        return suggest(candidates(), c -> true);
    }

    /** A plan from those candidates that may be used. */
    public Suggestion suggest(List<Cell> candidates, Predicate<Cell> usable) {
        List<Cell> cells = candidates.stream().filter(usable).toList();
        List<Leg> legs = new ArrayList<>();
        double value = 0;
        Optional<Move> move = best(insertions(legs, cells), legs, value);
        while (move.isPresent()) {
            legs = move.get().legs();
            value = move.get().value();
            move = best(insertions(legs, cells), legs, value);
        }
        move = best(stretches(legs), legs, value);
        while (move.isPresent()) {
            legs = move.get().legs();
            value = move.get().value();
            move = best(stretches(legs), legs, value);
        }
        return new Suggestion(schedule(legs).orElse(List.of()), value);
    }

    /** What the best insertion or exchange of a cell adds to a plan, grams; 0 when nothing it does helps. */
    public double insertionGain(Suggestion plan, Cell cell) {
        List<Leg> legs = legs(plan.stops());
        List<List<Leg>> tries = new ArrayList<>(insertions(legs, List.of(cell)));
        for (int i = 0; i < legs.size(); i++) {
            List<Leg> exchanged = new ArrayList<>(legs);
            exchanged.set(i, new Leg(cell, legs.get(i).dwell()));
            tries.add(exchanged);
        }
        double best = tries.stream().map(this::schedule).flatMap(Optional::stream).mapToDouble(valuer::formula).max().orElse(0);
        return Math.max(0, best - plan.grams());
    }

    private record Move(List<Leg> legs, double value, double gainPerHour) { }

    private Optional<Move> best(List<List<Leg>> tries, List<Leg> now, double value) {
        Duration used = used(now);
        return tries.stream().flatMap(legs -> schedule(legs).map(stops -> {
            double v = valuer.formula(stops);
            double hours = Math.max(grid.toMinutes(), used(legs).minus(used).toMinutes()) / 60.0;
            return new Move(legs, v, (v - value) / hours);
        }).stream()).filter(m -> m.value() > value).max(Comparator.comparingDouble(Move::gainPerHour));
    }

    private List<List<Leg>> insertions(List<Leg> legs, List<Cell> cells) {
        Set<Cell> used = new HashSet<>(legs.stream().map(Leg::cell).toList());
        List<List<Leg>> all = new ArrayList<>();
        for (Cell cell : cells) {
            if (!used.contains(cell)) {
                for (int at = 0; at <= legs.size(); at++) {
                    for (Duration dwell : DWELLS) {
                        List<Leg> more = new ArrayList<>(legs);
                        more.add(at, new Leg(cell, dwell));
                        all.add(more);
                    }
                }
            }
        }
        return all;
    }

    private List<List<Leg>> stretches(List<Leg> legs) {
        List<List<Leg>> all = new ArrayList<>();
        for (int i = 0; i < legs.size(); i++) {
            for (Duration more : List.of(grid, STRETCH)) {
                List<Leg> longer = new ArrayList<>(legs);
                longer.set(i, new Leg(legs.get(i).cell(), legs.get(i).dwell().plus(more)));
                all.add(longer);
            }
        }
        return all;
    }

    private static List<Leg> legs(List<PlanStop> stops) {
        return stops.stream().map(s -> new Leg(new Cell(s.spotId(), s.presentationId()), Duration.between(s.arrive(), s.leave()))).toList();
    }

    private Duration used(List<Leg> legs) {
        return schedule(legs).filter(s -> !s.isEmpty()).map(s -> Duration.between(start, s.getLast().leave())).orElse(Duration.ZERO);
    }

    /** Times for a sequence of stops; empty when the boat would be late. */
    private Optional<List<PlanStop>> schedule(List<Leg> legs) {
        List<PlanStop> stops = new ArrayList<>();
        Instant time = start;
        Position here = brief.launch();
        for (Leg leg : legs) {
            Position there = scenarios.model().spot(leg.cell().spotId()).position();
            Optional<Duration> run = runs.runAndSettle(here, there);
            if (run.isEmpty()) {
                return Optional.empty();
            }
            Instant arrive = onGrid(time.plus(run.get()));
            time = arrive.plus(leg.dwell());
            here = there;
            stops.add(new PlanStop(leg.cell().spotId(), leg.cell().presentationId(), arrive, time));
        }
        Instant end = time;
        return runs.between(here, brief.checkInAt()).filter(home -> !end.plus(home.time()).isAfter(backBy)).map(home -> stops);
    }

    private Instant onGrid(Instant time) {
        long steps = Math.ceilDiv(Duration.between(start, time).toMillis(), grid.toMillis());
        return start.plus(grid.multipliedBy(steps));
    }
}
