package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

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
        String[] told = key.split(",");
        return desk.built(Rewired.parts(desk.built().plan(), p -> {
            if (!p.id().equals(told[0])) {
                return p;
            }
            Map<String, String> straps = new TreeMap<>(p.straps());
            straps.put(told[1], told[2]);
            return new izzet.core.plan.PlacedPart(
                    p.id(), p.part(), p.partVersion(), p.name(), p.interfaceId(), straps, p.bus(), p.address());
        }));
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
}
