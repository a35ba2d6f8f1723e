package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;

/** Sets the contrast by 1 kΩ to ground. */
public final class SetContrast implements RepairStrategy {

    private static final double OHMS = 1000;

    @Override
    public String name() {
        return "contrast";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.CONTRAST);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .map(w -> new Candidate(
                        "",
                        "Use 1 kΩ to ground at " + w.label(),
                        new PlanEdit.Connect(
                                new Connection(w.from(), w.connection().to(), OHMS, null)),
                        List.of("one resistor of 1 kΩ"),
                        List.of(),
                        List.of()))
                .toList();
    }
}
