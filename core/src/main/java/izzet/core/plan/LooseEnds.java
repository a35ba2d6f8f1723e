package izzet.core.plan;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Wires and resistors that lead to lines which a part, in its interface of now, does not have. */
public final class LooseEnds {

    private LooseEnds() {}

    /** Edits that take them off; empty when there are none. */
    public static List<PlanEdit> of(Plan plan, Catalog catalog) {
        List<PlanEdit> edits = new ArrayList<>();
        for (Connection c : plan.connections()) {
            if (gone(plan, catalog, c.from()) || gone(plan, catalog, c.to())) {
                edits.add(new PlanEdit.Disconnect(c.from()));
            }
        }
        for (Resistor r : plan.resistors()) {
            if (gone(plan, catalog, r.from()) || gone(plan, catalog, r.to())) {
                edits.add(new PlanEdit.RemoveResistor(r.id()));
            }
        }
        return edits;
    }

    private static boolean gone(Plan plan, Catalog catalog, Target end) {
        if (!end.isLine()) {
            return false;
        }
        Optional<PlacedPart> placed = plan.part(end.owner());
        Optional<Part> part = placed.flatMap(p -> catalog.part(p.part(), p.partVersion()));
        return part.isPresent()
                && part.get()
                        .line(end.name())
                        .filter(l -> l.in(placed.get().interfaceId()))
                        .isEmpty();
    }
}
