package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import java.util.List;

/** An analog converter, for lines that want an analog input. */
public final class AddConverter implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        boolean wanted = circuit.wires().stream().anyMatch(w -> w.capability().equals(PinFunction.ANALOG_IN));
        return wanted
                ? NewHelper.with(
                        circuit,
                        line -> line.role() == Role.CONVERTER,
                        "Add an analog converter",
                        "Converter",
                        "What is read through it comes over the bus, and so more slowly.")
                : List.of();
    }
}
