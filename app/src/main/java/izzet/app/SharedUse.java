package izzet.app;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Optional;
import org.springframework.aot.AotDetector;
import org.springframework.core.env.Environment;

/** Whether other devices may come in, and that nobody does without a key. */
final class SharedUse {

    private SharedUse() {}

    static boolean wanted(Environment environment) {
        return environment.getProperty("izzet.lan", Boolean.class, false);
    }

    /** Why the program must not listen as it was told to; empty where it may. */
    static Optional<String> fault(Environment environment) {
        String address = environment.getProperty("server.address", "");
        if (!wanted(environment)) {
            return loopback(address)
                    ? Optional.empty()
                    : Optional.of("the address '" + address
                            + "' is open to the network, and without pairing everybody in it could change"
                            + " everything. Start with --lan, or leave the address at 127.0.0.1.");
        }
        // What the build generated knows nothing of keys.
        return AotDetector.useGeneratedArtifacts()
                ? Optional.of("izzet.lan needs a start without -Dspring.aot.enabled; ./izzet run --lan does so.")
                : Optional.empty();
    }

    private static boolean loopback(String address) {
        try {
            return !address.isEmpty() && InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }
}
