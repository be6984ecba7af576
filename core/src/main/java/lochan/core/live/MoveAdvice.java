package lochan.core.live;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import lochan.core.competition.Bag;
import lochan.core.competition.Fish;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.Survival;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.valuation.BestFish;
import lochan.core.quantity.Hours;
import org.jspecify.annotations.Nullable;

/**
 * Compares the next hour here with the best move ({@code model.md} §10), by what the day has taught of all cells
 * together. For a cell c with
 * prior mean m_c(h) = α/β, whose rate today is believed to be R times that, and n bites had at its spot:
 * <pre>
 * Δn   = ln(1 + d·ψⁿ·I)/d,   I = ∫ R·m_c·(1 − 0.2·crowdRisk)·lines dt over the next hour there
 * gain = [V(Λ_bg + Δn·q·K) − V(Λ_bg)] · 1 h/(1 h + run + set-up time)
 * </pre>
 * with K(x) of the sizes that the day has shown. Λ_bg stands for the rest of the day: half of Λ of the cell with the highest gain without it × the hours
 * left after its hour. A spot open to more wind than the boat takes keeps the share of its rate that the day's model gives it. A move pays a price: its
 * gain is divided by 1.1. Not for several threads at once.
 */
public final class MoveAdvice {

    private static final Duration HOUR = Duration.ofHours(1);
    /** How often the question is asked. */
    private static final Duration ASKED = Duration.ofMinutes(15);

    private final DayModel model;
    private final EventData event;
    private final CompetitionDay day;
    private final DayRuns runs;
    private final Duration margin;
    /** Of the model: all of them teach. */
    private final List<Cell> all;
    /** Those that may be fished. */
    private final List<Cell> cells;

    private final ExpectedBites expected;
    private final double restOfDay;
    /** Of all cells that were asked for so far; null before the first asking. */
    private @Nullable DayLearner learner;

    private final Map<Last, Optional<Departures.LeaveBy>> lastLeaving = new HashMap<>();
    private final Departures departures;

    private record Last(Position from, LightningHours.@Nullable Span next) {}

    public MoveAdvice(DayModel model, DayRuns runs) {
        this(model, runs, model.assumptions().planning().restOfDay());
    }

    /** @param restOfDay share of the best cell's hour that stands for each hour left of the day */
    public MoveAdvice(DayModel model, DayRuns runs, double restOfDay) {
        this.model = model;
        this.restOfDay = restOfDay;
        this.event = model.event();
        this.day = event.day(model.day());
        this.runs = runs;
        this.margin = Duration.ofMinutes(model.assumptions().planning().checkInMarginMinutes());
        this.all = model.cells();
        this.cells = all.stream().filter(model::isOpen).toList();
        this.expected = new ExpectedBites(model);
        this.departures = new Departures(event, model.day(), model.assumptions().planning(), runs);
    }

    /**
     * Where things stand.
     *
     * @param position where the boat is; null: at the spot that is fished, or the launch before the first
     * @param fishing  what is fished now; null: nothing, on the run or before the first stop
     */
    public record State(
            Instant now,
            @Nullable Position position,
            @Nullable Cell fishing,
            Today today,
            Bag bag) {

        /** Where the boat is: where it says, fishes, or starts. */
        public Position place(EventData event) {
            if (position != null) {
                return position;
            }
            return fishing == null
                    ? event.launch()
                    : event.spot(fishing.spotId()).orElseThrow().position();
        }
    }

    /**
     * The answer.
     *
     * @param stay      worth of the next hour here, g; null: nothing is fished
     * @param stayUntil how long to stay if nothing bites, at the latest the time to run home; null: nothing is fished
     * @param best      the best move; null: nothing can be reached
     * @param leaveBy when to leave here at the latest, for check-in or for a shelter; null: there is no way by water
     * @param lesson what the day has taught that weighs most in this; null: nothing that does
     */
    public record Answer(
            @Nullable Double stay,
            @Nullable Instant stayUntil,
            @Nullable Move best,
            Departures.@Nullable LeaveBy leaveBy,
            @Nullable Lesson lesson) {

        /** Whether to go now. */
        public boolean go() {
            return best != null && (stay == null || best.gainGrams() > stay);
        }
    }

    /**
     * A move.
     *
     * @param leaveAt   when to make it if nothing bites before
     * @param gainGrams worth of an hour there for the time it takes, the price of moving taken off
     */
    public record Move(Cell cell, Instant leaveAt, double gainGrams) {}

    /** What a lesson is about. */
    public enum Subject {
        BITE_RATE,
        SIZE
    }

