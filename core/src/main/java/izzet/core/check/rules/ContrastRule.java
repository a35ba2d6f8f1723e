package izzet.core.check.rules;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L7: the contrast of a character display that is set by a fixed resistor to ground. Passes: 1 kΩ, 0.42 V. Fails: 5 kΩ, 1.56 V, nearly
 * blank.
 */
public final class ContrastRule implements Rule {

    private static final double LADDER_OHMS = 11_000;
    private static final double READABLE_FROM = 0.2;
    private static final double READABLE_TO = 1.0;
    private static final String SOURCE =
            "Character display controller data sheet (HD44780U), bias ladder; ladder of 11 kΩ and readable range from memory";

    @Override
    public String id() {
        return "L7";
    }

    @Override
    public String subject() {
        return "contrast within the readable range";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (wire.role() != Role.CONTRAST || !wire.connected()) {
                continue;
            }
            Optional<Double> supply = circuit.wire(wire.unit(), Role.SUPPLY).flatMap(s -> circuit.railVolts(s.from()));
            boolean toGround =
                    circuit.netOf(wire.from()).filter(n -> n.grounded()).isPresent();
            if (supply.isEmpty() || !toGround) {
                findings.cannotTell(this, Place.of(wire), "the voltage at " + wire.label());
                continue;
            }
            double ohms = wire.connection().seriesOhms() == null
                    ? 0
                    : wire.connection().seriesOhms();
            double volts = supply.get() * ohms / (ohms + LADDER_OHMS);
            if (volts > READABLE_TO || volts < READABLE_FROM) {
                report(findings, wire, ohms, volts, supply.get());
            }
        }
    }

    private void report(Findings findings, Wire wire, double ohms, double volts, double supply) {
        boolean pale = volts > READABLE_TO;
        findings.of(
                        this,
                        pale ? Severity.FIX : Severity.NOTE,
                        pale
                                ? "{line} sits at {volts}: the display looks blank. Up to {to} is readable."
                                : "{line} sits at {volts}: the darkest setting; unlit cells may show as blocks.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("volts", Quantity.volts(volts))
                .word("to", Quantity.volts(READABLE_TO))
                .figure("resistor", Quantity.ohms(ohms))
                .figure("voltage", Quantity.volts(volts))
                .figure("readable", "0.2 V to 1.0 V", SOURCE)
                .formula("V = supply × R / (R + 11 kΩ)")
                .source(SOURCE)
                .remedy("Use 1 kΩ to 2.2 kΩ, or a 10 kΩ potentiometer.")
                .add();
    }
}
