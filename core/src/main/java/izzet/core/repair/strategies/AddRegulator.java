package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Feeds the parts of a rail that cannot carry them from a regulator of the same voltage, on a rail that can. */
public final class AddRegulator implements RepairStrategy {

    @Override
    public String name() {
        return "regulator";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.RAIL_LOAD);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return circuit.rails().stream()
                .filter(r -> finding.about("rail", r.id()))
                .flatMap(rail -> circuit.catalog().parts().values().stream()
                        .filter(p -> gives(p, rail.volts()).isPresent() && p.supply() != null)
                        .flatMap(p -> candidate(circuit, rail, p).stream()))
                .toList();
    }

    /** The only output of a part that gives this voltage. */
    private static Optional<PartLine> gives(Part part, double volts) {
        List<PartLine> outputs = part.lines().stream()
                .filter(l -> l.role() == Role.SOURCE && l.givesVolts() != null)
                .toList();
        return outputs.size() == 1 && outputs.get(0).givesVolts() == volts
                ? Optional.of(outputs.get(0))
                : Optional.empty();
    }

    /** Empty where no rail of the board feeds it, or it cannot carry them either. */
    private static Optional<Candidate> candidate(Circuit circuit, Rail rail, Part part) {
        Supplies supplies = circuit.supplies();
        PartLine out = gives(part, rail.volts()).orElseThrow();
        double most = supplies.mostMilliamps(rail);
        Optional<Rail> from = circuit.board().rails().stream()
                .filter(r -> r.gives()
                        && !r.id().equals(rail.id())
                        && r.volts() > rail.volts()
                        && r.volts() >= part.supply().minVolts()
                        && r.volts() <= part.supply().maxVolts())
                .min(Comparator.comparingDouble(Rail::volts));
        Optional<PartLine> in = part.firstLine(Role.SUPPLY);
        if (from.isEmpty() || in.isEmpty() || out.givesMilliamps() == null || out.givesMilliamps() < most) {
            return Optional.empty();
        }
        String id = circuit.plan().freeId("regulator");
        List<PlanEdit> edits = Spots.list(new PlanEdit.AddPart(new PlacedPart(
                id,
                part.id(),
                part.version(),
                "Regulator",
                part.interfaces().get(0).id(),
                Map.of(),
                null,
                null)));
        edits.add(new PlanEdit.Connect(
                Target.line(id, in.get().id()), Target.rail(from.get().id())));
        part.firstLine(Role.GROUND)
                .ifPresent(g -> edits.add(new PlanEdit.Connect(
                        Target.line(id, g.id()),
                        Target.rail(circuit.board().ground().id()))));
        for (Unit unit : supplies.fedBy(rail)) {
            for (Wire wire : circuit.wiresOf(unit)) {
                boolean here = wire.role() == Role.SUPPLY
                        && circuit.rail(wire.from())
                                .filter(r -> r.id().equals(rail.id()))
                                .isPresent();
                if (here) {
                    edits.add(new PlanEdit.Connect(wire.from(), Target.line(id, out.id())));
                }
            }
        }
        String title = "Feed the parts on " + rail.label() + " from a regulator on "
                + from.get().label();
        return Optional.of(new Candidate(
                part.id(), title, Spots.all(title, edits), List.of(part.purchase()), List.of(), List.of()));
    }
}
