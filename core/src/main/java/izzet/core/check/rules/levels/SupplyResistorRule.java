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
import izzet.core.circuit.Lead;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;

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
        Part.Supply supply = wire.unit().part().supply();
        boolean feeds = wire.role() == Role.SUPPLY;
        Double rail = feeds
                ? Double.valueOf(lead.rail().volts())
                : circuit.wire(wire.unit(), Role.SUPPLY)
                        .flatMap(w -> circuit.rail(w.from()))
                        .map(Rail::volts)
                        .orElse(null);
        Double least = feeds || supply == null ? wire.leastVolts() : (Double) supply.minVolts();
        if (supply == null || supply.maxMilliamps() == null || least == null || rail == null || shared(circuit, wire)) {
            findings.cannotTell(
                    this,
                    Place.of(wire),
                    "what is left of the supply behind " + Quantity.ohms(lead.ohms()) + " at " + wire.label());
            return;
        }
        double lost = lead.ohms() * supply.maxMilliamps() / 1000;
        double spare = rail - least;
        String source = wire.unit().part().source(supply.source());
        findings.compared(this, Quantity.volts(spare - lost), wire.from());
        if (lost <= spare) {
            return;
        }
        double usual = supply.typicalMilliamps() == null ? 0 : lead.ohms() * supply.typicalMilliamps() / 1000;
        findings.of(
                        this,
                        usual > spare ? Severity.STOP : Severity.FIX,
                        "{ohms} in the way of {line} would take {lost} at {current}, and {part} can spare {spare}.")
                .at(Place.of(wire))
                .word("ohms", Quantity.ohms(lead.ohms()))
                .word("line", wire.label())
                .word("lost", Quantity.volts(lost))
                .word("current", Quantity.milliamps(supply.maxMilliamps()))
                .word("part", wire.unit().name())
                .word("spare", Quantity.volts(Math.max(0, spare)))
                .figure(
                        "supply",
                        Quantity.volts(rail),
                        circuit.board().source(lead.rail().source()))
                .figure("lowest supply", Quantity.volts(least), source)
                .compared(
                        "lost in the resistor", Quantity.volts(lost), Quantity.volts(Math.max(0, spare)), true, source)
                .formula("lost = R × I ≤ supply − lowest")
                .source(source)
                .remedy("Take the resistor out of the line; one for a lamp belongs in the lamp's own line.")
                .add();
    }

    /** Whether other lines of the part take some of the current, how much is not known. */
    private static boolean shared(Circuit circuit, Wire wire) {
        return circuit.wiresOf(wire.unit()).stream()
                .anyMatch(w ->
                        w.role() == wire.role() && !w.equals(wire) && w.net().isPresent());
    }
}
