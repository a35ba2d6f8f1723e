package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** A kin of the part that needs fewer pins: with a 2-wire adapter, or on the serial bus. */
public final class OtherPart implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        List<Change> changes = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            for (String kin : List.of("two-wire", "serial")) {
                String id = unit.part().kin().get(kin);
                if (id != null) {
                    circuit.catalog()
                            .part(id)
                            .ifPresent(p -> changes.add(new Change(
                                    "Use for " + unit.name() + ": " + p.name(),
                                    new PlanEdit.ReplacePart(
                                            unit.id(),
                                            p.id(),
                                            p.version(),
                                            p.interfaces().get(0).id(),
                                            Set.of()),
                                    List.of(p.shortName()),
                                    List.of("The program talks to another interface."))));
                }
            }
        }
        return changes;
    }
}
