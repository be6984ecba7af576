package lochan.web;

import java.net.InetAddress;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.stream.Stream;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.GeneralSubtree;
import org.bouncycastle.asn1.x509.NameConstraints;

/** What an authority may vouch for, as the extension of its certificate says it (RFC 5280, section 4.2.1.10). */
final class PermittedNames {

    /** Networks that nobody reaches from elsewhere: loopback, private, shared and link-local ones. */
    private static final List<Network> PRIVATE = List.of(
            new Network("127.0.0.0", 8),
            new Network("10.0.0.0", 8),
            new Network("172.16.0.0", 12),
            new Network("192.168.0.0", 16),
            new Network("100.64.0.0", 10),
            new Network("169.254.0.0", 16));

    private static final int WHOLE = 32;

    private PermittedNames() {}

    /** A network of addresses of the fourth version. */
    private record Network(String address, int bits) {

        GeneralName name() {
            return new GeneralName(GeneralName.iPAddress, address + "/" + bits);
        }

        boolean holds(String other) {
            int shift = WHOLE - bits;
            return number(address) >>> shift == number(other) >>> shift;
        }

        private static int number(String address) {
            return ByteBuffer.wrap(InetAddress.ofLiteral(address).getAddress()).getInt();
        }
    }

    /**
     * Of a certificate's names, those that an authority has to be made for: all but addresses of private networks.
     *
     * @param names as {@code dns:boat.local} or {@code ip:10.0.0.4}
     */
    static List<String> beyondPrivate(List<String> names) {
        return names.stream()
                .filter(n ->
                        n.startsWith("dns:") || PRIVATE.stream().noneMatch(p -> p.holds(n.substring("ip:".length()))))
                .toList();
    }

    /** The extension's value for these names and all private networks. */
    static NameConstraints extension(List<String> names) {
        Stream<GeneralName> named = names.stream()
                .map(n -> n.startsWith("dns:")
                        ? new GeneralName(GeneralName.dNSName, n.substring("dns:".length()))
                        : new Network(n.substring("ip:".length()), WHOLE).name());
        return new NameConstraints(
                Stream.concat(named, PRIVATE.stream().map(Network::name))
                        .map(GeneralSubtree::new)
                        .toArray(GeneralSubtree[]::new),
                null);
    }
}
