package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.check.rules.parallel.UpperHalfRule;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Moves wires from data lines that an interface does not have to those that it has, in their order. */
public final class UpperHalf implements RepairStrategy {

    @Override
    public String name() {
        return "upper-half";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.WRONG_HALF);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.units(circuit, finding).stream()
                .map(u -> candidate(circuit, u))
                .toList();
    }

    private static Candidate candidate(Circuit circuit, Unit unit) {
        List<Wire> open = UpperHalfRule.open(circuit, unit);
        List<Connection> beside = UpperHalfRule.beside(circuit, unit);
        List<PlanEdit> edits = new ArrayList<>();
        List<String> moved = new ArrayList<>();
        for (int i = 0; i < Math.min(open.size(), beside.size()); i++) {
            Connection c = beside.get(i);
            Target line = UpperHalfRule.line(unit, c);
            edits.add(new PlanEdit.Disconnect(c.from()));
            edits.add(new PlanEdit.Connect(new Connection(
                    open.get(i).from(), UpperHalfRule.far(unit, c), c.seriesOhms(), c.pull(), c.locked())));
            moved.add(line.name() + " to " + open.get(i).line().id());
        }
        return Candidate.plain(
                unit.id(),
                "Move the data wires of " + unit.name() + ": " + String.join(", ", moved),
                new PlanEdit.Together("moved data wires", edits));
    }
}
