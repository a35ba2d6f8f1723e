package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Lets a line change places with another that sits on a pin it could use: data and clock crossed, mostly. */
public final class SwapLines implements RepairStrategy {

    private static final int MOST_PER_LINE = 3;

    @Override
    public String name() {
        return "swap";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.PIN_FUNCTION);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        Set<Set<Target>> seen = new LinkedHashSet<>();
        for (Wire wire : Spots.wires(circuit, finding)) {
            if (wire.to().filter(Target::isPin).isEmpty()) {
                continue;
            }
            LegalPins.of(circuit, wire).stream()
                    .flatMap(p -> circuit.usersOf(p).stream())
                    .filter(other -> !other.from().equals(wire.from())
                            && other.to().filter(Target::isPin).isPresent()
                            && !other.to().equals(wire.to()))
                    .filter(other -> seen.add(Set.of(wire.from(), other.from())))
                    .limit(MOST_PER_LINE)
                    .forEach(other -> found.add(Candidate.plain(
                            wire.unit().id() + "-" + wire.line().id() + "-"
                                    + other.unit().id() + "-" + other.line().id(),
                            "Swap " + wire.label() + " and " + other.label(),
                            new PlanEdit.Swap(wire.from(), other.from()))));
        }
        return found;
    }
}
