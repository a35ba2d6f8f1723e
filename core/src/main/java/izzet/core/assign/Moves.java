package izzet.core.assign;

import izzet.core.catalog.Direction;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The edits that bring lines to the places found for them, with the resistors that hang there. */
final class Moves {

    /** At a button on a pin without a pull-up of its own. Common practice. */
    private static final double BUTTON_OHMS = 10_000;

    private final Circuit circuit;
    private final List<PlanEdit> edits = new ArrayList<>();
    private final Set<String> names = new HashSet<>();

    /** @param places by wish; @param controllers by bus */
    Moves(Task task, int[] places, Map<String, String> controllers) {
        this.circuit = task.circuit();
        for (Bus bus : task.buses()) {
            String chosen = controllers.get(bus.id());
            if (chosen == null ? !bus.bitBanged() : !chosen.equals(bus.controller())) {
                edits.add(new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), chosen, bus.clockHz())));
            }
        }
        Map<Target, Target> moved = new HashMap<>();
        for (int i = 0; i < places.length; i++) {
            Spot spot = task.spots().get(places[i]);
            for (Wire wire : task.wishes().get(i).wires()) {
                wire.to()
                        .filter(t -> t.isPin() && !t.equals(spot.target()))
                        .ifPresent(t -> moved.put(t, spot.target()));
                move(wire, spot);
            }
        }
        resistors(moved);
    }

    List<PlanEdit> edits() {
        return edits;
    }

    private void move(Wire wire, Spot spot) {
        if (wire.to().filter(spot.target()::equals).isPresent()) {
            return;
        }
        if (spot.pin() == null) {
            edits.add(new PlanEdit.Connect(wire.from(), spot.target()));
            return;
        }
        boolean onPin = wire.to().filter(Target::isPin).isPresent();
        Connection connection =
                onPin ? wire.connection().withTo(spot.target()) : Proposal.pinConnection(circuit, wire, spot.pin());
        boolean button = wire.role() == Role.SIGNAL && wire.line().direction() == Direction.PASSIVE;
        boolean pullless = !circuit.board().internalPullUps() || !spot.pin().can(PinFunction.DIGITAL_OUT);
        if (button && pullless) {
            edits.add(new PlanEdit.Connect(new Connection(
                    connection.from(), connection.to(), connection.seriesOhms(), null, connection.locked())));
            if (!held(wire)) {
                pullUp(spot.pin());
            }
        } else {
            edits.add(new PlanEdit.Connect(connection));
        }
    }

    /** Whether a resistor of the plan holds the line already; it moves along. */
    private boolean held(Wire wire) {
        return wire.net().filter(n -> !n.resistors().isEmpty()).isPresent();
    }

    private void pullUp(Pin pin) {
        Optional<Rail> logic = circuit.board().rails().stream()
                .filter(r -> r.gives() && r.volts() == circuit.board().logicVolts())
                .findFirst();
        logic.ifPresent(rail -> edits.add(new PlanEdit.AddResistor(
                new Resistor(freeName("r-button"), Target.pin(pin.id()), Target.rail(rail.id()), BUTTON_OHMS))));
    }

    private String freeName(String stem) {
        String name = circuit.plan().freeId(stem);
        for (int i = 2; !names.add(name); i++) {
            name = circuit.plan().freeId(stem + "-" + i);
        }
        return name;
    }

    /** A resistor at a pin that its lines leave goes with them. */
    private void resistors(Map<Target, Target> moved) {
        for (Resistor r : circuit.plan().resistors()) {
            Target from = moved.getOrDefault(r.from(), r.from());
            Target to = moved.getOrDefault(r.to(), r.to());
            if (!from.equals(r.from()) || !to.equals(r.to())) {
                edits.add(new PlanEdit.RemoveResistor(r.id()));
                edits.add(new PlanEdit.AddResistor(new Resistor(r.id(), from, to, r.ohms())));
            }
        }
    }
}
