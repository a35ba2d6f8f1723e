package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;

/**
 * L11: what cells give at their end against what hangs on them, and how long they last. Passes: three cells on an input that takes 1.8 V.
 * Advised: three cells on a part that needs 4.5 V, which they give only while fresh.
 */
public final class BatteryRule implements Rule {

    @Override
    public String id() {
        return "L11";
    }

    @Override
    public String subject() {
        return "cells last and stay high enough";
    }

    private static final String SOURCE =
            "Common practice: 0.9 V a cell at the end, 1.6 V fresh, 2 Ah for small alkaline cells; from memory";

    @Override
    public void check(Circuit circuit, Findings findings) {
        Supplies supplies = circuit.supplies();
        for (Wire source : circuit.wires()) {
            PartLine line = source.line();
            if (source.role() != Role.SOURCE
                    || line.emptyVolts() == null
                    || source.net().isEmpty()) {
                continue;
            }
            findings.looked(this);
            Rail rail = source.source().orElseThrow();
            for (Unit unit : supplies.fedBy(rail)) {
                Part.Supply needs = unit.part().supply();
                // Below its range from the beginning it is rule L3's.
                if (line.emptyVolts() < needs.minVolts() && rail.volts() >= needs.minVolts()) {
                    early(findings, source, unit, needs);
                }
            }
            double milliamps = supplies.typicalMilliamps(rail);
            if (line.milliampHours() != null && milliamps > 0) {
                lasts(findings, source, line, milliamps);
            }
        }
    }

    private void early(Findings findings, Wire source, Unit unit, Part.Supply needs) {
        double empty = source.line().emptyVolts();
        findings.of(
                        this,
                        Severity.ADVISE,
                        "{part} stops before {cells} are empty: it needs {needs}, and they end at {end}.")
                .at(Place.of(source.unit()), Place.of(unit))
                .word("part", unit.name())
                .word("cells", source.unit().name())
                .word("needs", Quantity.volts(needs.minVolts()))
                .word("end", Quantity.volts(empty))
                .compared(
                        "end of the cells",
                        Quantity.volts(empty),
                        Quantity.volts(needs.minVolts()),
                        false,
                        unit.part().source(needs.source()))
                .formula("lowest supply ≤ cells × 0.9 V")
                .source(SOURCE)
                .remedy("Use one cell more with a regulator, or a converter that holds the voltage.")
                .add();
    }

    private void lasts(Findings findings, Wire source, PartLine line, double milliamps) {
        double hours = line.milliampHours() / milliamps;
        findings.of(this, Severity.NOTE, "{cells} last about {hours} hours at {draw}.")
                .aspect("time")
                .at(Place.of(source.unit()))
                .word("cells", source.unit().name())
                .word("hours", Math.round(hours))
                .word("draw", Quantity.milliamps(milliamps))
                .figure("capacity in mAh", line.milliampHours(), SOURCE)
                .figure("typical draw", Quantity.milliamps(milliamps))
                .formula("hours = capacity / typical draw of the parts; the board's own draw comes on top")
                .source(SOURCE)
                .remedy("Switch the display off or let it sleep between uses.")
                .add();
    }
}
