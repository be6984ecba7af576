package lochan.web.weather;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** An address outside of the network that the server itself stands in: nobody may look at what lies inside through it. */
final class OutsideAddress {

    private static final int LONGEST = 1000;
    private static final int FIRST_SHARED = 64;
    private static final int LAST_SHARED = 127;

    private OutsideAddress() {}

    /** An address that cannot be asked, with why. */
    static final class RefusedException extends UnknownHostException {

        private static final long serialVersionUID = 1L;

        RefusedException(String message) {
            super(message);
        }
    }

    /**
     * @param allowInside whether addresses inside the own network are allowed
     * @throws RefusedException when it is no web address, its host is unknown, or it lies inside
     */
    static URI check(String text, boolean allowInside) throws RefusedException {
        URI uri;
        try {
            uri = new URI(text.strip());
        } catch (URISyntaxException e) {
            throw new RefusedException("“" + text.strip() + "” isn't an address. It must start with https://");
        }
        boolean web = "http".equalsIgnoreCase(uri.getScheme()) || "https".equalsIgnoreCase(uri.getScheme());
        if (!web || uri.getHost() == null || uri.getUserInfo() != null || text.length() > LONGEST) {
            throw new RefusedException("“" + text.strip() + "” isn't a service's address. It must start with https://");
        }
        try {
            InetAddress[] addresses = InetAddress.getAllByName(uri.getHost());
            if (!allowInside) {
                check(uri.getHost(), Arrays.asList(addresses));
            }
        } catch (RefusedException e) {
            throw e;
        } catch (UnknownHostException e) {
            throw new RefusedException("“" + uri.getHost() + "” is not known, or there is no network");
        }
        return uri;
    }

    /** @throws RefusedException when one of a host's addresses lies inside */
    static void check(String host, List<InetAddress> addresses) throws RefusedException {
        if (addresses.stream().anyMatch(OutsideAddress::isInside)) {
            throw new RefusedException(
                    "“" + host
                            + "” is inside this computer's own network, which isn't allowed (LOCHAN_WEATHER_INSIDE=yes allows it)");
        }
    }

    static boolean isInside(InetAddress address) {
        byte[] bytes = address.getAddress();
        byte[] within = within(bytes);
        if (within != null) {
            return isInside(within);
        }
        int first = bytes[0] & 0xff;
        int second = bytes[1] & 0xff;
        boolean uniqueLocal = address instanceof Inet6Address && (first & 0xfe) == 0xfc;
        boolean shared = bytes.length == 4 && first == 100 && second >= FIRST_SHARED && second <= LAST_SHARED;
        boolean reserved = bytes.length == 4 && (first == 0 || first >= 240);
        return address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || address.isLinkLocalAddress()
                || address.isSiteLocalAddress()
                || address.isMulticastAddress()
                || uniqueLocal
                || shared
                || reserved;
    }

    private static boolean isInside(byte[] v4) {
        try {
            return isInside(InetAddress.getByAddress(v4));
        } catch (UnknownHostException e) {
            return true;
        }
    }

    /** The address of version 4 that one of version 6 leads to: by translation (64:ff9b::/96), by 6to4 (2002::/16), or written as its end (::a.b.c.d); null: none. */
    private static byte @Nullable [] within(byte[] v6) {
        if (v6.length != 16) {
            return null;
        }
        if (v6[0] == 0x20 && v6[1] == 0x02) {
            return Arrays.copyOfRange(v6, 2, 6);
        }
        boolean translated = v6[0] == 0 && v6[1] == 0x64 && (v6[2] & 0xff) == 0xff && (v6[3] & 0xff) == 0x9b;
        boolean zeros = true;
        for (int i = translated ? 4 : 0; i < 12; i++) {
            zeros &= v6[i] == 0;
        }
        boolean isOwn = v6[12] == 0 && v6[13] == 0 && v6[14] == 0;
        // A translator's own prefix may hold more than zeros between.
        return translated || (zeros && !isOwn) ? Arrays.copyOfRange(v6, 12, 16) : null;
    }
}
