package lochan.core.notebook;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.lures.advice.Rule;
import lochan.core.tackle.Lure;

/**
 * What an angler notes and wants beside the practice log.
 *
 * @param fish     single fish that were seen
 * @param trials   ways tried against each other
 * @param changes  of hooks, leaders and rods
 * @param carried  what earlier seasons say
 * @param priors what besides the event's own practice may go into its rates
 */
public record Notebook(
        List<KnownFish> fish, List<Trial> trials, List<SetupChange> changes, List<CarriedRate> carried, Priors priors) {

    public static final Notebook EMPTY = new Notebook(List.of(), List.of(), List.of(), List.of(), Priors.NONE);

    public Notebook {
        fish = List.copyOf(fish);
        trials = List.copyOf(trials);
        changes = List.copyOf(changes);
        carried = List.copyOf(carried);
    }

    /**
     * What may go into rates; nothing unless the angler wants it.
     *
     * @param byAdvice  whether the rules of advice move the prior of pairs never tried
     * @param byHistory whether earlier seasons count
     * @param finer     splits of practice that go into rates, by question and answer, as "bank:blown"
     * @param lures     sheets the rules go by; empty: the rules say nothing
     * @param weights   of the rules that the angler gave other weights
     */
    public record Priors(
            boolean byAdvice, boolean byHistory, List<String> finer, List<Lure> lures, Map<Rule, Double> weights) {

        public static final Priors NONE = new Priors(false, false, List.of());

        public Priors(boolean byAdvice, boolean byHistory, List<String> finer) {
            this(byAdvice, byHistory, finer, List.of(), Map.of());
        }

        public Priors {
            finer = List.copyOf(finer);
            lures = List.copyOf(lures);
            weights = Map.copyOf(weights);
        }

        /** Returns the priors with the sheets and weights the rules use. */
        public Priors by(List<Lure> sheets, Map<Rule, Double> ruleWeights) {
            return new Priors(byAdvice, byHistory, finer, sheets, ruleWeights);
        }
    }

    public Notebook withPriors(Priors other) {
        return new Notebook(fish, trials, changes, carried, other);
    }

    /** Without fish at spots that were deleted. */
    public Notebook at(java.util.Set<String> spotIds) {
        return new Notebook(
                fish.stream().filter(f -> spotIds.contains(f.spotId())).toList(), trials, changes, carried, priors);
    }

    /** Fish that may still be caught. */
    public List<KnownFish> fishThere() {
        return fish.stream().filter(f -> !f.gone()).toList();
    }

    /** Returns the notebook with a fish added, or replaced by its id. */
    public Notebook with(KnownFish another) {
        List<KnownFish> all = new ArrayList<>(fish);
        all.removeIf(f -> f.id().equals(another.id()));
        all.add(another);
        return new Notebook(all, trials, changes, carried, priors);
    }
}
