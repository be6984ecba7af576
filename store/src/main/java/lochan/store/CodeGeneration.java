package lochan.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.jooq.codegen.GenerationTool;
import org.jooq.meta.jaxb.Configuration;
import org.jooq.meta.jaxb.Database;
import org.jooq.meta.jaxb.ForcedType;
import org.jooq.meta.jaxb.Generate;
import org.jooq.meta.jaxb.Generator;
import org.jooq.meta.jaxb.Jdbc;
import org.jooq.meta.jaxb.Target;

/** Makes the jOOQ classes from the migrations, on a throw-away server. Arguments: the target folder, the folder of the migrations. */
public final class CodeGeneration {

    private static final String INSTANT_IN_UTC =
            "org.jooq.Converter.ofNullable(java.time.LocalDateTime.class, java.time.Instant.class, "
                    + "t -> t.toInstant(java.time.ZoneOffset.UTC), i -> java.time.LocalDateTime.ofInstant(i, java.time.ZoneOffset.UTC))";

    private CodeGeneration() {}

    public static void main(String[] arguments) throws Exception {
        Path target = Path.of(arguments[0]);
        Path stamp = target.resolve("migrations.sha256");
        String wanted = fingerprint(Path.of(arguments[1]));
        if (Files.exists(stamp) && Files.readString(stamp).equals(wanted)) {
            return;
        }
        Path home = Files.createTempDirectory("lochan-codegen");
        try (PrivateMariaDb db = PrivateMariaDb.start(home, false)) {
            Flyway.configure()
                    .dataSource(db.url(), db.user(), db.password())
                    .load()
                    .migrate();
            GenerationTool.generate(configuration(db.url(), db.user(), db.password(), target));
        }
        PrivateMariaDb.delete(home);
        Files.writeString(stamp, wanted);
    }

    private static Configuration configuration(String url, String user, String password, Path target) {
        return new Configuration()
                .withJdbc(new Jdbc()
                        .withDriver("org.mariadb.jdbc.Driver")
                        .withUrl(url)
                        .withUser(user)
                        .withPassword(password))
                .withGenerator(new Generator()
                        .withDatabase(new Database()
                                .withName("org.jooq.meta.mariadb.MariaDBDatabase")
                                .withInputSchema("lochan")
                                .withOutputSchemaToDefault(true)
                                .withExcludes("flyway_schema_history|SPRING_SESSION.*")
                                .withForcedTypes(List.of(
                                        new ForcedType().withName("CLOB").withIncludeTypes("(?i:json)"),
                                        new ForcedType().withName("BOOLEAN").withIncludeTypes("(?i:tinyint\\(1\\))"),
                                        new ForcedType()
                                                .withUserType("java.time.Instant")
                                                .withIncludeTypes("(?i:datetime.*)")
                                                .withConverter(INSTANT_IN_UTC))))
                        .withGenerate(new Generate()
                                .withPojos(false)
                                .withJavaTimeTypes(true)
                                .withGlobalObjectNames(true)
                                .withFluentSetters(true))
                        .withTarget(
                                new Target().withPackageName("lochan.web.db").withDirectory(target.toString())));
    }

    /** Of all migrations and of what is made from them. */
    private static String fingerprint(Path migrations) throws IOException, NoSuchAlgorithmException {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        digest.update(configuration("", "", "", Path.of("")).toString().getBytes(StandardCharsets.UTF_8));
        try (Stream<Path> files = Files.list(migrations)) {
            for (Path file : files.sorted().toList()) {
                digest.update(Files.readAllBytes(file));
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }
}
