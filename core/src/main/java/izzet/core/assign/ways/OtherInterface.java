package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;

/** Another interface of the same part: fewer data lines, no dimming, a plain input. */
public final class OtherInterface implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        List<Change> changes = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            for (Part.Interface other : unit.part().interfaces()) {
                if (!other.id().equals(unit.placed().interfaceId())) {
                    changes.add(new Change(
                            "Connect " + unit.name() + " as: " + other.name(),
                            edit(circuit, unit, other),
                            List.of(),
                            limits(unit, other)));
                }
            }
        }
        return changes;
    }

    private static List<String> limits(Unit unit, Part.Interface other) {
        List<String> limits = new ArrayList<>();
        String without = unit.part().linesOf(unit.placed().interfaceId()).stream()
                .filter(l -> !l.in(other.id()))
                .map(PartLine::id)
                .collect(Collectors.joining(", "));
        if (!without.isEmpty()) {
            limits.add("Not connected any more: " + without + ".");
        }
        if (other.note() != null) {
            limits.add(other.note());
        }
        return limits;
    }

    private static PlanEdit edit(Circuit circuit, Unit unit, Part.Interface other) {
        List<PlanEdit> edits = new ArrayList<>();
        unit.part().lines().stream()
                .filter(l -> !l.in(other.id()))
                .map(l -> Target.line(unit.id(), l.id()))
                .filter(t -> circuit.plan().connection(t).isPresent())
                .forEach(t -> edits.add(new PlanEdit.Disconnect(t)));
        edits.add(new PlanEdit.ChooseInterface(unit.id(), other.id()));
        if (!Objects.equals(other.bus(), unit.variant().bus())) {
            edits.add(new PlanEdit.SetPartBus(unit.id(), null));
        }
        return new PlanEdit.Together("connected " + unit.name() + " as " + other.name(), edits);
    }
}
