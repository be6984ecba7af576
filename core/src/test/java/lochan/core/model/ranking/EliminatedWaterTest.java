package lochan.core.model.ranking;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import lochan.core.Sample;
import lochan.core.lake.Zone;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import org.junit.jupiter.api.Test;

class EliminatedWaterTest {

    private static PracticeStop stop(String id, String spot, String from, String to, Bite... bites) {
        return Sample.stop(id, spot, "06-01T" + from, "06-01T" + to, List.of("swim-jig"), bites);
    }

    private static Map<String, Duration> gone(PracticeStop... stops) {
        return EliminatedWater.of(Sample.event(
                Sample.tournament(5, List.of(Sample.LARGEMOUTH)),
                List.of(Sample.spot("bar", "hump", Zone.MID, 1), Sample.spot("bay", "pocket", Zone.SHALLOW, 2)),
                List.of(stops)));
    }

    @Test
    void stopsWithoutABiteAddUpToHalfAnHour() {
        assertThat(gone(stop("a", "bar", "07:00", "07:15")))
                .as("too short to say anything")
                .isEmpty();
        assertThat(gone(stop("a", "bar", "07:00", "07:15"), stop("b", "bar", "09:00", "09:20")))
                .isEqualTo(Map.of("bar", Duration.ofMinutes(35)));
    }

    @Test
    void oneBiteOnAnyDayKeepsTheSpot() {
        Bite lost = Sample.bite("06-01T09:05", Outcome.LOST, null);

        assertThat(gone(
                        stop("a", "bar", "07:00", "08:00"),
                        stop("b", "bar", "09:00", "09:10", lost),
                        stop("c", "bay", "10:00", "11:00")))
                .isEqualTo(Map.of("bay", Duration.ofHours(1)));
    }

    @Test
    void timeWithoutALineInTheWaterDoesNotCount() {
        PracticeStop idle = PracticeStopBuilder.builder(stop("a", "bar", "07:00", "08:00"))
                .idleMinutes(40)
                .build();

        assertThat(gone(idle)).isEmpty();
    }
}
