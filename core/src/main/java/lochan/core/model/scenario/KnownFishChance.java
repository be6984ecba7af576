package lochan.core.model.scenario;

import lochan.core.Assumptions;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.model.size.LegalShare;
import lochan.core.model.size.SizeModel;
import lochan.core.notebook.KnownFish;

/**
 * A known fish as a plan sees it.
 *
 * @param grams  its weight, the guess less the angler's own bias, g
 * @param chance that a visit lands it and it is legal, 0 to 1
 */
public record KnownFishChance(KnownFish fish, double grams, double chance) {

    static KnownFishChance of(KnownFish fish, EventData event, SizeModel sizes, Assumptions a) {
        double lnGrams = Math.log(fish.guessGrams()) - sizes.guessBias().mean();
        SpeciesRule rule = fish.species() == null
                ? event.rules().species().getFirst()
                : event.rules().rule(fish.species()).orElse(null);
        double legal = rule == null ? 0 : LegalShare.of(rule, a.size()).given(lnGrams);
        return new KnownFishChance(fish, Math.exp(lnGrams), legal * fish.chancePerVisit(a.notebook()));
    }
}
