package izzet.core.assign;

import izzet.core.catalog.Pin;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;

/**
 * A place for a line: a pin of the board, or a line of an expander.
 *
 * @param pin null for an expander's line
 * @param port null for a pin
 */
record Spot(Target target, Pin pin, Wire port) {

    static Spot of(Pin pin) {
        return new Spot(Target.pin(pin.id()), pin, null);
    }

    static Spot of(Wire port) {
        return new Spot(port.from(), null, port);
    }

    @Override
    public String toString() {
        return pin == null ? port.label() : pin.label();
    }
}
