package lochan.offline.alarm;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class AlarmTest {

    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final Instant LEAVE = Instant.parse("2027-06-05T20:41:00Z");

    /** What has rung once does not ring again, looked at every 15 seconds of a day. */
    private static List<String> rung(Alarm.Day day) {
        Set<String> known = new HashSet<>();
        return Stream.iterate(LEAVE.minusSeconds(6 * 3600), t -> t.plusSeconds(15))
                .limit(8 * 240)
                .flatMap(now -> Alarm.due(day, now, ZONE).stream()
                        .filter(a -> known.add(a.id()))
                        .map(a -> now.atZone(ZONE).toLocalTime().withSecond(0) + " " + a.words()))
                .toList();
    }

    @Test
    void ofADayEachRingsOnceAtItsTime() {
        Alarm.Day day = new Alarm.Day(
                LEAVE,
                null,
                new Alarm.Timed("10:25", Instant.parse("2027-06-05T16:19:00Z"), "Sill Ledge, Carolina rig"),
                List.of(new Alarm.Timed("storm", Instant.parse("2027-06-05T19:00:00Z"), "Be ashore by 13:00.")),
                List.of(),
                List.of(new Alarm.Timed("big", Instant.parse("2027-06-05T17:15:00Z"), "Old Boathouse")),
                null);
        assertThat(rung(day))
                .containsExactly(
                        "10:19 Leave for the next stop: Sill Ledge, Carolina rig",
                        "11:15 Go back to Old Boathouse.",
                        "12:30 Be ashore by 13:00.",
                        "12:45 Be ashore by 13:00.",
                        "14:21 Leave for check-in by 14:41: 20 minutes left.",
                        "14:31 Leave for check-in by 14:41: 10 minutes left.",
                        "14:41 Leave for check-in now.");
    }

    @Test
    void beforeLightningTheShelterIsWhatItLeavesFor() {
        Alarm.Day day = new Alarm.Day(LEAVE, "Old Boathouse", null, List.of(), List.of(), List.of(), null);
        assertThat(rung(day)).last().isEqualTo("14:41 Leave for Old Boathouse now.");
    }

    @Test
    void whatIsLongPastRingsNoMoreAndTheLivewellEachHour() {
        assertThat(Alarm.due(
                        new Alarm.Day(LEAVE, null, null, List.of(), List.of(), List.of(), null),
                        LEAVE.plusSeconds(3600),
                        ZONE))
                .isEmpty();
        assertThat(rung(new Alarm.Day(
                        null,
                        null,
                        null,
                        List.of(),
                        List.of("Harth Grass looks dead."),
                        List.of(),
                        "Check the livewell.")))
                .filteredOn(w -> w.contains("livewell"))
                .hasSize(9);
        assertThat(rung(new Alarm.Day(
                        null, null, null, List.of(), List.of("Harth Grass looks dead."), List.of(), null)))
                .containsExactly("08:41 Harth Grass looks dead.");
    }
}
