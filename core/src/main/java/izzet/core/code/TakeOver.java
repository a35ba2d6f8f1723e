package izzet.core.code;

import izzet.core.assign.Replacement;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.edit.BusEdits;
import izzet.core.edit.LineEdits;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import java.util.List;
import java.util.function.Predicate;

/** How a plan takes over what a program is told. Each way is null where the plan cannot. */
final class TakeOver {

    private TakeOver() {}

    static ReadBack.Take address(Circuit circuit, Unit unit, int address) {
        return new ReadBack.Take(
                "Move " + unit.name() + " to " + Hex.of(address),
                BusEdits.address(circuit.plan(), circuit.catalog(), unit.id(), address));
    }

    /** A line that is no bus's goes to a pin that nothing else has. */
    static ReadBack.Take pin(Circuit circuit, Wire wire, Pin pin) {
        boolean bus = wire.role().i2c() || wire.role().spi();
        // A wire that was drawn from its other end would stay beside the new one.
        boolean fromElsewhere = circuit.plan().connections().stream().anyMatch(c -> c.to().equals(wire.from()));
        boolean free = circuit.usersOf(pin).isEmpty();
        if (bus || fromElsewhere || !free || !LegalPins.of(circuit, wire).contains(pin)) {
            return null;
        }
        PlanEdit edit = LineEdits.tie(circuit.plan(), wire.from(), Target.pin(pin.id()), null, null);
        return new ReadBack.Take("Wire " + wire.label() + " to " + pin.label(), edit);
    }

    /** Another display of the same family and bus, where just one of the shelf fits. */
    static ReadBack.Take display(Circuit circuit, Unit unit, Predicate<Part.Glass> wanted) {
        Part part = unit.part();
        List<Part> others = circuit.catalog().parts().values().stream()
                .filter(p -> p.kind() == PartKind.DISPLAY && p.glass() != null && !p.id().equals(part.id()))
                .filter(p -> p.glass().family() != null
                        && p.glass().family().equals(part.glass().family()))
                .filter(p -> p.interfaces().stream()
                        .anyMatch(i -> i.bus() == unit.variant().bus()))
                .filter(p -> wanted.test(p.glass()))
                .toList();
        return others.size() != 1
                ? null
                : Replacement.of(circuit, unit, others.get(0))
                        .map(e -> new ReadBack.Take(
                                "Put " + others.get(0).shortName() + " in the place of " + unit.name(), e))
                        .orElse(null);
    }
}
