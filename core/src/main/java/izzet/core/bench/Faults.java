package izzet.core.bench;

import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import java.util.Comparator;
import java.util.List;

/** All faults that are known. */
public final class Faults {

    private static final class Known {
        static final List<Fault> ALL =
                Discovery.instances(Fault.class, Faults.class.getPackageName() + ".faults").stream()
                        .sorted(Comparator.comparing(Fault::name))
                        .toList();
    }

    private Faults() {}

    /** By name. */
    public static List<Fault> all() {
        return Known.ALL;
    }

    /** Those that a plan can have. */
    public static List<Fault> of(Circuit planned) {
        return Known.ALL.stream().filter(f -> !f.places(planned).isEmpty()).toList();
    }

    /**
     * A desk with a fault told as {@code fault@place}.
     *
     * @throws IllegalArgumentException when there is no such fault, or the plan has no such place
     */
    public static Desk put(Desk desk, String told) {
        int at = told.indexOf('@');
        String id = at < 0 ? told : told.substring(0, at);
        String key = at < 0 ? "" : told.substring(at + 1);
        Fault fault = of(id);
        if (fault.places(desk.planned()).stream().noneMatch(p -> p.key().equals(key))) {
            throw new IllegalArgumentException("This plan has no place '" + key + "' for the fault '" + id + "'.");
        }
        return fault.at(desk, key);
    }

    /** @throws IllegalArgumentException when there is none */
    public static Fault of(String id) {
        return Known.ALL.stream()
                .filter(f -> f.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no fault '" + id + "'."));
    }
}
