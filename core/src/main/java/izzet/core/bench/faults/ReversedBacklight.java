package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LampCurrents;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Anode and cathode of a backlight exchanged. */
public final class ReversedBacklight implements Fault {

    @Override
    public String id() {
        return "backlight";
    }

    @Override
    public String name() {
        return "a backlight the other way round";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (LampCurrents.Lit lit : planned.lamps()) {
            Unit unit = lit.line().unit();
            Optional<Wire> anode = planned.wire(unit, Role.LAMP);
            Optional<Wire> cathode = planned.wire(unit, Role.RETURN);
            if (Rewired.display(unit) && lit.amperes() > 0 && anode.isPresent() && cathode.isPresent()) {
                places.add(new Place(anode.get().from() + "," + cathode.get().from(), unit.name()));
            }
        }
        return places.stream().distinct().toList();
    }

    @Override
    public Desk at(Desk desk, String key) {
        String[] told = key.split(",");
        Target anode = Target.of(told[0]);
        Target cathode = Target.of(told[1]);
        Plan plan = desk.built().plan();
        List<Resistor> resistors = plan.resistors().stream()
                .map(r ->
                        new Resistor(r.id(), other(r.from(), anode, cathode), other(r.to(), anode, cathode), r.ohms()))
                .toList();
        return desk.built(Rewired.wires(
                        plan,
                        c -> new Connection(
                                other(c.from(), anode, cathode),
                                other(c.to(), anode, cathode),
                                c.seriesOhms(),
                                c.pull(),
                                c.locked()))
                .withResistors(resistors));
    }

    private static Target other(Target end, Target anode, Target cathode) {
        return end.equals(anode) ? cathode : end.equals(cathode) ? anode : end;
    }

    @Override
    public int rank() {
        return 2;
    }

    @Override
    public String hint() {
        return "Hold a lamp to the glass at a slant. Is nothing there, or is it only dark?";
    }

    @Override
    public String explained() {
        return "No current flows through a lamp the other way round. What is written is there, and unlit. A diode test tells which end is which.";
    }

    @Override
    public Mend mend() {
        return new Mend("Exchange the two leads of the backlight.", List.of());
    }
}
