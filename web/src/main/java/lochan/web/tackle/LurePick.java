package lochan.web.tackle;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Rule;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.deck.Setup;
import lochan.core.quantity.Units;
import lochan.core.tackle.Tackle;
import lochan.wording.Wording;

/**
 * One of the lures to throw first.
 *
 * @param setup its weight and how it is worked
 * @param why   what speaks most for it
 */
record LurePick(String name, String setup, String why) {

    private static final int MOST = 3;
    private static final int REASONS = 2;
    /** What speaks for most lures alike tells little of one. */
    private static final Set<Rule> OF_MOST = Set.of(Rule.DEPTH, Rule.TEMPERATURE);

    /** The first of those ranked, the best first, that nothing rules out. */
    static List<LurePick> of(List<LureAdvice> ranked, Situation at, Tackle tackle, Units units) {
        return ranked.stream()
                .filter(x -> !x.ruledOut() && x.score() > 0)
                .limit(MOST)
                .map(x -> new LurePick(
                        x.lure().name(),
                        units.lureWeight(Setup.of(x.lure(), at, tackle, Assumptions.DEFAULTS.advice())
                                        .grams())
                                + ", " + x.retrieve(at).words(),
                        x.reasons().stream()
                                .filter(r -> r.points() > 0
                                        && !OF_MOST.contains(r.judgement().rule()))
                                .limit(REASONS)
                                .map(r -> Wording.text(r.judgement().reason(), units))
                                .collect(Collectors.joining("; "))))
                .toList();
    }
}
