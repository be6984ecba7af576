package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.live.MoveAdvice;
import lochan.core.model.rate.Cell;
import lochan.core.quantity.Hours;

/** What choices of a rehearsal cost by what could be known when they were made: what an hour elsewhere was worth more, for as long as it was not gone to. */
public final class Costs {

    private static final double LEAST_GRAMS = 1;

    private Costs() {}

    /**
     * A choice that cost something; neighbouring ones of the same kind are one.
     *
     * @param chosen where it was fished
     * @param better where an hour was worth more
     * @param grams  that it cost, on average over days like this one
     */
    public record Cost(Instant from, Instant to, Cell chosen, Cell better, double grams) {}

    /** Those that cost most first. */
    public static List<Cost> of(List<Rehearsal.Choice> choices, DayKnowledge known) {
        Map<Integer, MoveAdvice> advices = new HashMap<>();
        List<Cost> costs = new ArrayList<>();
        for (Rehearsal.Choice c : choices) {
            Instant then = c.state().now();
            MoveAdvice advice =
                    advices.computeIfAbsent(known.storms(then), n -> new MoveAdvice(known.at(then), known.runs()));
            MoveAdvice.Move best = advice.ask(c.state()).best();
            double chosen = advice.gain(c.state(), c.next()).orElse(0);
            if (best != null && best.gainGrams() > chosen) {
                double hours = Math.min(1, Hours.between(c.state().now(), c.until()));
                Cost cost = new Cost(
                        c.state().now(), c.until(), c.next(), best.cell(), hours * (best.gainGrams() - chosen));
                Cost last = costs.isEmpty() ? null : costs.getLast();
                if (last != null && isOne(last, cost)) {
                    costs.removeLast();
                    cost = new Cost(last.from, cost.to, cost.chosen, cost.better, last.grams + cost.grams);
                }
                costs.add(cost);
            }
        }
        return costs.stream()
                .filter(c -> c.grams >= LEAST_GRAMS)
                .sorted(Comparator.comparingDouble(Cost::grams).reversed())
                .toList();
    }

    private static boolean isOne(Cost a, Cost b) {
        return a.chosen.equals(b.chosen)
                && a.better.equals(b.better)
                && Duration.between(a.to, b.from).isZero();
    }
}
