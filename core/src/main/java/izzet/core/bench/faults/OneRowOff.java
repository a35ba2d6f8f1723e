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
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A module sits one row further on the breadboard: every wire meets the line beside its own. */
public final class OneRowOff implements Fault {

    @Override
    public String id() {
        return "row";
    }

    @Override
    public String name() {
        return "a module one row off";
    }

    private static List<Wire> header(Circuit circuit, Unit unit) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.line().header() != null)
                .sorted(Comparator.comparingInt(w -> w.line().header()))
                .toList();
    }

    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Unit unit : planned.units()) {
            if (Rewired.display(unit)
                    && header(planned, unit).stream().filter(Wire::connected).count() > 2) {
                places.add(new Place(unit.id(), unit.name()));
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Unit unit = desk.built().unit(key).orElseThrow();
        List<Wire> header = header(desk.built(), unit);
        Map<Target, Target> next = new HashMap<>();
        for (int i = 0; i < header.size(); i++) {
            next.put(
                    header.get(i).from(),
                    i + 1 < header.size() ? header.get(i + 1).from() : null);
        }
        Plan plan = Rewired.wires(desk.built().plan(), c -> {
            if (!next.containsKey(c.from())) {
                return c;
            }
            Target line = next.get(c.from());
            return line == null ? null : Rewired.to(c, line, c.to());
        });
        return desk.built(plan);
    }

    @Override
    public int rank() {
        return 6;
    }

    @Override
    public String hint() {
        return "Everything of one module is wrong at once. Count its holes.";
    }

    @Override
    public String explained() {
        return "Supply and ground meet other lines, too: switch off first. Count the holes from the end of the header, then try each wire with the meter.";
    }

    @Override
    public Mend mend() {
        return new Mend("Switch off and move the header by one row.", List.of());
    }
}
