package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The program was written for a sibling of the display with another number of rows. */
public final class WrongGeometry implements Fault {

    @Override
    public String id() {
        return "geometry";
    }

    @Override
    public String name() {
        return "the program set up for another size of glass";
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            sibling(planned, unit)
                    .ifPresent(p -> places.add(new Place(
                            unit.id() + "," + p.id(),
                            unit.name() + ", as if it had " + p.glass().columns() + " by "
                                    + p.glass().rows())));
        }
        return places;
    }

    private static Optional<Part> sibling(Circuit planned, Unit unit) {
        Part.Glass glass = unit.part().glass();
        if (glass == null || glass.family() == null) {
            return Optional.empty();
        }
        List<String> lines = unit.part().lines().stream().map(l -> l.id()).toList();
        return planned.catalog().parts().values().stream()
                .filter(p -> p.glass() != null
                        && glass.family().equals(p.glass().family())
                        && p.glass().columns() == glass.columns()
                        && p.glass().rows() != glass.rows()
                        && p.lines().stream().map(l -> l.id()).toList().containsAll(lines)
                        && p.interfaces().stream()
                                .anyMatch(i -> i.id().equals(unit.variant().id())))
                .min(Comparator.comparing(Part::id));
    }

    @Override
    public Desk at(Desk desk, String key) {
        String id = key.substring(0, key.indexOf(','));
        Part other = desk.programmed().catalog().parts().get(key.substring(key.indexOf(',') + 1));
        return desk.programmed(Rewired.parts(
                desk.programmed().plan(),
                p -> p.id().equals(id) ? p.withPart(other.id(), other.version(), p.interfaceId(), Map.of()) : p));
    }

    @Override
    public int rank() {
        return 5;
    }

    @Override
    public String hint() {
        return "It is heard, and it shows something. Count the rows that are right.";
    }

    @Override
    public String explained() {
        return "Half of the rows, or every second one: the set-up tells the glass another size than it has. A record says what was told.";
    }

    @Override
    public Mend mend() {
        return new Mend("Write the size of the glass into the set-up.", List.of());
    }
}
