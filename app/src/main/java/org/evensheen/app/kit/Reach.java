package org.evensheen.app.kit;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Optional;
import java.util.stream.Stream;

/** Where an instrument may stand: on this machine or in a network of one's own, never anywhere else. */
final class Reach {
    private static final String REMEDY =
            "An instrument stands on this machine or in a network of your own: localhost, 10.x.x.x, 172.16.x.x to 172.31.x.x, 192.168.x.x or fd…";

    private Reach() {}

    /** Why a host written as a number can't be an instrument's; names are looked up when they are connected to. */
    static Optional<String> refused(String host) {
        if (!host.matches("[0-9.]+")) {
            return Optional.empty();
        }
        try {
            return near(InetAddress.getByName(host)) ? Optional.empty() : Optional.of(REMEDY);
        } catch (UnknownHostException e) {
            return Optional.of("“%s” is no address. Write it like 192.168.1.20:4001.".formatted(host));
        }
    }

    /**
     * The address of a host, looked up once, so that what was looked at is what is connected to.
     *
     * @throws UnknownHostException if there is none
     * @throws Link.Lost if it lies elsewhere
     */
    static InetAddress of(String host) throws UnknownHostException, Link.Lost {
        InetAddress[] all = InetAddress.getAllByName(host);
        if (!Stream.of(all).allMatch(Reach::near)) {
            throw new Link.Lost("%s lies outside. %s You can type the reading.".formatted(host, REMEDY));
        }
        return all[0];
    }

    /** Loopback, or private after RFC 1918 and RFC 4193. */
    private static boolean near(InetAddress address) {
        byte[] bytes = address.getAddress();
        boolean unique = bytes.length == 16 && (bytes[0] & 0xfe) == 0xfc;
        return address.isLoopbackAddress() || address.isSiteLocalAddress() && bytes.length == 4 || unique;
    }
}
