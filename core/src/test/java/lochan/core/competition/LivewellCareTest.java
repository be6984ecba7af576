package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import lochan.core.Sample;
import lochan.core.event.Event;
import org.junit.jupiter.api.Test;

class LivewellCareTest {

    private static final Event BRIEF = Sample.practiced(5, 1).event();

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static Entry.Catch fish(String id, String time) {
        return EntryCatchBuilder.builder()
                .id(id)
                .at(at(time))
                .grams(1000.0)
                .alive(true)
                .build();
    }

    private static LivewellCare care(String now, Entry... entries) {
        BagLog log = new BagLog(BRIEF);
        for (Entry e : entries) {
            assertThat(log.append(e)).isEmpty();
        }
        return LivewellCare.of(BRIEF, log, 1, at(now));
    }

    @Test
    void aFishCountsItsHoursFromWhenItWasCaughtUntilItDies() {
        LivewellCare care = care(
                "09:00",
                fish("a", "07:00"),
                fish("b", "08:30"),
                fish("c", "07:30"),
                new Entry.Died("d", at("08:00"), "c"));
        assertThat(care.inLivewell())
                .containsExactly(Map.entry("a", Duration.ofHours(2)), Map.entry("b", Duration.ofMinutes(30)));
    }

    @Test
    void theLongestComesFirstAndAllHoursAddUp() {
        LivewellCare care = care("09:00", fish("b", "08:30"), fish("a", "07:00"));
        assertThat(care.inLivewell().keySet()).containsExactly("a", "b");
        assertThat(care.fishHours()).isCloseTo(2.5, within(1e-9));
        assertThat(care.since()).isEqualTo(at("07:00"));
    }

    @Test
    void theLivewellWantsALookAnHourAfterTheFirstFishOrTheLastLook() {
        assertThat(care("07:59", fish("a", "07:00")).isDue(at("07:59"))).isFalse();
        assertThat(care("08:00", fish("a", "07:00")).isDue(at("08:00"))).isTrue();
        Entry looked = new Entry.LivewellReading("w", at("08:10"), 21);
        assertThat(care("09:09", fish("a", "07:00"), looked).isDue(at("09:09"))).isFalse();
        assertThat(care("09:10", fish("a", "07:00"), looked).isDue(at("09:10"))).isTrue();
        assertThat(care("12:00").isDue(at("12:00")))
                .as("without fish nothing is due")
                .isFalse();
    }

    @Test
    void onlyTheLastLookThatStandsTellsTheTemperature() {
        Entry cool = new Entry.LivewellReading("w1", at("08:00"), 20);
        Entry warm = new Entry.LivewellReading("w2", at("08:30"), LivewellCare.WARM_C);
        assertThat(care("09:00", fish("a", "07:00"), cool, warm).isWarm()).isTrue();
        assertThat(care("09:00", fish("a", "07:00"), cool, warm, new Entry.Void("v", at("08:31"), "w2"))
                        .celsius())
                .isEqualTo(20);
        assertThat(new BagLog(BRIEF).append(new Entry.LivewellReading("w3", at("08:00"), 72)))
                .hasValueSatisfying(v -> assertThat(v.reason().code()).isEqualTo(LogProblem.LIVEWELL_RANGE));
    }
}
