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
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

@Tag("processes")
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
        return Flyway.configure()
                .dataSource(db.url(), db.user(), db.password())
                .target(target)
                .load();
    }

    private void run(String target) {
        new RecordsUpgrade(home.resolve("backups"), CLOCK).run(flyway(target), db.url(), db.user(), db.password());
    }

    private void execute(String sql) throws Exception {
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password());
                Statement statement = connection.createStatement()) {
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

        run("9");
        assertThat(kept()).singleElement().satisfies(file -> {
            assertThat(file.getFileName().toString()).matches("before-version-\\d+-20270604-200000\\.sql\\.gz");
            assertThat(Files.getPosixFilePermissions(file))
                    .containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
            try (InputStream in = new GZIPInputStream(Files.newInputStream(file))) {
                assertThat(new String(in.readAllBytes(), StandardCharsets.UTF_8))
                        .contains("CREATE TABLE `account`")
                        .contains("Ines")
                        .contains("token");
            }
        });
        execute(
                "DELETE FROM SPRING_SESSION WHERE SESSION_ID = '3c469e9d6c5875d37a43f353d4f88e61fcf812c66eee3457465a40b0da4153e0'");
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password());
                Statement statement = connection.createStatement();
                var left = statement.executeQuery("SELECT COUNT(*) FROM SPRING_SESSION")) {
            left.next();
            assertThat(left.getInt(1))
                    .as("the session went on under the hash of its token")
                    .isZero();
        }
        run("9");
        assertThat(kept()).as("nothing was changed").hasSize(1);
    }

    /** One row of everything that is called otherwise since. */
    @Test
    void everyRowStaysWhenThingsGetTheNamesAnglersUse() throws Exception {
        run("9");
        for (String row : RENAMED.split(";\n")) {
            execute(row);
        }

        run("latest");

        assertThat(row("SELECT set_up_minutes, max_wind_mps, priors_by_advice, boat_entered, packed FROM event"))
                .containsExactly(
                        "4.5", "8", "1", "{\"setUpMinutes\": \"4:30\", \"maxWindMps\": \"18\"}", "[\"livewell-pump\"]");
        assertThat(row("SELECT spot_type FROM spot")).containsExactly("grass-edge");
        assertThat(row("SELECT fish_position FROM waypoint")).containsExactly("off-edge");
        assertThat(row("SELECT taken_on FROM bite")).containsExactly("fall");
        assertThat(row("SELECT max_wind_mps, entered FROM known_fish")).containsExactly("4", "{\"maxWindMps\": \"9\"}");
        assertThat(row("SELECT reaction FROM known_fish_try")).containsExactly("bit");
        assertThat(row("SELECT bites FROM trial_round")).containsExactly("3");
        assertThat(row("SELECT angler_hours, bites FROM carried_rate")).containsExactly("12.5", "9");
        assertThat(row("SELECT GROUP_CONCAT(type ORDER BY ordinal) FROM competition_entry"))
                .containsExactly("bite,livewell,catch");
        assertThat(row("SELECT GROUP_CONCAT(pointer ORDER BY pointer) FROM event_extra"))
                .containsExactly("/notebook/priors,/spots/s,/waypoints/m");
        assertThat(row("SELECT code, JSON_VALUE(sheet, '$.id') FROM lure_sheet"))
                .containsExactly("neko-rig", "neko-rig");
        assertThat(row("SELECT lure_code FROM box_item")).containsExactly("wacky-rig");
        assertThat(row("SELECT lure_code FROM lure_observation")).containsExactly("buzzbait");
        assertThat(row("SELECT code FROM presentation"))
                .as("an event's own ids stay")
                .containsExactly("topwater-walker");
    }

    private List<String> row(String sql) throws Exception {
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password());
                Statement statement = connection.createStatement();
                var found = statement.executeQuery(sql)) {
            assertThat(found.next()).as(sql).isTrue();
            List<String> values = new ArrayList<>();
            for (int i = 1; i <= found.getMetaData().getColumnCount(); i++) {
                values.add(found.getString(i));
            }
            assertThat(found.next()).as("one row").isFalse();
            return values;
        }
    }

    private static final String RENAMED = """
            INSERT INTO account (id, name, password_hash) VALUES (1, 'Ines', 'hash');
            INSERT INTO event (id, account_id, name, time_zone, format, anglers, banned_gear, launch_lat, launch_lon, check_in_lat, check_in_lon, run_mps, rough_mps,
                settle_minutes, most_wind_mps, leans_on_advice, boat_entered, entered, packed)
                VALUES (1, 1, 'Open', 'UTC', 'limit-weight', 1, '[]', 1, 1, 1, 1, 18, 11, 4.5, 8, 1, '{"settleMinutes": "4:30", "mostWindMps": "18"}', '{}', '["well-pump"]');
            INSERT INTO spot (event_id, account_id, ordinal, code, name, lat, lon, radius_m, place_class, zone, crowd_risk, stock, entered)
                VALUES (1, 1, 0, 's', 'Spot', 1, 1, 60, 'grass-edge', 'deep', 0, 'school', '{}');
            INSERT INTO presentation (event_id, account_id, ordinal, code, name, hooks) VALUES (1, 1, 0, 'topwater-walker', 'Walker', 'treble');
            INSERT INTO stop (event_id, account_id, ordinal, code, spot_code, start_at, anglers, follows, entered) VALUES (1, 1, 0, 'p', 's', '2027-06-01', 1, 0, '{}');
            INSERT INTO bite (event_id, account_id, stop_code, ordinal, code, outcome, presentation_code, struck) VALUES (1, 1, 'p', 0, 'b', 'lost', 'topwater-walker', 'fall');
            INSERT INTO mark (event_id, account_id, ordinal, code, at, lat, lon, holding, entered) VALUES (1, 1, 0, 'm', '2027-06-01', 1, 1, 'off the edge', '{}');
            INSERT INTO known_fish (event_id, account_id, ordinal, code, spot_code, kind, guess_grams, most_wind_mps, entered) VALUES (1, 1, 0, 'f', 's', 'bed', 2000, 4, '{"mostWindMps": "9"}');
            INSERT INTO known_fish_try (event_id, account_id, fish_code, ordinal, code, at, reaction) VALUES (1, 1, 'f', 0, 't', '2027-06-01', 'struck');
            INSERT INTO trial (event_id, account_id, ordinal, code, subject, first_way, second_way) VALUES (1, 1, 0, 't', 'retrieve', 'slow', 'fast');
            INSERT INTO trial_round (event_id, account_id, trial_code, ordinal, code, at, of_first, minutes, strikes, landed) VALUES (1, 1, 't', 0, 'r', '2027-06-01', 1, 20, 3, 2);
            INSERT INTO carried_rate (event_id, account_id, presentation_code, ratio, line_hours, strikes) VALUES (1, 1, 'topwater-walker', 1.2, 12.5, 9);
            INSERT INTO competition_entry (event_id, account_id, ordinal, code, type, at) VALUES (1, 1, 0, 'a', 'strike', '2027-06-05'), (1, 1, 1, 'b', 'well-water', '2027-06-05'), (1, 1, 2, 'c', 'catch', '2027-06-05');
            INSERT INTO event_extra (event_id, account_id, pointer, value) VALUES (1, 1, '/marks/m', '{}'), (1, 1, '/notebook/leanings', '{}'), (1, 1, '/spots/s', '{}');
            INSERT INTO lure_sheet (account_id, code, sheet) VALUES (1, 'nose-weighted-worm', '{"id": "nose-weighted-worm", "name": "Worm"}');
            INSERT INTO box_item (account_id, ordinal, code, kind, name, lure_code, items, in_boat, entered) VALUES (1, 0, 'i', 'lure', 'Worm', 'mid-hooked-worm', 1, 1, '{}');
            INSERT INTO lure_observation (account_id, ordinal, code, lure_code, saw, depth_m, line_kind, line_kg) VALUES (1, 0, 'o', 'buzzing-bait', 'fall', 1, 'braid', 10)""";

    @Test
    void recordsOfLaterVersionsAreRefusedInOneLine() throws Exception {
        run("latest");
        execute(
                "INSERT INTO flyway_schema_history (installed_rank, version, description, type, script, checksum, installed_by, execution_time, success) VALUES (99, '99', 'later', 'SQL', 'V99__later.sql', 1, 'x', 1, 1)");

        assertThatThrownBy(() -> run("latest"))
                .isInstanceOf(StoreException.class)
                .hasMessageStartingWith(
                        "The records were written by a newer Lochan: they are of version 99, this one knows up to ")
                .hasMessageNotContaining("\n");
    }
}
