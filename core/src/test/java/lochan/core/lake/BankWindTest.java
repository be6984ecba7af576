package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A lake 2 km by 2 km whose banks lie due north, east, south and west. */
class BankWindTest {

    private static final double LAT = 45;
    private static final Position MIDDLE = new Position(LAT, -118);
    private static final Lake LAKE = new Lake(
            List.of(new Lake.Body(
                    List.of(at(-1000, -1000), at(1000, -1000), at(1000, 1000), at(-1000, 1000)),
                    List.of(List.of(at(-300, 820), at(300, 820), at(300, 860), at(-300, 860))))),
            List.of());
    private static final BankWind WIND = new BankWind(LAKE, Assumptions.DEFAULTS.bank());

    private static Position at(double east, double north) {
        return new Position(LAT + north / Position.METRES_PER_DEGREE, -118 + east / Position.metresPerDegreeEast(LAT));
    }

    @ParameterizedTest
    @CsvSource({"600, 960, 0", "960, 0, 90", "0, -960, 180", "-960, 0, 270"})
    void aBankLiesWhereTheShoreIsNearest(double east, double north, double bearing) {
        assertThat(WIND.bankDeg(at(east, north)).orElseThrow()).isCloseTo(bearing, within(0.5));
    }

    @Test
    void farFromTheShoreThereIsNoBank() {
        assertThat(WIND.bankDeg(MIDDLE)).isEmpty();
        assertThat(WIND.side(MIDDLE, 5.0, 180.0)).isNull();
        assertThat(WIND.side(MIDDLE, 0.2, null)).isNull();
    }

    /** The place lies 40 m off the north bank, 600 m east of the middle. */
    @ParameterizedTest
    @CsvSource({
        "180, 5, BLOWN",
        "130, 5, BLOWN",
        "230, 5, BLOWN",
        "90, 5, ",
        "270, 5, ",
        "0, 5, SLICK",
        "50, 5, SLICK",
        "180, 0.5, SLICK",
        "0, 0.5, SLICK"
    })
    void windFromTheLakeBlowsOntoItWindOverItLeavesItSlick(double from, double mps, BankSide side) {
        assertThat(WIND.side(at(600, 960), mps, from)).isEqualTo(side);
    }

    /** With 130 m of open water upwind a bank is ruffled, with 40 m it is not. */
    @Test
    void aShelteredBankIsSlickOnlyWithHardlyAnyWaterUpwind() {
        assertThat(WIND.side(at(600, 870), 5.0, 0.0))
                .as("130 m off the bank that the wind comes over")
                .isEqualTo(BankSide.SHELTERED);
        assertThat(WIND.side(at(0, 780), 5.0, 0.0))
                .as("40 m off the island, in its lee")
                .isEqualTo(BankSide.SLICK);
        assertThat(WIND.side(at(0, 780), 5.0, 180.0))
                .as("the wind comes onto the island")
                .isEqualTo(BankSide.BLOWN);
        assertThat(WIND.side(at(0, 900), 5.0, 180.0)).as("behind the island").isEqualTo(BankSide.SLICK);
    }

    @Test
    void aDockOnTheBankHasItsBankBehindIt() {
        assertThat(Math.IEEEremainder(WIND.bankDeg(at(600, 1010)).orElseThrow(), 360))
                .isCloseTo(0, within(0.5));
        assertThat(WIND.side(at(600, 1010), 5.0, 180.0)).isEqualTo(BankSide.BLOWN);
    }

    @Test
    void unknownWindSaysNothing() {
        assertThat(WIND.side(at(600, 960), null, 180.0)).isNull();
        assertThat(WIND.side(at(600, 960), 5.0, null)).isNull();
    }
}
