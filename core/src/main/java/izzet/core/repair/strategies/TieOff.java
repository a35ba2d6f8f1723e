package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;

/** Ties a floating input to the level it rests at. */
public final class TieOff implements RepairStrategy {

    @Override
    public String name() {
        return "tie";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.FLOATING_INPUT);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .flatMap(w -> Proposal.restRail(circuit, w).stream()
                        .map(rail -> Candidate.plain(
                                "",
                                "Tie " + w.label() + " to " + rail.label(),
                                new PlanEdit.Connect(w.from(), Target.rail(rail.id())))))
                .toList();
    }
}
