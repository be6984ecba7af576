package lochan.core.lures.rigging;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.lures.advice.Situation;
import lochan.core.tackle.Family;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/**
 * Chooses among a lure's sizes by the size of the fish, their forage and how often they have seen lures.
 *
 * @param index 0 small, 1 usual, 2 large
 * @param why   the weightiest reason
 */
record SizeClass(int index, RigReason why) {

    private static final List<RigReason> NAMES =
            List.of(RigReason.SIZE_SMALL, RigReason.SIZE_USUAL, RigReason.SIZE_LARGE);

    static SizeClass of(Lure lure, Situation at, Assumptions.LureAdvice a) {
        Votes votes = new Votes();
        if (at.fishGrams() != null) {
            votes.say(at.fishGrams() >= a.bigFishG(), 1, RigReason.SIZE_BIG_FISH);
            votes.say(at.fishGrams() < a.smallFishG(), -1, RigReason.SIZE_SMALL_FISH);
        }
        boolean tiny = at.forage() == Forage.FRY || at.forage() == Forage.INSECTS;
        votes.say(tiny, -1, RigReason.SIZE_TINY_FORAGE);
        votes.say(at.forage() == Forage.PANFISH, 1, RigReason.SIZE_PANFISH);
        votes.say(Boolean.TRUE.equals(at.pressured()), -1, RigReason.SIZE_PRESSURED);
        votes.say(at.stage() == SeasonStage.WINTER, -1, RigReason.SIZE_COLD);
        votes.say(
                lure.family() == Family.SWIMBAIT && at.mood() == Mood.INACTIVE && at.suspended(),
                2,
                RigReason.SIZE_ONE_BIG_MEAL);
        int index = 1 + Integer.signum(votes.sum);
        return new SizeClass(index, index == 1 ? RigReason.SIZE_NO_REASON : votes.reason(index > 1));
    }

    RigReason name() {
        return NAMES.get(index);
    }

    private static final class Votes {

        private int sum;
        private RigReason larger = RigReason.SIZE_NO_REASON;
        private @Nullable RigReason smaller;

        void say(boolean holds, int vote, RigReason reason) {
            if (holds) {
                sum += vote;
                if (vote > 0) {
                    larger = reason;
                } else if (smaller == null) {
                    smaller = reason;
                }
            }
        }

        RigReason reason(boolean isLarger) {
            return isLarger || smaller == null ? larger : smaller;
        }
    }
}
