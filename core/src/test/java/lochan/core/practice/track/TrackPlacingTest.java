package lochan.core.practice.track;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.Sample;
import lochan.core.event.BoatRun;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import org.junit.jupiter.api.Test;

class TrackPlacingTest {

    private static final Bite EARLY = Sample.bite("06-03T06:10", Outcome.LANDED, null);
    private static final Bite LATER = Sample.bite("06-03T08:20", Outcome.LOST, null);
    private static final Bite UNTIMED = Sample.bite(null, Outcome.MISSED, null);

    private static Track.Stop seen(String start, String end) {
        return new Track.Stop(Sample.at(start), Sample.at(end), Sample.LAUNCH, null);
    }

    @Test
    void aLoggedStopIsTheTracksStopItSharesMostTimeWith() {
        PracticeStop logged = Sample.stop("hand", "grass-1", "06-03T06:00", "06-03T07:00", List.of("walker"));
        List<Track.Stop> track = List.of(
                seen("06-03T05:50", "06-03T06:15"),
                seen("06-03T06:20", "06-03T06:58"),
                seen("06-03T09:00", "06-03T10:00"));

        assertThat(TrackPlacing.matches(track, List.of(logged)))
                .containsOnlyKeys(1)
                .containsEntry(1, logged);
    }

    /** One stop left open all morning: its bites go where the boat was. */
    @Test
    void bitesGoToTheStopThatHoldsTheirTime() {
        PracticeStop logged =
                Sample.stop("hand", "grass-1", "06-03T06:00", "06-03T09:00", List.of("walker"), EARLY, LATER, UNTIMED);
        PracticeStop first = Sample.stop("hand", "grass-1", "06-03T06:02", "06-03T07:00", List.of());
        PracticeStop second = Sample.stop("track-2", "grass-2", "06-03T08:00", "06-03T08:45", List.of("swim-jig"));
        TrackPlacing.Result placed = TrackPlacing.place(List.of(logged), List.of(first, second));

        assertThat(placed.stops()).hasSize(2);
        assertThat(placed.stops().get(0)).satisfies(s -> {
            assertThat(s.start()).isEqualTo(Sample.at("06-03T06:02"));
            assertThat(s.end()).isEqualTo(Sample.at("06-03T07:00"));
            assertThat(s.spotId()).isEqualTo("grass-1");
            assertThat(s.bites()).containsExactly(EARLY, UNTIMED);
        });
        assertThat(placed.stops().get(1).bites()).containsExactly(LATER.on("walker"));
        assertThat(placed.stops().get(1).presentations())
                .extracting(PresentationTime::presentationId)
                .containsExactly("swim-jig", "walker");
        assertThat(placed.moved()).containsExactly(new TrackPlacing.BiteMove("hand", 1, "track-2"));
    }

    @Test
    void aStopReachesAsFarAsTheBitesThatNoOtherHolds() {
        PracticeStop logged =
                Sample.stop("hand", "grass-1", "06-03T06:00", "06-03T09:00", List.of("walker"), EARLY, LATER);
        TrackPlacing.Result placed = TrackPlacing.place(
                List.of(logged), List.of(Sample.stop("hand", "grass-1", "06-03T06:30", "06-03T08:00", List.of())));

        assertThat(placed.moved()).isEmpty();
        assertThat(placed.stops()).singleElement().satisfies(s -> {
            assertThat(s.start()).isEqualTo(EARLY.at());
            assertThat(s.end()).isAfter(LATER.at());
            assertThat(s.bites()).containsExactly(EARLY, LATER);
        });
    }

    /** Ten minutes of one run before the stop, fifteen of another within it: those fifteen were not fished. */
    @Test
    void minutesThatTheBoatRanInAStopWereNotFished() {
        PracticeStop stop = Sample.stop("hand", "grass-1", "06-03T06:00", "06-03T09:00", List.of("walker"));
        List<BoatRun> runs = List.of(run("06-03T05:40", "06-03T05:50"), run("06-03T07:00", "06-03T07:15"));

        PracticeStop fished = TrackPlacing.withoutRuns(stop, runs);

        assertThat(fished.fishedMinutes()).isEqualTo(165);
        assertThat(TrackPlacing.withoutRuns(fished, List.of(run("06-03T07:00", "06-03T07:10"))))
                .as("what was taken off stays off")
                .isEqualTo(fished);
        assertThat(TrackPlacing.withoutRuns(stop.withEnd(null), runs)).isEqualTo(stop.withEnd(null));
    }

    private static BoatRun run(String from, String to) {
        return new BoatRun(Sample.at(from), Sample.at(to), 4000, 12, null);
    }
}
