package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;

/** Takes a resistor out of a supply or ground line: the line goes to its rail by a wire alone. */
public final class PlainLead implements RepairStrategy {

    @Override
    public String name() {
        return "plain-lead";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SUPPLY_RESISTOR);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .flatMap(w -> circuit.lead(w).stream()
                        // A rail too high is bad behind a resistor, and worse without.
                        .filter(lead -> w.mostVolts() == null || lead.rail().volts() <= w.mostVolts())
                        .map(lead -> Candidate.plain(
                                w.unit().id() + "-" + w.line().id(),
                                "Wire " + w.label() + " to " + lead.rail().label() + " without a resistor",
                                new PlanEdit.Connect(w.from(), DcModel.endOf(lead.rail())))))
                .toList();
    }
}
