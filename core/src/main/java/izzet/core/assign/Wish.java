package izzet.core.assign;

import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import java.util.List;

/**
 * Lines that want one place together: a line by itself, the same line of all parts of a bus, or lines that share a pin now.
 *
 * @param wires that move, in the order of the plan; at least one
 * @param needs the lines that say what the place must be able to do: the wires, but behind a shifter what hangs there
 * @param bus that they are a line of; null elsewhere
 * @param signal of the bus; null elsewhere
 * @param locked whether it must stay where it is
 */
record Wish(List<Wire> wires, List<Wire> needs, Bus bus, String signal, boolean locked) {

    Wish {
        wires = List.copyOf(wires);
        needs = List.copyOf(needs);
    }

    /** The line whose points count for all. */
    Wire first() {
        return wires.get(0);
    }

    @Override
    public String toString() {
        return bus == null ? first().label() : bus.name() + " " + signal;
    }
}
