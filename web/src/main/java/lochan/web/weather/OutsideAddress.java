package lochan.web.weather;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;

/** An address outside of the network that the server itself stands in: nobody may look at what lies inside through it. */
final class OutsideAddress {

    private static final int LONGEST = 1000;
    private static final int FIRST_SHARED = 64;
    private static final int LAST_SHARED = 127;

    private OutsideAddress() {}

    /** An address that cannot be asked, with why. */
    static final class RefusedException extends Exception {

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
            throw new RefusedException("“" + text.strip() + "” is no address: type one that begins with https://");
        }
        boolean web = "http".equalsIgnoreCase(uri.getScheme()) || "https".equalsIgnoreCase(uri.getScheme());
        if (!web || uri.getHost() == null || uri.getUserInfo() != null || text.length() > LONGEST) {
            throw new RefusedException(
                    "“" + text.strip() + "” is no address of a service: type one that begins with https://");
        }
        try {
            for (InetAddress address : InetAddress.getAllByName(uri.getHost())) {
                if (!allowInside && isInside(address)) {
                    throw new RefusedException(
                            "“" + uri.getHost()
                                    + "” lies inside this computer's own network, which is not asked (whoever runs Lochan may allow it: LOCHAN_WEATHER_INSIDE=yes)");
                }
            }
        } catch (UnknownHostException e) {
            throw new RefusedException("“" + uri.getHost() + "” is not known, or there is no network");
        }
        return uri;
    }

    static boolean isInside(InetAddress address) {
        byte[] bytes = address.getAddress();
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
}
