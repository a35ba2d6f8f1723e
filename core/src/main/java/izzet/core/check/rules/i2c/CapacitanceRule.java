package izzet.core.check.rules.i2c;

import izzet.core.calc.I2cMode;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.quantity.Quantity;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * I10: more capacitance on a 2-wire bus than its mode allows, however strong the pull-ups. Passes: three modules on 30 cm. Fails: 500 cm of
 * wire.
 */
public final class CapacitanceRule implements Rule {

    @Override
    public String id() {
        return "I10";
    }

    @Override
    public String subject() {
        return "bus capacitance within the specification";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Set<String> said = new LinkedHashSet<>();
        for (JoinedNet net : circuit.joinedNets()) {
            I2cMode mode = I2cMode.forClock(net.bus().clockHz());
            double farads = net.farads(circuit);
            findings.compared(this, Quantity.farads(mode.maxFarads() - farads), net.label());
            if (farads > mode.maxFarads() && said.add(net.bus().id() + net.where())) {
                report(circuit, findings, net, mode, farads);
            }
        }
    }

    private void report(Circuit circuit, Findings findings, JoinedNet net, I2cMode mode, double farads) {
        findings.of(this, Severity.FIX, "{bus}, {where}: {farads} hang on each line, and {mode} allows {limit}.")
                .aspect(net.where())
                .at(Place.of(net.bus()))
                .word("bus", net.bus().name())
                .word("where", net.where())
                .word("farads", Quantity.farads(farads))
                .word("mode", mode.label())
                .word("limit", Quantity.farads(mode.maxFarads()))
                .compared(
                        "capacitance",
                        Quantity.farads(farads),
                        Quantity.farads(mode.maxFarads()),
                        true,
                        circuit.plan().wires().source())
                .formula("sum of the parts + capacitance a metre × length of the wire")
                .source(I2cMode.SOURCE)
                .remedy("Shorten the wires, or part the bus with a bus switch.")
                .add();
    }
}
