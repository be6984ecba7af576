package lochan.mapfiles;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.Bounds;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * A shapefile as Esri's technical description (July 1998) has it: points, lines and polygons, with heights or measures left out but for
 * points, whose height is their property "z".
 */
final class Shapefile {

    private static final int MAGIC = 9994;
    private static final int HEADER = 100;
    private static final int POINT = 1;
    private static final int LINE = 3;
    private static final int POLYGON = 5;
    private static final int POINTS = 8;
    /** Kinds with heights are ten above the plain ones, with measures twenty. */
    private static final int WITH_HEIGHTS = 10;

    private final ByteBuffer bytes;
    private final Projection projection;
    private final List<MapFile.Shape> shapes = new ArrayList<>();
    private final @Nullable Dbf table;
    private final Meter meter;

    private Shapefile(byte[] shp, Projection projection, @Nullable Dbf table, Meter meter) {
        this.bytes = ByteBuffer.wrap(shp);
        this.projection = projection;
        this.table = table;
        this.meter = meter;
    }

    /**
     * The shapefile of a zip.
     *
     * @param projection said by hand; null: as the .prj file tells
     */
    static MapFile read(Zip zip, String shp, @Nullable Projection projection) throws MapFileException {
        String stem = shp.substring(0, shp.length() - ".shp".length());
        Projection told = projection == null ? MapFiles.projection(zip, shp) : projection;
        Map<String, byte[]> files = zip.bytes(Set.of(shp, stem + ".dbf", stem + ".cpg"), Bounds.workBytes() / 3);
        byte[] dbf = files.get(stem + ".dbf");
        String codePage = new String(files.getOrDefault(stem + ".cpg", new byte[0]), StandardCharsets.US_ASCII);
        byte[] shapes = files.getOrDefault(shp, new byte[0]);
        Shapefile file = new Shapefile(
                shapes,
                told == null ? Projection.DEGREES : told,
                dbf == null ? null : Dbf.of(dbf, codePage),
                new Meter());
        if (told == null && !file.looksLikeDegrees()) {
            return new MapFile.Drawing("shapefile", null, List.of());
        }
        file.read();
        return new MapFile.Drawing("shapefile", file.projection.name(), file.shapes);
    }

    private boolean looksLikeDegrees() throws MapFileException {
        try {
            bytes.order(ByteOrder.LITTLE_ENDIAN);
            return Math.abs(bytes.getDouble(36)) <= 180
                    && Math.abs(bytes.getDouble(44)) <= 90
                    && Math.abs(bytes.getDouble(52)) <= 180
                    && Math.abs(bytes.getDouble(60)) <= 90;
        } catch (IndexOutOfBoundsException e) {
            throw cutOff();
        }
    }

    private static MapFileException cutOff() {
        return new MapFileException("the shapefile was cut off or is none: pack the .shp, .dbf and .prj again");
    }

    private void read() throws MapFileException {
        try {
            if (bytes.order(ByteOrder.BIG_ENDIAN).getInt(0) != MAGIC) {
                throw cutOff();
            }
            int at = HEADER;
            for (int i = 0; at + 8 <= bytes.limit(); i++) {
                int length = 2 * bytes.order(ByteOrder.BIG_ENDIAN).getInt(at + 4);
                bytes.order(ByteOrder.LITTLE_ENDIAN);
                if (length < 4) {
                    throw cutOff();
                }
                meter.take(Meter.SHAPE);
                record(at + 8, table == null ? Map.of() : table.row(i, meter));
                at += 8 + length;
            }
        } catch (IndexOutOfBoundsException e) {
            throw cutOff();
        }
    }

    private void record(int at, Map<String, String> row) throws MapFileException {
        int told = bytes.getInt(at);
        int kind = told % WITH_HEIGHTS;
        switch (kind) {
            case 0 -> {}
            case POINT -> {
                Map<String, String> properties = told / WITH_HEIGHTS == 1 ? withHeight(row, at + 20) : row;
                shapes.add(new MapFile.Shape(MapFile.Shape.Kind.POINT, List.of(List.of(place(at + 4))), properties));
            }
            case POINTS -> {
                List<Position> all = places(at + 40, bytes.getInt(at + 36));
                shapes.add(new MapFile.Shape(MapFile.Shape.Kind.POINT, List.of(all), row));
            }
            case LINE, POLYGON ->
                shapes.add(new MapFile.Shape(
                        kind == LINE ? MapFile.Shape.Kind.LINE : MapFile.Shape.Kind.AREA, parts(at), row));
            default ->
                throw new MapFileException(
                        "the shapefile holds shapes of kind " + told + ": expected points, lines or polygons");
        }
    }

    private Map<String, String> withHeight(Map<String, String> row, int at) {
        Map<String, String> more = new LinkedHashMap<>(row);
        more.putIfAbsent("z", Double.toString(bytes.getDouble(at)));
        return more;
    }

    private List<List<Position>> parts(int at) throws MapFileException {
        int count = bytes.getInt(at + 36);
        int all = bytes.getInt(at + 40);
        if (count < 0 || all < 0 || count > all) {
            throw cutOff();
        }
        meter.take((long) Meter.SHAPE * count);
        List<List<Position>> parts = new ArrayList<>();
        int first = at + 44 + 4 * count;
        for (int i = 0; i < count; i++) {
            int from = bytes.getInt(at + 44 + 4 * i);
            int to = i + 1 < count ? bytes.getInt(at + 48 + 4 * i) : all;
            parts.add(places(first + 16 * from, to - from));
        }
        return parts;
    }

    private List<Position> places(int at, int count) throws MapFileException {
        meter.places(count);
        List<Position> found = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            found.add(place(at + 16 * i));
        }
        return found;
    }

    private Position place(int at) throws MapFileException {
        return projection.position(bytes.getDouble(at), bytes.getDouble(at + 8));
    }
}
