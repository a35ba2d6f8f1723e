package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Hex;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Brings the program's address and the part's straps together, from either side. */
public final class AgreeOnAddress implements RepairStrategy {

    @Override
    public String name() {
        return "agree";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.WRITTEN_ADDRESS);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        for (Unit unit : Spots.units(circuit, finding)) {
            circuit.addressOf(unit)
                    .ifPresent(a -> found.add(Candidate.coded(
                            "program-" + unit.id(),
                            "Write " + Hex.of(a) + " in the program for " + unit.name(),
                            new PlanEdit.SetAddress(unit.id(), a),
                            "address of " + unit.name() + ": " + Hex.of(a))));
            Reachable.Setting setting = unit.placed().address() == null
                    ? null
                    : Reachable.of(circuit, unit).get(unit.placed().address());
            if (setting != null) {
                String title = "Set the straps of " + unit.name() + " to "
                        + Hex.of(unit.placed().address()) + " (" + setting.label() + ")";
                found.add(Candidate.plain("straps-" + unit.id(), title, Spots.all(title, setting.edits())));
            }
        }
        return found;
    }
}
