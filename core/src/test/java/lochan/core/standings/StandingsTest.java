package lochan.core.standings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import lochan.core.rate.Cell;
import lochan.core.scenario.DayModel;
import lochan.core.water.Zone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StandingsTest {

    static IntStream seeds() {
        return IntStream.range(0, 10);
    }

    private static Standings standings(int seed) {
        return new Standings(new DayModel(Sample.practiced(5, seed), 1, Assumptions.DEFAULTS), 2);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyMarkedSpotIsRankedOnEveryPatternWithEvidence(int seed) {
        List<StandingsRow> rows = standings(seed).rows();

        assertThat(rows).extracting(StandingsRow::cell).containsExactlyInAnyOrder(
                new Cell("grass-1", "swim-jig"), new Cell("grass-1", "walker"), new Cell("grass-2", "swim-jig"), new Cell("grass-2", "walker"),
                new Cell("grass-3", "swim-jig"), new Cell("grass-3", "walker"), new Cell("ledge-1", "swim-jig"), new Cell("ledge-1", "walker"));
        assertThat(rows).allSatisfy(r -> {
            assertThat(r.strikes().p10()).isLessThan(r.strikes().mean());
            assertThat(r.strikes().p90()).isGreaterThan(r.strikes().mean());
            assertThat(r.stones()).isBetween(1, 5);
            assertThat(r.daysSince()).isEqualTo(2L);
        });
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aRowIsTheSumOfItsEvidence(int seed) {
        Standings standings = standings(seed);

        assertThat(standings.rows()).allSatisfy(row -> assertThat(standings.evidence(row.cell()).stream()
                .mapToDouble(Standings.Evidence::effectiveHours).sum()).isCloseTo(row.effectiveHours(), within(1e-9)));
    }

    @Test
    void aSpotWithStrikesAndNoSizeIsFlagged() {
        var bite = Sample.bite(null, Outcome.LANDED, null);
        var event = Sample.event(Sample.brief(5, List.of(Sample.LARGEMOUTH)),
                List.of(Sample.spot("a", "hump", Zone.DEEP, 1), Sample.spot("b", "hump", Zone.DEEP, 2)),
                List.of(Sample.stop("p", "a", "06-03T08:00", "06-03T09:00", List.of("swim-jig"), bite, bite, bite)));
        List<StandingsRow> rows = new Standings(new DayModel(event, 1, Assumptions.DEFAULTS), 0).rows();

        assertThat(rows).extracting(StandingsRow::isSizeUnknown).containsExactly(true, false);
        assertThat(rows).extracting(StandingsRow::isUntried).containsExactly(false, true);

        var sized = event.stops().getFirst();
        var weighed = Sample.event(event.brief(), event.spots(), List.of(sized,
                Sample.stop("q", "a", "06-03T09:00", "06-03T10:00", List.of("swim-jig"), Sample.bite(null, Outcome.LANDED, FishSize.scale(900)))));
        assertThat(new Standings(new DayModel(weighed, 1, Assumptions.DEFAULTS), 0).rows().getFirst().isSizeUnknown()).isFalse();
    }

    @Test
    void patternsSumTheirSpots() {
        assertThat(standings(1).patterns()).anySatisfy(p -> {
            assertThat(p.pattern().placeClass()).isEqualTo("grass-edge");
            assertThat(p.spots()).isEqualTo(3);
        });
        assertThat(standings(1).otherSpotsOfPattern(new Cell("grass-3", "walker"))).containsExactlyInAnyOrder("grass-1", "grass-2");
    }

    @Test
    void refusesABinTheDayDoesNotHave() {
        DayModel model = new DayModel(Sample.practiced(5, 1), 1, Assumptions.DEFAULTS);

        assertThatThrownBy(() -> new Standings(model, 18)).isInstanceOf(IndexOutOfBoundsException.class);
        assertThatThrownBy(() -> new DayModel(Sample.practiced(5, 1), 3, Assumptions.DEFAULTS)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("day is 3");
    }
}
