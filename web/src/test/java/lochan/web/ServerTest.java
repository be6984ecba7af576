package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import lochan.store.PrivateMariaDb;
import lochan.store.StoreException;
import lochan.web.testing.RunningApp;
import org.bouncycastle.asn1.ASN1OctetString;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.NameConstraintValidatorException;
import org.bouncycastle.asn1.x509.NameConstraints;
import org.bouncycastle.asn1.x509.PKIXNameConstraintValidator;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Starting: what is in the way gets one clear line and the remedy. */
@Tag("processes")
class ServerTest {

    private static final Path PREPARE =
            Path.of("../scripts/prepare.sh").toAbsolutePath().normalize();
    private static final Path START = Path.of("../lochan").toAbsolutePath().normalize();

    /** Tests that run in the background were told not to hear some signals, and would pass that on. */
    private static final List<String> HEARING = List.of("/usr/bin/env", "--default-signal=HUP,INT,TERM");

    private static final Clock CLOCK = Clock.systemUTC();

    @TempDir
    Path folder;

    @Test
    void listensOnLoopbackUnlessToldOtherwise() {
        assertThat(Server.Wishes.of(false, Map.of()).address().isLoopbackAddress())
                .isTrue();
        assertThat(Server.Wishes.of(false, Map.of("LOCHAN_BIND", "0.0.0.0"))
                        .address()
                        .isAnyLocalAddress())
                .isTrue();
        assertThat(Server.Wishes.of(true, Map.of("LOCHAN_PORT", "9000")).port()).isEqualTo(9000);
    }

    @Test
    void aSenselessPortOrAddressIsRefused() {
        assertThatThrownBy(() -> Server.Wishes.of(false, Map.of("LOCHAN_PORT", "http")))
                .isInstanceOf(StoreException.class)
                .hasMessage("LOCHAN_PORT is http: expected a number from 0 to 65535.");
        assertThatThrownBy(() -> Server.Wishes.of(false, Map.of("LOCHAN_PORT", "70000")))
                .isInstanceOf(StoreException.class);
        assertThatThrownBy(() -> Server.Wishes.of(false, Map.of("LOCHAN_BIND", "not an address"))
                        .address())
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("expected an address of this machine");
    }

    @Test
    void aTakenPortIsSaidWithAnotherToTake() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Server.Wishes wishes = Server.Wishes.of(
                    true, Map.of("LOCHAN_PORT", "" + taken.getLocalPort(), "LOCHAN_HOME", folder.toString()));

