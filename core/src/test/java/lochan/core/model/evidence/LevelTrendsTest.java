package lochan.core.model.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeLevels;
import lochan.core.practice.LevelTrend;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LevelTrendsTest {

    private static final EventData EVENT =
            Sample.event(Sample.tournament(5, List.of(Sample.LARGEMOUTH)), List.of(), List.of());
    private static final LocalDate DAY = LocalDate.ofInstant(Sample.at("06-05T12:00"), Sample.ZONE);

    private static EventData event(double riseM) {
        LakeLevels levels = LakeLevels.UNKNOWN
                .with(new LakeLevels.Reading(DAY.minusDays(2), 1))
                .with(new LakeLevels.Reading(DAY, 1 + riseM));
        return EVENT.toBuilder()
                .lake(new Lake(List.of(), List.of()).withLevels(levels))
                .build();
    }

    @ParameterizedTest
    @CsvSource({"0.2, RISING", "-0.2, FALLING", "0.05, STEADY", "-0.05, STEADY"})
    void readingsTellWhichWayTheWaterGoes(double riseM, LevelTrend trend) {
        assertThat(LevelTrends.of(null, event(riseM), Sample.at("06-05T06:00"))).isEqualTo(trend);
    }

    @Test
    void whatWasSeenOnTheWaterCountsBeforeAnyReading() {
        assertThat(LevelTrends.of(LevelTrend.FALLING, event(0.2), Sample.at("06-05T06:00")))
                .isEqualTo(LevelTrend.FALLING);
    }

    /** The day begins at the lake, not at Greenwich. */
    @Test
    void aReadingCountsFromItsDayAtTheLake() {
        assertThat(LevelTrends.of(null, event(0.2), Sample.at("06-04T23:50")))
                .as("one reading is no trend")
                .isNull();
        assertThat(LevelTrends.of(null, event(0.2), Sample.at("06-05T00:10"))).isEqualTo(LevelTrend.RISING);
        assertThat(LevelTrends.of(null, EVENT, Sample.at("06-05T06:00")))
                .as("no lake")
                .isNull();
    }
}
