package izzet.core.check.rules.levels;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;

/**
 * L7: the voltage at the contrast line of a character display, by whatever network sets it. Passes: 1 kΩ to ground, 0.42 V; a
 * potentiometer that passes through the readable range. Fails: 5 kΩ, 1.56 V, nearly blank.
 */
public final class ContrastRule implements Rule {

    @Override
    public String id() {
        return "L7";
    }

    @Override
    public String subject() {
        return "contrast within the readable range";
    }

    @Override
    public Trouble trouble() {
        return Trouble.CONTRAST;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (Contrast.sets(circuit, wire)
                    && circuit.wire(wire.unit(), Role.SUPPLY)
                            .flatMap(s -> circuit.railVolts(s.from()))
                            .isEmpty()) {
                findings.cannotTell(this, Place.of(wire), "the voltage at " + wire.label());
            }
        }
        for (Contrast contrast : Contrast.untilReadable(circuit)) {
            findings.looked(this);
            if (contrast.readableShare() == 0) {
                boolean pale = contrast.least() > Contrast.READABLE_TO;
                judge(findings, contrast.line(), pale ? contrast.least() : contrast.most(), contrast.turned());
            }
        }
    }

    private void judge(Findings findings, Wire wire, double volts, boolean dial) {
        boolean pale = volts > Contrast.READABLE_TO;
        findings.of(
                        this,
                        pale ? Severity.FIX : Severity.NOTE,
                        pale
                                ? dial
                                        ? "{line} is never below {volts} wherever the potentiometer stands: the display looks blank. Up to {to} is readable."
                                        : "{line} sits at {volts}: the display looks blank. Up to {to} is readable."
                                : "{line} sits at {volts}: the darkest setting; unlit cells may show as blocks.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("volts", Quantity.volts(volts))
                .word("to", Quantity.volts(Contrast.READABLE_TO))
                .compared(
                        "voltage",
                        Quantity.volts(volts),
                        Quantity.volts(pale ? Contrast.READABLE_TO : Contrast.READABLE_FROM),
                        pale,
                        Contrast.SOURCE)
                .figure("readable", "0.2 V to 1.0 V", Contrast.SOURCE)
                .formula("voltage at rest over the display's ladder of 11 kΩ to its supply")
                .source(Contrast.SOURCE)
                .remedy("Use 1 kΩ to 2.2 kΩ to ground, or a 10 kΩ potentiometer between ground and the supply.")
                .add();
    }
}
