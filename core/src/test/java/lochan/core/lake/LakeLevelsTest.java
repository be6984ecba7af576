package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class LakeLevelsTest {

    private static final LocalDate JUNE = LocalDate.of(2027, 6, 1);
    private static final LakeLevels LEVELS = new LakeLevels(
            186.5,
            List.of(
                    new LakeLevels.Reading(JUNE.plusDays(4), 186.2),
                    new LakeLevels.Reading(JUNE, 186.0),
                    new LakeLevels.Reading(JUNE.minusDays(40), 188)));

    @Test
    void theLastReadingHoldsUntilTheNextAndForAMonth() {
        assertThat(LEVELS.aboveReferenceM(JUNE.plusDays(3))).isCloseTo(-0.5, within(1e-9));
        assertThat(LEVELS.aboveReferenceM(JUNE.plusDays(4))).isCloseTo(-0.3, within(1e-9));
        assertThat(LEVELS.aboveReferenceM(JUNE.plusDays(60))).as("too long ago").isZero();
        assertThat(LEVELS.aboveReferenceM(JUNE.minusDays(1)))
                .as("nobody read it in the month before")
                .isZero();
    }

    @Test
    void twoReadingsOfAWeekTellWhichWayItGoes() {
        assertThat(LEVELS.risePerDayM(JUNE.plusDays(5))).isCloseTo(0.05, within(1e-9));
        assertThat(LEVELS.risePerDayM(JUNE.plusDays(2))).isNull();
    }

    @Test
    void aReadingReplacesOneOfItsDate() {
        LakeLevels again = LEVELS.with(new LakeLevels.Reading(JUNE, 187));

        assertThat(again.readings()).hasSize(3);
        assertThat(again.aboveReferenceM(JUNE)).isCloseTo(0.5, within(1e-9));
        assertThat(again.without(JUNE).readings()).hasSize(2);
        assertThat(new LakeLevels(1e9, List.of()).check()).hasSize(1);
    }
}
