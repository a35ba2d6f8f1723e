package izzet.core.repair.strategies;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Moves one of the clashing parts to a second bus: another controller where the board has one, else one made by the program. */
public final class SecondBus implements RepairStrategy {

    private static final int BIT_BANGED_HZ = 50_000;

    @Override
    public String name() {
        return "second-bus";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH, Trouble.SEGMENT_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Unit> units = Spots.units(circuit, finding);
        if (units.isEmpty()) {
            return List.of();
        }
        Unit moved = units.get(units.size() - 1);
        if (moved.part().busSwitch() != null) {
            return List.of();
        }
        List<Candidate> found = new ArrayList<>();
        for (Controller controller : Spots.unused(circuit, BusKind.I2C)) {
            move(circuit, moved, controller).ifPresent(found::add);
        }
        move(circuit, moved, null).ifPresent(found::add);
        return found;
    }

    private static Optional<Candidate> move(Circuit circuit, Unit unit, Controller controller) {
        Plan plan = circuit.plan();
        boolean made = controller == null;
        Bus old = circuit.busOf(unit).orElseThrow();
        Bus bus = Spots.beside(plan, old, "I2C bus", controller, BIT_BANGED_HZ);
        List<PlanEdit> edits = Spots.list(new PlanEdit.PutBus(bus), new PlanEdit.SetPartBus(unit.id(), bus.id()));
        Plan next = Spots.all("", edits).apply(plan);
        Circuit on = new Circuit(next, circuit.catalog());
        List<Pin> taken = new ArrayList<>();
        StringBuilder where = new StringBuilder();
        for (Role role : List.of(Role.I2C_SDA, Role.I2C_SCL)) {
            Wire wire = on.wire(unit, role).orElseThrow();
            Optional<Pin> pin = LegalPins.of(on, wire).stream()
                    .filter(p -> circuit.usersOf(p).isEmpty() && !taken.contains(p))
                    .min(java.util.Comparator.comparingInt(
                            p -> p.functions().size() + 10 * p.duties().size()));
            if (pin.isEmpty()) {
                return Optional.empty();
            }
            taken.add(pin.get());
            where.append(where.isEmpty() ? "" : ", ")
                    .append(wire.line().id())
                    .append(" on ")
                    .append(pin.get().label());
            edits.add(new PlanEdit.Connect(wire.from(), Target.pin(pin.get().id())));
        }
        String title = (made ? "Make a second bus in the program for " : "Use " + controller.name() + " for ")
                + unit.name() + ": " + where;
        return Optional.of(new Candidate(
                made ? "program" : controller.id(),
                title,
                Spots.all(title, edits),
                List.of(),
                made
                        ? List.of("The program makes the clock itself: slower, and it is busy while it does.")
                        : controller.needs() == null ? List.of() : List.of(controller.needs()),
                List.of("a second bus object with " + where, unit.name() + " uses it")));
    }
}
