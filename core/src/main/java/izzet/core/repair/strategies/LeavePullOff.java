package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;

/** Leaves the chip's own resistor off where something is measured. */
public final class LeavePullOff implements RepairStrategy {

    @Override
    public String name() {
        return "pull-off";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.MEASURED_PULL);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .flatMap(w -> w.net().map(Net::wires).orElse(List.of()).stream())
                .map(Wire::connection)
                .filter(c -> c != null && c.pull() != null)
                .distinct()
                .map(c -> Candidate.coded(
                        c.from().toString().replace(':', '-'),
                        "Leave the board's own resistor off at " + c.to().name(),
                        new PlanEdit.Connect(c.withoutPull()),
                        "set the pin " + c.to().name() + " as an input without a resistor"))
                .toList();
    }
}
