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
    private final int count;
    private final int header;
    private final int length;
    private final List<Column> columns = new ArrayList<>();

    private Dbf(byte[] file, Charset charset) {
        this.bytes = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
        this.charset = charset;
        this.count = bytes.getInt(4);
        this.header = Short.toUnsignedInt(bytes.getShort(8));
        this.length = Short.toUnsignedInt(bytes.getShort(10));
        int from = 1;
        for (int at = HEADER; at < header && bytes.get(at) != END_OF_FIELDS; at += FIELD) {
            int width = Byte.toUnsignedInt(bytes.get(at + 16));
            columns.add(new Column(text(at, NAME), from, width));
            from += width;
        }
        if (from > length) {
            throw new IllegalArgumentException("columns of " + from + " bytes in records of " + length);
        }
    }

    /** @param codePage what the .cpg file beside it says; empty: nothing */
    static Dbf of(byte[] file, String codePage) throws MapFileException {
        try {
            return new Dbf(file, charset(codePage));
        } catch (IndexOutOfBoundsException | IllegalArgumentException e) {
            throw cutOff();
        }
    }

    private static MapFileException cutOff() {
        return new MapFileException("the table (.dbf) of the shapefile was cut off or is none: pack it again");
    }

    private static Charset charset(String codePage) {
        String name = codePage.strip();
        if (name.equalsIgnoreCase("UTF-8") || name.equalsIgnoreCase("UTF8")) {
            return StandardCharsets.UTF_8;
        }
        return USUAL;
    }

    /** The texts of a row by their columns; none where the table has no such row. */
    Map<String, String> row(int i, Meter meter) throws MapFileException {
        long at = header + (long) i * length;
        if (i >= count || at + length > bytes.limit()) {
            return Map.of();
        }
        Map<String, String> row = new LinkedHashMap<>();
        for (Column c : columns) {
            String text = text((int) at + c.from(), c.length());
            meter.property(c.name(), text);
            row.put(c.name(), text);
        }
        return row;
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
