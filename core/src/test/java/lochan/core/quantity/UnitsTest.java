package lochan.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {

    @ParameterizedTest
    @CsvSource({
        "1474.2, LB_OZ, 3 lb 4 oz",
        "1474.2, LB, 3.25 lb",
        "1474.2, KG, 1.47 kg",
        "453.0, LB_OZ, 1 lb 0 oz",
        "0, LB_OZ, 0 lb 0 oz"
    })
    void showsAWeightInItsUnit(double grams, Units.Weight unit, String shown) {
        assertThat(new Units(unit, Units.Length.IN, Units.Depth.FT, Units.Temperature.F, Units.Speed.MPH).weight(grams))
                .isEqualTo(shown);
    }

    /** Numbers are rounded by their exact digits, halves up, however few of them have to be looked at. */
    @Test
    void roundsByExactDigits() {
        Random random = new Random(3);
        for (int i = 0; i < 20_000; i++) {
            int decimals = random.nextInt(7);
            double any = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(12) - 3);
            double half = Math.rint(any) + 0.5 * Math.pow(10, -decimals);
            for (double value : new double[] {any, half, Math.nextUp(half), Math.nextDown(half), -half}) {
                assertThat(Units.plain(value, decimals))
                        .isEqualTo(new BigDecimal(value)
                                .setScale(decimals, RoundingMode.HALF_UP)
                                .stripTrailingZeros()
                                .toPlainString());
                assertThat(Units.number(value, decimals))
                        .isEqualTo(BigDecimal.valueOf(value)
                                .setScale(decimals, RoundingMode.HALF_UP)
                                .toPlainString());
            }
        }
    }

    @Test
    void showsADashForWhatIsNotKnown() {
        assertThat(Units.USUAL.weight(null)).isEqualTo("–");
        assertThat(Units.USUAL.weight(Double.NaN)).isEqualTo("–");
        assertThat(Units.USUAL.temperature(null)).isEqualTo("–");
    }

    @Test
    void showsEveryQuantityWithItsUnit() {
        assertThat(Units.USUAL.length(355.6)).isEqualTo("14 in");
        assertThat(Units.USUAL.length(361.95)).isEqualTo("14.25 in");
        assertThat(Units.USUAL.depth(3.048)).isEqualTo("10 ft");
        assertThat(Units.USUAL.temperature(19.0)).isEqualTo("66 °F");
        assertThat(Units.USUAL.speed(4.4704)).isEqualTo("10 mph");
        assertThat(Units.USUAL.distance(1609.344)).isEqualTo("1.0 mi");
    }

    @ParameterizedTest
    @CsvSource({"3/8, 10.631", "1 1/2 oz, 42.524", "0.5, 14.175", "10 g, 10"})
    void readsTheWeightOfALureAndShowsItAsItIsStampedOn(String typed, double grams) throws BadQuantityException {
        assertThat(QuantityText.lureGrams(typed, Units.USUAL)).isCloseTo(grams, within(0.001));
        assertThat(QuantityText.lureGrams(Units.USUAL.typedLureWeight(grams), Units.USUAL))
                .isCloseTo(grams, within(0.45));
        assertThat(QuantityText.lureGrams(Units.METRIC.typedLureWeight(grams), Units.METRIC))
                .isCloseTo(grams, within(0.051));
    }

    @Test
    void showsTackleInTheAnglersUnits() throws BadQuantityException {
        assertThat(Units.USUAL.lureWeight(10.63)).isEqualTo("3/8 oz");
        assertThat(Units.USUAL.lureWeight(42.5)).isEqualTo("1 1/2 oz");
        assertThat(Units.METRIC.lureWeight(10.63)).isEqualTo("10.6 g");
        assertThat(Units.USUAL.lineStrength(5.443)).isEqualTo("12 lb");
        assertThat(Units.METRIC.lineStrength(5.443)).isEqualTo("5.4 kg");
        assertThat(Units.USUAL.rodLength(2.1844)).isEqualTo("7 ft 2 in");
        assertThat(Units.METRIC.rodLength(2.1844)).isEqualTo("2.18 m");
        assertThat(QuantityText.rodMetres("7-2", Units.USUAL)).isCloseTo(2.1844, within(1e-9));
        assertThat(QuantityText.rodMetres("7 ft 2 in", Units.METRIC)).isCloseTo(2.1844, within(1e-9));
        assertThat(QuantityText.rodMetres("7", Units.USUAL)).isCloseTo(2.1336, within(1e-9));
        assertThat(QuantityText.lineKg("12", Units.USUAL)).isCloseTo(5.443, within(0.001));
        assertThat(QuantityText.lineKg("12 lb", Units.METRIC)).isCloseTo(5.443, within(0.001));
        assertThatThrownBy(() -> QuantityText.lineKg("thick", Units.USUAL))
                .hasMessage("quantities.line-strength[thick]");
        assertThatThrownBy(() -> QuantityText.lureGrams("3/0", Units.USUAL)).hasMessage("quantities.lure-weight[3/0]");
    }
}
