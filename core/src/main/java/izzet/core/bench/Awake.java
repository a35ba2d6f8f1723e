package izzet.core.bench;

import izzet.core.catalog.OpenLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Map;
import java.util.Optional;

/** Whether a part on the desk works at all: supply, ground, reset. */
final class Awake {

    /** For sums of floating point. */
    private static final double MARGIN = 1e-6;

    /** Between its highest supply and this much more a part commonly goes on; common practice. */
    private static final double DESTROYED_ABOVE = 1.1;

    private Awake() {}

    /** What pins of the board that feed parts stand at. */
    interface Feeding {

        /** Every pin is set as its part needs it. */
        Feeding RIGHT = (pin, high) -> true;

        /** @param pins levels that a program drives, by label */
        static Feeding by(Map<String, Integer> pins) {
            return (pin, high) -> pins.getOrDefault(pin.label(), -1) == (high ? 1 : 0);
        }

        boolean stands(Pin pin, boolean high);
    }

    /** Why it does not; empty where it does. */
    static Optional<String> not(Circuit built, Unit unit, Feeding feeding) {
        for (Wire wire : built.wiresOf(unit)) {
            boolean ground = wire.role() == Role.GROUND;
            Optional<Pin> pin = ground || wire.role() == Role.SUPPLY ? built.feedingPin(wire) : Optional.empty();
            if (pin.isPresent() && wire.line().required() && !feeding.stands(pin.get(), !ground)) {
                return Optional.of(wire.line().id() + " hangs on pin "
                        + pin.get().label() + ", which the program does not set " + (ground ? "low" : "high"));
            }
            if (wire.role() == Role.SUPPLY && wire.line().required() && pin.isEmpty() && !held(built, wire, false)) {
                return Optional.of(wire.line().id() + " has no supply");
            }
            if (wire.role() == Role.SUPPLY
                    && wire.line().required()
                    && wire.leastVolts() != null
                    && wire.mostVolts() != null) {
                double least = wire.leastVolts();
                double has = built.railVolts(wire.from())
                        .or(() -> pin.map(p -> built.board().logicVolts()))
                        .orElse(least);
                double most = wire.mostVolts();
                if (has > most * DESTROYED_ABOVE) {
                    return Optional.of(wire.line().id() + " gets " + Quantity.volts(has) + " and takes "
                            + Quantity.volts(most) + " at most: a real one would be gone");
                }
                if (has < least - MARGIN) {
                    return Optional.of(wire.line().id() + " has only " + Quantity.volts(has) + " and wants "
                            + Quantity.volts(least));
                }
            }
            if (ground && wire.line().required() && pin.isEmpty() && !held(built, wire, true)) {
                return Optional.of(wire.line().id() + " is not on ground");
            }
            if (wire.role() == Role.RESET && !wire.connected() && wire.line().open() == OpenLine.FLOATS) {
                return Optional.of("its reset floats, and so it hangs as it came up");
            }
            if (wire.role() == Role.RESET
                    && wire.connected()
                    && Source.of(built, wire).equals(new Source(null, 0))) {
                return Optional.of("its reset is held low");
            }
        }
        return Optional.empty();
    }

    /** By wires, a small resistor, or a closed switch. */
    private static boolean held(Circuit built, Wire wire, boolean ground) {
        return built.netOf(wire.from()).stream()
                        .flatMap(n -> n.rails().stream())
                        .anyMatch((Rail r) -> r.ground() == ground)
                || built.rail(wire.from()).filter(r -> r.ground() == ground).isPresent();
    }
}
