package izzet.core.check.rules.pins;

import izzet.core.catalog.BootGrade;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.List;

/**
 * P4: a pin that decides how the board starts has the wrong level at reset, reckoned from all that hangs on it. Passes: a select with a
 * pull-up on a pin that must be high, a lamp on a pin that only silences messages. Fails: the same pull-up on a pin that must be low.
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
    public Trouble trouble() {
        return Trouble.BOOT_LEVEL;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Pin pin : circuit.board().signalPins()) {
            List<Wire> users = circuit.usersOf(pin);
            if (users.isEmpty() || pin.duty(DutyKind.BOOT).isEmpty()) {
                continue;
            }
            findings.looked(this);
            BootLevel.of(circuit, pin).ifPresent(wrong -> report(circuit, findings, wrong, users));
        }
    }

    private void report(Circuit circuit, Findings findings, BootLevel.Wrong wrong, List<Wire> users) {
        boolean high = wrong.wanted().equals("high");
        double volts = wrong.volts().orElse(0.0);
        double half = circuit.board().logicVolts() / 2;
        boolean clearly = high ? volts < half : volts > half;
        Severity severity = wrong.grade() == BootGrade.HARMLESS
                ? Severity.NOTE
                : wrong.grade() == BootGrade.KILLS_START && clearly ? Severity.STOP : Severity.FIX;
        findings.of(
                        this,
                        severity,
                        "Pin {pin} is at {volts} while the board starts, through {lines}, and should be {wanted}: {duty}")
                .at(Place.of(wrong.pin()))
                .with(users.stream().map(Place::of).toList())
                .word("pin", wrong.pin().label())
                .word("volts", Quantity.volts(volts))
                .word("lines", users.stream().map(Wire::label).collect(Listed.and()))
                .word("wanted", wrong.wanted())
                .word("duty", wrong.duty().note())
                .compared("level at reset", Quantity.volts(volts), Quantity.volts(wrong.limit()), !high, null)
                .formula("voltage at rest with all outputs released, contacts open, the pins' own resistors at work")
                .source(circuit.board().source(wrong.duty().source()))
                .remedy("Move the line to a pin without a boot duty.")
                .add();
    }
}
