package lochan.core.planning.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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
            int of = item;
            if (tour.stream().noneMatch(v -> v.item() == of)) {
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

    @ParameterizedTest
    @CsvSource({
        "5, 10", "10, 15", "15, 45", "20, 65", "25, 90", "30, 110", "35, 135", "40, 155", "46, 175", "50, 190",
        "55, 205", "60, 225", "65, 240", "70, 260", "73, 265", "75, 270", "80, 280", "85, 285"
    })
    void reachesTheBestKnownScores(double budget, double best) throws IOException {
        // Tsiligirides (1984), problem set 1: x, y and score of start, end and the other nodes.
        List<Orienteering.Node> nodes;
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream("/tsiligirides-1.txt"))) {
            nodes = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(l -> Arrays.stream(l.split(" "))
                            .mapToDouble(Double::parseDouble)
                            .toArray())
                    .map(n -> new Orienteering.Node(n[0], n[1], n[2]))
                    .toList();
        }
        Orienteering problem = new Orienteering(budget, nodes);

        TourSearch.Result found = TourSearch.best(problem, 1, 4000, i -> true);

        assertThat(found.value()).isEqualTo(best);
        assertThat(problem.length(found.tour())).isLessThanOrEqualTo(budget + 1e-9);
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
