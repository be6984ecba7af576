package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import lochan.core.Sample;
import lochan.core.event.Brief;
import org.junit.jupiter.api.Test;

class WellCareTest {

    private static final Brief BRIEF = Sample.practiced(5, 1).brief();

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static Entry.Catch fish(String id, String time) {
        return new Entry.Catch(id, at(time), null, 1000.0, null, null, null, true, null, null);
    }

    private static WellCare care(String now, Entry... entries) {
        BagLog log = new BagLog(BRIEF);
        for (Entry e : entries) {
            assertThat(log.append(e)).isEmpty();
        }
        return WellCare.of(BRIEF, log, 1, at(now));
    }

    @Test
    void aFishCountsItsHoursFromWhenItWasCaughtUntilItDies() {
        WellCare care = care("09:00", fish("a", "07:00"), fish("b", "08:30"), fish("c", "07:30"), new Entry.Died("d", at("08:00"), "c"));
        assertThat(care.inWell()).containsExactly(Map.entry("a", Duration.ofHours(2)), Map.entry("b", Duration.ofMinutes(30)));
    }

    @Test
    void theLongestComesFirstAndAllHoursAddUp() {
        WellCare care = care("09:00", fish("b", "08:30"), fish("a", "07:00"));
        assertThat(care.inWell().keySet()).containsExactly("a", "b");
        assertThat(care.fishHours()).isCloseTo(2.5, within(1e-9));
        assertThat(care.since()).isEqualTo(at("07:00"));
    }

    @Test
    void theWellWantsALookAnHourAfterTheFirstFishOrTheLastLook() {
        assertThat(care("07:59", fish("a", "07:00")).isDue(at("07:59"))).isFalse();
        assertThat(care("08:00", fish("a", "07:00")).isDue(at("08:00"))).isTrue();
        Entry looked = new Entry.WellWater("w", at("08:10"), 21);
        assertThat(care("09:09", fish("a", "07:00"), looked).isDue(at("09:09"))).isFalse();
        assertThat(care("09:10", fish("a", "07:00"), looked).isDue(at("09:10"))).isTrue();
        assertThat(care("12:00").isDue(at("12:00"))).as("without fish nothing is due").isFalse();
    }

    @Test
    void onlyTheLastLookThatStandsTellsTheTemperature() {
        Entry cool = new Entry.WellWater("w1", at("08:00"), 20);
        Entry warm = new Entry.WellWater("w2", at("08:30"), WellCare.WARM_C);
        assertThat(care("09:00", fish("a", "07:00"), cool, warm).isWarm()).isTrue();
        assertThat(care("09:00", fish("a", "07:00"), cool, warm, new Entry.Void("v", at("08:31"), "w2")).celsius()).isEqualTo(20);
        assertThat(new BagLog(BRIEF).append(new Entry.WellWater("w3", at("08:00"), 72))).hasValueSatisfying(v -> assertThat(v.message()).contains("expected 0 to 40 °C"));
    }
}
