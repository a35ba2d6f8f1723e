package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.List;

/** A pad, jumper or resistor of a module stands in the other place. */
public final class WrongStrap implements Fault {

    @Override
    public String id() {
        return "strap";
    }

    @Override
    public String name() {
        return "an address strap in the other place";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            for (Part.Strap strap : unit.part().straps()) {
                Part.Strap.Setting now = planned.settingOf(unit, strap);
                for (Part.Strap.Setting other : strap.settings()) {
                    if (!other.id().equals(now.id()) && other.addsToAddress() != now.addsToAddress()) {
                        places.add(new Place(
                                unit.id() + "," + strap.id() + "," + other.id(), unit.name() + ": " + other.name()));
                    }
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        return desk.built(Rewired.strapped(desk.built().plan(), key));
    }

    @Override
    public int rank() {
        return 3;
    }

    @Override
    public String hint() {
        return "Scan the bus, and hold what answers against the plan.";
    }

    @Override
    public String explained() {
        return "It answers at another address than the program asks. A scan shows one address missing and one that nobody expects.";
    }

    @Override
    public Mend mend() {
        return new Mend("Move the strap to where the plan has it.", List.of());
    }
}
