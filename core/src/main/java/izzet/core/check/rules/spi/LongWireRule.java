package izzet.core.check.rules.spi;

import izzet.core.catalog.BusKind;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;

/**
 * S8: a serial clock over wires that are too long for it. Passes: 8 MHz over 10 cm. Advised: 20 MHz over 60 cm.
 */
public final class LongWireRule implements Rule {

    @Override
    public String id() {
        return "S8";
    }

    @Override
    public String subject() {
        return "serial clocks suit their wires";
    }

    /** Clock times length that a bench of jumper wires bears. Common practice. */
    private static final double HERTZ_METRES = 4_000_000;

    private static final String SOURCE = "Common practice: about 4 MHz over a metre of jumper wire, in proportion";

    @Override
    public void check(Circuit circuit, Findings findings) {
        Double centimetres = circuit.plan().wireCentimetres();
        if (centimetres == null || centimetres == 0) {
            return;
        }
        double most = HERTZ_METRES * 100 / centimetres;
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() != BusKind.SPI) {
                continue;
            }
            int clock = circuit.fastestOn(bus);
            findings.compared(this, Quantity.hertz(most - clock), bus.name());
            if (clock > most) {
                findings.of(
                                this,
                                Severity.ADVISE,
                                "{bus} runs at {clock} over {length} cm of wire; about {limit} is what such wires bear.")
                        .at(Place.of(bus))
                        .word("bus", bus.name())
                        .word("clock", Quantity.hertz(clock))
                        .word("length", Math.round(centimetres))
                        .word("limit", Quantity.hertz(most))
                        .compared("clock", Quantity.hertz(clock), Quantity.hertz(most), true, SOURCE)
                        .formula("clock × length ≤ 4 MHz × 1 m")
                        .source(SOURCE)
                        .remedy("Shorten the wires, run the bus slower, or put 33 Ω in series at the board.")
                        .add();
            }
        }
    }
}
