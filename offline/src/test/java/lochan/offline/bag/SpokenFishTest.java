package lochan.offline.bag;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.event.Species;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpokenFishTest {

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "largemouth three four, largemouth, 3-4",
                "Smallmouth 2 pounds 11 ounces, smallmouth, 2-11",
                "a large one, none, 1",
                "three point two five, none, none",
                "largemouth two point five, largemouth, 2.5",
                "four and a half, none, 4.5",
                "twenty three four, none, none",
                "small mouth to eight, smallmouth, 2-8",
                "nothing at all, none, none"
            })
    void fillsTheFormInPounds(String words, String species, String measure) throws Exception {
        SpokenFish fish = of(words, Units.USUAL, false);
        assertThat(fish.species() == null ? null : fish.species().code()).isEqualTo(species);
        assertThat(fish.measure()).isEqualTo(measure);
        if (measure != null) {
            assertThat(QuantityText.grams(measure, Units.USUAL)).isPositive();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "one point eight, 1.8, false",
        "two four, 2.4, false",
        "38 and a half, 38 1/2, true",
        "fourteen five, 14.5, true"
    })
    void fillsTheFormInKilogramsOrByLength(String words, String measure, boolean byLength) {
        assertThat(of(words, Units.METRIC, byLength).measure()).isEqualTo(measure);
    }

    private static SpokenFish of(String words, Units units, boolean byLength) {
        return SpokenFish.of(words, List.of(Species.LARGEMOUTH, Species.SMALLMOUTH), units, byLength);
    }
}