            assertThatThrownBy(() -> Server.start(wishes, new Server.Ending(), System.out))
                    .isInstanceOf(StoreException.class)
                    .hasMessageContaining("Port " + taken.getLocalPort() + " of 127.0.0.1 is taken")
                    .hasMessageContaining("LOCHAN_PORT=" + (taken.getLocalPort() + 1) + " ./lochan demo");
            assertThat(folder).as("nothing was begun").isEmptyDirectory();
        }
    }

    @Test
    void aServerElsewhereThatDoesNotAnswerIsNamed() {
        Server.Wishes wishes = Server.Wishes.of(
                false, Map.of("LOCHAN_PORT", "0", "LOCHAN_DB_URL", "jdbc:mariadb://127.0.0.1:1/lochan"));

        assertThatThrownBy(() -> Server.start(wishes, new Server.Ending(), System.out))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("jdbc:mariadb://127.0.0.1:1/lochan cannot be used")
                .hasMessageContaining("LOCHAN_DB_URL");
    }

    @Test
    void aPhoneThatTrustsTheBoatsCertificateIsServedOverTls() throws Exception {
        assertThatThrownBy(() -> Server.Wishes.of(false, Map.of("LOCHAN_TLS", "yes")))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("expected own");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (RunningApp app = TestServers.start(
                false, Map.of("LOCHAN_TLS", "own", "LOCHAN_TLS_NAMES", "boat.local, 10.1.2.3"), out)) {
            byte[] authority =
                    Files.readAllBytes(Path.of(app.context().getEnvironment().getProperty("lochan.authority")));
            X509Certificate trusted = (X509Certificate)
                    CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(authority));
            HttpClient phone =
                    HttpClient.newBuilder().sslContext(trusting(trusted)).build();
            assertThat(phone.send(
                                    HttpRequest.newBuilder(app.address().resolve("/setup"))
                                            .build(),
                                    HttpResponse.BodyHandlers.ofString())
                            .headers()
                            .firstValue("set-cookie")
                            .orElse(""))
                    .contains("Secure");
            HttpResponse<byte[]> given = phone.send(
                    HttpRequest.newBuilder(app.address().resolve("/lochan.crt")).build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(given.body()).isEqualTo(authority);
            assertThat(given.headers().firstValue("content-type")).hasValue("application/x-x509-ca-cert");
            assertThat(out.toString())
                    .contains("https://127.0.0.1:")
                    .contains(HexFormat.ofDelimiter(":")
                            .withUpperCase()
                            .formatHex(MessageDigest.getInstance("SHA-256").digest(trusted.getEncoded())));
            assertThatThrownBy(() -> HttpClient.newHttpClient()
                            .send(HttpRequest.newBuilder(app.address()).build(), HttpResponse.BodyHandlers.ofString()))
                    .hasMessageContaining("certification path");
        }
    }

    private static SSLContext trusting(X509Certificate authority) throws Exception {
        KeyStore store = KeyStore.getInstance("PKCS12");
        store.load(null, null);
        store.setCertificateEntry("authority", authority);
        TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        trust.init(store);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, trust.getTrustManagers(), null);
        return context;
    }

    @Test
    void theBoatsCertificateIsKeptWhileItsNamesAreTheSameAndItsAuthorityForGood() throws Exception {
        BoatCertificate first = BoatCertificate.of(folder, null, List.of("boat.local"), CLOCK);
        byte[] keys = Files.readAllBytes(first.keys());
        assertThat(Files.readAllBytes(BoatCertificate.of(folder, null, List.of("boat.local"), CLOCK)
                        .keys()))
                .isEqualTo(keys);
        BoatCertificate moved = BoatCertificate.of(folder, null, List.of("boat.local", "10.9.9.9"), CLOCK);
        assertThat(Files.readAllBytes(moved.keys())).isNotEqualTo(keys);
        Files.copy(moved.keys(), folder.resolve("before"));
        assertThat(moved.fingerprint()).isEqualTo(first.fingerprint());
        assertThat(Files.readAllBytes(BoatCertificate.of(
                                folder,
                                null,
                                List.of("boat.local", "10.9.9.9"),
                                Clock.offset(CLOCK, Duration.ofDays(380)))
                        .keys()))
                .as("it runs out soon")
                .isNotEqualTo(Files.readAllBytes(folder.resolve("before")));
        assertThat(Files.getPosixFilePermissions(folder.resolve("tls")))
                .doesNotContain(
                        java.nio.file.attribute.PosixFilePermission.OTHERS_READ,
                        java.nio.file.attribute.PosixFilePermission.GROUP_READ);
        assertThatThrownBy(() -> BoatCertificate.of(folder, null, List.of("no name"), CLOCK))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("as boat.local,10.0.0.4");
    }

    @Test
    void theAuthorityVouchesForThisMachineAloneAndItsKeyMayLieElsewhere() throws Exception {
        Path stick = folder.resolve("stick");
        assertThatThrownBy(() -> BoatCertificate.of(folder.resolve("home"), stick, List.of(), CLOCK))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("is not there");
        Files.createDirectory(stick);
        BoatCertificate made = BoatCertificate.of(folder.resolve("home"), stick, List.of("boat.local"), CLOCK);
        assertThat(made.madeAuthority()).isTrue();
        X509Certificate authority = certificate(Files.readAllBytes(made.authority()));
        assertThat(authority.getCriticalExtensionOIDs()).contains("2.5.29.30");
        PKIXNameConstraintValidator bounds = bounds(authority);
        assertThat(List.of("boat.local", "localhost")).allMatch(n -> permits(bounds, GeneralName.dNSName, n));
        assertThat(List.of("bank.example", "local", "notboat.local"))
                .noneMatch(n -> permits(bounds, GeneralName.dNSName, n));
        assertThat(List.of("127.0.0.1", "10.1.2.3", "172.31.0.9", "192.168.7.9", "169.254.1.1", "100.64.0.1"))
                .allMatch(n -> permits(bounds, GeneralName.iPAddress, n));
        assertThat(List.of("8.8.8.8", "172.32.0.1", "100.128.0.1", "11.0.0.1"))
                .noneMatch(n -> permits(bounds, GeneralName.iPAddress, n));
        assertThat(Files.walk(folder.resolve("home")).map(p -> p.getFileName().toString()))
                .doesNotContain("authority.p12");

        Files.move(stick, folder.resolve("drawer"));
        assertThat(BoatCertificate.of(folder.resolve("home"), stick, List.of("boat.local"), CLOCK)
                        .madeAuthority())
                .as("not needed as long as it holds")
                .isFalse();
        Files.move(folder.resolve("drawer"), stick);
        assertThat(BoatCertificate.of(folder.resolve("home"), stick, List.of("boat.local", "10.1.2.3"), CLOCK)
                        .madeAuthority())
                .as("a private address")
                .isFalse();
        assertThat(BoatCertificate.of(folder.resolve("home"), stick, List.of("other.local"), CLOCK)
                        .madeAuthority())
                .as("a name it cannot vouch for")
                .isTrue();
    }

    private static X509Certificate certificate(byte[] pem) throws Exception {
        return (X509Certificate)
                CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(pem));
    }

    /** What an authority may vouch for. */
    private static PKIXNameConstraintValidator bounds(X509Certificate authority) throws Exception {
        byte[] value = ASN1OctetString.getInstance(authority.getExtensionValue("2.5.29.30"))
                .getOctets();
        PKIXNameConstraintValidator bounds = new PKIXNameConstraintValidator();
        bounds.intersectPermittedSubtree(NameConstraints.getInstance(value).getPermittedSubtrees());
        return bounds;
    }

    private static boolean permits(PKIXNameConstraintValidator bounds, int kind, String name) {
        try {
            bounds.checkPermitted(new GeneralName(kind, name));
            return true;
        } catch (NameConstraintValidatorException e) {
            return false;
        }
    }

    @Test
    void anAddressThatIsNotOursAndAFullDiskGetALineEach() throws Exception {
        assertThatThrownBy(() -> Server.start(
                        Server.Wishes.of(false, Map.of("LOCHAN_BIND", "203.0.113.7", "LOCHAN_PORT", "0")),
                        new Server.Ending(),
                        System.out))
                .isInstanceOf(StoreException.class)
                .hasMessage(
                        "LOCHAN_BIND is 203.0.113.7, which isn't an address of this machine. Use one of its own, or 0.0.0.0 for all.");
        assertThatThrownBy(() -> Server.Wishes.of(false, Map.of("LOCHAN_PROXY", "yes")))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("expected local");
    }

    static Stream<Arguments> signals() {
        Stream<Arguments> always =
                Stream.of(Arguments.of("TERM", 300), Arguments.of("HUP", 900), Arguments.of("INT", 2200));
        return Boolean.getBoolean("lochan.long")
                ? Stream.concat(always, Stream.of(Arguments.of("TERM", 1500), Arguments.of("HUP", 3500)))
                : always;
    }

    /** Told to end while it starts, at any moment: nothing of it is left running. */
    @ParameterizedTest
    @MethodSource("signals")
    void toldToEndWhileItStartsItLeavesNothingBehind(String signal, int afterMillis) throws Exception {
        Path home = Files.createTempDirectory("lochan-ended");
        List<String> words = new ArrayList<>(HEARING);
        words.addAll(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                Server.class.getName(),
                "serve"));
        ProcessBuilder builder = new ProcessBuilder(words)
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("said").toFile());
        builder.environment().putAll(Map.of("LOCHAN_HOME", home.toString(), "LOCHAN_PORT", "0"));
        Process process = builder.start();
        assertThat(process.waitFor(afterMillis, TimeUnit.MILLISECONDS)).isFalse();
        assertThat(shell("kill -" + signal + " " + process.pid(), Map.of()).exit())
                .isZero();

        assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
        assertThat(ProcessHandle.allProcesses().filter(ProcessHandle::isAlive).filter(p -> commandLine(p)
                        .contains(home.toString())))
                .isEmpty();
        assertThat(Files.readString(folder.resolve("said"))).doesNotContain("Exception");
        PrivateMariaDb.delete(home);
    }

    private static String commandLine(ProcessHandle process) {
        try {
            return Files.readString(Path.of("/proc/" + process.pid() + "/cmdline"));
        } catch (IOException e) {
            return "";
        }
    }

    /** A program that breaks down twice and then ends: 3 is the JVM's status when it is out of memory. */
    @Test
    void theStartScriptStartsABrokenProgramAgainAndGivesUpOneThatBreaksDownAtOnce() throws Exception {
        String twice = "n=$(cat " + folder + "/n 2>/dev/null || echo 0); echo $((n + 1)) > " + folder
                + "/n; [ $n -lt 2 ] && exit 3; exit 7";
        Output again = shell(". " + PREPARE + "; keep_running " + folder + "/twice", Map.of("twice", twice));
        assertThat(again.exit()).isEqualTo(7);
        assertThat(again.text()).hasLineCount(2).contains("Lochan crashed (status 3) and is starting again");

        Output ever = shell(". " + PREPARE + "; keep_running " + folder + "/ever", Map.of("ever", "exit 134"));
        assertThat(ever.exit()).isEqualTo(1);
        assertThat(ever.text()).contains("crashed three times within a minute of its start (status 134)");
        assertThat(shell("grep -c ExitOnOutOfMemoryError " + PREPARE, Map.of())
                        .text()
                        .strip())
                .isEqualTo("1");
    }

    @Test
    void theStartScriptPassesOnWhatTellsItToEnd() throws Exception {
        Output said = shell(
                ". " + PREPARE + "; (sleep 1; kill -HUP $$) & keep_running " + folder + "/waits",
                Map.of("waits", "trap 'echo told; exit 143' TERM; for i in $(seq 300); do sleep 0.1; done"));
        assertThat(said.exit()).isEqualTo(143);
        assertThat(said.text()).isEqualTo("told\n");
    }

    private record Output(int exit, String text) {}

    /** Runs a command of the shell beside programs that stand in for the system's. */
    private Output shell(String command, Map<String, String> programs) throws Exception {
        for (Map.Entry<String, String> program : programs.entrySet()) {
            Path file = folder.resolve(program.getKey());
            Files.writeString(file, "#!/bin/bash\n" + program.getValue() + "\n");
            Files.setPosixFilePermissions(file, java.nio.file.attribute.PosixFilePermissions.fromString("rwxr-xr-x"));
        }
        Process process = new ProcessBuilder(Stream.concat(HEARING.stream(), Stream.of("/bin/bash", "-c", command))
                        .toList())
                .redirectErrorStream(true)
                .start();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Output(process.waitFor(), text);
    }

    @Test
    void aMissingPackageWithoutTheRightToInstallIsSaidInOneLine() throws Exception {
        Output said = shell(
                ". " + PREPARE + "; PATH=" + folder
                        + "; need_package lochan-test-package no-such-program 'the test needs it'",
                Map.of("apt-get", "exit 1", "id", "echo 1000", "sudo", "exit 1"));

        assertThat(said.exit()).isEqualTo(1);
        assertThat(said.text())
                .hasLineCount(1)
                .contains("no-such-program is missing and you may not install here")
                .contains("apt-get install lochan-test-package")
                .contains("the test needs it");
    }

    @Test
    void whatIsInstalledIsSaidFirstAndNoServiceIsStarted() throws Exception {
        Path policy = Path.of("/usr/sbin/policy-rc.d");
        boolean before = Files.exists(policy);

        Output said = shell(
                ". " + PREPARE + "; PATH=" + folder
                        + ":/usr/bin:/bin; need_package lochan-test-package no-such-program 'the test needs it'",
                Map.of(
                        "apt-get",
                        "[ \"$1\" = update ] || { echo policy: $(cat /usr/sbin/policy-rc.d 2>/dev/null) >&2; exit 3; }",
                        "id",
                        "echo 0"));

        assertThat(said.exit()).isEqualTo(1);
        assertThat(said.text().lines().findFirst())
                .contains("lochan: installing Debian's package lochan-test-package: the test needs it.");
        assertThat(said.text()).contains("exit 101").contains("could not be installed");
        assertThat(Files.exists(policy)).as("the system is unchanged").isEqualTo(before);
    }

    @Test
    void unknownCommandsAndOptionsOfTheStartCommandAreRefused() throws Exception {
        assertThat(shell(START + " dance", Map.of()))
                .isEqualTo(
                        new Output(
                                2,
                                "lochan: unknown command dance: expected one of demo, serve, import, export, stand-ins, rank, value, plan, route, bag, advise, runs, lures, structure, track.\n"));
        assertThat(shell(START + " demo --fast", Map.of()).text())
                .contains("demo takes no options")
                .hasLineCount(1);
    }
}
