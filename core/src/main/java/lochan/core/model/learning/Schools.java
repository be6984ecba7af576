package lochan.core.model.learning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.eventdata.EventData;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.practice.Presentation;
import lochan.core.tackle.Lure;

/**
 * A question on which anglers disagree, with both orders to fish a place in and what the angler's own practice says.
 *
 * @param question which
 * @param first    lures in the order of the one school
 * @param second   in that of the other
 * @param own      all practice with lures of the one kind against the other; its {@code first} is that of the first school
 */
public record Schools(Question question, List<Lure> first, List<Lure> second, Contest own) {

    /** So many lures are looked at in a place. */
    private static final int IN_A_PLACE = 4;

    /** What anglers disagree on. */
    public enum Question implements Coded {
        /** Cover water first, or pick a place apart. */
        SEARCH_OR_PICK,
        /** Power first, or finesse to start a school. */
        POWER_OR_FINESSE;

        @Override
        public String code() {
            return Coded.spelt(this);
        }

        boolean isFirst(Lure lure) {
            return this == SEARCH_OR_PICK ? lure.search() : lure.power();
        }
    }

    /**
     * Both orders of the best lures in a place. A question is left out where the best are all of one kind.
     *
     * @param ranked advice, best first
     * @param lures  sheets of all that was fished
     */
    public static List<Schools> of(List<LureAdvice> ranked, EventData event, List<Lure> lures, Assumptions a) {
        List<Lure> best = ranked.stream()
                .filter(x -> !x.ruledOut())
                .map(LureAdvice::lure)
                .limit(IN_A_PLACE)
                .toList();
        List<Schools> schools = new ArrayList<>();
        for (Question q : Question.values()) {
            if (best.stream().anyMatch(q::isFirst) && !best.stream().allMatch(q::isFirst)) {
                schools.add(new Schools(
                        q,
                        sorted(best, q::isFirst),
                        sorted(best, l -> !q.isFirst(l)),
                        Contest.of(side(event, lures, q::isFirst, a), side(event, lures, l -> !q.isFirst(l), a), a)));
            }
        }
        return schools;
    }

    private static List<Lure> sorted(List<Lure> best, Predicate<Lure> first) {
        return best.stream()
                .sorted(Comparator.comparing((Lure l) -> !first.test(l)))
                .toList();
    }

    private static Contest.Side side(EventData event, List<Lure> lures, Predicate<Lure> which, Assumptions a) {
        List<Presentation> own = event.presentations().stream()
                .filter(p -> lures.stream().anyMatch(l -> l.isOf(p.id()) && which.test(l)))
                .toList();
        return Contest.side(event, own, a);
    }
}
