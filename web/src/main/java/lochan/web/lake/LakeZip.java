package lochan.web.lake;

import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.BitSet;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lochan.core.Bounds;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.eventformat.BoundedLines;
import lochan.eventformat.EventFileException;
import lochan.eventformat.LakeText;
import lochan.mapfiles.MapFileException;
import lochan.mapfiles.Source;
import lochan.mapfiles.Zip;
import org.jspecify.annotations.Nullable;

/** A lake with its depths as one file of open formats: {@code lake.geojson}, {@code depths.asc}, and where depths are guessed {@code guessed.asc} of zeros and ones. */
public final class LakeZip {

    private static final String LAKE = "lake.geojson";
    private static final String DEPTHS = "depths.asc";
    private static final String GUESSED = "guessed.asc";
    private static final LocalDateTime ENTERED = LocalDateTime.of(1980, 1, 1, 0, 0);

    private LakeZip() {}

    /** @param depths null: none are known */
    public record Content(Lake lake, @Nullable DepthGrid depths) {}

    public static void write(Content content, OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, LAKE, LakeText.toGeoJson(content.lake()));
            DepthGrid grid = content.depths();
            if (grid != null) {
                put(zip, DEPTHS, EsriGrid.write(grid));
                if (!grid.guessed().isEmpty()) {
                    put(zip, GUESSED, EsriGrid.write(doubts(grid)));
                }
            }
        }
    }

    private static DepthGrid doubts(DepthGrid grid) {
        float[] doubts = new float[grid.size()];
        for (int i = 0; i < doubts.length; i++) {
            doubts[i] = grid.isGuessed(i) ? 1 : 0;
        }
        return new DepthGrid(grid.columns(), grid.rows(), grid.west(), grid.south(), grid.cellSize(), true, doubts);
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        // The same lake is the same file, whenever it is written.
        entry.setTimeLocal(ENTERED);
        zip.putNextEntry(entry);
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    /** The lake of a file; empty when it is none that {@link #write} made. */
    public static Optional<Content> read(Source file) {
        try {
            Zip zip = Zip.of(file);
            if (!zip.names().contains(LAKE)) {
                return Optional.empty();
            }
            Lake lake = LakeText.fromGeoJson(new ByteArrayInputStream(bytes(zip, LAKE)));
            return Optional.of(new Content(lake, zip.names().contains(DEPTHS) ? depths(zip) : null));
        } catch (MapFileException | IllegalArgumentException | EventFileException | BadGridException e) {
            return Optional.empty();
        }
    }

    private static byte[] bytes(Zip zip, String name) throws MapFileException {
        return zip.bytes(Set.of(name), Bounds.workBytes()).getOrDefault(name, new byte[0]);
    }

    private static DepthGrid depths(Zip zip) throws BadGridException, MapFileException {
        DepthGrid grid = grid(bytes(zip, DEPTHS));
        if (!zip.names().contains(GUESSED)) {
            return grid;
        }
        DepthGrid doubts = grid(bytes(zip, GUESSED));
        BitSet cells = new BitSet();
        for (int i = 0; i < Math.min(grid.size(), doubts.size()); i++) {
            cells.set(i, doubts.depth(i) > 0);
        }
        return grid.withGuessed(cells);
    }

    private static DepthGrid grid(byte[] text) throws BadGridException {
        return EsriGrid.read(
                new BoundedLines(new BufferedReader(
                        new InputStreamReader(new ByteArrayInputStream(text), StandardCharsets.UTF_8))),
                true);
    }
}
