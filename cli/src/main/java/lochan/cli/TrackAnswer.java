package lochan.cli;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.track.Fix;
import lochan.core.practice.track.Track;
import lochan.core.practice.track.TrackCutter;
import lochan.eventformat.gpx.GpxException;
import lochan.eventformat.gpx.GpxTrack;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The answer of {@code track}: stops, runs and gaps of a plotter's track, in the event's zone when one is given. */
final class TrackAnswer {

    private final ZoneId zone;

    private TrackAnswer(ZoneId zone) {
        this.zone = zone;
    }

    static List<Fix> fixes(String file) throws UsageException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(Path.of(file)))) {
            return GpxTrack.read(in);
        } catch (GpxException e) {
            throw new UsageException(file + ": " + e.getMessage());
        } catch (NoSuchFileException e) {
            throw new UsageException(file + ": there is no such file");
        } catch (IOException | java.nio.file.InvalidPathException e) {
            throw new UsageException(file + ": cannot be read (" + e.getMessage() + ")");
        }
    }

    /** @param event null: no spots, times in UTC */
    static ObjectNode json(List<Fix> fixes, @Nullable EventData event) {
        Track track = TrackCutter.cut(fixes, event == null ? List.of() : event.spots());
        return new TrackAnswer(event == null ? ZoneOffset.UTC : event.timeZone()).json(track);
    }

    private ObjectNode json(Track track) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        ArrayNode stops = node.putArray("stops");
        track.stops().forEach(s -> span(stops, s.start(), s.end())
                .put("lat", s.centre().lat())
                .put("lon", s.centre().lon())
                .put("spot", s.spotId()));
        ArrayNode runs = node.putArray("runs");
        track.runs()
                .forEach(r ->
                        span(runs, r.start(), r.end()).put("metres", r.metres()).put("mps", r.mps()));
        ArrayNode gaps = node.putArray("gaps");
        track.gaps().forEach(g -> span(gaps, g.start(), g.end()));
        return node;
    }

    private ObjectNode span(ArrayNode list, Instant start, Instant end) {
        return list.addObject()
                .put("start", DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(start.atZone(zone)))
                .put("end", DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(end.atZone(zone)));
    }
}
