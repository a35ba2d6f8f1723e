package izzet.core.check.rules.pins;

import izzet.core.catalog.Direction;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
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
    public Trouble trouble() {
        return Trouble.RESERVED_PIN;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Pin pin : circuit.board().signalPins()) {
            List<Wire> users = circuit.usersOf(pin);
            if (users.isEmpty()) {
                continue;
            }
            findings.looked(this);
            for (Pin.Duty duty : pin.duties()) {
                if (leftToOthers(pin, duty, users)) {
                    continue;
                }
                findings.of(
                                this,
                                severity(duty, users.get(0)),
                                "{line} is on pin {pin}, which has another duty: {duty}")
                        .aspect(duty.kind().text())
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

    /** Whether another rule speaks of it, or there is nothing to say. */
    private static boolean leftToOthers(Pin pin, Pin.Duty duty, List<Wire> users) {
        return switch (duty.kind()) {
            // A fitted pull-up on a bus line is what the bus wants; rule I4 counts it.
            case PULL_UP -> users.stream().allMatch(w -> w.role().bus());
            case PULL_DOWN, ROLE -> true;
            // The level at reset decides, and rule P4 reckons it.
            case BOOT -> true;
            case RESERVED -> pin.can(PinFunction.BOARD_RESET) && users.stream().allMatch(ReservedPinRule::mayReset);
            default -> false;
        };
    }

    /** Resets of parts follow the board's, and a button may restart it. */
    private static boolean mayReset(Wire wire) {
        return wire.role() == Role.RESET || wire.line().direction() == Direction.PASSIVE;
    }

    private static Severity severity(Pin.Duty duty, Wire user) {
        return switch (duty.kind()) {
            // A pixel bus has no other place, and takes it by a setting of its own.
            case RESERVED -> user.role() == Role.RGB ? Severity.NOTE : Severity.STOP;
            case CONSOLE -> user.role() == Role.RGB ? Severity.NOTE : Severity.FIX;
            case OSCILLATOR -> Severity.ADVISE;
            default -> Severity.NOTE;
        };
    }
}
