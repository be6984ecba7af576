package lochan.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {

    @ParameterizedTest
    @CsvSource({"1474.2, LB_OZ, 3 lb 4 oz", "1474.2, LB, 3.25 lb", "1474.2, KG, 1.47 kg", "453.0, LB_OZ, 1 lb 0 oz", "0, LB_OZ, 0 lb 0 oz"})
    void showsAWeightInItsUnit(double grams, Units.Weight unit, String shown) {
        assertThat(new Units(unit, Units.Length.IN, Units.Depth.FT, Units.Temperature.F, Units.Speed.MPH).weight(grams)).isEqualTo(shown);
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
}
