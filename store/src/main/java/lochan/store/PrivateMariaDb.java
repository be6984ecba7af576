package lochan.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A MariaDB server of our own: its data in a folder of ours, listening on loopback alone, at a free port of its own. It never touches a
 * server of the system. One process at a time holds the folder, by a lock that dies with it. A server that dies is started again at its port.
 */
public final class PrivateMariaDb implements AutoCloseable {

    private static final Duration START_LIMIT = Duration.ofSeconds(60);
    private static final Duration STOP_LIMIT = Duration.ofSeconds(60);
    private static final long POLL_MILLIS = 50;
    private static final Duration LEAST_LIFE = Duration.ofSeconds(2);
    private static final Duration REST = Duration.ofSeconds(1);
    private static final int MOST_RESTS = 30;
    /** A socket's path may have 107 characters. */
    private static final int LONGEST_SOCKET_PATH = 107;
    private static final String SCHEMA = "lochan";
    private static final List<String> SERVER_PLACES = List.of("/usr/sbin/mariadbd", "/usr/libexec/mariadbd", "/usr/bin/mariadbd");

    private final Path folder;
    private final FileChannel lockFile;
    private final List<String> command;
    private final int port;
    private Process server;
    private Instant started;
    private boolean answered;
    private boolean closing;
    private int quickDeaths;

    private PrivateMariaDb(Path folder, FileChannel lockFile, List<String> command, int port) throws IOException {
        this.folder = folder;
        this.lockFile = lockFile;
        this.command = List.copyOf(command);
        this.port = port;
        launch();
    }

