package izzet.core.assign;

import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Puts another catalogue item in a part's place: lines of the same name keep their wires, the rest is proposed anew. */
public final class Replacement {

    private Replacement() {}

    /** Empty when the plan has no room for all its lines. */
    public static Optional<PlanEdit> of(Circuit circuit, Unit unit, Part with) {
        String variant = with.interfaceOf(unit.placed().interfaceId())
                .or(() -> with.interfaces().stream()
                        .filter(i -> i.bus() == unit.variant().bus())
                        .findFirst())
                .orElse(with.interfaces().get(0))
                .id();
        boolean sameBus = with.interfaceOf(variant).orElseThrow().bus() != null
                && with.interfaceOf(variant)
                        .orElseThrow()
                        .bus()
                        .equals(unit.variant().bus());
        List<PlanEdit> edits = new ArrayList<>();
        Set<String> kept = circuit.wiresOf(unit).stream()
                .filter(w -> !w.role().power())
                .filter(w -> with.line(w.line().id())
                        .filter(l -> l.in(variant) && l.role() == w.role())
                        .isPresent())
                .map(w -> w.line().id())
                .collect(Collectors.toSet());
        edits.add(new PlanEdit.ReplacePart(unit.id(), with.id(), with.version(), variant, kept));
        if (sameBus && unit.placed().bus() != null) {
            edits.add(new PlanEdit.SetPartBus(unit.id(), unit.placed().bus()));
        }
        Plan replaced = new PlanEdit.Together("", edits).apply(circuit.plan());
        Proposal proposal = Proposal.of(replaced, circuit.catalog(), unit.id());
        edits.add(proposal.edit());
        return proposal.left().isEmpty()
                ? Optional.of(new PlanEdit.Together("replaced " + unit.name(), edits))
                : Optional.empty();
    }
}
