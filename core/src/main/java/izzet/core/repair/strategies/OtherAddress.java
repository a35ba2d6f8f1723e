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
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Gives one of the clashing parts another address by its straps or address pins. */
public final class OtherAddress implements RepairStrategy {

    private static final int MOST_PER_PART = 2;

    @Override
    public String name() {
        return "other-address";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH, Trouble.SEGMENT_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Integer> taken = circuit.units().stream()
                .flatMap(u -> circuit.addressOf(u).stream())
                .collect(Collectors.toSet());
        List<Candidate> found = new ArrayList<>();
        List<Unit> units = new ArrayList<>(Spots.units(circuit, finding));
        java.util.Collections.reverse(units);
        for (Unit unit : units) {
            Reachable.of(circuit, unit).entrySet().stream()
                    .filter(e -> !taken.contains(e.getKey()))
                    .limit(MOST_PER_PART)
                    .forEach(e -> found.add(candidate(unit, e)));
        }
        return found;
    }

    private static Candidate candidate(Unit unit, Map.Entry<Integer, Reachable.Setting> to) {
        String address = Hex.of(to.getKey());
        List<PlanEdit> edits = new ArrayList<>(to.getValue().edits());
        if (unit.placed().address() != null) {
            edits.add(new PlanEdit.SetAddress(unit.id(), to.getKey()));
        }
        String title =
                "Set " + unit.name() + " to " + address + " (" + to.getValue().label() + ")";
        return Candidate.coded(
                unit.id() + "-" + address,
                title,
                Spots.all(title, edits),
                "address of " + unit.name() + ": " + address);
    }
}
