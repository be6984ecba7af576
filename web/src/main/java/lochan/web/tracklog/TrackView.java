package lochan.web.tracklog;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.track.Track;
import lochan.web.rules.BoatSpeeds;
import org.jspecify.annotations.Nullable;

/** What the page of a track shows; before one is read, the event alone. */
record TrackView(
        EventData data,
        long leastMinutes,
        @Nullable List<TrackController.Row> rows,
        @Nullable List<Track.Run> boatRuns,
        @Nullable BoatSpeeds speeds,
        @Nullable String stopsWords,
        @Nullable String runsWords) {

    /** Before a track is read. */
    static TrackView of(EventData event, long leastMinutes) {
        return new TrackView(event, leastMinutes, null, null, null, null, null);
    }
}
