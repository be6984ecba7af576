package lochan.web;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lochan.store.PrivateMariaDb;
import lochan.store.StoreException;
import lochan.web.account.Accounts;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.exception.FlywayValidateException;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.ApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the web application beside its own MariaDB, or on a server elsewhere. The environment says how: {@code LOCHAN_PORT},
 * {@code LOCHAN_HOME}, {@code LOCHAN_BIND}, {@code LOCHAN_PROXY}, {@code LOCHAN_TLS} with {@code LOCHAN_TLS_NAMES}, {@code LOCHAN_DB_URL} with {@code LOCHAN_DB_USER} and {@code LOCHAN_DB_PASSWORD}.
 */
@SpringBootApplication(
        exclude = org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration.class)
public class Server {

    private static final int USUAL_PORT = 8480;
    private static final int CANNOT_START = 1;
    private static final int BAD_USE = 2;
    private static final int CODE_DIGITS = 8;

    /**
     * Whether pages go over TLS by a certificate of our own.
     *
     * @param names     of this machine besides those it finds on its own
     * @param authority folder of the authority's key; null: one in the data folder
     */
    record Tls(boolean own, List<String> names, @Nullable Path authority) {

        Tls {
            names = List.copyOf(names);
        }
    }

    /**
     * The settings in the environment.
     *
     * @param proxy whether a proxy on this machine is believed when it says who asks, and by TLS
     */
    @RecordBuilder
    record Wishes(
            boolean demo,
            int port,
            String bind,
            boolean proxy,
            Path home,
            Tls tls,
            String dbUrl,
            String dbUser,
            String dbPassword,
            Outside outside) {

        /** What lies outside: the boat's instruments, its scale, and whether weather is asked for inside the own network. */
        record Outside(String nmea, String scale, boolean weatherInside) {

            static Outside of(Map<String, String> environment) {
                return new Outside(
                        environment.getOrDefault("LOCHAN_NMEA", ""),
                        environment.getOrDefault("LOCHAN_SCALE", ""),
                        environment.getOrDefault("LOCHAN_WEATHER_INSIDE", "").equals("yes"));
            }
        }

        static Wishes of(boolean demo, Map<String, String> environment) {
            String port = environment.getOrDefault("LOCHAN_PORT", Integer.toString(USUAL_PORT));
            if (!port.matches("\\d{1,5}") || Integer.parseInt(port) > 65535) {
                throw new StoreException("LOCHAN_PORT is " + port + ": expected a number from 0 to 65535.");
            }
            String home = environment.getOrDefault("LOCHAN_HOME", demo ? ".lochan/demo" : ".lochan/data");
            return ServerWishesBuilder.builder()
                    .demo(demo)
                    .port(Integer.parseInt(port))
                    .bind(environment.getOrDefault("LOCHAN_BIND", "127.0.0.1"))
                    .proxy(proxy(environment))
                    .home(Path.of(home))
                    .tls(tls(environment))
                    .dbUrl(environment.get("LOCHAN_DB_URL"))
                    .dbUser(environment.getOrDefault("LOCHAN_DB_USER", "lochan"))
                    .dbPassword(environment.getOrDefault("LOCHAN_DB_PASSWORD", ""))
                    .outside(Outside.of(environment))
                    .build();
        }

        private static boolean proxy(Map<String, String> environment) {
            String wish = environment.getOrDefault("LOCHAN_PROXY", "off");
            if (!wish.equals("local") && !wish.equals("off")) {
                throw new StoreException("LOCHAN_PROXY is " + wish
                        + ": expected local, for a proxy on this machine that ends TLS, or off.");
            }
            return wish.equals("local");
        }

        private static Tls tls(Map<String, String> environment) {
            String wish = environment.getOrDefault("LOCHAN_TLS", "off");
            if (!wish.equals("own") && !wish.equals("off")) {
                throw new StoreException("LOCHAN_TLS is " + wish
                        + ": expected own, for a certificate that Lochan makes itself, or off.");
            }
            return new Tls(
                    wish.equals("own"),
                    Stream.of(environment.getOrDefault("LOCHAN_TLS_NAMES", "").split(","))
                            .map(String::strip)
                            .filter(n -> !n.isEmpty())
                            .toList(),
                    environment.containsKey("LOCHAN_TLS_AUTHORITY")
                            ? Path.of(environment.get("LOCHAN_TLS_AUTHORITY")).toAbsolutePath()
                            : null);
        }

        InetAddress address() {
            try {
                return InetAddress.getByName(bind);
            } catch (UnknownHostException e) {
                throw new StoreException(
                        "LOCHAN_BIND is " + bind + ": expected an address of this machine, as 0.0.0.0 for all.");
            }
        }
    }

