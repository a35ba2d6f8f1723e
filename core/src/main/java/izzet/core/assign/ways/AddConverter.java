package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Part;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** An analog converter, for lines that want an analog input. */
public final class AddConverter implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        boolean wanted = circuit.wires().stream().anyMatch(w -> w.capability().equals(PinFunction.ANALOG_IN));
        return circuit.catalog().parts().values().stream()
                .filter(p -> wanted && inputs(p) > 0)
                .sorted(Comparator.comparingLong(AddConverter::inputs).thenComparing(Part::id))
                .limit(1)
                .map(p -> new Change(
                        "Add an analog converter: " + p.name(),
                        new PlanEdit.AddPart(new PlacedPart(
                                circuit.plan().freeId("converter"),
                                p.id(),
                                p.version(),
                                "Converter",
                                p.interfaces().get(0).id(),
                                Map.of(),
                                null,
                                null)),
                        List.of(p.purchase() == null ? p.shortName() : p.purchase()),
                        List.of("What is read through it comes over the bus, and so more slowly.")))
                .toList();
    }

    private static long inputs(Part part) {
        return part.lines().stream().filter(l -> l.role() == Role.CONVERTER).count();
    }
}
