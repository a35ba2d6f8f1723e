package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Direction;
import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Puts one-way buffers between the board and all inputs, or all outputs, of a part whose level does not fit. */
public final class AddBuffer implements RepairStrategy {

    @Override
    public String name() {
        return "buffer";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.LEVEL_MISS, Trouble.OVER_VOLTAGE, Trouble.SHIFTER_KIND);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
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
                    found.add(candidate(circuit, unit, inputs, part, true));
                }
                if (oneWay && !outputs.isEmpty()) {
                    found.add(candidate(circuit, unit, outputs, part, false));
                }
            }
        }
        return found;
    }

    private static Candidate candidate(Circuit circuit, Unit unit, List<Wire> lines, Part part, boolean fromBoard) {
        int each = part.shifts().size();
        int number = (lines.size() + each - 1) / each;
        List<PlanEdit> edits = new ArrayList<>();
        List<String> ids = new ArrayList<>();
        for (int n = 0; n < number; n++) {
            String id = circuit.plan().freeId(n == 0 ? "buffer" : "buffer-" + (n + 1));
            ids.add(id);
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
        for (String id : ids) {
            Plan wired = Spots.all("wired", edits).apply(circuit.plan());
            edits.add(Proposal.of(wired, circuit.catalog(), id).edit());
        }
        String buffers = number == 1 ? "a buffer" : number + " buffers";
        String title = "Put " + buffers
                + (fromBoard ? " between the board and " + unit.name() : " between " + unit.name() + " and the board")
                + ": " + part.name();
        List<String> buy = new ArrayList<>();
        for (int n = 0; n < number; n++) {
            buy.add(part.purchase());
        }
        return new Candidate(
                unit.id() + (fromBoard ? "-" : "-out-") + part.id(),
                title,
                Spots.all(title, edits),
                buy,
                List.of("One way only: nothing is read back through it."),
                List.of());
    }
}
