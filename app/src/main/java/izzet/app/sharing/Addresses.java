package izzet.app.sharing;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/** Addresses of this machine in its network, and of those who ask. */
final class Addresses {

    private static final int PREFIX_BYTES = 8;

    private Addresses() {}

    /** IPv4 addresses at which other devices of the network reach this machine. */
    static List<String> own() {
        List<String> found = new ArrayList<>();
        try {
            for (NetworkInterface n : Collections.list(NetworkInterface.getNetworkInterfaces())) {
                if (!n.isUp() || n.isLoopback()) {
                    continue;
                }
                for (InetAddress a : Collections.list(n.getInetAddresses())) {
                    if (a instanceof Inet4Address && !a.isLinkLocalAddress()) {
                        found.add(a.getHostAddress());
                    }
                }
            }
        } catch (IOException e) {
            return List.of();
        }
        return found;
    }

    /** Who asks: an IPv4 address, or the network of an IPv6 address, since a device may take any of those. */
    static String asker(String address) {
        try {
            InetAddress known = InetAddress.getByName(address);
            return known instanceof Inet6Address
                    ? Arrays.toString(Arrays.copyOf(known.getAddress(), PREFIX_BYTES))
                    : known.getHostAddress();
        } catch (IOException e) {
            return address;
        }
    }
}