    /**
     * A lesson the day has taught about a cell.
     *
     * @param ratio today's bite rate, or weight of a fish, over what practice said
     * @param gramsAnHour what it makes of the next hour there, the run counted
     */
    public record Lesson(Cell cell, Subject subject, double ratio, double gramsAnHour) {}

    /** Asks. */
    public Answer ask(State s) {
        Position here = s.place(event);
        Departures.LeaveBy leave = lastLeaving(here, s.now()).orElse(null);
        Instant leaveBy = leave == null ? null : leave.at();
        DayLearner.Beliefs beliefs = learner(s).of(s.today());
        BestFish bag = bestFish(s);
        Comparison now = computed(s.now(), s, bag, beliefs, here);
        Lesson lesson = lesson(now, s, beliefs);
        if (now.best == null) {
            return new Answer(now.stay, now.stay == null ? null : leaveBy, null, leave, lesson);
        }
        if (now.stay == null || now.best.gain > now.stay) {
            return new Answer(
                    now.stay,
                    now.stay == null ? null : s.now(),
                    new Move(now.best.cell, s.now(), now.best.gain),
                    leave,
                    lesson);
        }
        Instant last = leaveBy == null ? s.now() : leaveBy;
        DayLearner.Beliefs later = beliefs;
        for (Instant t = s.now().plus(ASKED); t.isBefore(last); t = t.plus(ASKED)) {
            later = s.fishing() == null ? later : later.fishedOn(s.fishing(), t.minus(ASKED), t);
            Comparison then = computed(t, s, bag, later, here);
            if (then.best != null && (then.stay == null || then.best.gain > then.stay)) {
                return new Answer(now.stay, t, new Move(now.best.cell, t, now.best.gain), leave, lesson);
            }
        }
        return new Answer(now.stay, leaveBy, new Move(now.best.cell, last, now.best.gain), leave, lesson);
    }

    /**
     * The worth of the next hour at a cell now, as {@link Answer} has it for the best: staying unchanged, or a move
     * less its price.
     *
     * @return empty when it cannot be reached, or no time is left there
     */
    public OptionalDouble gain(State s, Cell cell) {
        DayLearner.Beliefs beliefs = learner(s).of(s.today());
        Comparison now = computed(s.now(), s, bestFish(s), beliefs, s.place(event));
        double price =
                cell.equals(s.fishing()) ? 1 : model.assumptions().planning().priceOfMoving();
        return now.options.stream()
                .filter(o -> o.cell.equals(cell))
                .mapToDouble(o -> now.worth(o, o.bites, beliefs.landed(o.cell)) / price)
                .findFirst();
    }

    private BestFish bestFish(State s) {
        return new BestFish(
                event.rules().countingFish(),
                s.bag().fish().stream()
                        .map(Fish::grams)
                        .filter(java.util.Objects::nonNull)
                        .toList());
    }

    /** Of all cells of the model and what was fished besides. */
    private DayLearner learner(State s) {
        Set<Cell> asked = new LinkedHashSet<>(all);
        s.today().efforts().forEach(e -> asked.add(e.cell()));
        if (s.fishing() != null) {
            asked.add(s.fishing());
        }
        if (learner == null || !asked.stream().allMatch(learner::knows)) {
            learner = new DayLearner(model, List.copyOf(asked), expected);
        }
        return learner;
    }

    private record Option(Cell cell, double bites, Instant from, Instant end, double share, double gain) {

        Option gaining(double grams) {
            return new Option(cell, bites, from, end, share, grams);
        }
    }

    /**
     * The bites and grams the next hour gives.
     *
     * @param stay       null: nothing is fished, or no time is left here
     * @param options    all that can be reached
     * @param background Λ of the rest of the day
     */
    private record Comparison(
            @Nullable Double stay, @Nullable Option best, List<Option> options, BestFish bag, double[] background) {

        double worth(Option o, double bites, double[] landed) {
            return o.share * (bag.value(added(background, bites, landed)) - bag.value(background));
        }
    }

    private Comparison computed(Instant now, State s, BestFish bestFish, DayLearner.Beliefs beliefs, Position here) {
        List<Option> options = new ArrayList<>();
        for (Cell cell : s.fishing() == null || cells.contains(s.fishing()) ? cells : with(s.fishing())) {
            option(cell, now, s, beliefs, here).ifPresent(options::add);
        }
        double[] rest = new double[Survival.weights()];
        double empty = bestFish.value(rest);
        Option leading = options.stream()
                .max(Comparator.comparingDouble(
                        o -> o.share * (bestFish.value(added(rest, o.bites, beliefs.landed(o.cell))) - empty)))
                .orElse(null);
        double[] background = leading == null ? rest : background(leading, beliefs);
        double base = bestFish.value(background);
        double price = model.assumptions().planning().priceOfMoving();
        Double stay = null;
        Option best = null;
        for (Option o : options) {
            double gain = o.share * (bestFish.value(added(background, o.bites, beliefs.landed(o.cell))) - base);
            if (o.cell.equals(s.fishing())) {
                stay = gain;
            } else if (best == null || gain / price > best.gain) {
                best = o.gaining(gain / price);
            }
        }
        return new Comparison(
                s.fishing() == null ? null : stay == null ? Double.valueOf(0) : stay,
                best,
                options,
                bestFish,
                background);
    }

