package lochan.core.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import lochan.core.Sample;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.event.Event;
import lochan.core.model.rate.Cell;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;

class TodayTest {

    private static final Event BRIEF = Sample.practiced(5, 1).event();
    private static final Cell GRASS = new Cell("grass-1", "walker");
    private static final Cell LEDGE = new Cell("ledge-1", "swim-jig");

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static Entry fishing(String id, String time, Cell cell) {
        return new Entry.Fishing(
                id, at(time), cell == null ? null : cell.spotId(), cell == null ? null : cell.presentationId());
    }

    @Test
    void effortRunsFromOneWordOfWhatIsFishedToTheNext() {
        List<Entry> log =
                List.of(fishing("w1", "06:30", GRASS), fishing("w2", "08:00", null), fishing("w3", "08:20", LEDGE));
        assertThat(Today.of(BagLog.replay(BRIEF, log), 1, at("09:00")).efforts())
                .containsExactly(
                        new Today.Effort(GRASS, at("06:30"), at("08:00")),
                        new Today.Effort(LEDGE, at("08:20"), at("09:00")));
        assertThat(Today.fishing(BagLog.replay(BRIEF, log), 1, at("07:00"))).isEqualTo(GRASS);
        assertThat(Today.fishing(BagLog.replay(BRIEF, log), 1, at("08:10"))).isNull();
        assertThat(Today.fishing(BagLog.replay(BRIEF, log), 1, at("09:00"))).isEqualTo(LEDGE);
    }

    @Test
    void aVoidWordIsAsIfItHadNotBeenSaid() {
        List<Entry> log = List.of(
                fishing("w1", "06:30", GRASS), fishing("w2", "07:00", LEDGE), new Entry.Void("v", at("07:05"), "w2"));
        assertThat(Today.of(BagLog.replay(BRIEF, log), 1, at("09:00")).efforts())
                .containsExactly(new Today.Effort(GRASS, at("06:30"), at("09:00")));
    }

    @Test
    void noEffortRunsOnAfterCheckIn() {
        assertThat(Today.of(BagLog.replay(BRIEF, List.of(fishing("w1", "14:00", GRASS))), 1, at("18:00"))
                        .efforts())
                .containsExactly(
                        new Today.Effort(GRASS, at("14:00"), BRIEF.day(1).checkIn()));
    }

    @Test
    void bitesAreTheFishAndWhatWasNotLandedWhereTheirCellIsKnown() {
        List<Entry> log = List.of(
                new Entry.Bite("s1", at("07:00"), "grass-1", "walker", Outcome.LOST),
                new Entry.Bite("s2", at("07:10"), null, null, Outcome.MISSED),
                EntryCatchBuilder.builder()
                        .id("c1")
                        .at(at("07:20"))
                        .grams(900.0)
                        .spotId("ledge-1")
                        .presentationId("swim-jig")
                        .alive(true)
                        .build(),
                new Entry.Void("v", at("07:30"), "s1"));
        assertThat(Today.of(BagLog.replay(BRIEF, log), 1, at("09:00")).bites())
                .containsExactly(new Today.Bite(LEDGE, at("07:20"), new Today.Landed(null, 900)));
    }
}
