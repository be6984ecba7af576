package lochan.eventformat.gpx;

import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.practice.track.Fix;
import org.jspecify.annotations.Nullable;

/** Reads the track points of a GPX file that have a time, whatever tracks and segments they stand in. */
public final class GpxTrack {

    /** Three days at one fix a second. */
    private static final int MOST_FIXES = 3 * 86_400;

    private static final int LONGEST_SHOWN = 40;

    private GpxTrack() {}

    /** @throws GpxException when it is no GPX, has a document type, no track point with a time, too many, or time runs backwards */
    public static List<Fix> read(InputStream in) throws GpxException {
        Points points = new Points();
        GpxXml.walk(in, points);
        if (points.fixes.isEmpty()) {
            throw new GpxException(
                    "the file has no track point with a time: export the track itself, not waypoints or a route");
        }
        return points.fixes;
    }

    private static final class Points implements GpxXml.Visitor {

        private final List<Fix> fixes = new ArrayList<>();
        private @Nullable Position position;

        @Override
        public void begin(String name, XMLStreamReader xml) throws XMLStreamException, GpxException {
            if (name.equals("trkpt")) {
                position = GpxXml.position(xml);
            } else if (name.equals("time") && position != null) {
                int line = xml.getLocation().getLineNumber();
                add(new Fix(time(xml.getElementText().strip(), line), position), line);
            }
        }

        @Override
        public void end(String name) {
            if (name.equals("trkpt")) {
                position = null;
            }
        }

        private void add(Fix fix, int line) throws GpxException {
            if (!fixes.isEmpty() && fix.at().isBefore(fixes.getLast().at())) {
                throw new GpxException("line " + line + ": time runs backwards from "
                        + fixes.getLast().at() + " to " + fix.at() + ": export one track at a time");
            }
            if (fixes.size() == MOST_FIXES) {
                throw new GpxException("the file has more than " + MOST_FIXES
                        + " track points, three days at one a second: cut it into days");
            }
            fixes.add(fix);
        }

        private static Instant time(String text, int line) throws GpxException {
            try {
                Instant time = OffsetDateTime.parse(text).toInstant();
                if (Intake.isTime(time)) {
                    return time;
                }
            } catch (DateTimeException e) {
                // Told below, like a year that cannot be meant.
            }
            throw new GpxException("line " + line + ": found the time \""
                    + (text.length() > LONGEST_SHOWN ? text.substring(0, LONGEST_SHOWN) + "…" : text)
                    + "\", expected one as 2027-05-29T06:00:00Z");
        }
    }
}