    /**
     * Of the cells that today says something of, or that the answer is about, what rate or sizes of today change most. Rate and sizes are each put
     * back to what practice said, the other kept.
     */
    private @Nullable Lesson lesson(Comparison now, State s, DayLearner.Beliefs beliefs) {
        Set<Cell> about = new LinkedHashSet<>();
        s.today().efforts().forEach(e -> about.add(e.cell()));
        s.today().bites().forEach(b -> about.add(b.cell()));
        if (now.best != null) {
            about.add(now.best.cell);
        }
        Lesson most = null;
        for (Option o : now.options) {
            if (about.contains(o.cell) && !s.today().efforts().isEmpty()) {
                double shift = beliefs.shift(o.cell);
                double rate = beliefs.rate(o.cell);
                double worth = now.worth(o, o.bites, beliefs.landed(o.cell));
                Lesson size = new Lesson(
                        o.cell,
                        Subject.SIZE,
                        Math.exp(shift),
                        worth - now.worth(o, o.bites, beliefs.landedByPractice(o.cell)));
                Lesson bites = new Lesson(
                        o.cell,
                        Subject.BITE_RATE,
                        rate,
                        worth - now.worth(o, beliefs.bites(o.cell, o.from, o.end, 1), beliefs.landed(o.cell)));
                for (Lesson l : List.of(size, bites)) {
                    most = most == null || Math.abs(l.gramsAnHour) > Math.abs(most.gramsAnHour) ? l : most;
                }
            }
        }
        return most;
    }

    private List<Cell> with(Cell fishing) {
        List<Cell> all = new ArrayList<>(cells);
        all.add(fishing);
        return all;
    }

    private double[] background(Option leading, DayLearner.Beliefs beliefs) {
        Position there = model.spot(leading.cell.spotId()).position();
        Instant last = runs.leaveBy(there, event.checkInAt(), day.checkIn().minus(margin))
                .orElse(leading.end);
        double hoursLeft = Math.max(0, Hours.between(leading.end, last));
        return added(
                new double[Survival.weights()], restOfDay * leading.bites * hoursLeft, beliefs.landed(leading.cell));
    }

    private static double[] added(double[] to, double bites, double[] landed) {
        double[] lambda = to.clone();
        for (int i = 0; i < lambda.length; i++) {
            lambda[i] += bites * landed[i];
        }
        return lambda;
    }

    /** An hour at a cell: its bites, when it ends, and the share of the time that is fishing; empty when there is no way or no time. */
    private Optional<Option> option(Cell cell, Instant now, State s, DayLearner.Beliefs beliefs, Position here) {
        Spot spot = model.spot(cell.spotId());
        boolean sameSpot = s.fishing() != null && s.fishing().spotId().equals(cell.spotId());
        Duration way =
                sameSpot ? Duration.ZERO : way(now, here, spot.position()).orElse(null);
        if (way == null) {
            return Optional.empty();
        }
        Instant from = now.plus(way).isBefore(day.start()) ? day.start() : now.plus(way);
        Instant last =
                lastLeaving(spot.position(), now).map(Departures.LeaveBy::at).orElse(from);
        Instant to = from.plus(HOUR).isAfter(last) ? last : from.plus(HOUR);
        if (!to.isAfter(from)) {
            return Optional.empty();
        }
        double share = (double) HOUR.toMillis() / HOUR.plus(way).toMillis();
        double bites = beliefs.bites(cell, from, to, beliefs.rate(cell));
        return Optional.of(new Option(cell, bites, from, to, share, 0));
    }

    /** The way from a place to another with set-up time; empty: there is none that the boat takes. */
    public Optional<Duration> way(Instant leaving, Position from, Position to) {
        return runs.runAndSetUp(from, to, leaving);
    }

    private Optional<Departures.LeaveBy> lastLeaving(Position from, Instant now) {
        return lastLeaving.computeIfAbsent(
                new Last(from, departures.lightning(now).orElse(null)), l -> departures.from(from, now));
    }
}
