package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.check.rules.levels.LampResistorRule;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LampCurrents;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Puts the next preferred value in series with a lamp or backlight. */
public final class FitSeriesResistor implements RepairStrategy {

    @Override
    public String name() {
        return "series-resistor";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.LAMP_CURRENT);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return circuit.lamps().stream()
                .filter(lit -> Spots.wires(circuit, finding).contains(lit.line()))
                .filter(lit -> lit.openVolts() > lit.lamp().data().forwardVolts())
                .flatMap(lit -> candidate(circuit, lit).stream())
                .toList();
    }

    /** In the wire of the line itself, whichever end it was drawn from. */
    private static Optional<Candidate> candidate(Circuit circuit, LampCurrents.Lit lit) {
        Wire wire = lit.line();
        double ohms = LampResistorRule.wanted(lit).ohms();
        String value = Quantity.ohms(ohms).toString();
        return circuit.connections().stream()
                .filter(c -> c.from().equals(wire.from()) || c.to().equals(wire.from()))
                .findFirst()
                .map(old -> new Candidate(
                        "",
                        "Put " + value + " in series with " + wire.label(),
                        new PlanEdit.Connect(new Connection(old.from(), old.to(), ohms, old.pull())),
                        List.of("one resistor of " + value),
                        List.of(),
                        List.of()));
    }
}
