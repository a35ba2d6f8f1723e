package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.OpenLine;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** A reset line that nothing holds. */
public final class FloatingReset implements Fault {

    @Override
    public String id() {
        return "reset";
    }

    @Override
    public String name() {
        return "a floating reset";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            for (Wire wire : planned.wiresOf(unit)) {
                boolean held = wire.connected() || planned.netOf(wire.from()).isPresent();
                if (wire.role() == Role.RESET && held && wire.line().open() == OpenLine.FLOATS) {
                    places.add(new Place(wire.from().toString(), wire.label()));
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Target line = Target.of(key);
        Plan plan = desk.built().plan();
        Plan wires = Rewired.wires(plan, c -> Rewired.of(c, line) ? null : c);
        return desk.built(wires.withResistors(wires.resistors().stream()
                .filter(r -> !r.from().equals(line) && !r.to().equals(line))
                .toList()));
    }

    @Override
    public int rank() {
        return 5;
    }

    @Override
    public String hint() {
        return "It has supply and its bus, and does not start. What else does a chip need to start?";
    }

    @Override
    public String explained() {
        return "The part comes up held in reset or half awake: blank, and right after a reset by hand."
                + " No capacitor and no wait in the program cures it; a resistor or a pin does.";
    }

    @Override
    public Mend mend() {
        return new Mend("Give the reset a pin, or a resistor to the supply.", List.of("one resistor of 10 kΩ"));
    }
}
