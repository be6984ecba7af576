package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Sample;
import lochan.core.event.Event;
import lochan.core.event.Species;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Where there is no scale, the balance is asked as seldom as can be. */
@Tag("slow")
class WeighingsTest {

    private static final int FISH = 7;

    private static final int DAYS = 60;
    private static final int LONG_DAYS = Boolean.getBoolean("lochan.long") ? 20 : 8;
    private final Map<Long, Integer> least = new HashMap<>();

    /** Fewest weighings that surely find the lightest of n fish, by trying every way: bit a·n + b of known says that a is heavier than b. */
    private int fewest(int n, long known) {
        Integer before = least.get(known << 4 | n);
        if (before != null) {
            return before;
        }
        List<Integer> open = IntStream.range(0, n)
                .filter(a -> IntStream.range(0, n).noneMatch(b -> heavier(n, known, a, b)))
                .boxed()
                .toList();
        int best = open.size() < 2 ? 0 : Integer.MAX_VALUE;
        for (int a = 0; a < n && open.size() > 1; a++) {
            for (int b = 0; b < a; b++) {
                if (!heavier(n, known, a, b) && !heavier(n, known, b, a)) {
                    best = Math.min(
                            best, 1 + Math.max(fewest(n, closed(n, known, a, b)), fewest(n, closed(n, known, b, a))));
                }
            }
        }
        least.put(known << 4 | n, best);
        return best;
    }

    private static boolean heavier(int n, long known, int a, int b) {
        return (known >> (a * n + b) & 1) == 1;
    }

    /** Known after a was found heavier than b, with all that follows from it. */
    private static long closed(int n, long known, int a, int b) {
        long more = known;
        for (int above = 0; above < n; above++) {
            for (int below = 0; below < n; below++) {
                if ((above == a || heavier(n, known, above, a)) && (below == b || heavier(n, known, b, below))) {
                    more |= 1L << (above * n + below);
                }
            }
        }
        return more;
    }

    private static List<List<Integer>> days(int fish) {
        return IntStream.range(0, DAYS)
                .mapToObj(seed -> {
                    List<Integer> truth =
                            new ArrayList<>(IntStream.range(0, fish).boxed().toList());
                    Collections.shuffle(truth, new Random(seed));
                    return truth;
                })
                .toList();
    }

    private static int number(String id) {
        return Integer.parseInt(id.substring(1));
    }

    @Test
    void asManyWeighingsAsSaidAndNoWayTakesFewer() {
        Event event = Sample.tournament(3, List.of(Sample.LARGEMOUTH));
        for (List<Integer> truth : days(FISH)) {
            BagLog log = new BagLog(event);
            List<int[]> weighed = new ArrayList<>();
            for (int i = 0; i < truth.size(); i++) {
                List<Integer> there = new ArrayList<>(
                        log.bag(1).fish().stream().map(f -> number(f.id())).toList());
                assertThat(log.append(Sample.fish("c" + i, Species.LARGEMOUTH, null, null)))
                        .isEmpty();
                there.add(i);
                int said = log.bag(1).weighings();
                assertThat(said)
                        .isEqualTo(log.bag(1).pending() == null ? 0 : fewest(there.size(), among(there, weighed)));
                int asked = 0;
                for (Verdict pending = log.bag(1).pending();
                        pending != null;
                        pending = log.bag(1).pending(), asked++) {
                    boolean first = truth.get(number(pending.first())) > truth.get(number(pending.second()));
                    String heavier = first ? pending.first() : pending.second();
                    String lighter = first ? pending.second() : pending.first();
                    weighed.add(new int[] {number(heavier), number(lighter)});
                    assertThat(log.append(new Entry.Balance(
                                    "b" + i + "-" + asked, Sample.at("06-05T08:00"), heavier, lighter)))
                            .isEmpty();
                }
                assertThat(asked).isEqualTo(said);
            }
            assertThat(log.bag(1).fish().stream()
                            .map(f -> truth.get(number(f.id())))
                            .sorted()
                            .toList())
                    .isEqualTo(List.of(4, 5, 6));
        }
    }

    private static long among(List<Integer> fish, List<int[]> weighed) {
        long known = 0;
        for (int[] w : weighed) {
            int a = fish.indexOf(w[0]);
            int b = fish.indexOf(w[1]);
            known = a < 0 || b < 0 ? known : closed(fish.size(), known, a, b);
        }
        return known;
    }

    /** Sorting the five and finding each later fish's place by halves takes 8 weighings at best for the five and 2 or 3 for each later one. */
    @Test
    void overADayItTakesFewerWeighingsThanKeepingTheLivewellInOrder() {
        Event event = Sample.tournament(5, List.of(Sample.LARGEMOUTH));
        double all = 0;
        for (List<Integer> truth : days(15).subList(0, LONG_DAYS)) {
            BagLog log = new BagLog(event);
            for (int i = 0; i < truth.size(); i++) {
                log.append(Sample.fish("c" + i, Species.LARGEMOUTH, null, null));
                for (Verdict p = log.bag(1).pending(); p != null; p = log.bag(1).pending()) {
                    boolean first = truth.get(number(p.first())) > truth.get(number(p.second()));
                    log.append(new Entry.Balance(
                            "b" + all++,
                            Sample.at("06-05T08:00"),
                            first ? p.first() : p.second(),
                            first ? p.second() : p.first()));
                }
            }
        }
        double inOrder = Math.log(120) / Math.log(2) + 10 * Math.log(6) / Math.log(2);
        assertThat(all / LONG_DAYS).isLessThan(inOrder);
    }
}
