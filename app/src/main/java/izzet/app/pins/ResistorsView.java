package izzet.app.pins;

import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;

/** Pull-ups and pull-downs of a plan, and where another could be fitted. */
record ResistorsView(Circuit circuit) {

    /** @param text "4.7 kΩ from pin A4 to 5 V" */
    public record Fitted(String id, String text) {}

    public record Ends(String name, List<End> options) {}

    public record End(String target, String label) {}

    List<Fitted> fitted() {
        return circuit.plan().resistors().stream()
                .map(r -> new Fitted(
                        r.id(), Quantity.ohms(r.ohms()) + " from " + label(r.from()) + " to " + label(r.to())))
                .toList();
    }

    /** The board's pins that something is on, then lines of parts that end at another part. */
    List<Ends> ends() {
        List<Ends> groups = new ArrayList<>();
        List<End> pins = circuit.board().signalPins().stream()
                .filter(p -> !circuit.usersOf(p).isEmpty())
                .map(p -> new End(Target.pin(p.id()).toString(), "pin " + p.label()))
                .toList();
        if (!pins.isEmpty()) {
            groups.add(new Ends("pins in use", pins));
        }
        for (Unit unit : circuit.units()) {
            List<End> lines = circuit.wiresOf(unit).stream()
                    .filter(w -> !w.role().power())
                    .map(Wire::from)
                    .map(t -> new End(t.toString(), label(t)))
                    .toList();
            if (!lines.isEmpty()) {
                groups.add(new Ends(unit.name(), lines));
            }
        }
        return groups;
    }

    List<End> rails() {
        return circuit.board().rails().stream()
                .filter(Rail::gives)
                .map(r -> new End(Target.rail(r.id()).toString(), r.label()))
                .toList();
    }

    private String label(Target end) {
        if (end.isPin()) {
            return circuit.board().pin(end.name()).map(p -> "pin " + p.label()).orElse(end.name());
        }
        if (end.isRail()) {
            return circuit.board().rail(end.name()).map(Rail::label).orElse(end.name());
        }
        return circuit.wire(end).map(Wire::label).orElse(end.toString());
    }
}
