package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.List;

/** The program speaks to the address of another strap than the module has. */
public final class WrongAddressInCode implements Fault {

    @Override
    public String id() {
        return "code-address";
    }

    @Override
    public String name() {
        return "a wrong address in the program";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            if (!Rewired.display(unit)) {
                continue;
            }
            for (Part.Strap strap : unit.part().straps()) {
                Part.Strap.Setting now = planned.settingOf(unit, strap);
                strap.settings().stream()
                        .filter(s -> s.addsToAddress() != now.addsToAddress())
                        .findFirst()
                        .ifPresent(
                                s -> places.add(new Place(unit.id() + "," + strap.id() + "," + s.id(), unit.name())));
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        return desk.programmed(Rewired.strapped(desk.programmed().plan(), key));
    }

    @Override
    public int rank() {
        return 4;
    }

    @Override
    public String hint() {
        return "The scan is right. Record the bus and see whom the program asks.";
    }

    @Override
    public String explained() {
        return "A scan finds the module where the plan has it; a record shows the program asking elsewhere, and nobody answers."
                + " Constants read back show the same.";
    }

    @Override
    public Mend mend() {
        return new Mend("Write the address of the plan into the program.", List.of());
    }
}
