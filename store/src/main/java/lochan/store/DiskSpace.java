package lochan.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Whether a disk is full, and what is said then. */
public final class DiskSpace {

    /** With less than this MariaDB cannot even begin. */
    private static final long LEAST_BYTES = 8L << 20;

    /** 28 is the system's number for it. */
    private static final Pattern SAID = Pattern.compile("No space left|(?i)\\berr(?:or|no|code):? 28\\b|disk is full");

    private DiskSpace() {}

    /** Whether a failure, or what caused it, says that there is no room. */
    public static boolean isMissing(Throwable failure) {
        return Stream.iterate(failure, t -> t != null, Throwable::getCause)
                .anyMatch(t -> t.getMessage() != null
                        && (t.getMessage().contains("No space left")
                                || t.getMessage().contains("Disk full")));
    }

    /** Whether the disk of a folder has hardly any room left, or MariaDB says in its log that there was none: it may have cleared up since. */
    static boolean isMissing(Path folder, Path log) {
        try {
            return Files.getFileStore(folder).getUsableSpace() < LEAST_BYTES
                    || (Files.exists(log)
                            && SAID.matcher(Files.readString(log, StandardCharsets.ISO_8859_1))
                                    .find());
        } catch (IOException e) {
            return false;
        }
    }

    static String words(Path folder) {
        return "The disk that holds " + folder
                + " is full: make room there, or choose a folder elsewhere with LOCHAN_HOME, and start again.";
    }
}
