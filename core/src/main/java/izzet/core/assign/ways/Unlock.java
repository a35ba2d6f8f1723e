package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import java.util.List;

/** One lock taken off. */
public final class Unlock implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        return circuit.wires().stream()
                .filter(w -> w.connected() && w.connection().staysPut())
                .map(Unlock::change)
                .toList();
    }

    private static Change change(Wire wire) {
        return new Change(
                "Unlock " + wire.label(),
                new PlanEdit.Connect(wire.connection().withLock(false)),
                List.of(),
                List.of());
    }
}
