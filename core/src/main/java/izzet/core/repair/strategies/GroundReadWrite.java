package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Grounds the line that keeps a display from driving its data lines back into the board. */
public final class GroundReadWrite implements RepairStrategy {

    @Override
    public String name() {
        return "ground-read-write";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.LEVEL_MISS, Trouble.OVER_VOLTAGE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<String> pins = finding.places().stream()
                .filter(p -> p.kind().equals("pin"))
                .map(p -> p.id())
                .collect(Collectors.toSet());
        return circuit.units().stream()
                .filter(u -> circuit.wiresOf(u).stream()
                        .anyMatch(w -> w.line().silencedBy() != null
                                && w.to().filter(t -> t.isPin() && pins.contains(t.name()))
                                        .isPresent()))
                .map(u -> candidate(circuit, u))
                .toList();
    }

    private static Candidate candidate(Circuit circuit, Unit unit) {
        Wire silenced = circuit.wiresOf(unit).stream()
                .filter(w -> w.line().silencedBy() != null)
                .findFirst()
                .orElseThrow();
        Target from = Target.line(unit.id(), silenced.line().silencedBy());
        return new Candidate(
                unit.id(),
                "Ground " + unit.name() + " " + from.name() + ", so that it never drives its data lines",
                new PlanEdit.Connect(from, Target.rail(circuit.board().ground().id())),
                List.of(),
                List.of("The program can no longer read the busy flag and waits instead."),
                List.of(unit.name() + ": no read/write pin"));
    }
}
