package lochan.core.planning.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TourSearchTest {

    private static Orienteering scattered(int nodes, double budget, long seed) {
        Random random = new Random(seed);
        return new Orienteering(
                budget,
                IntStream.range(0, nodes)
                        .mapToObj(i -> new Orienteering.Node(
                                10 * random.nextDouble(),
                                10 * random.nextDouble(),
                                i < 2 ? 0 : 5 * (1 + random.nextInt(6))))
                        .toList());
    }

    /** The best score of all orders of all choices. */
    private static double enumerated(Orienteering o, List<Visit> tour, double best) {
        double most = Math.max(best, o.value(tour));
        for (int item = 0; item < o.items(); item++) {
            if (o.mayJoin(item, tour)) {
                List<Visit> more = new ArrayList<>(tour);
                more.add(new Visit(item, 0));
                if (o.slack(more) >= 0) {
                    most = enumerated(o, more, most);
                }
            }
        }
        return most;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void findsWhatEnumerationFinds(long seed) {
        Orienteering o = scattered(10, 22, seed);

        TourSearch.Result found =
                new TourSearch(o, List.of(), seed).rounds(60, i -> true).best();

        assertThat(found.value()).isEqualTo(enumerated(o, List.of(), 0));
        assertThat(o.length(found.tour())).isLessThanOrEqualTo(22);
    }

    @Test
    void theSameSeedGivesTheSameAndMoreRoundsNeverLess() {
        Orienteering o = scattered(30, 40, 9);
        double before = 0;
        for (int rounds : new int[] {1, 5, 20, 80}) {
            TourSearch.Result found =
                    new TourSearch(o, List.of(), 4).rounds(rounds, i -> true).best();
            assertThat(new TourSearch(o, List.of(), 4).rounds(rounds, i -> true).best())
                    .isEqualTo(found);
            assertThat(found.value()).isGreaterThanOrEqualTo(before);
            before = found.value();
        }
        assertThat(new TourSearch(o, List.of(), 4).rounds(1000, i -> i < 5).best())
                .as("stopped")
                .isEqualTo(new TourSearch(o, List.of(), 4).rounds(5, i -> true).best());
    }

    @Test
    void anEndOutOfReachAndTooMuchGivenAreRefused() {
        assertThatThrownBy(() -> scattered(5, 0.1, 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("farther");
        Orienteering o = scattered(10, 12, 1);
        List<Visit> all = IntStream.range(0, 8).mapToObj(i -> new Visit(i, 0)).toList();
        assertThatThrownBy(() -> new TourSearch(o, all, 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("do not fit");
    }
}
