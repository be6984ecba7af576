package lochan.web.tracklog;

import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.track.Track;
import lochan.web.rules.BoatSpeeds;

/** What the page of a track shows; before one is read, the event alone. */
record TrackView(
        EventData data,
        List<TrackController.Row> rows,
        List<Track.Run> boatRuns,
        BoatSpeeds speeds,
        int gaps,
        int runs,
        String fastest) {}
