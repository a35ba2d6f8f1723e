package izzet.core.circuit;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Optional;

/**
 * Everything that plain wires join. Series resistors count as wire here, resistors of the plan do not.
 *
 * @param ends all ends of wires in it, in the order of the plan
 * @param pins of the board; one at most, likewise
 * @param rails of the board; one at most, since a line has one wire of its own
 * @param wires lines of parts
 * @param resistors with one end in it
 */
public record Net(List<Target> ends, List<Pin> pins, List<Rail> rails, List<Wire> wires, List<Resistor> resistors) {

    public Net {
        ends = List.copyOf(ends);
        pins = List.copyOf(pins);
        rails = List.copyOf(rails);
        wires = List.copyOf(wires);
        resistors = List.copyOf(resistors);
    }

    /** By its first end: an end is in one net only. */
    @Override
    public int hashCode() {
        return ends.isEmpty() ? 0 : ends.get(0).hashCode();
    }

    /** One that gives, where there is one. */
    public Optional<Rail> rail() {
        for (Rail rail : rails) {
            if (rail.gives()) {
                return Optional.of(rail);
            }
        }
        return rails.isEmpty() ? Optional.empty() : Optional.of(rails.get(0));
    }

    public boolean grounded() {
        for (Rail rail : rails) {
            if (rail.ground()) {
                return true;
            }
        }
        return false;
    }
}
