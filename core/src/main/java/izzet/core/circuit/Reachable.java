package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The addresses that a part can take by its straps and address pins, and how each is set. */
public final class Reachable {

    /** Beyond the longest address; straps that lead further lead nowhere, and a chain of them ends. */
    private static final int FARTHEST = 0x7FF;

    /** @param label "address strap: as delivered", for people */
    public record Setting(String label, List<PlanEdit> edits) {
        public Setting {
            edits = List.copyOf(edits);
        }
    }

    private Reachable() {}

    /** In the order of the addresses; the edits set every strap, whatever it says now. */
    public static Map<Integer, Setting> of(Circuit circuit, Unit unit) {
        Map<Integer, Setting> reach = new TreeMap<>();
        reach.put(unit.part().i2c().baseAddress(), new Setting("", List.of()));
        for (Part.Strap strap : unit.part().straps()) {
            if (!strap.addresses()) {
                continue;
            }
            Map<Integer, Setting> next = new TreeMap<>();
            reach.forEach((address, so) -> strap.settings()
                    .forEach(s -> next.putIfAbsent(
                            address + s.addsToAddress(),
                            and(
                                    so,
                                    strap.name() + " " + s.name(),
                                    new PlanEdit.SetStrap(unit.id(), strap.id(), s.id())))));
            reach = within(next);
        }
        for (Wire wire : circuit.wiresOf(unit)) {
            if (wire.role() == Role.ADDRESS) {
                Map<Integer, Setting> next = new TreeMap<>();
                String high = supplyRail(circuit, unit);
                String low = circuit.board().ground().id();
                reach.forEach((address, so) -> {
                    next.putIfAbsent(address, and(so, wire.line().id() + " low", tie(wire, low)));
                    next.putIfAbsent(
                            address + wire.line().addressAdded(),
                            and(so, wire.line().id() + " high", tie(wire, high)));
                });
                reach = within(next);
            }
        }
        return reach;
    }

    private static Map<Integer, Setting> within(Map<Integer, Setting> reach) {
        reach.keySet().removeIf(address -> Math.abs(address) > FARTHEST);
        return reach;
    }

    private static Setting and(Setting so, String label, PlanEdit edit) {
        List<PlanEdit> edits = new ArrayList<>(so.edits());
        edits.add(edit);
        return new Setting(so.label().isEmpty() ? label : so.label() + ", " + label, edits);
    }

    private static PlanEdit tie(Wire wire, String rail) {
        return new PlanEdit.Connect(Connection.wire(wire.from(), Target.rail(rail)));
    }

    private static String supplyRail(Circuit circuit, Unit unit) {
        return circuit.wire(unit, Role.SUPPLY)
                .flatMap(w -> w.net())
                .flatMap(Net::rail)
                .orElseGet(() -> circuit.board().rails().stream()
                        .filter(r -> r.volts() == circuit.board().logicVolts())
                        .findFirst()
                        .orElseThrow())
                .id();
    }
}
