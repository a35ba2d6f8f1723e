package izzet.core.check.rules.levels;

import izzet.core.catalog.Board;
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
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

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
                Optional<Rail> rail = circuit.rail(wire.from());
                rail.ifPresent(r -> check(circuit, findings, wire, r));
                if (rail.isEmpty()) {
                    circuit.lead(wire).ifPresent(lead -> behind(circuit, findings, wire, lead));
                }
                circuit.feedingPin(wire).ifPresent(pin -> {
                    Board board = circuit.board();
                    range(
                            findings,
                            wire,
                            "pin",
                            board.logicVolts(),
                            board.source(board.current().source()));
                });
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
        if (rail.gives()) {
            range(findings, wire, "rail", rail.volts(), circuit.board().source(rail.source()));
        } else if (wire.leastVolts() != null && wire.mostVolts() != null) {
            findings.looked(this);
            findings.of(
                            this,
                            Severity.STOP,
                            "{line} hangs on {rail}, which is an input of the board and gives nothing by itself.")
                    .at(Place.of(wire))
                    .word("line", wire.label())
                    .word("rail", rail.label())
                    .remedy("Use a rail that the board gives.")
                    .add();
        }
    }

    /** Behind a resistor a part gets nearly the whole rail as long as it takes little; what is too little then, L18 tells. */
    private void behind(Circuit circuit, Findings findings, Wire wire, Lead lead) {
        Double most = wire.mostVolts();
        double volts = lead.rail().volts();
        if (most == null || !lead.rail().gives()) {
            return;
        }
        findings.looked(this);
        if (volts <= most) {
            return;
        }
        Part part = wire.unit().part();
        String source = part.supply() == null ? null : part.source(part.supply().source());
        boolean always = circuit.supplyLoss(wire)
                .filter(loss -> loss.usualMilliamps() != null && volts - loss.usual() > most)
                .isPresent();
        findings.of(
                        this,
                        always ? Severity.STOP : Severity.FIX,
                        "{part} gets up to {volts} behind {ohms} while it takes little current, more than the {limit} it takes.")
                .at(Place.of(wire))
                .word("part", wire.unit().name())
                .word("volts", Quantity.volts(volts))
                .word("ohms", Quantity.ohms(lead.ohms()))
                .word("limit", Quantity.volts(most))
                .figure(
                        "rail",
                        Quantity.volts(volts),
                        circuit.board().source(lead.rail().source()))
                .figure("highest supply", Quantity.volts(most), source)
                .figure("margin", Quantity.volts(most - volts).inMillis())
                .formula("rail ≤ highest, since what a resistor takes away goes with the current")
                .source(source)
                .remedy("Use another rail, a regulator, or a module that takes this one.")
                .add();
    }

    /** @param what feeds it: a rail, or a pin that is high */
    private void range(Findings findings, Wire wire, String what, double volts, String origin) {
        if (wire.leastVolts() == null || wire.mostVolts() == null) {
            return;
        }
        Part part = wire.unit().part();
        Part.Supply supply = part.supply();
        double min = wire.leastVolts();
        double max = wire.mostVolts();
        String source = supply == null ? null : part.source(supply.source());
        findings.looked(this);
        if (volts < min || volts > max) {
            boolean over = volts > max;
            findings.of(this, Severity.STOP, "{part} gets {volts}, {way} than the {limit} it takes.")
                    .at(Place.of(wire))
                    .word("part", wire.unit().name())
                    .word("volts", Quantity.volts(volts))
                    .word("way", over ? "more" : "less")
                    .word("limit", Quantity.volts(over ? max : min))
                    .figure(what, Quantity.volts(volts), origin)
                    .figure("lowest supply", Quantity.volts(min), source)
                    .figure("highest supply", Quantity.volts(max), source)
                    .figure(
                            "margin",
                            Quantity.volts(over ? max - volts : volts - min).inMillis())
                    .formula("lowest ≤ " + what + " ≤ highest")
                    .source(source)
                    .remedy("Use another rail, or a module that takes this one.")
                    .add();
        }
    }
}
