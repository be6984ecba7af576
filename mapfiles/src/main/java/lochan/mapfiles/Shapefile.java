package lochan.mapfiles;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

    static final int MOST_PLACES = 2_000_000;

    private final ByteBuffer bytes;
    private final Projection projection;
    private final List<MapFile.Shape> shapes = new ArrayList<>();
    private final List<Map<String, String>> rows;
    private int places;

    private Shapefile(byte[] shp, Projection projection, List<Map<String, String>> rows) {
        this.bytes = ByteBuffer.wrap(shp);
        this.projection = projection;
        this.rows = rows;
    }

    /**
     * The shapefile of a zip.
     *
     * @param projection said by hand; null: as the .prj file tells
     */
    static MapFile read(Map<String, byte[]> files, String shp, @Nullable Projection projection)
            throws MapFileException {
        String stem = shp.substring(0, shp.length() - ".shp".length());
        byte[] prj = files.get(stem + ".prj");
        Projection told = projection;
        if (told == null && prj != null) {
            told = Projection.ofText(new String(prj, StandardCharsets.UTF_8));
        }
        byte[] dbf = files.get(stem + ".dbf");
        String codePage = new String(files.getOrDefault(stem + ".cpg", new byte[0]), StandardCharsets.US_ASCII);
        Shapefile file = new Shapefile(
                required(files, shp),
                told == null ? Projection.DEGREES : told,
                dbf == null ? List.of() : Dbf.read(dbf, codePage));
        if (told == null && !file.looksLikeDegrees()) {
            return new MapFile.Drawing("shapefile", null, List.of());
        }
        file.read();
        return new MapFile.Drawing("shapefile", file.projection.name(), file.shapes);
    }

    private static byte[] required(Map<String, byte[]> files, String name) throws MapFileException {
        byte[] file = files.get(name);
        if (file == null) {
            throw new MapFileException("the zip has no " + name);
        }
        return file;
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
                record(at + 8, i < rows.size() ? rows.get(i) : Map.of());
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
        places += count;
        if (count < 0 || places > MOST_PLACES) {
            throw new MapFileException(
                    "the shapefile has more than " + MOST_PLACES + " places: cut out this lake and save it again");
        }
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
