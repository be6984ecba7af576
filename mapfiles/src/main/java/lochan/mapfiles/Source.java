package lochan.mapfiles;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** A file to be read: its bytes come from where they lie, as often as they are asked for, and are never held whole. */
public interface Source {

    String name();

    /** Bytes. */
    long size();

    InputStream open() throws IOException;

    /** A file on the disk. */
    static Source of(String name, Path file) throws IOException {
        return new OnDisk(name, Files.size(file), file);
    }

    /** Bytes that are there already. */
    static Source of(String name, byte[] bytes) {
        return new InMemory(name, bytes);
    }

    /** @param size when it was opened */
    record OnDisk(String name, long size, Path file) implements Source {

        @Override
        public InputStream open() throws IOException {
            return Files.newInputStream(file);
        }
    }

    /** Small files, and those of tests. */
    record InMemory(String name, byte[] bytes) implements Source {

        @Override
        public long size() {
            return bytes.length;
        }

        @Override
        public InputStream open() {
            return new ByteArrayInputStream(bytes);
        }
    }
}
