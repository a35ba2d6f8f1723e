package izzet.core.repair.strategies;

import izzet.core.assign.Replacement;
import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes the module of the same display that has level shifting on it. */
public final class ShiftedModule implements RepairStrategy {

    @Override
    public String name() {
        return "shifted-module";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.LEVEL_MISS, Trouble.OVER_VOLTAGE, Trouble.SUPPLY_RANGE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Unit> units = new LinkedHashSet<>(Spots.units(circuit, finding));
        Spots.wires(circuit, finding).forEach(w -> units.add(w.unit()));
        return units.stream().flatMap(u -> candidate(circuit, u).stream()).toList();
    }

    private static Optional<Candidate> candidate(Circuit circuit, Unit unit) {
        Optional<Part> module =
                Optional.ofNullable(unit.part().kin().get("shifted")).flatMap(circuit.catalog()::part);
        return module.flatMap(m -> Replacement.of(circuit, unit, m))
                .map(edit -> new Candidate(
                        unit.id(),
                        "Use the module with level shifting for " + unit.name(),
                        edit,
                        List.of(module.get().purchase()),
                        List.of(),
                        List.of()));
    }
}
