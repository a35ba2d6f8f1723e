package izzet.core.check.rules.pins;

import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.SideEffects;
import izzet.core.circuit.Wire;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * P12: what the use of one pin does to another. Passes: two dimmed lamps on channels of their own. Fails: two on one channel, a button on
 * the select of a controller that is in use, an analog input that is off while the radio is on.
 */
public final class SideEffectRule implements Rule {

    @Override
    public String id() {
        return "P12";
    }

    @Override
    public String subject() {
        return "no pin disturbs another's function";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SIDE_EFFECT;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Map<String, Wire> channels = new LinkedHashMap<>();
        Map<String, Wire> units = new LinkedHashMap<>();
        for (Pin pin : circuit.board().signalPins()) {
            for (Wire wire : circuit.linesOn(pin)) {
                if (wire.capability().equals(PinFunction.PWM)) {
                    dimmed(findings, pin, wire, channels, units);
                }
                if (wire.capability().equals(PinFunction.ANALOG_IN) && SideEffects.offWithRadio(pin)) {
                    Pin.Duty duty = pin.duty(DutyKind.ROLE).orElseThrow();
                    findings.of(this, Severity.FIX, "{line} is on pin {pin}: {note}")
                            .aspect("radio")
                            .at(Place.of(wire), Place.of(pin))
                            .word("line", wire.label())
                            .word("pin", pin.label())
                            .word("note", duty.note())
                            .source(circuit.board().source(duty.source()))
                            .remedy("Use an analog input of the first converter, or leave the radio off.")
                            .add();
                }
                select(circuit, findings, pin, wire);
            }
        }
    }

    private void dimmed(Findings findings, Pin pin, Wire wire, Map<String, Wire> channels, Map<String, Wire> units) {
        String channel = SideEffects.pwmChannel(pin).orElse(null);
        String unit = SideEffects.pwmUnit(pin).orElse(null);
        Wire twin = channel == null ? null : channels.putIfAbsent(channel, wire);
        Wire neighbour = unit == null ? null : units.putIfAbsent(unit, wire);
        if (twin != null) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{line} and {other} are on one PWM channel, {unit}: both get the same signal.")
                    .aspect(channel)
                    .at(Place.of(wire), Place.of(twin), Place.of(pin))
                    .word("line", wire.label())
                    .word("other", twin.label())
                    .word("unit", channel)
                    .remedy("Move one of them to a pin with another channel.")
                    .add();
        } else if (neighbour != null) {
            findings.of(this, Severity.NOTE, "{line} and {other} share {unit}: their PWM has one frequency.")
                    .aspect(unit)
                    .at(Place.of(wire), Place.of(neighbour), Place.of(pin))
                    .word("line", wire.label())
                    .word("other", neighbour.label())
                    .word("unit", unit)
                    .remedy("Nothing to do for dimming; a servo or a tone wants a unit of its own.")
                    .add();
        }
    }

    private void select(Circuit circuit, Findings findings, Pin pin, Wire wire) {
        String controller = SideEffects.masterSelect(pin).orElse(null);
        if (controller != null && SideEffects.reads(wire) && SideEffects.inUse(circuit, controller)) {
            Pin.Duty duty = pin.duty(DutyKind.ROLE).orElseThrow();
            findings.of(this, Severity.STOP, "{line} makes pin {pin} an input: {note}")
                    .aspect("select")
                    .at(Place.of(wire), Place.of(pin))
                    .word("line", wire.label())
                    .word("pin", pin.label())
                    .word("note", duty.note())
                    .source(circuit.board().source(duty.source()))
                    .remedy("Move the line, and leave the pin to a select or another output.")
                    .add();
        }
    }
}