    public static void main(String[] arguments) {
        String command = arguments.length == 0 ? "" : arguments[0];
        if (command.equals("import") || command.equals("export")) {
            System.exit(EventTransfer.run(System.getenv(), System.out, System.err, arguments));
        }
        boolean demo = command.equals("demo");
        if (arguments.length != 1 || (!demo && !command.equals("serve"))) {
            System.err.println("lochan: expected one of demo, serve, import FILE, export EVENT");
            System.exit(BAD_USE);
        }
        Ending ending = new Ending();
        Runtime.getRuntime().addShutdownHook(new Thread(ending, "stop"));
        try {
            start(Wishes.of(demo, System.getenv()), ending, System.out);
        } catch (RuntimeException e) {
            if (!ending.hasBegun() && !(e instanceof StoreException)) {
                throw e;
            }
            if (!ending.hasBegun()) {
                System.err.println("lochan: " + e.getMessage());
            }
            System.exit(CANNOT_START);
        }
    }

    /**
     * Ends with the process: the application first, then its database. It is there before either is, so that anything
     * that has
     * begun is ended, whenever that happens.
     */
    static final class Ending implements Runnable {

        private @Nullable PrivateMariaDb database;
        private @Nullable ConfigurableApplicationContext application;
        private boolean begun;

        synchronized boolean hasBegun() {
            return begun;
        }

        private synchronized void ends(PrivateMariaDb held) {
            database = held;
            stopIfBegun();
        }

        private synchronized ApplicationContext ends(ConfigurableApplicationContext running) {
            application = running;
            stopIfBegun();
            return running;
        }

        private void stopIfBegun() {
            if (begun) {
                throw new StoreException("Lochan was stopped while it started.");
            }
        }

        private synchronized void begin() {
            begun = true;
        }

        /** While the application still starts, its database is what is waited for: what then fails in it is said to nobody. */
        @Override
        public void run() {
            begin();
            if (application != null) {
                application.close();
            }
            if (database != null) {
                database.close();
            }
        }
    }

    /** Starts everything and tells the address. */
    static ApplicationContext start(Wishes wishes, Ending ending, PrintStream out) {
        if (wishes.demo()) {
            System.setProperty("lochan.weather.stand-in", "yes");
        }
        if (wishes.dbUrl() != null) {
            checkDatabase(wishes);
            Temporary.in(wishes.home(), wishes.port());
            return ending.ends(run(wishes, wishes.dbUrl(), wishes.dbUser(), wishes.dbPassword(), out));
        }
        checkPort(wishes);
        PrivateMariaDb db = PrivateMariaDb.in(wishes.home(), true);
        try {
            ending.ends(db);
            Temporary.in(wishes.home(), wishes.port());
            db.start();
            return ending.ends(run(wishes, db.url(), db.user(), db.password(), out));
        } catch (RuntimeException e) {
            db.close();
            throw e;
        }
    }

    private static void checkDatabase(Wishes wishes) {
        try {
            DriverManager.getConnection(wishes.dbUrl(), wishes.dbUser(), wishes.dbPassword())
                    .close();
        } catch (SQLException e) {
            throw unusable(wishes.dbUrl(), e);
        }
    }

    private static StoreException unusable(String url, Throwable reason) {
        return new StoreException("The database " + url.replaceAll("\\?.*", "") + " cannot be used: "
                + String.valueOf(reason.getMessage()).lines().findFirst().orElse("")
                + " Check LOCHAN_DB_URL, LOCHAN_DB_USER and LOCHAN_DB_PASSWORD if it is elsewhere.");
    }

    private static void checkPort(Wishes wishes) {
        if (!isOfThisMachine(wishes.address())) {
            throw new StoreException("LOCHAN_BIND is " + wishes.bind()
                    + ", which isn't an address of this machine. Use one of its own, or 0.0.0.0 for all.");
        }
        try (ServerSocket probe = new ServerSocket(wishes.port(), 1, wishes.address())) {
            probe.setReuseAddress(true);
        } catch (java.io.IOException e) {
            throw new StoreException("Port " + wishes.port() + " of " + wishes.bind()
                    + " is taken: stop what uses it, or choose another, as " + "LOCHAN_PORT=" + (wishes.port() + 1)
                    + " ./lochan " + (wishes.demo() ? "demo" : "serve") + ".");
        }
    }

