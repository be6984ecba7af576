package lochan.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The one account of a private MariaDB: its password stands in {@code database.cnf} of the data folder, which only the folder's owner can read
 * and which MariaDB's own programs take ({@code mariadb-dump --defaults-file=…}).
 *
 * @param wide whether it may read what the generator of the database classes looks at; for throw-away data only
 */
record DatabaseAccess(Path folder, int port, String password, boolean wide) {

    private static final String SCHEMA = "lochan";
    private static final String USER = "lochan";
    private static final int PASSWORD_BYTES = 24;
    private static final Pattern PASSWORD = Pattern.compile("(?m)^password=([0-9a-f]{" + 2 * PASSWORD_BYTES + "})$");

    /** The access of a folder: its password is kept, the port is that of this start. */
    static DatabaseAccess in(Path folder, int port, boolean wide) throws IOException {
        Path file = folder.resolve("database.cnf");
        Matcher known = PASSWORD.matcher(Files.exists(file) ? Files.readString(file) : "");
        DatabaseAccess access = new DatabaseAccess(folder, port, known.find() ? known.group(1) : random(), wide);
        write(
                file,
                "[client]\nprotocol=tcp\nhost=127.0.0.1\nport=" + port + "\nuser=" + USER + "\npassword="
                        + access.password() + "\n");
        return access;
    }

    private static String random() {
        byte[] bytes = new byte[PASSWORD_BYTES];
        new SecureRandom().nextBytes(bytes);
        return HexFormat.of().formatHex(bytes);
    }

    /** Writes a file that was never readable for others. */
    private static void write(Path file, String text) throws IOException {
        Files.deleteIfExists(file);
        Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(file, text, StandardCharsets.UTF_8, StandardOpenOption.TRUNCATE_EXISTING);
    }

    String user() {
        return USER;
    }

    String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + SCHEMA;
    }

    /** Prepares the server before it takes connections. */
    Path initFile() {
        return folder.resolve("access.sql");
    }

    /**
     * Writes what makes this account the only one. System's root may come in by the socket, by being root.
     *
     * @param reader the user as whom the server runs
     */
    void writeInitFile(UserPrincipal reader) throws IOException {
        String account = USER + "@'127.0.0.1'";
        List<String> statements = List.of(
                "CREATE DATABASE IF NOT EXISTS " + SCHEMA + " CHARACTER SET utf8mb4 COLLATE utf8mb4_bin",
                "DELETE FROM mysql.global_priv WHERE User <> 'mariadb.sys'",
                "FLUSH PRIVILEGES",
                "CREATE USER root@localhost IDENTIFIED VIA unix_socket",
                "GRANT ALL ON *.* TO root@localhost WITH GRANT OPTION",
                "CREATE OR REPLACE USER " + account + " IDENTIFIED BY '" + password + "'",
                "GRANT ALL ON " + SCHEMA + ".* TO " + account,
                wide ? "GRANT SELECT ON mysql.proc TO " + account : "DO 0");
        write(initFile(), String.join(";\n", statements) + ";\n");
        Files.setOwner(initFile(), reader);
    }
}
