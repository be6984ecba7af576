package lochan.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.MessageDigest;
import java.security.PrivateKey;
import java.security.SecureRandom;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.security.spec.ECGenParameterSpec;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.Date;
import java.util.HexFormat;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import lochan.store.StoreException;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.GeneralNames;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.cert.X509v3CertificateBuilder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509ExtensionUtils;
import org.bouncycastle.cert.jcajce.JcaX509v3CertificateBuilder;
import org.bouncycastle.openssl.jcajce.JcaPEMWriter;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;
import org.jspecify.annotations.Nullable;

/**
 * A certificate for the network on the boat: an authority of Lochan's own, which a phone must trust once, and a
 * certificate by it for this
 * machine's names and addresses, made again when they change or it runs out.
 *
 * <p>The authority can vouch for this machine's names and for addresses of private networks only. Its key and password have a folder of their
 * own, which is needed only when a certificate is made: it may lie on a stick that is kept elsewhere.
 */
final class BoatCertificate {

    /** Phones take none that holds longer. */
    private static final Duration HOLDS = Duration.ofDays(397);

    private static final Duration AUTHORITY_HOLDS = Duration.ofDays(3650);
    private static final int SERIAL_BITS = 120;
    private static final Duration RENEWED_BEFORE = Duration.ofDays(30);
    private static final int PASSWORD_BYTES = 24;

    private final Path folder;
    private final Path authorityFolder;
    private final String password;
    private boolean madeAuthority;

    private BoatCertificate(Path folder, Path authorityFolder) throws IOException {
        this.folder = closed(folder);
        this.authorityFolder = authorityFolder;
        this.password = secret(folder);
    }

    /**
     * The certificate of a data folder, made when there is none that holds.
     *
     * @param home      the data folder; what the server needs lies in its folder {@code tls}
     * @param authority folder of the authority's key; null: the folder {@code authority} of the data folder
     * @param others    names and addresses besides those this machine finds on its own
     */
    static BoatCertificate of(Path home, @Nullable Path authority, List<String> others, Clock clock) {
        try {
            Path own = home.toAbsolutePath().normalize();
            BoatCertificate certificate =
                    new BoatCertificate(own.resolve("tls"), authority == null ? own.resolve("authority") : authority);
            certificate.make(names(others), authority != null, clock.instant());
            return certificate;
        } catch (IOException | GeneralSecurityException e) {
            throw new StoreException(
                    "The certificate in " + home.resolve("tls") + " cannot be made or read (" + e.getMessage()
                            + "): give its owner the right to write there, or remove that folder to make a new one.",
                    e);
        }
    }

    private static Path closed(Path folder) throws IOException {
        Files.createDirectories(folder);
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        return folder;
    }

