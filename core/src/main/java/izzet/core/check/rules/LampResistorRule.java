package izzet.core.check.rules;

import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.PartLine;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L6: a lamp or bare backlight without a series resistor, or with one that lets too much through. Passes: a red lamp behind 220 Ω at
 * 5 V. Fails: the same lamp straight on a pin.
 */
public final class LampResistorRule implements Rule {

    private static final String SERIES = "Preferred values: IEC 60063, E12";

    @Override
    public String id() {
        return "L6";
    }

    @Override
    public String subject() {
        return "every lamp behind a resistor";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (wire.line().lamp() != null && wire.connected()) {
                Optional<Double> drive = drive(circuit, wire);
                if (drive.isEmpty() || drive.get() <= 0) {
                    findings.cannotTell(this, Place.of(wire), "the level that lights " + wire.label());
                } else if (drive.get() <= wire.line().lamp().forwardVolts()) {
                    tooLow(findings, wire, drive.get());
                } else {
                    check(circuit, findings, wire, drive.get());
                }
            }
        }
    }

    /** The level that lights the lamp: the board's logic supply on a pin, the rail's voltage on a rail. */
    public static Optional<Double> drive(Circuit circuit, Wire wire) {
        Optional<Net> net = circuit.netOf(wire.from());
        if (net.isEmpty()) {
            return Optional.empty();
        }
        if (!net.get().pins().isEmpty()) {
            return Optional.of(circuit.board().logicVolts());
        }
        return net.get().rail().map(r -> r.volts());
    }

    /** The resistor this lamp wants here: rated current, but no more than the pin gives. */
    public static SeriesResistor wanted(Circuit circuit, Wire wire, double driveVolts) {
        PartLine.Lamp lamp = wire.line().lamp();
        double milliamps = Math.min(lamp.typicalMilliamps(), limitMilliamps(circuit, wire));
        return SeriesResistor.forLamp(driveVolts, lamp.forwardVolts(), milliamps / 1000, PreferredValues.E12);
    }

    private static double limitMilliamps(Circuit circuit, Wire wire) {
        boolean pin = circuit.netOf(wire.from()).map(n -> !n.pins().isEmpty()).orElse(false);
        double lamp = wire.line().lamp().maxMilliamps();
        return pin ? Math.min(lamp, circuit.board().current().perPinMilliamps()) : lamp;
    }

    private void check(Circuit circuit, Findings findings, Wire wire, double drive) {
        PartLine.Lamp lamp = wire.line().lamp();
        SeriesResistor wanted = wanted(circuit, wire, drive);
        Double fitted = wire.connection().seriesOhms();
        double limit = limitMilliamps(circuit, wire);
        double flows = fitted == null
                ? Double.POSITIVE_INFINITY
                : SeriesResistor.currentThrough(drive, lamp.forwardVolts(), fitted) * 1000;
        if (flows <= limit) {
            return;
        }
        Findings.Draft draft = fitted == null
                ? findings.of(
                        this,
                        Severity.STOP,
                        "{line} has no series resistor: nothing limits its current. It wants {wanted}.")
                : findings.of(
                                this,
                                Severity.STOP,
                                "{line} draws {flows} through {fitted}, above its limit of {limit}. It wants {wanted}.")
                        .word("flows", Quantity.milliamps(flows))
                        .word("fitted", Quantity.ohms(fitted))
                        .word("limit", Quantity.milliamps(limit));
        draft.at(Place.of(wire))
                .word("line", wire.label())
                .word("wanted", Quantity.ohms(wanted.ohms()))
                .figure("drive", Quantity.volts(drive))
                .figure(
                        "lamp's own drop",
                        Quantity.volts(lamp.forwardVolts()),
                        wire.unit().part().source(lamp.source()))
                .figure("exact value", Quantity.ohms(wanted.exactOhms()))
                .figure("preferred value", Quantity.ohms(wanted.ohms()), SERIES)
                .figure("current with it", Quantity.amperes(wanted.amperes()))
                .figure("heat in it", Quantity.watts(wanted.watts()))
                .figure(
                        "limit",
                        Quantity.milliamps(limit),
                        circuit.board().source(circuit.board().current().source()))
                .formula(SeriesResistor.FORMULA)
                .source(SERIES)
                .remedy("Put a resistor of " + Quantity.ohms(wanted.ohms()) + " in series.")
                .add();
    }

    private void tooLow(Findings findings, Wire wire, double drive) {
        findings.of(this, Severity.FIX, "{line} stays dark: it drops {drop}, and only {drive} drive it.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("drop", Quantity.volts(wire.line().lamp().forwardVolts()))
                .word("drive", Quantity.volts(drive))
                .figure(
                        "margin",
                        Quantity.volts(drive - wire.line().lamp().forwardVolts())
                                .inMillis())
                .formula(SeriesResistor.FORMULA)
                .remedy("Drive it from a higher rail, through a transistor if a pin shall switch it.")
                .add();
    }
}
