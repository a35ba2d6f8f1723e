package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Cable;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L12: the voltage that long thin supply leads lose on their way, there and back. Passes: 20 mA over 30 cm. Advised: 300 mA over two metres.
 */
public final class WireDropRule implements Rule {

    @Override
    public String id() {
        return "L12";
    }

    @Override
    public String subject() {
        return "supply leads lose little";
    }

    private static final double MOST_SHARE = 0.03;

    @Override
    public void check(Circuit circuit, Findings findings) {
        Double centimetres = circuit.plan().wireCentimetres();
        if (centimetres == null || centimetres == 0) {
            return;
        }
        Cable cable = circuit.plan().wires();
        String source = Cable.RESISTANCE + ": AWG " + cable.gauge() + " has " + Math.round(cable.ohmsPerMetre() * 1000)
                + " milliohm a metre; from memory";
        for (Unit unit : circuit.units()) {
            Part.Supply supply = unit.part().supply();
            Optional<Double> volts = circuit.wire(unit, Role.SUPPLY).flatMap(w -> circuit.railVolts(w.from()));
            if (supply == null || supply.maxMilliamps() == null || volts.isEmpty() || volts.get() <= 0) {
                continue;
            }
            double drop = 2 * centimetres / 100 * cable.ohmsPerMetre() * supply.maxMilliamps() / 1000;
            double most = volts.get() * MOST_SHARE;
            findings.compared(this, Quantity.volts(most - drop), unit.name());
            if (drop > most) {
                findings.of(
                                this,
                                Severity.ADVISE,
                                "The supply leads of {part} lose {drop} at {draw} over {length} cm of wire of AWG {gauge}.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word("drop", Quantity.volts(drop))
                        .word("draw", Quantity.milliamps(supply.maxMilliamps()))
                        .word("gauge", cable.gauge())
                        .word("length", Math.round(centimetres))
                        .compared("drop", Quantity.volts(drop), Quantity.volts(most), true, source)
                        .formula("drop = 2 × length × resistance a metre × current ≤ 3 % of the supply")
                        .source(source)
                        .remedy("Use thicker wire, or feed the part near its supply.")
                        .add();
            }
        }
    }
}
