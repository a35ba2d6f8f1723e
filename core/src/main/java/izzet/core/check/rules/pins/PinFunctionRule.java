package izzet.core.check.rules.pins;

import izzet.core.catalog.First;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.quantity.Listed;
import java.util.List;
import java.util.stream.Collectors;

/**
 * P2: a line needs a function that its pin lacks. Passes: bus data on the pin of the controller's data signal. Fails: a dimmed lamp on
 * a pin without PWM, or bus data that reaches a pin without that signal through a level shifter.
 */
public final class PinFunctionRule implements Rule {

    @Override
    public String id() {
        return "P2";
    }

    @Override
    public String subject() {
        return "each pin can do what its line needs";
    }

    @Override
    public Trouble trouble() {
        return Trouble.PIN_FUNCTION;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (!LegalPins.wantsPin(wire) && !LegalPins.switchesLamp(wire)) {
                continue;
            }
            crossed(circuit, findings, wire);
            for (Pin pin : wire.net().map(Net::pins).orElse(List.of())) {
                findings.looked(this);
                if (!LegalPins.hasFunction(circuit, wire, pin)) {
                    String able =
                            LegalPins.of(circuit, wire).stream().map(Pin::label).collect(Collectors.joining(", "));
                    findings.of(this, Severity.STOP, "{line} needs {function}, which pin {pin} does not have.")
                            .at(Place.of(wire), Place.of(pin))
                            .word("line", label(circuit, wire))
                            .word("function", need(circuit, unable(circuit, wire, pin)))
                            .word("pin", pin.label())
                            .figure("pins that have it", able.isEmpty() ? "none" : able)
                            .remedy("Move the line to a pin that has the function.")
                            .add();
                }
            }
        }
    }

    /** Data on the clock of a switch's channel or on a gated clock, or the other way round. */
    private void crossed(Circuit circuit, Findings findings, Wire wire) {
        if (!wire.role().i2c()) {
            return;
        }
        boolean data = wire.role() == Role.I2C_SDA;
        First.of(
                        wire.net().map(Net::wires).orElse(List.of()),
                        w -> data
                                ? w.role() == Role.CHANNEL_SCL || w.role() == Role.GATE_OUTPUT
                                : w.role() == Role.CHANNEL_SDA)
                .ifPresent(helper -> findings.of(
                                this, Severity.STOP, "{line} hangs on {helper}, which carries the bus {other}.")
                        .aspect("crossed")
                        .at(Place.of(wire), Place.of(helper))
                        .word("line", wire.label())
                        .word("helper", helper.label())
                        .word("other", data ? "clock" : "data")
                        .remedy("Exchange data and clock at the helper.")
                        .add());
    }

    /** The line that the pin does not do for; behind a shifter it is not the one on the pin. */
    private static Wire unable(Circuit circuit, Wire wire, Pin pin) {
        return circuit.standsFor(wire).stream()
                .filter(w -> !LegalPins.hasFunction(circuit, w, pin))
                .findFirst()
                .orElse(wire);
    }

    private static String label(Circuit circuit, Wire wire) {
        return wire.role() == Role.SHIFT
                ? wire.label() + " for "
                        + circuit.standsFor(wire).stream().map(Wire::label).collect(Listed.and())
                : wire.label();
    }

    private static String need(Circuit circuit, Wire wire) {
        Bus bus = circuit.busOf(wire.unit()).orElse(null);
        if (wire.busSignal().isPresent() && bus != null && !bus.bitBanged()) {
            return "the " + wire.busSignal().get() + " signal of " + bus.controller();
        }
        return wire.capability().replace('-', ' ').replace("pwm", "PWM");
    }
}
