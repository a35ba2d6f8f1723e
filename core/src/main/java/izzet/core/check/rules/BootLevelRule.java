package izzet.core.check.rules;

import izzet.core.catalog.Pin;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import java.util.Optional;

/**
 * P4: a part gives a pin that decides how the board starts the wrong level. Passes: a select with a pull-up on a pin that must be high.
 * Fails: the same select on a pin that must be low, or bus lines with pull-ups there.
 */
public final class BootLevelRule implements Rule {

    @Override
    public String id() {
        return "P4";
    }

    @Override
    public String subject() {
        return "boot pins have their level at reset";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Pin pin : circuit.board().signalPins()) {
            for (Wire wire : circuit.usersOf(pin)) {
                Optional<String> wanted = BootLevel.refused(circuit, wire, pin);
                if (wanted.isPresent()) {
                    Pin.Duty duty = pin.duty("boot").orElseThrow();
                    findings.of(
                                    this,
                                    Severity.STOP,
                                    "{line} holds pin {pin} {given} while the board starts, and it must be {wanted}: {duty}")
                            .at(Place.of(pin), Place.of(wire))
                            .word("line", wire.label())
                            .word("pin", pin.label())
                            .word("given", BootLevel.of(circuit, wire).orElseThrow())
                            .word("wanted", wanted.get())
                            .word("duty", duty.note())
                            .source(circuit.board().source(duty.source()))
                            .remedy("Move the line to a pin without a boot duty.")
                            .add();
                }
            }
        }
    }
}
