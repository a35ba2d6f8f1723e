package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Takes the pull-ups off a module, or off several where one is not enough, or the plan's own out: too many on one net, or some to too
 * high a supply.
 */
public final class TakePullUpsOff implements RepairStrategy {

    @Override
    public String name() {
        return "pull-ups-off";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.PULL_UPS, Trouble.OVER_VOLTAGE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Unit> fitted = new LinkedHashSet<>();
        for (JoinedNet joined : circuit.joinedNets()) {
            if (concerns(circuit, joined, finding)) {
                joined.sides().stream()
                        .flatMap(List::stream)
                        .flatMap(n -> n.wires().stream())
                        .map(Wire::unit)
                        .filter(u ->
                                !circuit.pullUpsOf(u).isEmpty() && removal(u).isPresent())
                        .forEach(fitted::add);
            }
        }
        List<Unit> units = List.copyOf(fitted);
        List<Candidate> found = new ArrayList<>(resistors(circuit, finding));
        units.forEach(u -> found.add(candidate(List.of(u))));
        for (int count = 2; count <= units.size(); count++) {
            found.add(candidate(units.subList(units.size() - count, units.size())));
        }
        return found;
    }

    /** The plan's own: one alone, and all of the bus. */
    private static List<Candidate> resistors(Circuit circuit, Finding finding) {
        Set<Resistor> own = new LinkedHashSet<>();
        for (JoinedNet joined : circuit.joinedNets()) {
            if (concerns(circuit, joined, finding)) {
                joined.sides().stream()
                        .flatMap(List::stream)
                        .flatMap(n -> n.resistors().stream())
                        .filter(r -> r.from().isRail() || r.to().isRail())
                        .forEach(own::add);
            }
        }
        List<Candidate> found = new ArrayList<>();
        own.forEach(r -> found.add(out(List.of(r))));
        if (own.size() > 1) {
            found.add(out(List.copyOf(own)));
        }
        return found;
    }

    private static Candidate out(List<Resistor> resistors) {
        String title = "Take out "
                + resistors.stream()
                        .map(r -> Quantity.ohms(r.ohms()) + " at " + (r.from().isRail() ? r.to() : r.from()).name())
                        .collect(Listed.and());
        List<PlanEdit> edits = resistors.stream()
                .map((Resistor r) -> (PlanEdit) new PlanEdit.RemoveResistor(r.id()))
                .toList();
        return Candidate.plain(
                "out-" + resistors.stream().map(Resistor::id).collect(Collectors.joining("-")),
                title,
                Spots.all(title, edits));
    }

    private static boolean concerns(Circuit circuit, JoinedNet joined, Finding finding) {
        if (finding.about("bus", joined.bus().id())) {
            return true;
        }
        return joined.sides().stream().flatMap(List::stream).anyMatch(net -> touches(circuit, net, finding));
    }

    private static boolean touches(Circuit circuit, Net net, Finding finding) {
        return net.pins().stream().anyMatch(p -> finding.about("pin", p.id()))
                || Spots.wires(circuit, finding).stream()
                        .anyMatch(w -> net.wires().contains(w));
    }

    private static Optional<PlanEdit> removal(Unit unit) {
        for (Part.Strap strap : unit.part().straps()) {
            for (Part.Strap.Setting setting : strap.settings()) {
                if (setting.removesPullUps()) {
                    return Optional.of(new PlanEdit.SetStrap(unit.id(), strap.id(), setting.id()));
                }
            }
        }
        return Optional.empty();
    }

    private static Candidate candidate(List<Unit> units) {
        String title = "Take the pull-ups off " + units.stream().map(Unit::name).collect(Listed.and());
        List<PlanEdit> edits = units.stream().map(u -> removal(u).orElseThrow()).toList();
        return new Candidate(
                units.stream().map(Unit::id).collect(Collectors.joining("-")),
                title,
                Spots.all(title, edits),
                List.of(),
                List.of("Wants a soldering iron; the module then relies on the pull-ups of the others."),
                List.of());
    }
}
