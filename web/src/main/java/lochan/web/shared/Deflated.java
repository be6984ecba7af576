package lochan.web.shared;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterOutputStream;

/** Bytes as they are kept where they are many: deflated. */
public final class Deflated {

    private Deflated() {}

    public static byte[] packed(byte[] bytes) {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        return written(packed, new DeflaterOutputStream(packed), bytes);
    }

    public static byte[] unpacked(byte[] packed) {
        ByteArrayOutputStream all = new ByteArrayOutputStream(4 * packed.length);
        return written(all, new InflaterOutputStream(all), packed);
    }

    private static byte[] written(ByteArrayOutputStream to, OutputStream through, byte[] bytes) {
        try (through) {
            through.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return to.toByteArray();
    }
}
