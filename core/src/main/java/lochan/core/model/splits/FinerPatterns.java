package lochan.core.model.splits;

import java.util.List;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Bin;
import lochan.core.practice.Conditions;

/**
 * Splits that the angler lets into rates: the prior of a cell is multiplied by each split's factor where its answer is known of the spot and the half hour;
 * the spot's own evidence still counts.
 */
public final class FinerPatterns {

    private final List<Split> splits;
    private final PieceMaker answers;

    /** @param keys of the splits chosen, as {@link Splits#key} has them; those there are no more of are left out */
    public FinerPatterns(List<Split> all, List<String> keys, PieceMaker answers) {
        this.splits = all.stream()
                .filter(s -> s.question().isKnownBefore() && keys.contains(Splits.key(s.question(), s.answer())))
                .toList();
        this.answers = answers;
    }

    /** By what the prior rate at a spot in a half hour is multiplied. */
    public double factor(Spot spot, Bin bin) {
        double factor = 1;
        Conditions c = bin.conditions();
        for (Split s : splits) {
            String answer = answers.before(
                    s.question(), spot, bin.start(), c.windMps(), c.signs().windFromDeg(), c.sky());
            if (answer != null) {
                factor *= answer.equals(s.answer()) ? s.factor() : s.elsewhere();
            }
        }
        return factor;
    }
}
