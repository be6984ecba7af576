package lochan.core.live;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.competition.Bag;
import lochan.core.competition.Fish;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.model.size.Survival;
import lochan.core.planning.edits.DayRuns;
import lochan.core.planning.valuation.BestFish;
import lochan.core.quantity.Hours;
import org.jspecify.annotations.Nullable;

/**
 * What the next hour is worth here against the best move ({@code model.md} §10). For a cell c with prior mean m_c(h) = α/β and ᾱ the mean of α over
 * the bins, b bites there today, n at its spot:
 * <pre>
 * A    = 1/(1/ᾱ + 0.2)
 * M    = Σ m_c(h)·Δt·lines·(1 − 0.2·crowdRisk)·ψ^(bites had at the spot before)
 * R(h) = m_c(h)·(1 − 0.2·crowdRisk)·(A + b)/(A + M)
 * Δn   = ln(1 + d·ψⁿ·I)/d,   I = ∫ R·lines dt over the next hour there
 * gain = [V(Λ_bg + Δn·q·K) − V(Λ_bg)] · 1 h/(1 h + run + set-up time)
 * </pre>
 * Λ_bg stands for the rest of the day: half of Λ of the cell with the highest gain without it × the hours left after its hour. A spot open to more
 * wind than the boat takes keeps the share of its rate that the day's model gives it. A move pays a price: its gain is divided by 1.1. Not for several
 * threads at once.
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
    private final List<Cell> cells;
    private final Map<Cell, Double> strengths = new HashMap<>();
    private final Map<Cell, double[]> landed = new HashMap<>();
    private final Map<Cell, double[]> means = new HashMap<>();
    /** Ways on the lake take long to find: each is found once. */
    private final Map<Way, Optional<Duration>> ways = new HashMap<>();

    private final Map<Position, Optional<Instant>> lastLeaving = new HashMap<>();

    private record Way(boolean rough, Position from, Position to) {}

    public MoveAdvice(DayModel model, DayRuns runs) {
        this.model = model;
        this.event = model.event();
        this.day = event.day(model.day());
        this.runs = runs;
        this.margin = Duration.ofMinutes(model.assumptions().planning().checkInMarginMinutes());
        this.cells = model.cells().stream().filter(model::isOpen).toList();
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
     * What was found.
     *
     * @param stay      worth of the next hour here, g; null: nothing is fished
     * @param stayUntil how long to stay if nothing bites, at the latest the time to run home; null: nothing is fished
     * @param best      the best move; null: nothing can be reached
     * @param leaveBy when to leave for check-in from here at the latest; null: there is no way by water
     */
    public record Answer(
            @Nullable Double stay,
            @Nullable Instant stayUntil,
            @Nullable Move best,
            @Nullable Instant leaveBy) {

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

    /** Asks. */
    public Answer ask(State s) {
        Position here = s.place(event);
        Instant leaveBy = lastLeaving(here).orElse(null);
        Comparison now = computed(s, here);
        if (now.best == null) {
            return new Answer(now.stay, now.stay == null ? null : leaveBy, null, leaveBy);
        }
        if (now.stay == null || now.best.gain > now.stay) {
            return new Answer(
                    now.stay,
                    now.stay == null ? null : s.now(),
                    new Move(now.best.cell, s.now(), now.best.gain),
                    leaveBy);
        }
        Instant last = leaveBy == null ? s.now() : leaveBy;
        for (Instant t = s.now().plus(ASKED); t.isBefore(last); t = t.plus(ASKED)) {
            Comparison later = computed(new State(t, s.position(), s.fishing(), fishedUntil(t, s), s.bag()), here);
            if (later.best != null && (later.stay == null || later.best.gain > later.stay)) {
                return new Answer(now.stay, t, new Move(now.best.cell, t, now.best.gain), leaveBy);
            }
        }
        return new Answer(now.stay, leaveBy, new Move(now.best.cell, last, now.best.gain), leaveBy);
    }

    private static Today fishedUntil(Instant t, State s) {
        return s.fishing() == null ? s.today() : s.today().fishedOn(s.fishing(), s.now(), t);
    }

    private record Option(Cell cell, double bites, Instant end, double share, double gain) {}

    /** @param stay null: nothing is fished, or there is no time left here */
    private record Comparison(
            @Nullable Double stay, @Nullable Option best) {}

    private Comparison computed(State s, Position here) {
        BestFish bestFish = new BestFish(
                event.rules().countingFish(),
                s.bag().fish().stream()
                        .map(Fish::grams)
                        .filter(java.util.Objects::nonNull)
                        .toList());
        List<Option> options = new ArrayList<>();
        for (Cell cell : s.fishing() == null || cells.contains(s.fishing()) ? cells : with(s.fishing())) {
            option(cell, s, here).ifPresent(options::add);
        }
        double[] rest = new double[Survival.weights()];
        double empty = bestFish.value(rest);
        Option leading = options.stream()
                .max(Comparator.comparingDouble(o -> o.share * (bestFish.value(added(rest, o)) - empty)))
                .orElse(null);
        double[] background = leading == null ? rest : background(leading);
        double base = bestFish.value(background);
        double price = model.assumptions().planning().priceOfMoving();
        Double stay = null;
        Option best = null;
        for (Option o : options) {
            double gain = o.share * (bestFish.value(added(background, o)) - base);
            if (o.cell.equals(s.fishing())) {
                stay = gain;
            } else if (best == null || gain / price > best.gain) {
                best = new Option(o.cell, o.bites, o.end, o.share, gain / price);
            }
        }
        return new Comparison(s.fishing() == null ? null : stay == null ? Double.valueOf(0) : stay, best);
    }

    private List<Cell> with(Cell fishing) {
        List<Cell> all = new ArrayList<>(cells);
        all.add(fishing);
        return all;
    }

    private double[] background(Option leading) {
        Position there = model.spot(leading.cell.spotId()).position();
        Instant last = lastLeaving(there).orElse(leading.end);
        double hoursLeft = Math.max(0, Hours.between(leading.end, last));
        double[] lambda = new double[Survival.weights()];
        double[] of = landed(leading.cell);
        for (int i = 0; i < lambda.length; i++) {
            lambda[i] = model.assumptions().planning().restOfDay() * leading.bites * of[i] * hoursLeft;
        }
        return lambda;
    }

    private double[] added(double[] to, Option o) {
        double[] of = landed(o.cell);
        double[] lambda = to.clone();
        for (int i = 0; i < lambda.length; i++) {
            lambda[i] += o.bites * of[i];
        }
        return lambda;
    }

    /** An hour at a cell: its bites, when it ends, and the share of the time that is fishing; empty when there is no way or no time. */
    private Optional<Option> option(Cell cell, State s, Position here) {
        Spot spot = model.spot(cell.spotId());
        boolean sameSpot = s.fishing() != null && s.fishing().spotId().equals(cell.spotId());
        Duration way =
                sameSpot ? Duration.ZERO : way(s.now(), here, spot.position()).orElse(null);
        Instant last = lastLeaving(spot.position()).orElse(null);
        if (way == null || last == null) {
            return Optional.empty();
        }
        Instant from =
                s.now().plus(way).isBefore(day.start()) ? day.start() : s.now().plus(way);
        Instant to = from.plus(HOUR).isAfter(last) ? last : from.plus(HOUR);
        if (!to.isAfter(from) || isInLightning(from, to)) {
            return Optional.empty();
        }
        double share = (double) HOUR.toMillis() / HOUR.plus(way).toMillis();
        return Optional.of(new Option(cell, bites(cell, spot, s.today(), from, to), to, share, 0));
    }

    /** The way from a place to another with set-up time, found once; empty: there is none by water. */
    public Optional<Duration> way(Instant leaving, Position from, Position to) {
        return ways.computeIfAbsent(
                new Way(runs.isRough(leaving), from, to), w -> runs.at(leaving).runAndSetUp(from, to));
    }

    private Optional<Instant> lastLeaving(Position from) {
        return lastLeaving.computeIfAbsent(from, p -> runs.leaveBy(p, event.checkInAt(), day.checkIn(), margin));
    }

    private boolean isInLightning(Instant from, Instant to) {
        return event.forecast().stream()
                .anyMatch(f -> Boolean.TRUE.equals(f.lightning()) && f.from().isBefore(to) && f.to().isAfter(from));
    }

    /** Δn of an hour, or what there is of it. */
    private double bites(Cell cell, Spot spot, Today today, Instant from, Instant to) {
        double decay = spot.stock().decay(model.assumptions().depletion());
        double strength = strength(cell);
        double learnt = (strength + today.bitesAt(cell)) / (strength + expected(cell, spot, today, decay));
        double undiminished = learnt * integral(cell, spot, from, to);
        return Math.log1p(decay * Math.exp(-decay * today.bitesAt(spot.id(), from)) * undiminished) / decay;
    }

    /** A. */
    private double strength(Cell cell) {
        return strengths.computeIfAbsent(cell, c -> {
            double shape = 0;
            for (int bin = 0; bin < model.bins().size(); bin++) {
                shape += model.rate(c, bin).shape() / model.bins().size();
            }
            return 1 / (1 / shape + model.assumptions().planning().spotDays());
        });
    }

    /** M: the bites that were to be expected of what was fished at a cell today, each piece after the bites had at its spot by then. */
    private double expected(Cell cell, Spot spot, Today today, double decay) {
        double sum = 0;
        for (Today.Effort e : today.efforts()) {
            if (e.cell().equals(cell)) {
                Instant from = e.from();
                for (Today.Bite s : today.bites()) {
                    if (s.cell().spotId().equals(cell.spotId()) && s.at().isAfter(from) && s.at().isBefore(e.to())) {
                        sum += Math.exp(-decay * today.bitesAt(spot.id(), s.at())) * integral(cell, spot, from, s.at());
                        from = s.at();
                    }
                }
                sum += Math.exp(-decay * today.bitesAt(spot.id(), from.plusMillis(1)))
                        * integral(cell, spot, from, e.to());
            }
        }
        return sum;
    }

    /** ∫ m_c·(1 − 0.2·crowdRisk)·lines dt. */
    private double integral(Cell cell, Spot spot, Instant from, Instant to) {
        double[] mean = means.computeIfAbsent(cell, this::means);
        double[] hours = Outlooks.hours(model.bins(), from, to);
        double sum = 0;
        for (int i = 0; i < hours.length; i++) {
            sum += mean[i] * hours[i];
        }
        double crowded = 1 - (1 - model.assumptions().day().crowdedFactor()) * spot.crowdRisk();
        return crowded * event.anglers() * sum;
    }

    private double[] means(Cell cell) {
        double[] means = new double[model.bins().size()];
        for (int bin = 0; bin < means.length; bin++) {
            GammaRate rate = model.rate(cell, bin);
            means[bin] = rate.mean() * model.leftByWind(cell.spotId(), bin);
        }
        return means;
    }

    /** q·K(x): of one bite the landed legal fish heavier than each x. */
    private double[] landed(Cell cell) {
        return landed.computeIfAbsent(cell, c -> {
            Assumptions.Size a = model.assumptions().size();
            double[] keepers =
                    KeeperWeight.survival(event, model.sizes(), model.mix(), model.pattern(c), c.spotId(), a);
            double q = model.landing(c.presentationId()).mean();
            for (int i = 0; i < keepers.length; i++) {
                keepers[i] *= q;
            }
            return keepers;
        });
    }
}
