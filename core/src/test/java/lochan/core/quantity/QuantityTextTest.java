package lochan.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import lochan.core.practice.FishSize;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityTextTest {

    private static final double GRAM = 0.01;

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3-4 | 1474.18",
                "3 4 | 1474.18",
                "3 - 4 | 1474.18",
                "3.25 | 1474.18",
                "3,25 | 1474.18",
                "3lb4oz | 1474.18",
                "3 lb 4 oz | 1474.18",
                "3lbs, 4 oz | 1474.18",
                "52 oz | 1474.18",
                "1.47418 kg | 1474.18",
                "1474.18g | 1474.18",
                "3-4.5 | 1488.35",
                "0-12 | 340.19",
                "about two and a half | 1133.98",
                "~2.5 | 1133.98",
                "half a pound | 226.80",
                "three and a quarter | 1474.18",
                "5 | 2267.96",
                "3# | 1360.78"
            })
    void readsWeightsAsPeopleTypeThem(String typed, double grams) throws BadQuantityException {
        assertThat(QuantityText.grams(typed, Units.USUAL)).isCloseTo(grams, within(GRAM));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1.5 | 1500", "850 g | 850", "3lb4oz | 1474.18", "2 lb | 907.18"})
    void readsAPlainNumberInTheAnglersOwnUnit(String typed, double grams) throws BadQuantityException {
        assertThat(QuantityText.grams(typed, Units.METRIC)).isCloseTo(grams, within(GRAM));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "14 | 355.6",
                "14 1/2 | 368.3",
                "14.5 in | 368.3",
                "14 1/2\" | 368.3",
                "36 cm | 360",
                "355mm | 355",
                "3/4 | 19.05"
            })
    void readsLengths(String typed, double mm) throws BadQuantityException {
        assertThat(QuantityText.mm(typed, Units.USUAL)).isCloseTo(mm, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3-4 | SCALE",
                "about 3 | GUESS",
                "3 to 4 | RANGE",
                "4 to 3 | RANGE",
                "2-8 to 3-8 | RANGE",
                "15 in | LENGTH",
                "38 cm | LENGTH",
                "14 1/2\" | LENGTH"
            })
    void tellsKindsOfSizesApart(String typed, FishSize.How how) throws BadQuantityException {
        FishSize size = QuantityText.size(typed, true, Units.USUAL);

        assertThat(size.how()).isEqualTo(how);
        assertThat(size.entered()).isEqualTo(typed);
        if (how == FishSize.How.RANGE) {
            assertThat(size.loGrams()).isLessThan(size.hiGrams());
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "big",
                "3-16",
                "-2",
                "3 lb 20 oz",
                "3 stone",
                "1e3",
                "NaN",
                "Infinity",
                "3--4",
                "two-and",
                "9999999999999999"
            })
    void refusesWhatIsNotAWeight(String typed) {
        assertThatThrownBy(() -> QuantityText.grams(typed, Units.USUAL))
                .isInstanceOf(BadQuantityException.class)
                .hasMessageStartingWith("quantities.")
                .hasMessageContaining("[" + typed);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"66 | 18.889", "66 F | 18.889", "19 C | 19", "19°C | 19", "-2 C | -2"})
    void readsTemperatures(String typed, double celsius) throws BadQuantityException {
        assertThat(QuantityText.celsius(typed, Units.USUAL)).isCloseTo(celsius, within(1e-3));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"10 | 4.4704", "16.09344 km/h | 4.4704", "4.4704 m/s | 4.4704"})
    void readsSpeeds(String typed, double mps) throws BadQuantityException {
        assertThat(QuantityText.mps(typed, Units.USUAL)).isCloseTo(mps, within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(Units.Weight.class)
    void whatIsOfferedAsTypedReadsBackTheSameWeight(Units.Weight unit) throws BadQuantityException {
        Units units = new Units(unit, Units.Length.IN, Units.Depth.FT, Units.Temperature.F, Units.Speed.MPH);
        double coarsest = Units.GRAMS_PER_OUNCE / 10;
        Random random = new Random(1);
        for (int i = 0; i < 500; i++) {
            double grams = 100 + 6000 * random.nextDouble();
            assertThat(QuantityText.grams(units.typedWeight(grams), units)).isCloseTo(grams, within(coarsest));
            assertThat(QuantityText.mm(units.typedLength(grams), units)).isCloseTo(grams, within(0.2));
            assertThat(QuantityText.celsius(units.typedTemperature(grams / 300), units))
                    .isCloseTo(grams / 300, within(0.06));
        }
    }
}
