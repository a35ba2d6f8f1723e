package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** Two neighbouring wires of a part end in one another's holes. */
public final class ExchangedWires implements Fault {

    @Override
    public String id() {
        return "exchanged";
    }

    @Override
    public String name() {
        return "two wires exchanged";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            List<Wire> wires = Rewired.signals(planned, unit);
            for (int i = 1; i < wires.size(); i++) {
                Wire a = wires.get(i - 1);
                Wire b = wires.get(i);
                if (!a.to().equals(b.to())) {
                    places.add(new Place(
                            a.from() + "," + b.from(),
                            unit.name() + ": " + a.line().id() + " and "
                                    + b.line().id()));
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Target a = Target.of(key.substring(0, key.indexOf(',')));
        Target b = Target.of(key.substring(key.indexOf(',') + 1));
        Target toA = desk.built().wire(a).orElseThrow().to().orElseThrow();
        Target toB = desk.built().wire(b).orElseThrow().to().orElseThrow();
        Plan plan = Rewired.wires(
                desk.built().plan(),
                c -> Rewired.of(c, a) ? Rewired.to(c, a, toB) : Rewired.of(c, b) ? Rewired.to(c, b, toA) : c);
        return desk.built(plan);
    }

    @Override
    public int rank() {
        return 4;
    }

    @Override
    public String hint() {
        return "Go along the wires of the part that is wrong, one by one, with the meter.";
    }

    @Override
    public String explained() {
        return "Each wire brings what the other line was meant to get. A meter finds it: each of the two wires beeps to the wrong place.";
    }

    @Override
    public Mend mend() {
        return new Mend("Exchange the two wires.", List.of());
    }
}
