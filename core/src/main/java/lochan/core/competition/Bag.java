package lochan.core.competition;

import java.util.List;

/**
 * The well of one day, as the log gives it.
 *
 * @param well          fish in the well in the order they came
 * @param inHand        the fish waiting for the balance; null: none
 * @param pending       what it waits for; null: nothing
 * @param limit         fish that fit
 * @param totalGrams    weight of the well without penalties; null while a fish in it is not weighed
 * @param netGrams      the same less penalties for dead fish
 * @param smallestGrams lightest fish that may be culled; null: none, or not weighed
 * @param needsGrams    a new fish is kept when heavier; null while there is room
 * @param official      what the weigh-in said; null: not yet
 */
public record Bag(List<Fish> well, Fish inHand, Verdict pending, int limit, Double totalGrams, Double netGrams, Double smallestGrams,
                  Double needsGrams, Entry.Official official) {

    public Bag {
        well = List.copyOf(well);
    }

    public boolean isFull() {
        return well.size() >= limit;
    }
}
