package lochan.web;

import java.io.ByteArrayOutputStream;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;

/** What an authority may vouch for, as the extension of its certificate says it (RFC 5280, section 4.2.1.10). */
final class PermittedNames {

    static final String OID = "2.5.29.30";

    /** Networks that nobody reaches from elsewhere: loopback, private, shared and link-local ones. */
    private static final List<Network> PRIVATE = List.of(
            new Network("127.0.0.0", 8),
            new Network("10.0.0.0", 8),
            new Network("172.16.0.0", 12),
            new Network("192.168.0.0", 16),
            new Network("100.64.0.0", 10),
            new Network("169.254.0.0", 16));

    private static final int SEQUENCE = 0x30;
    private static final int PERMITTED = 0xA0;
    private static final int DNS_NAME = 0x82;
    private static final int IP_ADDRESS = 0x87;
    private static final int SHORT_LENGTH = 128;
    private static final int WHOLE = 32;

    private PermittedNames() {}

    /** A network of addresses of the fourth version. */
    private record Network(String address, int bits) {

        byte[] base() {
            return InetAddress.ofLiteral(address).getAddress();
        }

        byte[] mask() {
            int mask = bits == WHOLE ? -1 : ~(-1 >>> bits);
            return new byte[] {(byte) (mask >>> 24), (byte) (mask >>> 16), (byte) (mask >>> 8), (byte) mask};
        }

        boolean holds(String other) {
            byte[] its = InetAddress.ofLiteral(other).getAddress();
            byte[] mask = mask();
            byte[] base = base();
            return Stream.of(0, 1, 2, 3).allMatch(i -> (its[i] & mask[i]) == base[i]);
        }
    }

    /**
     * Of a certificate's names, those that an authority has to be made for: all but addresses of private networks.
     *
     * @param names as keytool has them, {@code dns:boat.local} or {@code ip:10.0.0.4}
     */
    static List<String> beyondPrivate(List<String> names) {
        return names.stream()
                .filter(n ->
                        n.startsWith("dns:") || PRIVATE.stream().noneMatch(p -> p.holds(n.substring("ip:".length()))))
                .toList();
    }

    /** The extension's value for these names and all private networks, as hexadecimal digits. */
    static String extension(List<String> names) {
        Stream<byte[]> named = names.stream()
                .map(n -> n.startsWith("dns:")
                        ? value(DNS_NAME, n.substring("dns:".length()).getBytes(StandardCharsets.US_ASCII))
                        : address(new Network(n.substring("ip:".length()), WHOLE)));
        byte[][] subtrees = Stream.concat(named, PRIVATE.stream().map(PermittedNames::address))
                .map(n -> value(SEQUENCE, n))
                .toArray(byte[][]::new);
        return HexFormat.ofDelimiter(":").formatHex(value(SEQUENCE, value(PERMITTED, joined(subtrees))));
    }

    private static byte[] address(Network network) {
        return value(IP_ADDRESS, joined(network.base(), network.mask()));
    }

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Arrays.stream(parts).forEach(out::writeBytes);
        return out.toByteArray();
    }

    /** A tag, the length and the content, as DER writes them. */
    private static byte[] value(int tag, byte[] content) {
        byte[] length = content.length < SHORT_LENGTH
                ? new byte[] {(byte) content.length}
                : new byte[] {(byte) 0x82, (byte) (content.length >>> 8), (byte) content.length};
        if (content.length >= SHORT_LENGTH && content.length < 2 * SHORT_LENGTH) {
            length = new byte[] {(byte) 0x81, (byte) content.length};
        }
        return joined(new byte[] {(byte) tag}, length, content);
    }
}