    /** The password of the keys in a folder, drawn when there is none. */
    private static String secret(Path folder) throws IOException {
        Path secret = folder.resolve("password");
        if (!Files.exists(secret)) {
            byte[] random = new byte[PASSWORD_BYTES];
            new SecureRandom().nextBytes(random);
            Files.createFile(
                    secret, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.writeString(secret, HexFormat.of().formatHex(random));
        }
        return Files.readString(secret);
    }

    /** Names and addresses of this machine, as a certificate lists them. */
    private static List<String> names(List<String> others) throws IOException {
        TreeSet<String> names = new TreeSet<>(List.of("dns:localhost", "ip:127.0.0.1"));
        String host = InetAddress.getLocalHost().getHostName();
        if (host.matches("[A-Za-z0-9-]+")) {
            names.add("dns:" + host);
            names.add("dns:" + host + ".local");
        }
        addresses().forEach(a -> names.add("ip:" + a));
        for (String other : others) {
            if (!other.matches("[A-Za-z0-9.-]+")) {
                throw new StoreException("LOCHAN_TLS_NAMES has “" + other
                        + "”: expected names or addresses with commas between them, as boat.local,10.0.0.4.");
            }
            names.add((other.matches("[0-9.]+") ? "ip:" : "dns:") + other);
        }
        return List.copyOf(names);
    }

    private void make(List<String> names, boolean elsewhere, Instant now) throws IOException, GeneralSecurityException {
        Path made = folder.resolve("names");
        boolean same = Files.exists(made) && Files.readAllLines(made).equals(names);
        if (same
                && Files.exists(keys())
                && Files.exists(authority())
                && isBound(read(authority()))
                && read(folder.resolve("server.crt")).getNotAfter().toInstant().isAfter(now.plus(RENEWED_BEFORE))) {
            return;
        }
        if (elsewhere && !Files.isDirectory(authorityFolder)) {
            throw new StoreException(
                    "A certificate has to be made, since the names of this machine changed or the last one runs out, and the authority's folder "
                            + authorityFolder
                            + " is not there: put it back in its place and start again, or make an empty folder there for a new authority.");
        }
        closed(authorityFolder);
        Path authorityKeys = authorityFolder.resolve("authority.p12");
        Path mayVouch = authorityFolder.resolve("names");
        List<String> asked = PermittedNames.beyondPrivate(names);
        boolean covers = Files.exists(authorityKeys)
                && Files.exists(mayVouch)
                && Files.readAllLines(mayVouch).containsAll(asked)
                && Files.exists(authorityFolder.resolve("authority.crt"));
        if (!covers) {
            // As older versions left it: able to vouch for anything, with its password beside it.
            Files.deleteIfExists(folder.resolve("authority.p12"));
            KeyStoreFile.Signed fresh = authority(asked, now);
            new KeyStoreFile(authorityKeys, secret(authorityFolder)).write("authority", fresh);
            pem(authorityFolder.resolve("authority.crt"), fresh.certificate());
            Files.write(mayVouch, asked);
            madeAuthority = true;
        }
        KeyStoreFile.Signed authority = new KeyStoreFile(authorityKeys, secret(authorityFolder)).read("authority");
        KeyStoreFile.Signed server = server(names, authority, now);
        pem(authority(), authority.certificate());
        new KeyStoreFile(keys(), password).write("server", server);
        pem(folder.resolve("server.crt"), server.certificate());
        Files.write(made, names);
    }

    private static KeyStoreFile.Signed authority(List<String> mayVouchFor, Instant now)
            throws IOException, GeneralSecurityException {
        KeyPair keys = newKeys();
        X500Name name = new X500NameBuilder()
                .addRDN(BCStyle.CN, "Lochan on " + InetAddress.getLocalHost().getHostName())
                .build();
        X509v3CertificateBuilder certificate = new JcaX509v3CertificateBuilder(
                        name, serial(), Date.from(now), Date.from(now.plus(AUTHORITY_HOLDS)), name, keys.getPublic())
                .addExtension(Extension.basicConstraints, true, new BasicConstraints(0))
                .addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.keyCertSign | KeyUsage.cRLSign))
                .addExtension(Extension.nameConstraints, true, PermittedNames.extension(mayVouchFor))
                .addExtension(
                        Extension.subjectKeyIdentifier,
                        false,
                        new JcaX509ExtensionUtils().createSubjectKeyIdentifier(keys.getPublic()));
        return new KeyStoreFile.Signed(keys.getPrivate(), List.of(signed(certificate, keys.getPrivate())));
    }

    private static KeyStoreFile.Signed server(List<String> names, KeyStoreFile.Signed authority, Instant now)
            throws IOException, GeneralSecurityException {
        KeyPair keys = newKeys();
        GeneralName[] listed = names.stream()
                .map(n -> n.startsWith("dns:")
                        ? new GeneralName(GeneralName.dNSName, n.substring("dns:".length()))
                        : new GeneralName(GeneralName.iPAddress, n.substring("ip:".length())))
                .toArray(GeneralName[]::new);
        X509v3CertificateBuilder certificate = new JcaX509v3CertificateBuilder(
                        authority.certificate(),
                        serial(),
                        Date.from(now),
                        Date.from(now.plus(HOLDS)),
                        new X500Name("CN=Lochan"),
                        keys.getPublic())
                .addExtension(Extension.subjectAlternativeName, false, new GeneralNames(listed))
                .addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature))
                .addExtension(Extension.extendedKeyUsage, false, new ExtendedKeyUsage(KeyPurposeId.id_kp_serverAuth))
                .addExtension(
                        Extension.authorityKeyIdentifier,
                        false,
                        new JcaX509ExtensionUtils()
                                .createAuthorityKeyIdentifier(
                                        authority.certificate().getPublicKey()));
        return new KeyStoreFile.Signed(
                keys.getPrivate(), List.of(signed(certificate, authority.key()), authority.certificate()));
    }

    private static KeyPair newKeys() throws GeneralSecurityException {
        KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
        generator.initialize(new ECGenParameterSpec("secp256r1"));
        return generator.generateKeyPair();
    }

    private static BigInteger serial() {
        return new BigInteger(SERIAL_BITS, new SecureRandom());
    }

    private static X509Certificate signed(X509v3CertificateBuilder certificate, PrivateKey by)
            throws GeneralSecurityException {
        try {
            return new JcaX509CertificateConverter()
                    .getCertificate(certificate.build(new JcaContentSignerBuilder("SHA256withECDSA").build(by)));
        } catch (OperatorCreationException e) {
            throw new GeneralSecurityException(e);
        }
    }

    private static void pem(Path file, X509Certificate certificate) throws IOException {
        try (JcaPEMWriter out = new JcaPEMWriter(Files.newBufferedWriter(file))) {
            out.writeObject(certificate);
        }
    }

    /** Whether an authority may vouch for some names only. */
    private static boolean isBound(X509Certificate authority) {
        return authority.getExtensionValue(Extension.nameConstraints.getId()) != null;
    }

    /** Tells whether phones must trust a new authority. */
    boolean madeAuthority() {
        return madeAuthority;
    }

    private static X509Certificate read(Path file) throws IOException, GeneralSecurityException {
        try (InputStream in = Files.newInputStream(file)) {
            return (X509Certificate) CertificateFactory.getInstance("X.509").generateCertificate(in);
        }
    }

    /** Keys and certificates for the server. */
    Path keys() {
        return folder.resolve("server.p12");
    }

    String password() {
        return password;
    }

    /** Returns the certificate for phones to trust, as PEM. */
    Path authority() {
        return folder.resolve("authority.crt");
    }

    /** Of the authority, as phones show it: SHA-256, in pairs. */
    String fingerprint() {
        try {
            return HexFormat.ofDelimiter(":")
                    .withUpperCase()
                    .formatHex(MessageDigest.getInstance("SHA-256")
                            .digest(read(authority()).getEncoded()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Where a phone on the boat's network finds this machine: its addresses but loopback. */
    static List<String> addresses() {
        try {
            return Collections.list(NetworkInterface.getNetworkInterfaces()).stream()
                    .flatMap(n -> n.getInterfaceAddresses().stream())
                    .map(a -> a.getAddress())
                    .filter(a -> a instanceof Inet4Address && !a.isLoopbackAddress())
                    .map(InetAddress::getHostAddress)
                    .collect(Collectors.toList());
        } catch (java.net.SocketException e) {
            return List.of();
        }
    }
}
