package lochan.mapfiles;

import java.io.BufferedInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import lochan.core.Bounds;

/** The files of a zip, by their names in lower case, without folders: no more of them than a map needs, and no more bytes than their packed size lets expect. */
public final class Zip {

    private final Source source;
    private final List<String> names = new ArrayList<>();

    private Zip(Source source) {
        this.source = source;
    }

    static boolean isZip(byte[] start) {
        return start.length > 3 && start[0] == 'P' && start[1] == 'K' && start[2] == 3 && start[3] == 4;
    }

    /**
     * Looks at the names of the files.
     *
     * @throws MapFileException when it cannot be unpacked, or holds too much
     */
    public static Zip of(Source source) throws MapFileException {
        Zip zip = new Zip(source);
        zip.walk((name, in) -> {
            zip.names.add(name);
            return true;
        });
        return zip;
    }

    public List<String> names() {
        return List.copyOf(names);
    }

    /**
     * Returns those of the files that are there, each no longer than some bytes; what comes after the last of them is not unpacked again.
     *
     * @throws MapFileException when it cannot be unpacked, or one is longer
     */
    public Map<String, byte[]> bytes(Set<String> wanted, long most) throws MapFileException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        long there = names.stream().filter(wanted::contains).distinct().count();
        if (there == 0) {
            return files;
        }
        walk((name, in) -> {
            if (wanted.contains(name)) {
                byte[] content = in.readNBytes((int) Math.min(Integer.MAX_VALUE - 8, most + 1));
                if (content.length > most) {
                    String size = most < 1_000_000 ? most / 1000 + " kB" : most / 1_000_000 + " MB";
                    throw new TooMuch(
                            name + " has more than " + size + ": cut out this lake, or save it with less detail");
                }
                files.put(name, content);
            }
            return files.size() < there;
        });
        return files;
    }

    /** Unpacks one file into a file on the disk. */
    void unpack(String wanted, Path to) throws MapFileException {
        walk((name, in) -> {
            if (name.equals(wanted)) {
                Files.copy(in, to, StandardCopyOption.REPLACE_EXISTING);
                return false;
            }
            return true;
        });
    }

    private interface Visit {

        /** @return whether to go on */
        boolean of(String name, InputStream in) throws IOException;
    }

    private void walk(Visit visit) throws MapFileException {
        int count = 0;
        try (ZipInputStream in = new ZipInputStream(new BufferedInputStream(source.open()))) {
            Counted counted = new Counted(in, Bounds.unpacked(source.size()));
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                count++;
                if (count > Bounds.ZIP_FILES) {
                    throw new TooMuch("the zip holds more than " + Bounds.ZIP_FILES
                            + " files: leave in it what belongs to this map");
                }
                String name = e.getName().substring(e.getName().lastIndexOf('/') + 1);
                if (!e.isDirectory() && !name.startsWith(".") && !visit.of(name.toLowerCase(Locale.ROOT), counted)) {
                    return;
                }
                // What was left unread is counted as well.
                counted.skip(Long.MAX_VALUE);
            }
        } catch (TooMuch e) {
            throw new MapFileException(String.valueOf(e.getMessage()));
        } catch (IOException | IllegalArgumentException e) {
            throw new MapFileException("the zip cannot be unpacked: pack it again");
        }
    }

    /** What makes no sense to unpack. */
    private static final class TooMuch extends ZipException {

        private static final long serialVersionUID = 1L;

        TooMuch(String words) {
            super(words);
        }
    }

    /** Of all files together; it stays open when a reader of one closes it. */
    private static final class Counted extends FilterInputStream {

        private final long most;
        private long left;

        Counted(InputStream in, long most) {
            super(in);
            this.most = most;
            this.left = most;
        }

        private int counted(int read) throws IOException {
            left -= Math.max(read, 0);
            if (left < 0) {
                throw new TooMuch("the zip unpacks to more than " + most / 1_000_000
                        + " MB, far more than it is long: leave in it what belongs to this map");
            }
            return read;
        }

        @Override
        public int read() throws IOException {
            int c = super.read();
            counted(c < 0 ? 0 : 1);
            return c;
        }

        @Override
        public int read(byte[] to, int from, int length) throws IOException {
            return counted(super.read(to, from, length));
        }

        @Override
        public long skip(long wanted) throws IOException {
            byte[] nowhere = new byte[1 << 16];
            long skipped = 0;
            while (skipped < wanted) {
                int read = read(nowhere, 0, (int) Math.min(nowhere.length, wanted - skipped));
                if (read < 0) {
                    break;
                }
                skipped += read;
            }
            return skipped;
        }

        @Override
        public void close() {}
    }
}
