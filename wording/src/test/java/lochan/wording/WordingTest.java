package lochan.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.ReasonCode;
import lochan.core.event.RuleField;
import lochan.core.event.RuleProblem;
import lochan.core.event.Species;
import lochan.core.quantity.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WordingTest {

    private static String fill(String pattern, Object... values) {
        return new Template(pattern).fill(List.of(values), String::valueOf);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"1; 1 fish isn't much", "0; 0 fish aren't much", "2; 2 fish aren't much", "12; 12 fish aren't much"
            })
    void choosesTheWordByTheNumberAndKeepsApostrophes(int fish, String text) {
        assertThat(fill("{0} fish {0|isn't|aren't} much", fish)).isEqualTo(text);
    }

    @Test
    void showsAPartOnlyWhereItsValueIsNotEmpty() {
        assertThat(fill("Stop{0? at {0} ({1} min)}.", "Reed", 5)).isEqualTo("Stop at Reed (5 min).");
        assertThat(fill("Stop{0? at {0} ({1} min)}.", "", 5)).isEqualTo("Stop.");
    }

    @Test
    void takesBracesInAValueAsText() {
        assertThat(fill("“{0}” isn't a time.", "{1|a|b}")).isEqualTo("“{1|a|b}” isn't a time.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"{1}", "{}", "{name}", "{0", "{0|one}", "{0|a|b|c}"})
    void refusesAMalformedMessage(String pattern) {
        assertThatThrownBy(() -> fill(pattern, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void showsQuantitiesInTheAnglersUnits() {
        Reason slot = RuleProblem.SLOT_ORDER.with(Measure.length(500), Measure.length(400), Measure.length(1500));
        assertThat(Wording.text(slot, Units.USUAL))
                .isEqualTo("Enter the slot as two lengths, shorter first (up to 59.06 in).");
        assertThat(Wording.text(slot, Units.METRIC))
                .isEqualTo("Enter the slot as two lengths, shorter first (up to 150 cm).");
    }

    @Test
    void showsChoicesAndReasonsInAReason() {
        assertThat(Wording.text(RuleProblem.SPECIES_TWICE.with(Species.LARGEMOUTH), Units.USUAL))
                .isEqualTo("There are two rules for largemouth. Keep one.");
        assertThat(Wording.text(RuleProblem.NEGATIVE.with(RuleField.TARGET, -1.0), Units.USUAL))
                .isEqualTo("The target weight must be 0 or more. Leave it empty if there is none.");
    }

    @Test
    void saysWhichMessageIsMissing() {
        assertThatThrownBy(() -> Wording.text("rules.no-such-message")).hasMessageContaining("rules.no-such-message");
        assertThatThrownBy(() -> Wording.text("nothing")).hasMessageContaining("nothing");
    }

    @Test
    void refusesValuesAMessageDoesNotTake() {
        ReasonCode code = RuleProblem.NAME_LONG;
        assertThatThrownBy(() -> code.with(1))
                .hasMessageContaining("rules.name-long")
                .hasMessageContaining("2");
    }
}
