package lochan.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A MariaDB server of our own: its data in a folder of ours, listening on loopback alone, at a free port of its own. It never touches a
 * server of the system. One process at a time holds the folder, by a lock that dies with it. A server that dies is started again at its port.
 *
 * <p>Only the account of {@link DatabaseAccess} can sign in, with a random password that stands in a file of the folder's owner; it has the
 * rights of its own schema and no others. What older versions left open is closed at every start, before the server takes connections.
 */
public final class PrivateMariaDb implements AutoCloseable {

    private static final Duration START_LIMIT = Duration.ofSeconds(60);
    private static final Duration STOP_LIMIT = Duration.ofSeconds(60);
    /**
     * A server stopped at a certain moment of its start never ends, however often it is asked. It has acknowledged
     * nothing yet.
     */
    private static final Duration STOP_LIMIT_WHILE_STARTING = Duration.ofSeconds(5);

    private static final long POLL_MILLIS = 50;
    private static final Duration LEAST_LIFE = Duration.ofSeconds(2);
    private static final Duration REST = Duration.ofSeconds(1);
    private static final int MOST_RESTS = 30;
    /** Another program at the port may never answer. */
    private static final String PROBE = "?connectTimeout=1000&socketTimeout=1000";
    /** A port that was free may be taken before the server listens at it. */
    private static final int MOST_PORTS = 5;
    /** A socket's path may have 107 characters. */
    private static final int LONGEST_SOCKET_PATH = 107;

    private static final int LONGEST_PID_FILE = 20;
    /** A transaction that waits longer for a row gets an error before its connection is given up. */
    private static final int LOCK_WAIT_SECONDS = 3;

    private static final List<String> SERVER_PLACES =
            List.of("/usr/sbin/mariadbd", "/usr/libexec/mariadbd", "/usr/bin/mariadbd");

    private final Path folder;
    private final FileChannel lockFile;
    private final boolean keepSafe;
    private final PortChoice ports;
    private @Nullable DatabaseAccess access;
    private List<String> command = List.of();
    private @Nullable Process install;
    private @Nullable Process server;
    private Instant started = Instant.EPOCH;
    private boolean answered;
    private boolean closing;
    private int quickDeaths;

    /** Gives a port that nobody listens at now; somebody may before it is used. */
    @FunctionalInterface
    interface PortChoice {
        int next() throws IOException;
    }

    private PrivateMariaDb(Path folder, FileChannel lockFile, boolean keepSafe, PortChoice ports) {
        this.ports = ports;
        this.folder = folder;
        this.lockFile = lockFile;
        this.keepSafe = keepSafe;
    }

    private DatabaseAccess access() {
        return Objects.requireNonNull(access, "MariaDB was not started yet");
    }

