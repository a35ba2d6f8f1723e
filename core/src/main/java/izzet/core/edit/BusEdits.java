package izzet.core.edit;

import izzet.core.assign.Proposal;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.plan.Cable;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
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

    /**
     * The clock of the transfers of one part on a serial bus; taken back where it is that of the bus.
     *
     * @param hertz null for the clock of its bus
     * @throws PlanEdit.EditRefused when the plan has no such part, or the part is on no serial bus
     */
    public static PlanEdit ownClock(Plan plan, String partId, Integer hertz) {
        PlacedPart part =
                plan.part(partId).orElseThrow(() -> new PlanEdit.EditRefused("The plan has no part '" + partId + "'."));
        Bus bus = plan.bus(part.bus() == null ? "" : part.bus())
                .filter(b -> b.kind() == BusKind.SPI)
                .orElseThrow(() -> new PlanEdit.EditRefused(part.name()
                        + " is on no serial bus: a program sets a clock for one part alone on a serial bus only."));
        boolean same = hertz != null && hertz == bus.clockHz();
        return new PlanEdit.SetPartClock(partId, same ? null : hertz);
    }

    /** Another clock and other wires at once. */
    public static PlanEdit run(Plan plan, String id, int hertz, double centimetres, Cable cable) {
        Bus old = bus(plan, id);
        return new PlanEdit.Together(
                "ran " + old.name() + " at " + Quantity.hertz(hertz) + " on " + Quantity.count(centimetres) + " cm of "
                        + (cable == null ? plan.wires() : cable).words(),
                List.of(clock(plan, id, hertz), new PlanEdit.SetWire(centimetres, cable)));
    }

    /**
     * A part goes to another address, by every strap and address pin that it takes.
     *
     * @throws PlanEdit.EditRefused when the plan has no such part, or nothing on the part leads there
     */
    public static PlanEdit address(Plan plan, Catalog catalog, String partId, int address) {
        Circuit circuit = new Circuit(plan, catalog);
        Unit unit = circuit.unit(partId)
                .filter(u -> u.part().i2c() != null)
                .orElseThrow(() -> new PlanEdit.EditRefused("The plan has no part '" + partId + "' with an address."));
        Reachable.Setting setting = Reachable.of(circuit, unit).get(address);
        if (setting == null) {
            throw new PlanEdit.EditRefused(unit.name() + " cannot be set to " + Hex.of(address) + " by its pads.");
        }
        List<PlanEdit> edits = new ArrayList<>(setting.edits());
        if (unit.placed().address() != null) {
            edits.add(new PlanEdit.SetAddress(partId, address));
        }
        return new PlanEdit.Together("set " + unit.name() + " to " + Hex.of(address), edits);
    }

    private static Bus bus(Plan plan, String id) {
        return plan.bus(id).orElseThrow(() -> new PlanEdit.EditRefused("The plan has no bus '" + id + "'."));
    }
}