    private static boolean isOfThisMachine(InetAddress address) {
        try {
            return address.isAnyLocalAddress()
                    || address.isLoopbackAddress()
                    || NetworkInterface.getByInetAddress(address) != null;
        } catch (SocketException e) {
            // Not known: the port is tried then.
            return true;
        }
    }

    /** Starts the application on a database and tells the address. */
    static ConfigurableApplicationContext run(
            Wishes wishes, String url, String user, String password, PrintStream out) {
        Map<String, Object> settings = new HashMap<>(Map.of(
                "server.port",
                wishes.port(),
                "server.address",
                wishes.bind(),
                "spring.datasource.url",
                url,
                "spring.datasource.username",
                user,
                "spring.datasource.password",
                password,
                // An upgrade of the records may take its time: it has connections of its own, without the pages'
                // time-outs.
                "spring.flyway.url",
                url,
                "spring.flyway.user",
                user,
                "spring.flyway.password",
                password,
                "lochan.demo",
                wishes.demo()));
        settings.put("lochan.nmea", wishes.outside().nmea());
        settings.put("lochan.scale", wishes.outside().scale());
        settings.put("lochan.weather.inside", wishes.outside().weatherInside());
        String code = wishes.demo() ? null : setupCode();
        if (code != null) {
            settings.put("lochan.setup-code", code);
        }
        if (wishes.proxy()) {
            settings.put("server.forward-headers-strategy", "native");
        }
        settings.put("lochan.backups", wishes.home().resolve("backups").toString());
        BoatCertificate certificate = wishes.tls().own()
                ? BoatCertificate.of(
                        wishes.home(), wishes.tls().authority(), wishes.tls().names(), Clock.systemUTC())
                : null;
        if (certificate != null) {
            settings.putAll(Map.of(
                    "server.ssl.key-store",
                    certificate.keys().toUri().toString(),
                    "server.ssl.key-store-type",
                    "PKCS12",
                    "server.ssl.key-store-password",
                    certificate.password(),
                    "server.ssl.key-alias",
                    "server",
                    "server.servlet.session.cookie.secure",
                    true,
                    "lochan.authority",
                    certificate.authority().toString()));
        }
        SpringApplication application = new SpringApplication(Server.class);
        application.setRegisterShutdownHook(false);
        application.setDefaultProperties(settings);
        ConfigurableApplicationContext context;
        try {
            context = application.run();
        } catch (RuntimeException e) {
            throw failure(e, url);
        }
        String port = context.getEnvironment().getProperty("local.server.port");
        String host = wishes.address().isAnyLocalAddress() || wishes.address().isLoopbackAddress()
                ? "localhost"
                : wishes.bind();
        if (code != null && context.getBean(Accounts.class).noneYet()) {
            out.println("The page that makes the first account asks for this code: " + code);
        }
        out.println("Lochan answers at " + (certificate == null ? "http://" : "https://") + host + ":" + port
                + "/   (Ctrl-C ends it)");
        if (certificate != null) {
            tellPhones(certificate, wishes, port, out);
        }
        return context;
    }

    private static void tellPhones(BoatCertificate certificate, Wishes wishes, @Nullable String port, PrintStream out) {
        String at = (wishes.address().isAnyLocalAddress()
                        ? BoatCertificate.addresses().stream()
                        : Stream.of(wishes.bind()))
                .map(a -> "https://" + a + ":" + port + "/lochan.crt")
                .collect(Collectors.joining(" or "));
        if (certificate.madeAuthority()) {
            out.println("Its authority is new: every phone must trust it, also one that trusted an earlier one.");
        }
        out.println("A phone gets the certificate to trust at " + at);
        out.println("Its SHA-256 fingerprint, to be compared on the phone: " + certificate.fingerprint());
    }

    /** The one line behind a failed start. */
    private static RuntimeException failure(RuntimeException e, String url) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof StoreException told) {
                return told;
            }
            if (t instanceof FlywayValidateException) {
                return new StoreException("The records in " + url.replaceAll("\\?.*", "")
                        + " do not fit this version of Lochan: start the version they "
                        + "were made with, or choose another place for new ones with LOCHAN_HOME (or LOCHAN_DB_URL).");
            }
            if (t instanceof SQLException || t instanceof FlywayException) {
                return unusable(url, t);
            }
        }
        return e;
    }

    private static String setupCode() {
        return String.format(
                Locale.ROOT, "%0" + CODE_DIGITS + "d", new SecureRandom().nextInt((int) Math.pow(10, CODE_DIGITS)));
    }
}
