package izzet.core.decode;

import izzet.core.discovery.Discovery;
import java.util.List;
import java.util.stream.Collectors;

/** All ways of speaking that are known. */
public final class Protocols {

    private static final List<Protocol> ALL =
            List.copyOf(Discovery.instances(Protocol.class, Protocols.class.getPackageName()));

    private Protocols() {}

    public static List<Protocol> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException when there is none; the message lists what there is */
    public static Protocol of(String id) {
        return ALL.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The protocol '" + id + "' is not known; known are "
                        + ALL.stream().map(Protocol::id).collect(Collectors.joining(", ")) + "."));
    }
}
