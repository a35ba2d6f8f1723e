package izzet.core.check.rules.levels;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Lead;
import izzet.core.circuit.SupplyLoss;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L18: a resistor in a supply or ground line, which takes volts away as the part takes current. Passes: 10 Ω before a display that takes
 * 25 mA and works from 3 V. Fails: 220 Ω there.
 */
public final class SupplyResistorRule implements Rule {

    @Override
    public String id() {
        return "L18";
    }

    @Override
    public String subject() {
        return "resistors leave enough of the supply";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SUPPLY_RESISTOR;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            circuit.lead(wire).filter(l -> l.ohms() > 0).ifPresent(lead -> check(circuit, findings, wire, lead));
        }
    }

    private void check(Circuit circuit, Findings findings, Wire wire, Lead lead) {
        findings.looked(this);
        Optional<SupplyLoss> known = circuit.supplyLoss(wire);
        if (known.isEmpty()) {
            findings.cannotTell(
                    this,
                    Place.of(wire),
                    "what is left of the supply behind " + Quantity.ohms(lead.ohms()) + " at " + wire.label());
            return;
        }
        SupplyLoss loss = known.get();
        String source = wire.unit().part().source(wire.unit().part().supply().source());
        findings.compared(this, Quantity.volts(loss.spare() - loss.most()), wire.from());
        if (loss.most() <= loss.spare()) {
            return;
        }
        findings.of(
                        this,
                        loss.usual() > loss.spare() ? Severity.STOP : Severity.FIX,
                        "{ohms} in the way of {line} would take {lost} at {current}, and {part} can spare {spare}.")
                .at(Place.of(wire))
                .word("ohms", Quantity.ohms(lead.ohms()))
                .word("line", wire.label())
                .word("lost", Quantity.volts(loss.most()))
                .word("current", Quantity.milliamps(loss.mostMilliamps()))
                .word("part", wire.unit().name())
                .word("spare", Quantity.volts(Math.max(0, loss.spare())))
                .figure(
                        "supply",
                        Quantity.volts(loss.railVolts()),
                        circuit.board().source(lead.rail().source()))
                .figure("lowest supply", Quantity.volts(loss.leastVolts()), source)
                .compared(
                        "lost in the resistor",
                        Quantity.volts(loss.most()),
                        Quantity.volts(Math.max(0, loss.spare())),
                        true,
                        source)
                .formula("lost = R × I ≤ supply − lowest")
                .source(source)
                .remedy(
                        wire.mostVolts() != null && loss.railVolts() > wire.mostVolts()
                                ? "Give it a supply that it takes; a resistor is no regulator."
                                : "Take the resistor out of the line; one for a lamp belongs in the lamp's own line.")
                .add();
    }
}
