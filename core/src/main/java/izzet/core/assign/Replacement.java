package izzet.core.assign;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
        edits.add(new PlanEdit.ReplacePart(unit.id(), with.id(), with.version(), variant));
        if (sameBus && unit.placed().bus() != null) {
            edits.add(new PlanEdit.SetPartBus(unit.id(), unit.placed().bus()));
        }
        for (Wire wire : circuit.wiresOf(unit)) {
            Optional<PartLine> same = with.line(wire.line().id()).filter(l -> l.in(variant) && l.role() == wire.role());
            if (same.isPresent() && wire.connected() && !wire.role().power()) {
                Target from = Target.line(unit.id(), same.get().id());
                Connection was = wire.connection();
                edits.add(new PlanEdit.Connect(
                        new Connection(from, was.to(), was.seriesOhms(), was.pull(), was.locked())));
            }
        }
        Plan replaced = new PlanEdit.Together("", edits).apply(circuit.plan());
        Proposal proposal = Proposal.of(replaced, circuit.catalog(), unit.id());
        edits.add(proposal.edit());
        return proposal.left().isEmpty()
                ? Optional.of(new PlanEdit.Together("replaced " + unit.name(), edits))
                : Optional.empty();
    }
}
