package lochan.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class RecordsUpgradeTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2027-06-04T20:00:00Z"), ZoneOffset.UTC);

    private Path home;
    private PrivateMariaDb db;

    @BeforeEach
    void start() throws IOException {
        home = Files.createTempDirectory("lochan-upgrade");
        db = PrivateMariaDb.start(home, false);
    }

    @AfterEach
    void stop() throws IOException {
        db.close();
        PrivateMariaDb.delete(home);
    }

    private Flyway flyway(String target) {
        return Flyway.configure().dataSource(db.url(), db.user(), db.password()).target(target).load();
    }

    private void run(String target) {
        new RecordsUpgrade(home.resolve("backups"), CLOCK).run(flyway(target), db.url(), db.user(), db.password());
    }

    private void execute(String sql) throws Exception {
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password()); Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private List<Path> kept() throws IOException {
        if (!Files.exists(home.resolve("backups"))) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(home.resolve("backups"))) {
            return files.toList();
        }
    }

    @Test
    void recordsAreKeptBeforeTheyAreChangedAndOnlyThen() throws Exception {
        run("8");
        assertThat(kept()).as("there was nothing to keep").isEmpty();
        execute("INSERT INTO account (name, password_hash) VALUES ('Ines', 'hash')");
        execute("INSERT INTO SPRING_SESSION VALUES ('p', 'token', 1, 1, 1, 1, 'Ines')");

        run("latest");
        assertThat(kept()).singleElement().satisfies(file -> {
            assertThat(file.getFileName().toString()).isEqualTo("before-version-9-20270604-200000.sql.gz");
            assertThat(Files.getPosixFilePermissions(file)).containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
            try (InputStream in = new GZIPInputStream(Files.newInputStream(file))) {
                assertThat(new String(in.readAllBytes(), StandardCharsets.UTF_8)).contains("CREATE TABLE `account`").contains("Ines").contains("token");
            }
        });
        execute("DELETE FROM SPRING_SESSION WHERE SESSION_ID = '3c469e9d6c5875d37a43f353d4f88e61fcf812c66eee3457465a40b0da4153e0'");
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password()); Statement statement = connection.createStatement();
             var left = statement.executeQuery("SELECT COUNT(*) FROM SPRING_SESSION")) {
            left.next();
            assertThat(left.getInt(1)).as("the session went on under the hash of its token").isZero();
        }
        run("latest");
        assertThat(kept()).as("nothing was changed").hasSize(1);
    }

    @Test
    void recordsOfANewerVersionAreRefusedInOneLine() throws Exception {
        run("latest");
        execute("INSERT INTO flyway_schema_history (installed_rank, version, description, type, script, checksum, installed_by, execution_time, success) VALUES (99, '99', 'later', 'SQL', 'V99__later.sql', 1, 'x', 1, 1)");

        assertThatThrownBy(() -> run("latest")).isInstanceOf(StoreException.class).hasMessageStartingWith("The records were written by a newer Lochan: they are of version 99, this one knows up to 9.")
                .hasMessageNotContaining("\n");
    }
}
