package lochan.core.lures.rigging;

import lochan.core.Assumptions;
import lochan.core.lures.advice.Situation;
import lochan.core.tackle.Family;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;

/**
 * Which of a lure's sizes a situation calls for: it follows the size of the fish, what they feed on and how often they have seen lures.
 *
 * @param index 0 small, 1 usual, 2 large
 * @param why   the weightiest reason, in words
 */
record SizeClass(int index, String why) {

    private static final String[] NAMES = {"small", "usual", "large"};

    static SizeClass of(Lure lure, Situation at, Assumptions.LureAdvice a) {
        Votes votes = new Votes();
        if (at.fishGrams() != null) {
            votes.say(at.fishGrams() >= a.bigFishG(), 1, "the fish here are big: a bigger bait for a bigger fish");
            votes.say(at.fishGrams() < a.smallFishG(), -1, "the fish here are small: it is taken more often");
        }
        boolean tiny = at.forage() == Forage.FRY || at.forage() == Forage.INSECTS;
        votes.say(tiny, -1, "as small as what they feed on");
        votes.say(at.forage() == Forage.PANFISH, 1, "as high and long as the panfish they feed on");
        votes.say(Boolean.TRUE.equals(at.pressured()), -1, "pressured water: the smaller is looked at less hard");
        votes.say(at.stage() == SeasonStage.WINTER, -1, "cold water: compact");
        votes.say(
                lure.family() == Family.SWIMBAIT && at.mood() == Mood.INACTIVE && at.suspended(),
                2,
                "fish that hang and do not feed take one big meal");
        int index = 1 + Integer.signum(votes.sum);
        return new SizeClass(index, index == 1 ? "nothing calls for another size" : votes.reason(index > 1));
    }

    String words() {
        return NAMES[index];
    }

    private static final class Votes {

        private int sum;
        private String larger = "";
        private String smaller = "";

        void say(boolean holds, int vote, String words) {
            if (holds) {
                sum += vote;
                if (vote > 0) {
                    larger = words;
                } else if (smaller.isEmpty()) {
                    smaller = words;
                }
            }
        }

        String reason(boolean isLarger) {
            return isLarger ? larger : smaller;
        }
    }
}
