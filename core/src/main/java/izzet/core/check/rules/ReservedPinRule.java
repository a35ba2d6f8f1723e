package izzet.core.check.rules;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import java.util.List;

/**
 * P3: a pin is bound to the board itself. Passes: a reset on a plain pin. Fails: a button on the console's receive pin. An on-board
 * lamp or a fitted pull-up is a note.
 */
public final class ReservedPinRule implements Rule {

    @Override
    public String id() {
        return "P3";
    }

    @Override
    public String subject() {
        return "no pin that the board needs itself";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Pin pin : circuit.board().signalPins()) {
            List<Wire> users = circuit.usersOf(pin);
            if (users.isEmpty()) {
                continue;
            }
            for (Pin.Duty duty : pin.duties()) {
                // A fitted pull-up on a bus line is what the bus wants; rule I4 counts it.
                if (duty.kind().equals("pull-up")
                                && users.stream().allMatch(w -> w.role().bus())
                        || duty.kind().equals("role")) {
                    continue;
                }
                findings.of(
                                this,
                                severity(duty, users.get(0)),
                                "{line} is on pin {pin}, which has another duty: {duty}")
                        .aspect(duty.kind())
                        .at(Place.of(pin), Place.of(users.get(0)))
                        .word("line", users.get(0).label())
                        .word("pin", pin.label())
                        .word("duty", duty.note())
                        .source(circuit.board().source(duty.source()))
                        .remedy("Move the line to a pin without a duty, or accept what the note says.")
                        .add();
            }
        }
    }

    private static Severity severity(Pin.Duty duty, Wire user) {
        return switch (duty.kind()) {
            // A pixel bus has no other place, and takes it by a setting of its own.
            case "reserved" -> user.role() == Role.RGB ? Severity.NOTE : Severity.STOP;
            case "console", "boot" -> Severity.FIX;
            default -> Severity.NOTE;
        };
    }
}
