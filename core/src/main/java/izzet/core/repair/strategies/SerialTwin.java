package izzet.core.repair.strategies;

import izzet.core.assign.Replacement;
import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes the serial twin of one of the clashing displays. */
public final class SerialTwin implements RepairStrategy {

    @Override
    public String name() {
        return "serial-twin";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Unit> units = Spots.units(circuit, finding);
        if (units.isEmpty()) {
            return List.of();
        }
        Unit last = units.get(units.size() - 1);
        Optional<Part> twin =
                Optional.ofNullable(last.part().kin().get("serial")).flatMap(circuit.catalog()::part);
        return twin
                .flatMap(t -> Replacement.of(circuit, last, t))
                .map(edit -> new Candidate(
                        last.id(),
                        "Use the serial twin for " + last.name(),
                        edit,
                        List.of(twin.get().purchase()),
                        List.of(),
                        List.of(last.name() + " on SPI: its pins and its constructor change")))
                .stream()
                .toList();
    }
}
