package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One pin for the resets, or for the data/command lines, of all displays. */
public final class ShareLine implements WayOut {

    @Override
    public List<Change> changes(Circuit circuit) {
        List<Change> changes = new ArrayList<>();
        share(circuit, Role.RESET, "reset", "Displays are reset together.").ifPresent(changes::add);
        share(circuit, Role.DATA_COMMAND, "data/command", "The program sets the line anew for each display.")
                .ifPresent(changes::add);
        return changes;
    }

    private static Optional<Change> share(Circuit circuit, Role role, String name, String limit) {
        List<Wire> wires = circuit.wires().stream()
                .filter(w -> w.role() == role
                        && w.line().required()
                        && w.unit().part().glass() != null)
                .filter(w -> w.to().isEmpty() || w.to().filter(Target::isPin).isPresent())
                .toList();
        if (wires.size() < 2) {
            return Optional.empty();
        }
        Optional<Pin> pin = circuit.board().signalPins().stream()
                .filter(p -> wires.stream().allMatch(w -> LegalPins.serves(circuit, w, p)))
                .findFirst();
        return pin.map(p -> new Change(
                "One " + name + " line for " + wires.size() + " displays",
                new PlanEdit.Together(
                        "shared the " + name + " line",
                        wires.stream()
                                .<PlanEdit>map(w -> new PlanEdit.Connect(w.from(), Target.pin(p.id())))
                                .toList()),
                List.of(),
                List.of(limit)));
    }
}
