package lochan.mapfiles;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The table beside a shapefile (dBASE III): a row of texts for each shape. */
final class Dbf {

    private static final int HEADER = 32;
    private static final int FIELD = 32;
    private static final int END_OF_FIELDS = 0x0D;
    private static final int NAME = 11;
    private static final Charset USUAL = StandardCharsets.ISO_8859_1;

    private record Column(String name, int from, int length) {}

    private final ByteBuffer bytes;
    private final Charset charset;
    private final List<Column> columns = new ArrayList<>();

    private Dbf(byte[] file, Charset charset) {
        this.bytes = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
        this.charset = charset;
    }

    /** @param codePage what the .cpg file beside it says; empty: nothing */
    static List<Map<String, String>> read(byte[] file, String codePage) throws MapFileException {
        try {
            return new Dbf(file, charset(codePage)).rows();
        } catch (IndexOutOfBoundsException | IllegalArgumentException e) {
            throw new MapFileException("the table (.dbf) of the shapefile was cut off or is none: pack it again");
        }
    }

    private static Charset charset(String codePage) {
        String name = codePage.strip();
        if (name.equalsIgnoreCase("UTF-8") || name.equalsIgnoreCase("UTF8")) {
            return StandardCharsets.UTF_8;
        }
        return USUAL;
    }

    private List<Map<String, String>> rows() {
        int count = bytes.getInt(4);
        int header = Short.toUnsignedInt(bytes.getShort(8));
        int length = Short.toUnsignedInt(bytes.getShort(10));
        int from = 1;
        for (int at = HEADER; at < header && bytes.get(at) != END_OF_FIELDS; at += FIELD) {
            int width = Byte.toUnsignedInt(bytes.get(at + 16));
            columns.add(new Column(text(at, NAME), from, width));
            from += width;
        }
        List<Map<String, String>> rows = new ArrayList<>();
        for (int i = 0; i < count && header + (long) i * length < bytes.limit(); i++) {
            Map<String, String> row = new LinkedHashMap<>();
            for (Column c : columns) {
                row.put(c.name(), text(header + i * length + c.from(), c.length()));
            }
            rows.add(row);
        }
        return rows;
    }

    private String text(int at, int length) {
        byte[] part = new byte[length];
        bytes.get(at, part);
        int end = 0;
        while (end < length && part[end] != 0) {
            end++;
        }
        return new String(part, 0, end, charset).strip();
    }
}
