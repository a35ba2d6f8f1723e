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

/** Switches the board's own pull-up on at a button. */
public final class PullUpButton implements RepairStrategy {

    @Override
    public String name() {
        return "internal-pull-up";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.NO_REST_LEVEL);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (!circuit.board().internalPullUps()) {
            return List.of();
        }
        return Spots.wires(circuit, finding).stream()
                .map(w -> Candidate.coded(
                        "",
                        "Switch the board's own pull-up on at " + w.label(),
                        new PlanEdit.Connect(new Connection(
                                w.from(), w.connection().to(), w.connection().seriesOhms(), Connection.INTERNAL_UP)),
                        "set the pin of " + w.label() + " as an input with pull-up"))
                .toList();
    }
}
