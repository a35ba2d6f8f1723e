package izzet.core.edit;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** What is done to a whole bus. All throw {@link PlanEdit.EditRefused} when the plan has no such bus. */
public final class BusEdits {

    private BusEdits() {}

    /**
     * Its lines come off their pins and are proposed anew at another controller.
     *
     * @param controller null for pins that the program drives
     */
    public static PlanEdit move(Plan plan, Catalog catalog, String id, String controller) {
        Bus old = bus(plan, id);
        List<PlanEdit> edits = new ArrayList<>();
        edits.add(new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), controller, old.clockHz())));
        Circuit circuit = new Circuit(plan, catalog);
        circuit.wires().stream()
                .filter(w -> id.equals(w.unit().placed().bus()) && w.busSignal().isPresent())
                .filter(w -> w.to().filter(Target::isPin).isPresent())
                .forEach(w -> edits.add(new PlanEdit.Disconnect(w.from())));
        Plan freed = new PlanEdit.Together("", edits).apply(plan);
        edits.add(Proposal.of(freed, catalog).edit());
        return new PlanEdit.Together("moved " + old.name(), edits);
    }

    public static PlanEdit clock(Plan plan, String id, int hertz) {
        Bus old = bus(plan, id);
        return new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), old.controller(), hertz));
    }

    private static Bus bus(Plan plan, String id) {
        return plan.bus(id).orElseThrow(() -> new PlanEdit.EditRefused("The plan has no bus '" + id + "'."));
    }
}
