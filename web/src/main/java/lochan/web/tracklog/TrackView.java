package lochan.web.tracklog;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.track.Track;
import lochan.web.rules.BoatSpeeds;
import org.jspecify.annotations.Nullable;

/** The contents of the page of a track; before one is read, the event alone. */
record TrackView(
        EventData data,
        long leastMinutes,
        List<PhoneDay> phoneDays,
        @Nullable List<TrackController.Row> rows,
        @Nullable List<Track.Run> boatRuns,
        @Nullable BoatSpeeds speeds,
        @Nullable String stopsWords,
        @Nullable String runsWords) {

    /** A day on which a phone recorded: as it is asked for, and in words. */
    record PhoneDay(String date, String words) {}

    TrackView withPhones(List<PhoneDay> days) {
        return new TrackView(data, leastMinutes, days, rows, boatRuns, speeds, stopsWords, runsWords);
    }

    /** Before a track is read. */
    static TrackView of(EventData event, long leastMinutes) {
        return new TrackView(event, leastMinutes, List.of(), null, null, null, null, null);
    }
}
