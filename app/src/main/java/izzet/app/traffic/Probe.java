package izzet.app.traffic;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Where the plan's 2-wire buses are probed, and how fast.
 *
 * @param samples a second at least, in words
 */
record Probe(String bus, String scl, String sda, String clock, String samples) {

    /** Samples in a clock period at least. Common practice. */
    private static final int SAMPLES_A_CLOCK = 4;

    static List<Probe> of(Circuit circuit) {
        List<Probe> probes = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() != BusKind.I2C) {
                continue;
            }
            Optional<String> scl = place(circuit, bus, Role.I2C_SCL);
            Optional<String> sda = place(circuit, bus, Role.I2C_SDA);
            if (scl.isPresent() && sda.isPresent()) {
                probes.add(new Probe(
                        bus.name(),
                        scl.get(),
                        sda.get(),
                        Quantity.hertz(bus.clockHz()).toString(),
                        Quantity.hertz((double) SAMPLES_A_CLOCK * bus.clockHz()).toString()));
            }
        }
        return probes;
    }

    private static Optional<String> place(Circuit circuit, Bus bus, Role role) {
        for (Unit unit : circuit.units()) {
            if (circuit.busOf(unit).filter(bus::equals).isEmpty()) {
                continue;
            }
            for (Wire wire : circuit.wiresOf(unit)) {
                Optional<Pin> pin =
                        wire.role() == role ? circuit.reach(wire.from()).map(r -> r.pin()) : Optional.empty();
                if (pin.isPresent()) {
                    return pin.map(p -> p.label() + " (" + p.position() + ")");
                }
            }
        }
        return Optional.empty();
    }
}
