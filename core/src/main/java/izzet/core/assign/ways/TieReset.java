package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** A display's reset at its supply instead of a pin. Common practice where the command set has a reset of its own. */
public final class TieReset implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        List<Change> changes = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            boolean tied = wire.to().filter(Target::isRail).isPresent();
            if (wire.role() == Role.RESET && !tied && wire.line().active() == ActiveLevel.LOW) {
                circuit.board().rails().stream()
                        .filter(Rail::gives)
                        .filter(r -> r.volts() == circuit.board().logicVolts())
                        .findFirst()
                        .ifPresent(rail -> changes.add(new Change(
                                "Tie " + wire.label() + " to " + rail.label(),
                                new PlanEdit.Connect(wire.from(), Target.rail(rail.id())),
                                List.of(),
                                List.of("It is reset by command only, and by switching it off."))));
            }
        }
        return changes;
    }
}
