package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Ties an input that floats, or that is tied the wrong way, to the level it rests at. */
public final class TieOff implements RepairStrategy {

    @Override
    public String name() {
        return "tie";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.FLOATING_INPUT, Trouble.INTERFACE_STRAP);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .flatMap(w -> opposite(circuit, w).or(() -> Proposal.restRail(circuit, w)).stream()
                        .map(rail -> Candidate.plain(
                                "",
                                "Tie " + w.label() + " to " + rail.label(),
                                new PlanEdit.Connect(w.from(), DcModel.endOf(rail)))))
                .toList();
    }

    /** For a line on a rail: the part's supply instead of ground, or ground instead of it. */
    private static Optional<Rail> opposite(Circuit circuit, Wire wire) {
        Optional<Rail> now = circuit.rail(wire.from());
        if (now.isEmpty()) {
            return Optional.empty();
        }
        return now.get().ground()
                ? circuit.wire(wire.unit(), Role.SUPPLY).flatMap(s -> circuit.rail(s.from()))
                : Optional.of(circuit.board().ground());
    }
}
