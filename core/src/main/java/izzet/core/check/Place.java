package izzet.core.check;

import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Target;

/**
 * Something of the plan that a finding speaks of.
 *
 * @param kind {@code pin}, {@code line}, {@code part}, {@code bus}, {@code rail} or {@code plan}
 * @param id within its kind; for a line {@code PART:LINE}
 * @param label for people
 */
public record Place(String kind, String id, String label) {

    public static Place of(Pin pin) {
        return new Place("pin", pin.id(), "pin " + pin.label());
    }

    public static Place of(Wire wire) {
        return new Place("line", wire.from().toString(), wire.label());
    }

    public static Place of(Unit unit) {
        return new Place("part", unit.id(), unit.name());
    }

    public static Place of(Bus bus) {
        return new Place("bus", bus.id(), bus.name());
    }

    /** A pin or a line. */
    public static Place of(Circuit circuit, Target end) {
        return end.isPin()
                ? of(circuit.board().pin(end.name()).orElseThrow())
                : of(circuit.wire(end).orElseThrow());
    }

    public static Place rail(String id, String label) {
        return new Place("rail", id, label);
    }
}
