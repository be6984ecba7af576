package lochan.core.model.ranking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RankingTest {

    static IntStream seeds() {
        return IntStream.range(0, 10);
    }

    private static Ranking rankings(int seed) {
        return new Ranking(new FittedDayModel(Sample.practiced(5, seed), 1, Assumptions.DEFAULTS), 2);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyMarkedSpotIsRankedOnEveryPatternWithEvidence(int seed) {
        List<RankingRow> rows = rankings(seed).rows();

        assertThat(rows)
                .extracting(RankingRow::cell)
                .containsExactlyInAnyOrder(
                        new Cell("grass-1", "swim-jig"),
                        new Cell("grass-1", "walker"),
                        new Cell("grass-2", "swim-jig"),
                        new Cell("grass-2", "walker"),
                        new Cell("grass-3", "swim-jig"),
                        new Cell("grass-3", "walker"),
                        new Cell("ledge-1", "swim-jig"),
                        new Cell("ledge-1", "walker"));
        assertThat(rows).allSatisfy(r -> {
            assertThat(r.bites().p10()).isLessThan(r.bites().mean());
            assertThat(r.bites().p90()).isGreaterThan(r.bites().mean());
            assertThat(r.stones()).isBetween(1, 5);
            assertThat(r.daysSince()).isEqualTo(2L);
        });
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aRowIsTheSumOfItsEvidence(int seed) {
        Ranking rankings = rankings(seed);

        assertThat(rankings.rows()).allSatisfy(row -> assertThat(rankings.evidence(row.cell()).stream()
                        .mapToDouble(Ranking.Evidence::effectiveHours)
                        .sum())
                .isCloseTo(row.effectiveHours(), within(1e-9)));
    }

    @Test
    void aSpotWithBitesAndNoSizeIsFlagged() {
        var bite = Sample.bite(null, Outcome.LANDED, null);
        var event = Sample.event(
                Sample.tournament(5, List.of(Sample.LARGEMOUTH)),
                List.of(Sample.spot("a", "hump", Zone.DEEP, 1), Sample.spot("b", "hump", Zone.DEEP, 2)),
                List.of(Sample.stop("p", "a", "06-03T08:00", "06-03T09:00", List.of("swim-jig"), bite, bite, bite)));
        List<RankingRow> rows = new Ranking(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 0).rows();

        assertThat(rows).extracting(RankingRow::isSizeUnknown).containsExactly(true, false);
        assertThat(rows).extracting(RankingRow::isUntried).containsExactly(false, true);

        var sized = event.stops().getFirst();
        var weighed = Sample.event(
                event.event(),
                event.spots(),
                List.of(
                        sized,
                        Sample.stop(
                                "q",
                                "a",
                                "06-03T09:00",
                                "06-03T10:00",
                                List.of("swim-jig"),
                                Sample.bite(null, Outcome.LANDED, FishSize.scale(900)))));
        assertThat(new Ranking(new FittedDayModel(weighed, 1, Assumptions.DEFAULTS), 0)
                        .rows()
                        .getFirst()
                        .isSizeUnknown())
                .isFalse();
    }

    @Test
    void patternsSumTheirSpots() {
        assertThat(rankings(1).patterns()).anySatisfy(p -> {
            assertThat(p.pattern().spotType()).isEqualTo("grass-edge");
            assertThat(p.spots()).isEqualTo(3);
        });
        assertThat(rankings(1).otherSpotsOfPattern(new Cell("grass-3", "walker")))
                .containsExactlyInAnyOrder("grass-1", "grass-2");
    }

    @Test
    void refusesABinTheDayDoesNotHave() {
        FittedDayModel model = new FittedDayModel(Sample.practiced(5, 1), 1, Assumptions.DEFAULTS);

        assertThatThrownBy(() -> new Ranking(model, 18)).isInstanceOf(IndexOutOfBoundsException.class);
        assertThatThrownBy(() -> new FittedDayModel(Sample.practiced(5, 1), 3, Assumptions.DEFAULTS))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("day is 3");
    }
}