    private void launch() throws IOException {
        started = Instant.now();
        server = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.appendTo(folder.resolve("mariadb.log").toFile())).start();
        server.onExit().thenRun(this::revive);
    }

    /** A server that died is started again: at once, or where it dies as soon as it is started, after a while that grows. */
    private synchronized void revive() {
        quickDeaths = Instant.now().isBefore(started.plus(LEAST_LIFE)) ? quickDeaths + 1 : 0;
        if (answered && !closing) {
            Duration rest = REST.multipliedBy(Math.min(quickDeaths, MOST_RESTS));
            CompletableFuture.delayedExecutor(rest.toMillis(), TimeUnit.MILLISECONDS).execute(this::launchAgain);
        }
    }

    private synchronized void launchAgain() {
        if (closing) {
            return;
        }
        System.err.println("lochan: MariaDB died and is started again; nothing that was acknowledged is lost.");
        try {
            Files.deleteIfExists(folder.resolve("mariadb.pid"));
            launch();
        } catch (IOException e) {
            System.err.println("lochan: MariaDB cannot be started again (" + e.getMessage() + "): end Lochan and start it anew.");
        }
    }

    /**
     * Starts the server, making its data folder when there is none.
     *
     * @param home     folder to hold the data, made when missing
     * @param keepSafe whether every commit reaches the disk; false for throw-away data only
     * @throws StoreException with the remedy, when it cannot be started
     */
    public static PrivateMariaDb start(Path home, boolean keepSafe) {
        try {
            Path folder = Files.createDirectories(home.toAbsolutePath().normalize());
            FileChannel lock = lock(folder);
            try {
                return start(folder, lock, keepSafe);
            } catch (RuntimeException | IOException e) {
                lock.close();
                throw e;
            }
        } catch (IOException e) {
            throw new StoreException("The data folder " + home + " cannot be used (" + e.getMessage()
                    + "): give its owner the right to write there, or choose another with LOCHAN_HOME.", e);
        }
    }

    private static PrivateMariaDb start(Path folder, FileChannel lock, boolean keepSafe) throws IOException {
        Path pidFile = folder.resolve("mariadb.pid");
        stopLeftOver(folder, pidFile);
        Path data = folder.resolve("db");
        makeData(folder, data);
        int port = freePort();
        Path socket = socket(folder);
        List<String> command = new ArrayList<>(List.of(serverProgram(), "--no-defaults", "--datadir=" + data, "--socket=" + socket,
                "--pid-file=" + pidFile, "--bind-address=127.0.0.1", "--port=" + port, "--skip-name-resolve", "--character-set-server=utf8mb4",
                "--collation-server=utf8mb4_bin", "--innodb-buffer-pool-size=64M", "--innodb-log-file-size=48M", "--performance-schema=OFF",
                "--max-connections=40", "--max-allowed-packet=64M"));
        command.addAll(asUser());
        if (!keepSafe) {
            command.addAll(List.of("--innodb-flush-log-at-trx-commit=0", "--skip-innodb-doublewrite", "--sync-binlog=0"));
        }
        Files.deleteIfExists(folder.resolve("mariadb.log"));
        PrivateMariaDb db = new PrivateMariaDb(folder, lock, command, port);
        db.awaitAnswer();
        db.nowAnswers();
        return db;
    }

    /** JDBC address of the application's schema. */
    public String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + SCHEMA + "?createDatabaseIfNotExist=true";
    }

    public String user() {
        return "root";
    }

    public String password() {
        return "";
    }

    /** Stops the server cleanly and gives the folder free. */
    @Override
    public void close() {
        Process last = ending();
        last.destroy();
        try {
            if (!last.waitFor(STOP_LIMIT.toSeconds(), TimeUnit.SECONDS)) {
                last.destroyForcibly();
            }
            lockFile.close();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private synchronized Process ending() {
        closing = true;
        return server;
    }

    private synchronized void nowAnswers() {
        answered = true;
    }

    private synchronized boolean lives() {
        return server.isAlive();
    }

    private void awaitAnswer() {
        Instant limit = Instant.now().plus(START_LIMIT);
        while (Instant.now().isBefore(limit) && lives()) {
            try (Connection connection = DriverManager.getConnection(url(), user(), password())) {
                return;
            } catch (SQLException notYet) {
                pause();
            }
        }
        ending().destroyForcibly();
        throw new StoreException("MariaDB did not start: read " + folder.resolve("mariadb.log") + ". " + lastLogLine());
    }

    private String lastLogLine() {
        try (Stream<String> lines = Files.lines(folder.resolve("mariadb.log"))) {
            return lines.filter(l -> l.contains("[ERROR]")).reduce((a, b) -> b).map(l -> "It says: " + l).orElse("");
        } catch (IOException e) {
            return "";
        }
    }

    private static FileChannel lock(Path folder) throws IOException {
        FileChannel channel = FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock;
        try {
            lock = channel.tryLock();
        } catch (java.nio.channels.OverlappingFileLockException e) {
            lock = null;
        }
        if (lock == null) {
            channel.close();
            throw new StoreException("Lochan runs already on the data folder " + folder
                    + ": stop it there (Ctrl-C in its terminal), or choose another folder with LOCHAN_HOME.");
        }
        return channel;
    }

    /** A server of ours that outlived its application holds the data still: it is stopped before another starts. */
    private static void stopLeftOver(Path folder, Path pidFile) throws IOException {
        if (!Files.exists(pidFile)) {
            return;
        }
        Optional<ProcessHandle> left = Files.readString(pidFile).strip().chars().allMatch(Character::isDigit)
                ? ProcessHandle.of(Long.parseLong("0" + Files.readString(pidFile).strip())) : Optional.empty();
        Optional<ProcessHandle> ours = left.filter(p -> commandLine(p).contains("--datadir=" + folder.resolve("db")));
        if (ours.isPresent()) {
            ours.get().destroy();
            try {
                ours.get().onExit().get(STOP_LIMIT.toSeconds(), TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
                throw new StoreException("An earlier MariaDB (process " + ours.get().pid() + ") still holds " + folder
                        + " and does not stop: end it with 'kill " + ours.get().pid() + "' and start again.", e);
            }
        }
        Files.deleteIfExists(pidFile);
    }

    private static String commandLine(ProcessHandle process) {
        try {
            return Files.readString(Path.of("/proc/" + process.pid() + "/cmdline")).replace('\0', ' ');
        } catch (IOException e) {
            return process.info().commandLine().orElse("");
        }
    }

    /** Data is made beside its place and moved there whole, so that a folder half made is never taken for data. */
    private static void makeData(Path folder, Path data) throws IOException {
        if (Files.exists(data)) {
            if (!Files.isDirectory(data.resolve("mysql"))) {
                throw new StoreException("The data folder " + data + " is not whole (it has no system tables): put back its backup, or move it "
                        + "away (mv " + data + " " + data + ".broken) to begin with an empty one.");
            }
            return;
        }
        Path fresh = folder.resolve("db.new");
        delete(fresh);
        Files.createDirectory(fresh);
        List<String> command = new ArrayList<>(List.of(program("mariadb-install-db", List.of("/usr/bin/mariadb-install-db")), "--no-defaults",
                "--datadir=" + fresh, "--auth-root-authentication-method=normal", "--skip-test-db"));
        command.addAll(asUser());
        if (runsAsRoot()) {
            openTheWay(folder);
            own(fresh);
            own(folder);
        } else {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
        Path log = folder.resolve("install.log");
        Process install = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile()).start();
        try {
            if (install.waitFor() != 0) {
                throw new StoreException("The data folder " + data + " could not be made: read " + log + ", mend what it names and start again.");
            }
        } catch (InterruptedException e) {
            install.destroy();
            Thread.currentThread().interrupt();
            throw new StoreException("Making the data folder was interrupted: start again.", e);
        }
        Files.move(fresh, data, StandardCopyOption.ATOMIC_MOVE);
    }

    private static boolean runsAsRoot() {
        return "root".equals(System.getProperty("user.name"));
    }

    private static List<String> asUser() {
        return runsAsRoot() ? List.of("--user=mysql") : List.of();
    }

    private static void own(Path path) throws IOException {
        Files.setOwner(path, path.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName("mysql"));
    }

    /** As root the server runs as {@code mysql}, who must be able to pass through the folders above. */
    private static void openTheWay(Path folder) throws IOException {
        for (Path p = folder.getParent(); p != null; p = p.getParent()) {
            if (!Files.getPosixFilePermissions(p).contains(java.nio.file.attribute.PosixFilePermission.OTHERS_EXECUTE)) {
                throw new StoreException("The folder " + p + " is closed to the user mysql, as whom the database runs when started by root: "
                        + "choose a data folder elsewhere with LOCHAN_HOME, for example /var/lib/lochan.");
            }
        }
    }

    private static Path socket(Path folder) {
        Path near = folder.resolve("mariadb.sock");
        return near.toString().length() <= LONGEST_SOCKET_PATH ? near
                : Path.of(System.getProperty("java.io.tmpdir"), "lochan-" + Integer.toHexString(folder.hashCode()) + ".sock");
    }

    private static int freePort() throws IOException {
        try (ServerSocket any = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return any.getLocalPort();
        }
    }

    private static String serverProgram() {
        return program("mariadbd", SERVER_PLACES);
    }

    private static String program(String name, List<String> places) {
        return places.stream().filter(p -> Files.isExecutable(Path.of(p))).findFirst().orElseThrow(() -> new StoreException(
                name + " is not on this machine: install Debian's package mariadb-server, or name a server elsewhere with LOCHAN_DB_URL."));
    }

    /** Removes the folder of a server that has stopped, with all its data; nothing when it is not there. */
    public static void delete(Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }

    private static void pause() {
        try {
            Thread.sleep(POLL_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
