package izzet.core.bench;

import izzet.core.catalog.OpenLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.SupplyLoss;
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
            Optional<SupplyLoss> loss = wire.line().required() ? built.supplyLoss(wire) : Optional.empty();
            if (loss.isPresent() && tooMuch(loss.get())) {
                return Optional.of(wire.line().id() + " stands behind "
                        + Quantity.ohms(loss.get().ohms())
                        + ": at " + Quantity.milliamps(current(loss.get())) + " it would have "
                        + Quantity.volts(Math.max(0, left(loss.get()))) + " and wants "
                        + Quantity.volts(loss.get().leastVolts()));
            }
            if (wire.role() == Role.SUPPLY
                    && wire.line().required()
                    && wire.leastVolts() != null
                    && wire.mostVolts() != null) {
                double least = wire.leastVolts();
                double has = built.railVolts(wire.from())
                        .or(() -> pin.map(p -> built.board().logicVolts()))
                        .or(() -> loss.map(Awake::left))
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
            if (wire.role() == Role.RESET && floats(built, wire)) {
                return Optional.of("its reset floats, and so it hangs as it came up");
            }
            if (wire.role() == Role.RESET
                    && built.netOf(wire.from()).isPresent()
                    && Source.of(built, wire).equals(new Source(null, 0))) {
                return Optional.of("its reset is held low");
            }
        }
        return Optional.empty();
    }

    /** Alone, or joined with nothing but resets that float as well. */
    private static boolean floats(Circuit built, Wire wire) {
        return wire.line().open() == OpenLine.FLOATS
                && Source.of(built, wire).floats()
                && built.netOf(wire.from()).stream()
                        .flatMap(n -> n.wires().stream())
                        .allMatch(w -> w.role() == Role.RESET && w.line().open() == OpenLine.FLOATS);
    }

    /** A part takes what it takes as a rule, where that is known. */
    private static double current(SupplyLoss loss) {
        return loss.usualMilliamps() == null ? loss.mostMilliamps() : loss.usualMilliamps();
    }

    private static double left(SupplyLoss loss) {
        return loss.railVolts() - loss.ohms() * current(loss) / 1000;
    }

    private static boolean tooMuch(SupplyLoss loss) {
        return left(loss) < loss.leastVolts() - MARGIN;
    }

    /** By wires, a resistor that takes no more than the part can spare, or a closed switch. */
    private static boolean held(Circuit built, Wire wire, boolean ground) {
        return built.supplyLoss(wire).isPresent()
                || built.netOf(wire.from()).stream()
                        .flatMap(n -> n.rails().stream())
                        .anyMatch((Rail r) -> r.ground() == ground)
                || built.rail(wire.from()).filter(r -> r.ground() == ground).isPresent();
    }
}
