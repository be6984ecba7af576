package lochan.mapfiles;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.zip.DeflaterOutputStream;

/** Writes a GeoTIFF 1.0 of floats, one strip, no compression. */
final class Tiff {

    private static final int PIXELS = 1000;
    private static final int SHORT = 3;
    private static final int LONG = 4;
    private static final int DOUBLE = 12;

    private final ByteBuffer out = ByteBuffer.allocate(4096).order(ByteOrder.LITTLE_ENDIAN);
    private int entry;

    private Tiff() {}

    /** @param epsg of a projected system */
    static byte[] of(int columns, int rows, float[] values, double west, double north, double cell, int epsg) {
        return new Tiff().made(columns, rows, values, west, north, cell, epsg);
    }

    /** Cells of one depth, deflated in one strip. */
    static byte[] deflated(int columns, int rows, float value) {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        ByteBuffer row = ByteBuffer.allocate(4 * columns).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < columns; i++) {
            row.putFloat(value);
        }
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed)) {
            for (int i = 0; i < rows; i++) {
                out.write(row.array());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        byte[] head = of(1, 1, new float[] {1}, 500_000, 4_400_000, 1, 32615);
        ByteBuffer file = ByteBuffer.allocate(head.length + packed.size()).order(ByteOrder.LITTLE_ENDIAN);
        file.put(head, 0, PIXELS).put(PIXELS, packed.toByteArray());
        for (int at = 10; at < 10 + 12 * 13; at += 12) {
            switch (Short.toUnsignedInt(file.getShort(at))) {
                case 256 -> file.putInt(at + 8, columns);
                case 257, 278 -> file.putInt(at + 8, rows);
                case 259 -> file.putInt(at + 8, 8);
                case 279 -> file.putInt(at + 8, packed.size());
                default -> {}
            }
        }
        return file.array();
    }

    private byte[] made(int columns, int rows, float[] values, double west, double north, double cell, int epsg) {
        int entries = 13;
        int data = 8 + 2 + 12 * entries + 4;
        int pixels = PIXELS;
        out.put(0, (byte) 'I').put(1, (byte) 'I').putShort(2, (short) 42).putInt(4, 8);
        out.putShort(8, (short) entries);
        entry = 10;
        put(256, LONG, 1, columns);
        put(257, LONG, 1, rows);
        put(258, SHORT, 1, 32);
        put(259, SHORT, 1, 1);
        put(262, SHORT, 1, 1);
        put(273, LONG, 1, pixels);
        put(277, SHORT, 1, 1);
        put(278, LONG, 1, rows);
        put(279, LONG, 1, 4 * values.length);
        put(339, SHORT, 1, 3);
        put(33550, DOUBLE, 3, data);
        out.putDouble(data, cell).putDouble(data + 8, cell).putDouble(data + 16, 0);
        put(33922, DOUBLE, 6, data + 24);
        out.putDouble(data + 48, west).putDouble(data + 56, north);
        put(34735, SHORT, 16, data + 72);
        short[] keys = {1, 1, 0, 3, 1024, 0, 1, 1, 1025, 0, 1, 1, 3072, 0, 1, (short) epsg};
        for (int i = 0; i < keys.length; i++) {
            out.putShort(data + 72 + 2 * i, keys[i]);
        }
        for (int i = 0; i < values.length; i++) {
            out.putFloat(pixels + 4 * i, values[i] == -9999 ? Float.NaN : values[i]);
        }
        byte[] file = new byte[pixels + 4 * values.length];
        out.get(0, file);
        return file;
    }

    private void put(int tag, int type, int count, int value) {
        out.putShort(entry, (short) tag).putShort(entry + 2, (short) type).putInt(entry + 4, count);
        out.putInt(entry + 8, value);
        entry += 12;
    }
}
