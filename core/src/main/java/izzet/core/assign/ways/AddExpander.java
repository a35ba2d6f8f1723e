package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Direction;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** The smallest expander for slow lines. */
public final class AddExpander implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        return circuit.catalog().parts().values().stream()
                .filter(p -> p.i2c() != null && ports(p) > 0)
                .sorted(Comparator.comparingLong(AddExpander::ports).thenComparing(Part::id))
                .limit(1)
                .map(p -> {
                    String id = circuit.plan().freeId("expander");
                    return new Change(
                            "Add an expander for resets, selects and buttons: " + p.name(),
                            new PlanEdit.AddPart(new PlacedPart(
                                    id,
                                    p.id(),
                                    p.version(),
                                    "Expander",
                                    p.interfaces().get(0).id(),
                                    Map.of(),
                                    null,
                                    null)),
                            List.of(p.purchase() == null ? p.shortName() : p.purchase()),
                            List.of("Lines behind it change only as fast as the bus lets them."));
                })
                .toList();
    }

    private static long ports(Part part) {
        return part.lines().stream()
                .filter(l -> l.role() == Role.PORT && l.direction() == Direction.BOTH)
                .count();
    }
}
