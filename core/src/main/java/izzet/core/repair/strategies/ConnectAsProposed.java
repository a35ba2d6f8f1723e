package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Connects what is open as the proposal says. */
public final class ConnectAsProposed implements RepairStrategy {

    @Override
    public String name() {
        return "connect";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.OPEN_LINE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Unit> units = new LinkedHashSet<>(Spots.units(circuit, finding));
        for (Wire wire : Spots.wires(circuit, finding)) {
            // Open may be the helper's other side, towards the board.
            wire.net().stream()
                    .flatMap(n -> n.wires().stream())
                    .filter(w -> w.role().downstream())
                    .forEach(w -> units.add(w.unit()));
        }
        return units.stream()
                .map(u -> Candidate.plain(
                        u.id(),
                        "Connect " + u.name() + " as proposed",
                        Proposal.of(circuit.plan(), circuit.catalog(), u.id()).edit()))
                .toList();
    }
}
