package izzet.core.repair.strategies;

import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Brings the grounds of parts and supplies to the board's ground. */
public final class JoinGrounds implements RepairStrategy {

    @Override
    public String name() {
        return "join-grounds";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.COMMON_GROUND);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Target ground = Target.rail(circuit.board().ground().id());
        return Stream.concat(
                        Spots.wires(circuit, finding).stream(),
                        Spots.units(circuit, finding).stream().flatMap(u -> circuit.wiresOf(u).stream()))
                .filter(w -> w.role() == Role.GROUND)
                .distinct()
                .map((Wire w) -> Candidate.plain(
                        w.unit().id() + "-" + w.line().id(),
                        "Connect " + w.label() + " to the board's ground",
                        new PlanEdit.Connect(w.from(), ground)))
                .toList();
    }
}
