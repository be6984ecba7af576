package lochan.core.rehearsal;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lochan.core.live.MoveAdvice;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.quantity.Hours;
import org.jspecify.annotations.Nullable;

/**
 * Computes what the choices of a rehearsal cost, by what could be known when they were made: the time's extra worth by
 * the move advice, as long as it wasn't
 * followed. Each hour left of the day counts for more than advice takes it for, so that costs add up to what is lost on average; where the day was ended for good
 * nothing is left, and they count as in advice.
 */
public final class Costs {

    private static final double LEAST_GRAMS = 1;

    private final DayKnowledge known;
    /** By storms that have come. */
    private final Map<Integer, Judges> judges = new HashMap<>();

    private Costs(DayKnowledge known) {
        this.known = known;
    }

    /**
     * A choice that cost something; neighbouring ones of the same kind are one.
     *
     * @param chosen where it was fished; null: nowhere
     * @param better where the time was worth more
     * @param grams  that it cost, on average over days like this one
     */
    public record Cost(Instant from, Instant to, @Nullable Cell chosen, Cell better, double grams) {}

    private record Judges(MoveAdvice advice, MoveAdvice worth) {}

    /** Those that cost most first. */
    public static List<Cost> of(List<Rehearsal.Choice> choices, DayKnowledge known) {
        Costs costs = new Costs(known);
        List<Cost> all = new ArrayList<>();
        for (Rehearsal.Choice c : choices) {
            Cost cost = costs.of(c);
            Cost last = all.isEmpty() ? null : all.getLast();
            if (cost != null && last != null && isOne(last, cost)) {
                all.removeLast();
                cost = new Cost(last.from, cost.to, cost.chosen, cost.better, last.grams + cost.grams);
            }
            if (cost != null) {
                all.add(cost);
            }
        }
        return all.stream()
                .filter(c -> c.grams >= LEAST_GRAMS)
                .sorted(Comparator.comparingDouble(Cost::grams).reversed())
                .toList();
    }

    private @Nullable Cost of(Rehearsal.Choice c) {
        Instant from = c.state().now();
        Judges judge = judges.computeIfAbsent(known.storms(from), n -> judges(known.at(from)));
        MoveAdvice.Answer advised = judge.advice.ask(c.state());
        Cell better =
                advised.go() ? requireNonNull(advised.best()).cell() : c.state().fishing();
        Instant to = c.until();
        if (c.next() == null
                && advised.leaveBy() != null
                && advised.leaveBy().at().isBefore(to)) {
            to = advised.leaveBy().at();
        }
        if (better == null || better.equals(c.next()) || !from.isBefore(to)) {
            return null;
        }
        MoveAdvice worth = c.ends() ? judge.advice : judge.worth;
        double more = worth.gain(c.state(), better).orElse(0)
                - (c.next() == null ? 0 : worth.gain(c.state(), c.next()).orElse(0));
        return more <= 0 ? null : new Cost(from, to, c.next(), better, Hours.between(from, to) * more);
    }

    private Judges judges(DayModel model) {
        return new Judges(
                new MoveAdvice(model, known.runs()),
                new MoveAdvice(
                        model, known.runs(), model.assumptions().planning().restOfDayInCosts()));
    }

    private static boolean isOne(Cost a, Cost b) {
        return Objects.equals(a.chosen, b.chosen)
                && a.better.equals(b.better)
                && Duration.between(a.to, b.from).isZero();
    }
}
