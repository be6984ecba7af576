package lochan.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** The folder of what is in hand for a while, uploads above all. An end without warning leaves some behind: it is emptied at the next start. */
final class Temporary {

    private static final String FOLDER = "temporary-";

    private Temporary() {}

    /**
     * Makes it the folder of temporary files, and empty.
     *
     * @param port no other process of this machine answers at it, so that none uses the folder
     */
    static void in(Path home, int port) {
        Path folder = home.resolve(FOLDER + port).toAbsolutePath();
        try {
            sweep(folder);
            Files.createDirectories(folder);
        } catch (IOException | UncheckedIOException e) {
            // The data folder says in words what it lacks; until then the system's own serves.
            return;
        }
        System.setProperty("java.io.tmpdir", folder.toString());
    }

    private static void sweep(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return;
        }
        List<Path> inside;
        try (Stream<Path> all = Files.walk(folder)) {
            inside = all.sorted(Comparator.reverseOrder()).toList();
        }
        for (Path one : inside) {
            Files.deleteIfExists(one);
        }
    }
}
