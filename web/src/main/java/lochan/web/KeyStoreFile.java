package lochan.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.security.cert.Certificate;
import java.security.cert.X509Certificate;
import java.util.Arrays;
import java.util.List;

/** A file with one key and its certificates, in the open format PKCS #12. */
record KeyStoreFile(Path file, String password) {

    /**
     * A key with its certificate.
     *
     * @param chain the certificate, then those who vouch for it
     */
    record Signed(PrivateKey key, List<X509Certificate> chain) {

        X509Certificate certificate() {
            return chain.getFirst();
        }
    }

    /** Replaces the file. */
    void write(String alias, Signed signed) throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS12");
        store.load(null, null);
        store.setKeyEntry(
                alias, signed.key(), password.toCharArray(), signed.chain().toArray(Certificate[]::new));
        try (OutputStream out = Files.newOutputStream(file)) {
            store.store(out, password.toCharArray());
        }
    }

    Signed read(String alias) throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS12");
        try (InputStream in = Files.newInputStream(file)) {
            store.load(in, password.toCharArray());
        }
        return new Signed(
                (PrivateKey) store.getKey(alias, password.toCharArray()),
                Arrays.stream(store.getCertificateChain(alias))
                        .map(X509Certificate.class::cast)
                        .toList());
    }
}
