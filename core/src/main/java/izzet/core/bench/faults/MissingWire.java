package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** A wire is not there, or makes no contact. */
public final class MissingWire implements Fault {

    @Override
    public String id() {
        return "missing";
    }

    @Override
    public String name() {
        return "a wire missing or broken";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            for (Wire wire : planned.wiresOf(unit)) {
                if (wire.connected() && wire.line().required()) {
                    places.add(new Place(wire.from().toString(), wire.label()));
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Target line = Target.of(key);
        return desk.built(Rewired.wires(desk.built().plan(), c -> Rewired.of(c, line) ? null : c));
    }

    @Override
    public int rank() {
        return 2;
    }

    @Override
    public String hint() {
        return "One check of the meter does not beep.";
    }

    @Override
    public String explained() {
        return "The line floats, or the part has no supply. A meter finds it: no beep from end to end.";
    }

    @Override
    public Mend mend() {
        return new Mend("Put the wire in.", List.of("one wire"));
    }
}
