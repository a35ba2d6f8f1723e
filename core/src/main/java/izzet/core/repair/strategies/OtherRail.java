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

/** Hangs a supply or ground line on another rail. */
public final class OtherRail implements RepairStrategy {

    @Override
    public String name() {
        return "other-rail";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SUPPLY_RANGE, Trouble.RAIL_LOAD);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Stream<Wire> supplies = Stream.concat(
                Spots.wires(circuit, finding).stream(),
                Spots.units(circuit, finding).stream().flatMap(u -> circuit.wire(u, Role.SUPPLY).stream()));
        return supplies.flatMap(w -> circuit.board().rails().stream()
                        .filter(r -> r.gives() && r.ground() == (w.role() == Role.GROUND))
                        .filter(r -> !w.to().equals(java.util.Optional.of(Target.rail(r.id()))))
                        .map(r -> Candidate.plain(
                                w.unit().id() + "-" + r.id(),
                                "Connect " + w.label() + " to " + r.label(),
                                new PlanEdit.Connect(w.from(), Target.rail(r.id())))))
                .toList();
    }
}
