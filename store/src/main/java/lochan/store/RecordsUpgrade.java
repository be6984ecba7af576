package lochan.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.zip.GZIPOutputStream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.flywaydb.core.api.MigrationVersion;
import org.mariadb.jdbc.Configuration;
import org.mariadb.jdbc.HostAddress;

/**
 * Brings the records to this version. Before anything of theirs is changed they are written to a file beside them; records of a newer
 * version are refused.
 */
public final class RecordsUpgrade {

    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");
    private static final String PROGRAM = "mariadb-dump";

    private final Path backups;
    private final Clock clock;

    /** @param backups folder for the files, made when there is something to keep */
    public RecordsUpgrade(Path backups, Clock clock) {
        this.backups = backups;
        this.clock = clock;
    }

    /** @throws StoreException when the records are of a newer version, or cannot be kept first */
    public void run(Flyway flyway, String url, String user, String password) {
        MigrationInfoService info = flyway.info();
        List<MigrationInfo> all = List.of(info.all());
        MigrationVersion known = latest(all, MigrationState::isResolved);
        MigrationVersion applied = latest(all, MigrationState::isApplied);
        if (applied.compareTo(known) > 0) {
            throw new StoreException("The records were written by a newer Lochan: they are of version " + applied
                    + ", this one knows up to " + known + ". Start that one, or put back a backup from before it.");
        }
        if (!applied.equals(MigrationVersion.EMPTY) && info.pending().length > 0) {
            keep(known, url, user, password);
        }
        flyway.migrate();
    }

    private static MigrationVersion latest(List<MigrationInfo> all, Predicate<MigrationState> which) {
        return all.stream()
                .filter(m -> which.test(m.getState()))
                .map(MigrationInfo::getVersion)
                .filter(Objects::nonNull)
                .max(Comparator.naturalOrder())
                .orElse(MigrationVersion.EMPTY);
    }

    private void keep(MigrationVersion next, String url, String user, String password) {
        Path file = backups.resolve("before-version-" + next + "-"
                + STAMP.format(LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC)) + ".sql.gz");
        try {
            Files.createDirectories(backups);
            Files.setPosixFilePermissions(backups, PosixFilePermissions.fromString("rwx------"));
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            dump(file, url, user, password);
        } catch (IOException e) {
            throw new StoreException(
                    DiskSpace.isMissing(e)
                            ? DiskSpace.words(backups)
                            : "The records must be brought to version " + next + ", and could not be kept in " + file
                                    + " first (" + e.getMessage()
                                    + "). Nothing was changed: install Debian's package mariadb-client and see that the folder can be written, then start again.",
                    e);
        }
    }

    private static Configuration parsed(String url) throws IOException {
        try {
            return Configuration.parse(url);
        } catch (SQLException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private static void dump(Path file, String url, String user, String password) throws IOException {
        Configuration to = parsed(url);
        HostAddress host = to.addresses().getFirst();
        ProcessBuilder builder = new ProcessBuilder(List.of(
                PROGRAM,
                "--no-defaults",
                "--protocol=tcp",
                "--host=" + host.host,
                "--port=" + host.port,
                "--user=" + user,
                "--single-transaction",
                "--hex-blob",
                "--no-tablespaces",
                to.database()));
        // A command line can be read by others; an environment cannot.
        builder.environment().putAll(Map.of("MYSQL_PWD", password));
        Path said = Files.createTempFile("lochan-dump", ".log");
        Process process = builder.redirectError(said.toFile()).start();
        try (GZIPOutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
            process.getInputStream().transferTo(out);
        }
        try {
            if (process.waitFor() != 0) {
                throw new IOException(Files.readString(said).lines().findFirst().orElse(PROGRAM + " failed"));
            }
        } catch (InterruptedException e) {
            process.destroy();
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } finally {
            Files.deleteIfExists(said);
        }
    }
}
