package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.rules.LampResistorRule;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;

/** Puts the next preferred value in series with a lamp or backlight. */
public final class FitSeriesResistor implements RepairStrategy {

    @Override
    public String name() {
        return "series-resistor";
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (!finding.rule().equals("L6")) {
            return List.of();
        }
        return Spots.wires(circuit, finding).stream()
                .filter(w -> LampResistorRule.drive(circuit, w)
                        .filter(v -> v > w.line().lamp().forwardVolts())
                        .isPresent())
                .map(w -> candidate(circuit, w))
                .toList();
    }

    private static Candidate candidate(Circuit circuit, Wire wire) {
        double drive = LampResistorRule.drive(circuit, wire).orElseThrow();
        double ohms = LampResistorRule.wanted(circuit, wire, drive).ohms();
        Connection old = wire.connection();
        String value = Quantity.ohms(ohms).toString();
        return new Candidate(
                "",
                "Put " + value + " in series with " + wire.label(),
                new PlanEdit.Connect(new Connection(old.from(), old.to(), ohms, old.pull())),
                List.of("one resistor of " + value),
                List.of(),
                List.of());
    }
}
