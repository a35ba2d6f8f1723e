package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;

/**
 * L3: a supply line outside its range or on an input rail. Passes: a 3.3 V panel on the 3.3 V rail. Fails:
 * the same panel on 5 V.
 */
public final class SupplyRule implements Rule {

    @Override
    public String id() {
        return "L3";
    }

    @Override
    public String subject() {
        return "each part has the supply it needs";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SUPPLY_RANGE;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (wire.role() == Role.SUPPLY) {
                circuit.rail(wire.from()).ifPresent(rail -> check(circuit, findings, wire, rail));
            } else if (wire.role() == Role.GROUND) {
                wire.net().flatMap(Net::rail).filter(rail -> !rail.ground()).ifPresent(rail -> findings.of(
                                this, Severity.STOP, "{line} is the part's ground, and it hangs on {rail}.")
                        .at(Place.of(wire))
                        .word("line", wire.label())
                        .word("rail", rail.label())
                        .remedy("Connect it to ground.")
                        .add());
            }
        }
    }

    private void check(Circuit circuit, Findings findings, Wire wire, Rail rail) {
        Part part = wire.unit().part();
        Part.Supply supply = part.supply();
        if (wire.leastVolts() == null || wire.mostVolts() == null) {
            return;
        }
        double min = wire.leastVolts();
        double max = wire.mostVolts();
        String source = supply == null ? null : part.source(supply.source());
        findings.looked(this);
        if (!rail.gives()) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{line} hangs on {rail}, which is an input of the board and gives nothing by itself.")
                    .at(Place.of(wire))
                    .word("line", wire.label())
                    .word("rail", rail.label())
                    .remedy("Use a rail that the board gives.")
                    .add();
        } else if (rail.volts() < min || rail.volts() > max) {
            boolean over = rail.volts() > max;
            findings.of(this, Severity.STOP, "{part} gets {volts}, {way} than the {limit} it takes.")
                    .at(Place.of(wire))
                    .word("part", wire.unit().name())
                    .word("volts", Quantity.volts(rail.volts()))
                    .word("way", over ? "more" : "less")
                    .word("limit", Quantity.volts(over ? max : min))
                    .figure(
                            "rail",
                            Quantity.volts(rail.volts()),
                            circuit.board().source(rail.source()))
                    .figure("lowest supply", Quantity.volts(min), source)
                    .figure("highest supply", Quantity.volts(max), source)
                    .figure(
                            "margin",
                            Quantity.volts(over ? max - rail.volts() : rail.volts() - min)
                                    .inMillis())
                    .formula("lowest ≤ rail ≤ highest")
                    .source(source)
                    .remedy("Use another rail, or a module that takes this one.")
                    .add();
        }
    }
}
