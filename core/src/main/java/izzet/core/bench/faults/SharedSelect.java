package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;

/** Two selects of a serial bus end on one pin. */
public final class SharedSelect implements Fault {

    @Override
    public String id() {
        return "select";
    }

    @Override
    public String name() {
        return "two selects on one pin";
    }

    private static List<Wire> selects(Circuit circuit) {
        return circuit.wires().stream()
                .filter(w ->
                        w.role() == Role.SELECT && w.to().filter(Target::isPin).isPresent())
                .toList();
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        List<Wire> all = selects(planned);
        for (Wire one : all) {
            for (Wire other : all) {
                if (one != other && !one.to().equals(other.to())) {
                    places.add(new Place(
                            one.from() + "," + other.from(), one.label() + " on the pin of " + other.label()));
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Target line = Target.of(key.substring(0, key.indexOf(',')));
        Target other = Target.of(key.substring(key.indexOf(',') + 1));
        Target pin = desk.built().wire(other).orElseThrow().to().orElseThrow();
        return desk.built(Rewired.wires(desk.built().plan(), c -> Rewired.of(c, line) ? Rewired.to(c, line, pin) : c));
    }

    @Override
    public int rank() {
        return 7;
    }

    @Override
    public String hint() {
        return "Look which selects are on which pins.";
    }

    @Override
    public String explained() {
        return "Both parts hear what is meant for one. In the record only one select ever moves; the meter beeps from one select to the other.";
    }

    @Override
    public Mend mend() {
        return new Mend("Give each part a select of its own.", List.of("one wire"));
    }
}