    /** Never begins a server that nobody would end: once this is closing, none is started. */
    private synchronized void launch() throws IOException {
        stopWhenClosing();
        access().writeInitFile(serverUser());
        started = Instant.now();
        Process launched = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(
                        folder.resolve("mariadb.log").toFile()))
                .start();
        server = launched;
        var unused = launched.onExit().thenRun(() -> revive(launched));
    }

    /** A server that died is started again: at once, or where it dies as soon as it is started, after a while that grows. */
    private synchronized void revive(Process died) {
        if (died != server) {
            return;
        }
        quickDeaths = Instant.now().isBefore(started.plus(LEAST_LIFE)) ? quickDeaths + 1 : 0;
        if (answered && !closing) {
            Duration rest = REST.multipliedBy(Math.min(quickDeaths, MOST_RESTS));
            CompletableFuture.delayedExecutor(rest.toMillis(), TimeUnit.MILLISECONDS)
                    .execute(this::launchAgain);
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
            System.err.println("lochan: MariaDB cannot be started again (" + e.getMessage()
                    + "): stop Lochan and start it again.");
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
        PrivateMariaDb db = in(home, keepSafe);
        db.start();
        return db;
    }

    /**
     * Holds a data folder for a server that is not started yet: closing it ends whatever {@link #start()} has begun until then.
     *
     * @throws StoreException with the remedy, when the folder cannot be held
     */
    public static PrivateMariaDb in(Path home, boolean keepSafe) {
        return in(home, keepSafe, PrivateMariaDb::freePort);
    }

    static PrivateMariaDb in(Path home, boolean keepSafe, PortChoice ports) {
        try {
            Path folder = Files.createDirectories(home.toAbsolutePath().normalize());
            return new PrivateMariaDb(folder, lock(folder), keepSafe, ports);
        } catch (IOException e) {
            throw unusable(home, e);
        }
    }

    private static StoreException unusable(Path home, IOException e) {
        return DiskSpace.isMissing(e)
                ? new StoreException(DiskSpace.words(home), e)
                : new StoreException(
                        "The data folder " + home + " cannot be used (" + e.getMessage()
                                + "): give its owner the right to write there, or choose another with LOCHAN_HOME.",
                        e);
    }

    /**
     * Starts the server, making its data folder when there is none. When this fails, nothing of it is left running.
     *
     * @throws StoreException with the remedy, when it cannot be started or is closed meanwhile
     */
    public void start() {
        try {
            begin();
        } catch (IOException e) {
            close();
            throw unusable(folder, e);
        } catch (RuntimeException e) {
            close();
            throw e;
        }
    }

    private void begin() throws IOException {
        stopLeftOver(folder, folder.resolve("mariadb.pid"));
        Path data = folder.resolve("db");
        close(folder);
        makeTemporary();
        makeData(data);
        for (int tried = 1; !starts(data); tried++) {
            if (tried == MOST_PORTS || !foundItsPortTaken()) {
                throw notStarted();
            }
        }
        nowAnswers();
    }

    private boolean starts(Path data) throws IOException {
        synchronized (this) {
            access = DatabaseAccess.in(folder, ports.next(), !keepSafe);
            command = command(data);
        }
        Files.deleteIfExists(folder.resolve("mariadb.log"));
        launch();
        return answers();
    }

    private boolean foundItsPortTaken() throws IOException {
        return Files.readString(folder.resolve("mariadb.log"), StandardCharsets.ISO_8859_1)
                .contains("Address already in use");
    }

    /** A folder for what the server needs for a moment: its own, so that nothing that another left behind is in its way. */
    private void makeTemporary() throws IOException {
        delete(folder.resolve("tmp"));
        Files.createDirectory(
                folder.resolve("tmp"),
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
        own(folder.resolve("tmp"));
    }

    private List<String> command(Path data) {
        List<String> words = new ArrayList<>(List.of(
                serverProgram(),
                "--no-defaults",
                "--datadir=" + data,
                "--tmpdir=" + folder.resolve("tmp"),
                "--socket=" + socket(folder),
                "--pid-file=" + folder.resolve("mariadb.pid"),
                "--init-file=" + access().initFile(),
                "--bind-address=127.0.0.1",
                "--port=" + access().port(),
                "--skip-name-resolve",
                "--character-set-server=utf8mb4",
                "--collation-server=utf8mb4_bin",
                "--innodb-buffer-pool-size=48M",
                "--innodb-log-file-size=48M",
                "--innodb-lock-wait-timeout=" + LOCK_WAIT_SECONDS,
                "--performance-schema=OFF",
                "--max-connections=40",
                "--max-allowed-packet=64M"));
        words.addAll(asUser());
        if (!keepSafe) {
            words.addAll(List.of("--innodb-flush-log-at-trx-commit=0", "--skip-innodb-doublewrite", "--sync-binlog=0"));
        }
        return List.copyOf(words);
    }

    /** JDBC address of the application's schema. */
    public String url() {
        return access().url();
    }

    public String user() {
        return access().user();
    }

    public String password() {
        return access().password();
    }

    /** Stops the server cleanly and gives the folder free. */
    @Override
    public void close() {
        Duration limit = stopLimit();
        for (Process last : ending()) {
            // What makes the data folder is a script with children of its own, and what it made so far is thrown away:
            // they need no time to end.
            List<ProcessHandle> children = last.descendants().toList();
            last.destroy();
            children.forEach(ProcessHandle::destroyForcibly);
            try {
                if (!last.waitFor(limit.toSeconds(), TimeUnit.SECONDS)) {
                    last.destroyForcibly().waitFor();
                }
                for (ProcessHandle child : children) {
                    child.onExit().get(STOP_LIMIT.toSeconds(), TimeUnit.SECONDS);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (ExecutionException | TimeoutException e) {
                throw new StoreException("A process that was ended goes on: look for mariadbd on " + folder + ".", e);
            }
        }
        try {
            lockFile.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private synchronized Duration stopLimit() {
        return answered ? STOP_LIMIT : STOP_LIMIT_WHILE_STARTING;
    }

    private synchronized List<Process> ending() {
        closing = true;
        return Stream.of(install, server).filter(Objects::nonNull).toList();
    }

    private synchronized void stopWhenClosing() {
        if (closing) {
            throw new StoreException("Lochan was stopped while it started.");
        }
    }

    private synchronized void nowAnswers() {
        answered = true;
    }

    private synchronized boolean lives() {
        return server != null && server.isAlive();
    }

    private boolean answers() {
        Instant limit = Instant.now().plus(START_LIMIT);
        while (Instant.now().isBefore(limit) && lives()) {
            try {
                DriverManager.getConnection(url() + PROBE, user(), password()).close();
                return true;
            } catch (SQLException notYet) {
                pause();
            }
        }
        stopWhenClosing();
        return false;
    }

    private StoreException notStarted() {
        return new StoreException(
                DiskSpace.isMissing(folder, folder.resolve("mariadb.log"))
                        ? DiskSpace.words(folder)
                        : "MariaDB did not start: read " + folder.resolve("mariadb.log") + ". " + lastLogLine());
    }

    private String lastLogLine() {
        try (Stream<String> lines = Files.lines(folder.resolve("mariadb.log"))) {
            return lines.filter(l -> l.contains("[ERROR]"))
                    .reduce((a, b) -> b)
                    .map(l -> "It says: " + l)
                    .orElse("");
        } catch (IOException e) {
            return "";
        }
    }

    private static FileChannel lock(Path folder) throws IOException {
        FileChannel channel =
                FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
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
        // A file that something else wrote, or half of one, names no process.
        String written = Files.size(pidFile) > LONGEST_PID_FILE
                ? ""
                : Files.readString(pidFile).strip();
        Optional<ProcessHandle> left =
                written.matches("\\d{1,10}") ? ProcessHandle.of(Long.parseLong(written)) : Optional.empty();
        Optional<ProcessHandle> ours = left.filter(p -> commandLine(p).contains("--datadir=" + folder.resolve("db")));
        if (ours.isPresent()) {
            ours.get().destroy();
            try {
                ours.get().onExit().get(STOP_LIMIT.toSeconds(), TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (ExecutionException | TimeoutException e) {
                throw new StoreException(
                        "An earlier MariaDB (process " + ours.get().pid() + ") still holds " + folder
                                + " and does not stop: end it with 'kill "
                                + ours.get().pid() + "' and start again.",
                        e);
            }
        }
        Files.deleteIfExists(pidFile);
    }

    private static String commandLine(ProcessHandle process) {
        try {
            return Files.readString(Path.of("/proc/" + process.pid() + "/cmdline"))
                    .replace('\0', ' ');
        } catch (IOException e) {
            return process.info().commandLine().orElse("");
        }
    }

    /** Data is made beside its place and moved there whole, so that a folder half made is never taken for data. */
    private void makeData(Path data) throws IOException {
        if (Files.exists(data)) {
            if (!Files.isDirectory(data.resolve("mysql"))) {
                throw new StoreException("The data folder " + data
                        + " is not whole (it has no system tables): put back its backup, or move it " + "away (mv "
                        + data + " " + data + ".broken) to begin with an empty one.");
            }
            return;
        }
        Path fresh = folder.resolve("db.new");
        delete(fresh);
        Files.createDirectory(fresh);
        List<String> command = new ArrayList<>(List.of(
                program("mariadb-install-db", List.of("/usr/bin/mariadb-install-db")),
                "--no-defaults",
                "--datadir=" + fresh,
                "--auth-root-authentication-method=socket",
                "--auth-root-socket-user=root",
                "--skip-test-db"));
        command.addAll(asUser());
        if (runsAsRoot()) {
            own(fresh);
        }
        Path log = folder.resolve("install.log");
        ProcessBuilder builder =
                new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile());
        // In the system's folder another server that starts would take its files for leftovers of its own.
        builder.environment().put("TMPDIR", folder.resolve("tmp").toString());
        Process making = installBy(builder);
        try {
            if (making.waitFor() != 0) {
                stopWhenClosing();
                throw new StoreException(
                        DiskSpace.isMissing(folder, log)
                                ? DiskSpace.words(folder)
                                : "The data folder " + data + " could not be made: read " + log
                                        + ", fix what it names and start again.");
            }
        } catch (InterruptedException e) {
            making.destroy();
            Thread.currentThread().interrupt();
            throw new StoreException("Making the data folder was interrupted: start again.", e);
        }
        Files.move(fresh, data, StandardCopyOption.ATOMIC_MOVE);
    }

    private synchronized Process installBy(ProcessBuilder builder) throws IOException {
        stopWhenClosing();
        Process begun = builder.start();
        install = begun;
        return begun;
    }

    /** The folder is its owner's alone: that is the user that the server runs as, who must be able to reach it. */
    private static void close(Path folder) throws IOException {
        if (runsAsRoot()) {
            openTheWay(folder);
            own(folder);
        }
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
    }

    private static boolean runsAsRoot() {
        return "root".equals(System.getProperty("user.name"));
    }

    private static List<String> asUser() {
        return runsAsRoot() ? List.of("--user=mysql") : List.of();
    }

    private static UserPrincipal serverUser() throws IOException {
        return FileSystems.getDefault()
                .getUserPrincipalLookupService()
                .lookupPrincipalByName(runsAsRoot() ? "mysql" : System.getProperty("user.name"));
    }

    private static void own(Path path) throws IOException {
        Files.setOwner(path, serverUser());
    }

    /** As root the server runs as {@code mysql}, who must be able to pass through the folders above. */
    private static void openTheWay(Path folder) throws IOException {
        for (Path p = folder.getParent(); p != null; p = p.getParent()) {
            if (!Files.getPosixFilePermissions(p)
                    .contains(java.nio.file.attribute.PosixFilePermission.OTHERS_EXECUTE)) {
                throw new StoreException("The folder " + p
                        + " is closed to the user mysql, as whom the database runs when started by root: "
                        + "choose a data folder elsewhere with LOCHAN_HOME, for example /var/lib/lochan.");
            }
        }
    }

    private static Path socket(Path folder) {
        Path near = folder.resolve("mariadb.sock");
        return near.toString().length() <= LONGEST_SOCKET_PATH
                ? near
                : Path.of(
                        System.getProperty("java.io.tmpdir"),
                        "lochan-" + Integer.toHexString(folder.hashCode()) + ".sock");
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
        return places.stream()
                .filter(p -> Files.isExecutable(Path.of(p)))
                .findFirst()
                .orElseThrow(
                        () -> new StoreException(
                                name
                                        + " is not on this machine: install Debian's package mariadb-server, or name a server elsewhere with LOCHAN_DB_URL."));
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
