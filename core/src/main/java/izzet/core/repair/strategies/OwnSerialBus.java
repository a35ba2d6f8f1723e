package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Gives a serial part a bus of its own: another controller where the board has one that knows its mode, else one made by the program. */
public final class OwnSerialBus implements RepairStrategy {

    private static final int BIT_BANGED_HZ = 500_000;

    @Override
    public String name() {
        return "own-serial-bus";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SHARED_SELECT, Trouble.CONTROLLER_MODE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        for (Unit unit : Spots.units(circuit, finding).stream().limit(1).toList()) {
            Bus old = circuit.busOf(unit).orElse(null);
            if (old == null || old.kind() != BusKind.SPI) {
                continue;
            }
            Spots.unused(circuit, BusKind.SPI)
                    .forEach(c -> candidate(circuit, unit, old, c).ifPresent(found::add));
            candidate(circuit, unit, old, null).ifPresent(found::add);
        }
        return found;
    }

    /** Empty when the board has no room for its lines. */
    private static Optional<Candidate> candidate(Circuit circuit, Unit unit, Bus old, Controller controller) {
        boolean made = controller == null;
        Plan plan = circuit.plan();
        Bus bus = Spots.beside(plan, old, "SPI bus", controller, BIT_BANGED_HZ);
        List<PlanEdit> edits = Spots.list(new PlanEdit.PutBus(bus), new PlanEdit.SetPartBus(unit.id(), bus.id()));
        circuit.wiresOf(unit).stream()
                .filter(w -> w.role().spi() && w.connected())
                .map(Wire::from)
                .forEach(line -> edits.add(new PlanEdit.Disconnect(line)));
        Proposal proposal = Proposal.of(Spots.all("", edits).apply(plan), circuit.catalog(), unit.id());
        if (!proposal.left().isEmpty()) {
            return Optional.empty();
        }
        edits.add(proposal.edit());
        String title = (made ? "Make a second serial bus in the program for " : "Use " + controller.name() + " for ")
                + unit.name();
        return Optional.of(new Candidate(
                unit.id() + (made ? "-program" : "-" + controller.id()),
                title,
                Spots.all(title, edits),
                List.of(),
                made
                        ? List.of("The program makes the clock itself: slower, and it is busy while it does.")
                        : controller.needs() == null ? List.of() : List.of(controller.needs()),
                List.of(unit.name() + " on a bus of its own: its pins and its constructor change")));
    }
}
