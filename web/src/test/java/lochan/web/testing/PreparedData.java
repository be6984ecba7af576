package lochan.web.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.stream.Stream;
import lochan.store.PrivateMariaDb;
import org.flywaydb.core.Flyway;

/** Records with all migrations and nothing in them, made once for a JVM: each application of a test begins with a copy of them. */
public final class PreparedData {

    /** What a private server keeps its records in, below its folder. */
    private static final String RECORDS = "db";

    private PreparedData() {}

    private static final class Made {
        static final Path HOME = make();

        private static Path make() {
            try {
                Path home = Files.createTempDirectory("lochan-prepared");
                Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(home)));
                try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
                    Flyway.configure()
                            .dataSource(db.url(), db.user(), db.password())
                            .load()
                            .migrate();
                }
                return home;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** A new folder for a server that finds such records. */
    public static Path home() throws IOException {
        Path home = Files.createTempDirectory("lochan-test");
        Path from = Made.HOME.resolve(RECORDS);
        try (Stream<Path> all = Files.walk(from)) {
            for (Path one : all.toList()) {
                Files.copy(
                        one, home.resolve(RECORDS).resolve(from.relativize(one)), StandardCopyOption.COPY_ATTRIBUTES);
            }
        }
        return home;
    }

    public static void delete(Path home) {
        try {
            PrivateMariaDb.delete(home);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
