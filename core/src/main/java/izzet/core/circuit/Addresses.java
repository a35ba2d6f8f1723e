package izzet.core.circuit;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import java.util.Optional;

/** Where parts answer on a 2-wire bus. */
final class Addresses {

    private final Circuit circuit;

    Addresses(Circuit circuit) {
        this.circuit = circuit;
    }

    /**
     * The address a part answers at, from its straps and address pins.
     *
     * @return empty for parts not on a 2-wire bus, and while an address pin is neither high nor low
     */
    Optional<Integer> of(Unit unit) {
        if (unit.part().i2c() == null || unit.variant().bus() != BusKind.I2C) {
            return Optional.empty();
        }
        int address = unit.part().i2c().baseAddress();
        for (Part.Strap strap : unit.part().straps()) {
            address += circuit.settingOf(unit, strap).addsToAddress();
        }
        for (Wire wire : circuit.wiresOf(unit)) {
            if (wire.role() == Role.ADDRESS) {
                Optional<Double> level = circuit.railVolts(wire.from());
                if (level.isEmpty()) {
                    return Optional.empty();
                }
                address += level.get() > 0 ? wire.line().addressAdded() : 0;
            }
        }
        return Optional.of(address);
    }
}
