package izzet.core.repair.strategies;

import izzet.core.catalog.Pin;
import izzet.core.check.Finding;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/** Moves a line to a free pin that can serve it; of several lines the last first. */
public final class MoveToFreePin implements RepairStrategy {

    private static final int MOST_PER_LINE = 2;

    @Override
    public String name() {
        return "move";
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (!Set.of("P1", "P2", "P3", "P4", "P12", "S1").contains(finding.rule())) {
            return List.of();
        }
        List<Wire> wires = new ArrayList<>(Spots.wires(circuit, finding));
        java.util.Collections.reverse(wires);
        List<Candidate> found = new ArrayList<>();
        for (Wire wire : wires) {
            LegalPins.of(circuit, wire).stream()
                    .filter(p -> circuit.usersOf(p).isEmpty() || wire.role().bus())
                    .filter(p -> BootLevel.refused(circuit, wire, p).isEmpty())
                    .sorted(Comparator.comparingInt(
                            p -> p.functions().size() + 10 * p.duties().size()))
                    .limit(MOST_PER_LINE)
                    .forEach(p -> found.add(candidate(wire, p)));
        }
        return found;
    }

    private static Candidate candidate(Wire wire, Pin pin) {
        Connection old = wire.connection();
        Connection moved = new Connection(
                wire.from(),
                Target.pin(pin.id()),
                old == null ? null : old.seriesOhms(),
                old == null ? null : old.pull());
        String title = "Move " + wire.label() + " to pin " + pin.label();
        return Candidate.coded(
                wire.unit().id() + "-" + wire.line().id() + "-" + pin.id(),
                title,
                new PlanEdit.Connect(moved),
                "pin of " + wire.label() + ": " + pin.label());
    }
}
