package lochan.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Iterator;
import java.util.List;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** On the real server, which as root runs as another user: its folder lies where that user may pass. */
@Tag("processes")
class PrivateMariaDbTest {

    private Path home;

    @BeforeEach
    void makeFolder() throws IOException {
        home = Files.createTempDirectory("lochan-store");
    }

    @AfterEach
    void removeFolder() throws IOException {
        PrivateMariaDb.delete(home);
    }

    private static String ask(PrivateMariaDb db, String sql) {
        try (Connection connection = DriverManager.getConnection(db.url(), db.user(), db.password());
                Statement statement = connection.createStatement();
                ResultSet result = statement.execute(sql) ? statement.getResultSet() : null) {
            return result != null && result.next() ? result.getString(1) : null;
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aSecondStartFindsTheDataAgain() {
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            ask(db, "CREATE TABLE kept (weight INT)");
            ask(db, "INSERT INTO kept VALUES (7)");
        }
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            assertThat(ask(db, "SELECT weight FROM kept")).isEqualTo("7");
        }
    }

    @Test
    void listensOnLoopbackAloneAndKeepsEveryCommit() {
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            assertThat(ask(db, "SELECT @@bind_address")).isEqualTo("127.0.0.1");
            assertThat(ask(db, "SELECT @@innodb_flush_log_at_trx_commit")).isEqualTo("1");
            assertThat(ask(db, "SELECT @@port")).isNotEqualTo("3306");
            assertThat(db.url()).contains("127.0.0.1");
        }
    }

    private static Connection as(PrivateMariaDb db, String user, String password) throws SQLException {
        return DriverManager.getConnection(db.url(), user, password);
    }

    @Test
    void onlyTheOwnersPasswordOpensItAndOnlyItsOwnSchema() throws Exception {
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            assertThat(db.password()).hasSize(48);
            for (String user : new String[] {"root", "", "mysql", "lochan"}) {
                assertThatThrownBy(() -> as(db, user, "")).as(user).isInstanceOf(SQLException.class);
            }
            assertThat(ask(db, "SHOW GRANTS")).startsWith("GRANT USAGE ON *.*");
            assertThatThrownBy(() -> ask(db, "SELECT COUNT(*) FROM mysql.global_priv"))
                    .hasMessageContaining("denied");
            assertThat(Files.getPosixFilePermissions(home)).hasSize(3);
            for (String secret : new String[] {"database.cnf", "access.sql"}) {
                assertThat(Files.getPosixFilePermissions(home.resolve(secret)))
                        .as(secret)
                        .containsExactlyInAnyOrder(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);
            }
        }
    }

    /** As the version before left them: root without a password. */
    @Test
    void dataThatWasOpenIsClosedWhenItIsNextStarted() throws Exception {
        String before;
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            before = db.password();
            ask(db, "CREATE TABLE kept (weight INT)");
        }
        Files.delete(home.resolve("database.cnf"));
        Files.writeString(home.resolve("access.sql"), "");
        opened(home);

        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            assertThat(ask(db, "SELECT COUNT(*) FROM kept")).isEqualTo("0");
            assertThatThrownBy(() -> as(db, "root", "")).isInstanceOf(SQLException.class);
            assertThatThrownBy(() -> as(db, "lochan", before))
                    .as("the password is another one")
                    .isInstanceOf(SQLException.class);
        }
    }

    /** Starts a server on the folder by hand, which lets root in from anywhere. */
    private static void opened(Path home) throws Exception {
        Path sql = home.resolve("open.sql");
        Files.writeString(sql, "GRANT ALL ON *.* TO root@'127.0.0.1' IDENTIFIED BY '' WITH GRANT OPTION;\n");
        boolean root = System.getProperty("user.name").equals("root");
        if (root) {
            Files.setOwner(sql, Files.getOwner(home.resolve("db")));
        }
        Process open = new ProcessBuilder(
                        "/usr/sbin/mariadbd",
                        "--no-defaults",
                        "--datadir=" + home.resolve("db"),
                        "--socket=" + home.resolve("s"),
                        "--skip-networking",
                        "--innodb-log-file-size=48M",
                        "--init-file=" + sql,
                        "--pid-file=" + home.resolve("open.pid"),
                        root ? "--user=mysql" : "--user=" + System.getProperty("user.name"))
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("open.log").toFile())
                .start();
        Awaitility.await()
                .until(() -> Files.exists(home.resolve("open.pid"))
                        && Files.readString(home.resolve("open.log")).contains("ready for connections"));
        open.destroy();
        open.waitFor();
    }

    @Test
    void whatIsClosedWhileItStartsLeavesNothingRunning() throws Exception {
        for (int after : new int[] {0, 100, 400, 900}) {
            Path folder = home.resolve("closed-" + after);
            PrivateMariaDb db = PrivateMariaDb.in(folder, false);
            Thread start = new Thread(() -> assertThatThrownBy(db::start).isInstanceOf(StoreException.class));
            start.start();
            start.join(after + 1L);
            db.close();
            start.join();
            assertThat(ProcessHandle.allProcesses().filter(p -> commandLine(p).contains(folder.toString())))
                    .as("after " + after + " ms")
                    .isEmpty();
        }
    }

    private static String commandLine(ProcessHandle process) {
        try {
            return Files.readString(Path.of("/proc/" + process.pid() + "/cmdline"));
        } catch (IOException e) {
            return "";
        }
    }

    @Test
    void aPidFileThatIsNoneDoesNotMatter() throws IOException {
        Files.writeString(home.resolve("mariadb.pid"), "9".repeat(400));

        try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
            assertThat(ask(db, "SELECT 1")).isEqualTo("1");
        }
    }

    @Test
    void aFolderInUseIsSaidToBeSo() {
        try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
            assertThatThrownBy(() -> PrivateMariaDb.start(home, false))
                    .isInstanceOf(StoreException.class)
                    .hasMessageContaining("runs already on the data folder")
                    .hasMessageContaining("LOCHAN_HOME");
            assertThat(ask(db, "SELECT 1"))
                    .as("and the one that runs is left alone")
                    .isEqualTo("1");
        }
    }

    @Test
    void aLockLeftBehindByACrashDoesNotMatter() throws IOException {
        Files.createDirectories(home);
        Files.writeString(home.resolve("lock"), "");
        Files.writeString(home.resolve("mariadb.pid"), "999999999");

        try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
            assertThat(ask(db, "SELECT 1")).isEqualTo("1");
        }
    }

    private static int unused() throws IOException {
        try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return any.getLocalPort();
        }
    }

    @Test
    void aPortTakenMeanwhileIsLeftForAnother() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            int free = unused();
            Iterator<Integer> ports = List.of(taken.getLocalPort(), free).iterator();
            try (PrivateMariaDb db = PrivateMariaDb.in(home, false, ports::next)) {
                db.start();

                assertThat(ask(db, "SELECT 1")).isEqualTo("1");
                assertThat(db.url()).contains(":" + free + "/");
            }
        }
    }

    /** The server outlives its application when that is killed. */
    @Test
    void aServerLeftBehindIsStoppedAndItsDataTakenOver() throws Exception {
        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            ask(db, "CREATE TABLE kept (weight INT)");
        }
        Process killed = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        Killed.class.getName(),
                        home.toString())
                .inheritIO()
                .start();
        assertThat(killed.waitFor()).isEqualTo(Killed.EXIT);
        long left = Long.parseLong(Files.readString(home.resolve("mariadb.pid")).strip());
        assertThat(ProcessHandle.of(left)).as("the server it left behind").isPresent();

        try (PrivateMariaDb db = PrivateMariaDb.start(home, true)) {
            assertThat(ask(db, "SELECT COUNT(*) FROM kept")).isEqualTo("0");
            assertThat(ProcessHandle.of(left).filter(ProcessHandle::isAlive)).isEmpty();
        }
    }

    /** Starts a server and ends at once, as when it is killed. */
    static final class Killed {

        static final int EXIT = 9;

        public static void main(String[] arguments) {
            PrivateMariaDb.start(Path.of(arguments[0]), true);
            Runtime.getRuntime().halt(EXIT);
        }
    }

    @Test
    void aHalfMadeFolderIsSaidToBeSoAndIsNotTouched() throws IOException {
        Files.createDirectories(home.resolve("db"));
        Files.writeString(home.resolve("db/ibdata1"), "half");

        assertThatThrownBy(() -> PrivateMariaDb.start(home, false))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("is not whole")
                .hasMessageContaining("mv ");
        assertThat(home.resolve("db/ibdata1")).hasContent("half");
    }

    @Test
    void dataWhoseMakingWasInterruptedIsMadeAgain() throws IOException {
        Files.createDirectories(home.resolve("db.new/mysql"));

        try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
            assertThat(ask(db, "SELECT 1")).isEqualTo("1");
        }
        assertThat(home.resolve("db.new")).doesNotExist();
    }

    @Test
    void aPathThatIsNoFolderIsSaidToBeSo() throws IOException {
        Path file = Files.writeString(home.resolve("file"), "no folder");

        assertThatThrownBy(() -> PrivateMariaDb.start(file, false))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("cannot be used")
                .hasMessageContaining("LOCHAN_HOME");
    }
}
