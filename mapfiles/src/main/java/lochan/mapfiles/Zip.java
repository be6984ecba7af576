package lochan.mapfiles;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** The files of a zip, in memory and no more of them than a map needs. */
public final class Zip {

    private static final int MOST_FILES = 200;
    private static final int MOST_BYTES = 200_000_000;

    private Zip() {}

    static boolean isZip(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /**
     * By their names in lower case, without folders.
     *
     * @throws MapFileException when it cannot be unpacked, or holds too much
     */
    public static Map<String, byte[]> files(byte[] zip) throws MapFileException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        long total = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                String name = e.getName().substring(e.getName().lastIndexOf('/') + 1);
                if (!e.isDirectory() && !name.startsWith(".")) {
                    byte[] content = in.readNBytes((int) (MOST_BYTES - total + 1));
                    total += content.length;
                    files.put(name.toLowerCase(Locale.ROOT), content);
                }
                if (files.size() > MOST_FILES || total > MOST_BYTES) {
                    throw new MapFileException("the zip holds more than " + MOST_FILES + " files or "
                            + MOST_BYTES / 1_000_000 + " MB: leave in it what belongs to this map");
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new MapFileException("the zip cannot be unpacked: pack it again");
        }
        return files;
    }
}
