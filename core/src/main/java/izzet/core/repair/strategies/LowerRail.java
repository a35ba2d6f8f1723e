package izzet.core.repair.strategies;

import izzet.core.catalog.Rail;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Hangs what lifts an input too high on a lower rail: a potentiometer, a contact, a resistor, or the line itself. */
public final class LowerRail implements RepairStrategy {

    @Override
    public String name() {
        return "lower-rail";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.OVER_VOLTAGE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        List<Target> ends = ends(finding);
        for (Unit unit : lifters(circuit, ends)) {
            circuit.wiresOf(unit).forEach(wire -> lower(circuit, wire, found));
        }
        Spots.wires(circuit, finding).stream()
                .filter(w -> !w.role().power())
                .forEach(wire -> lower(circuit, wire, found));
        for (Resistor r : circuit.resistors()) {
            boolean near = ends.stream().flatMap(e -> circuit.netOf(e).stream()).anyMatch(n -> n.resistors()
                    .contains(r));
            if (near) {
                lower(circuit, r, found);
            }
        }
        return found;
    }

    private static void lower(Circuit circuit, Wire wire, List<Candidate> found) {
        for (Rail rail : below(circuit, circuit.railVolts(wire.from()).orElse(0.0))) {
            found.add(Candidate.plain(
                    wire.unit().id() + "-" + wire.line().id() + "-" + rail.id(),
                    "Connect " + wire.label() + " to " + rail.label(),
                    new PlanEdit.Connect(wire.from(), Target.rail(rail.id()))));
        }
    }

    /** Of a resistor to a rail, the end at the rail. */
    private static void lower(Circuit circuit, Resistor r, List<Candidate> found) {
        boolean from = r.from().isRail();
        Target high = from ? r.from() : r.to();
        for (Rail rail : below(circuit, circuit.railVolts(high).orElse(0.0))) {
            Target to = Target.rail(rail.id());
            Resistor moved =
                    from ? new Resistor(r.id(), to, r.to(), r.ohms()) : new Resistor(r.id(), r.from(), to, r.ohms());
            String title = "Take the " + Quantity.ohms(r.ohms()) + " at " + (from ? r.to() : r.from()).name() + " to "
                    + rail.label();
            found.add(Candidate.plain(
                    r.id() + "-" + rail.id(),
                    title,
                    Spots.all(title, List.of(new PlanEdit.RemoveResistor(r.id()), new PlanEdit.AddResistor(moved)))));
        }
    }

    private static List<Rail> below(Circuit circuit, double volts) {
        return circuit.board().rails().stream()
                .filter(r -> r.gives() && !r.ground() && r.volts() < volts)
                .toList();
    }

    private static List<Target> ends(Finding finding) {
        List<Target> ends = new ArrayList<>();
        finding.places().forEach(p -> {
            if (p.kind().equals("line")) {
                ends.add(Target.of(p.id()));
            } else if (p.kind().equals("pin")) {
                ends.add(Target.pin(p.id()));
            }
        });
        return ends;
    }

    /** Parts whose dial or contact lies on the node of an input that the finding is about. */
    private static Set<Unit> lifters(Circuit circuit, List<Target> ends) {
        DcModel dc = circuit.dc();
        Set<Unit> units = new LinkedHashSet<>();
        for (Target end : ends) {
            dc.pieceAt(dc.node(end)).ifPresent(piece -> {
                piece.of(DcModel.Dial.class).forEach(d -> units.add(d.unit()));
                piece.of(DcModel.Contact.class).forEach(c -> units.add(c.unit()));
            });
        }
        return units;
    }
}
