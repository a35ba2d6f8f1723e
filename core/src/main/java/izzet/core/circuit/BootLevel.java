package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import java.util.Optional;

/** Which level a line's part gives a pin while the board starts, as far as that is known. */
public final class BootLevel {

    private BootLevel() {}

    /** {@code high} or {@code low}; empty where the part leaves the pin alone or its level is not known. */
    public static Optional<String> of(Circuit circuit, Wire wire) {
        if (wire.role() == Role.DATA) {
            // Displays hold their data lines so weakly that the board's own resistor decides.
            return Optional.empty();
        }
        if (wire.line().open().equals("pulled-up")) {
            return Optional.of("high");
        }
        if (wire.line().open().equals("pulled-down")) {
            return Optional.of("low");
        }
        boolean pulledUp = circuit.pullUpsOf(wire.unit()).stream()
                .map(Part.FittedPullUp::lines)
                .anyMatch(lines -> lines.contains(wire.line().id()));
        if (pulledUp) {
            return Optional.of("high");
        }
        boolean lampToGround = wire.role() == Role.LAMP
                && wire.line().lamp() != null
                && circuit.wire(wire.unit(), Role.RETURN)
                        .flatMap(r -> circuit.netOf(r.from()))
                        .filter(Net::grounded)
                        .isPresent();
        return lampToGround ? Optional.of("low") : Optional.empty();
    }

    /** The level that the pin must have while the board starts, when the line's part gives it the other one. */
    public static Optional<String> refused(Circuit circuit, Wire wire, Pin pin) {
        return pin.duty("boot")
                .map(Pin.Duty::level)
                .filter(level -> of(circuit, wire).filter(l -> !l.equals(level)).isPresent());
    }
}
