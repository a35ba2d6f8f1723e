package izzet.core.repair.strategies;

import izzet.core.catalog.Direction;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Puts one-way buffers between the board and all inputs, or all outputs, of a part whose level does not fit. */
public final class AddBuffer implements RepairStrategy {

    @Override
    public String name() {
        return "buffer";
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (!Set.of("L1", "L2", "L8").contains(finding.rule())) {
            return List.of();
        }
        Set<Unit> units = new LinkedHashSet<>();
        Spots.wires(circuit, finding).forEach(w -> units.add(w.unit()));
        finding.places().stream()
                .filter(p -> p.kind().equals("pin"))
                .flatMap(p -> circuit.board().pin(p.id()).stream())
                .flatMap(p -> circuit.linesOn(p).stream())
                .forEach(w -> units.add(w.unit()));
        List<Candidate> found = new ArrayList<>();
        for (Unit unit : units) {
            List<Wire> onPins = circuit.wiresOf(unit).stream()
                    .filter(w -> !w.role().i2c() && !circuit.pinsUnder(w).isEmpty())
                    .toList();
            List<Wire> inputs = onPins.stream()
                    .filter(w ->
                            w.line().direction() == Direction.IN || w.line().direction() == Direction.BOTH)
                    .toList();
            // Data of a bus must be let go when the part is not selected, which a buffer does not.
            List<Wire> outputs = onPins.stream()
                    .filter(w ->
                            w.line().direction() == Direction.OUT && !w.role().bus())
                    .toList();
            for (Part part : circuit.catalog().parts().values()) {
                boolean oneWay =
                        !part.shifts().isEmpty() && part.shifts().stream().noneMatch(part::twoWay);
                if (oneWay && !inputs.isEmpty()) {
                    candidate(circuit, unit, inputs, part, true).ifPresent(found::add);
                }
                if (oneWay && !outputs.isEmpty()) {
                    candidate(circuit, unit, outputs, part, false).ifPresent(found::add);
                }
            }
        }
        return found;
    }

    private static Optional<Candidate> candidate(
            Circuit circuit, Unit unit, List<Wire> lines, Part part, boolean fromBoard) {
        int each = part.shifts().size();
        int number = (lines.size() + each - 1) / each;
        List<PlanEdit> edits = new ArrayList<>();
        for (int n = 0; n < number; n++) {
            String id = circuit.plan().freeId(n == 0 ? "buffer" : "buffer-" + (n + 1));
            String name = number == 1 ? "Buffer" : "Buffer " + (n + 1);
            edits.add(new PlanEdit.AddPart(new PlacedPart(
                    id,
                    part.id(),
                    part.version(),
                    name,
                    part.interfaces().get(0).id(),
                    Map.of(),
                    null,
                    null)));
            for (PartLine line : part.lines()) {
                Optional<Rail> rail = rail(circuit, part, line);
                if (rail.isPresent()) {
                    edits.add(new PlanEdit.Connect(
                            Target.line(id, line.id()), Target.rail(rail.get().id())));
                } else if (line.required()) {
                    return Optional.empty();
                }
            }
            for (int k = 0; k < each && n * each + k < lines.size(); k++) {
                Wire wire = lines.get(n * each + k);
                Part.Shift shift = part.shifts().get(k);
                String pin = circuit.pinsUnder(wire).get(0).id();
                String near = fromBoard ? shift.low() : shift.high();
                String far = fromBoard ? shift.high() : shift.low();
                edits.add(new PlanEdit.Connect(Target.line(id, near), Target.pin(pin)));
                edits.add(new PlanEdit.Connect(wire.from(), Target.line(id, far)));
            }
        }
        String buffers = number == 1 ? "a buffer" : number + " buffers";
        String title = "Put " + buffers
                + (fromBoard ? " between the board and " + unit.name() : " between " + unit.name() + " and the board")
                + ": " + part.name();
        List<String> buy = new ArrayList<>();
        for (int n = 0; n < number; n++) {
            buy.add(part.purchase());
        }
        return Optional.of(new Candidate(
                unit.id() + (fromBoard ? "-" : "-out-") + part.id(),
                title,
                Spots.all(title, edits),
                buy,
                List.of("One way only: nothing is read back through it."),
                List.of()));
    }

    private static Optional<Rail> rail(Circuit circuit, Part part, PartLine line) {
        if (line.role() == Role.GROUND || "ground".equals(line.rest())) {
            return Optional.of(circuit.board().ground());
        }
        return line.role() == Role.SUPPLY
                ? circuit.board().rails().stream()
                        .filter(r -> r.gives()
                                && !r.ground()
                                && r.volts() >= part.supply().minVolts()
                                && r.volts() <= part.supply().maxVolts())
                        .findFirst()
                : Optional.empty();
    }
}
