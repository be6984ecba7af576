package lochan.core.competition;

import java.util.List;
import java.util.Objects;
import lochan.core.competition.Entry.Official;
import org.jspecify.annotations.Nullable;

/**
 * The bag of one day, as the log gives it: the fish that count, in a length event the photographs that count.
 *
 * @param fish        fish of the bag in the order they came
 * @param inHand      the fish waiting for the balance; null: none
 * @param pending     what it waits for; null: nothing
 * @param weighings   weighings it takes to settle that, whatever they say; 0: nothing waits
 * @param limit       fish that fit
 * @param weight      the bag by weight; all null in a length event
 * @param length      the bag by length; all null in other events
 * @param official    what the weigh-in said; null: not yet
 */
public record Bag(
        List<Fish> fish,
        @Nullable Fish inHand,
        @Nullable Verdict pending,
        int weighings,
        int limit,
        Sums weight,
        Sums length,
        @Nullable Official official) {

    /**
     * What a bag comes to, g or mm.
     *
     * @param total    without penalties; null while a fish is not measured
     * @param net      the same less penalties for dead and short fish
     * @param smallest the least fish that may be culled; null: none, or not measured
     * @param needs    a new fish is kept when above it; null while there is room
     */
    public record Sums(
            @Nullable Double total,
            @Nullable Double net,
            @Nullable Double smallest,
            @Nullable Double needs) {

        static final Sums NONE = new Sums(null, null, null, null);
    }

    public Bag {
        fish = List.copyOf(fish);
    }

    public @Nullable Double totalGrams() {
        return weight.total();
    }

    public @Nullable Double netGrams() {
        return weight.net();
    }

    public @Nullable Double smallestGrams() {
        return weight.smallest();
    }

    public @Nullable Double needsGrams() {
        return weight.needs();
    }

    /** Weight of the fish that are weighed, g. */
    public double weighedGrams() {
        return fish.stream()
                .map(Fish::grams)
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .sum();
    }

    public boolean isFull() {
        return fish.size() >= limit;
    }
}
