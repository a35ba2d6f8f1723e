package izzet.core.repair.strategies;

import izzet.core.calc.PullUps;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.circuit.Reaches;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What strategies look up in a finding and its circuit. */
final class Spots {

    /** Common practice for a 2-wire bus. */
    static final double PULL_UP_OHMS = 4700;

    private Spots() {}

    static List<Unit> units(Circuit circuit, Finding finding) {
        return finding.places().stream()
                .filter(p -> p.kind().equals("part"))
                .flatMap(p -> circuit.unit(p.id()).stream())
                .toList();
    }

    static List<Wire> wires(Circuit circuit, Finding finding) {
        return finding.places().stream()
                .filter(p -> p.kind().equals("line"))
                .flatMap(p -> circuit.wire(Target.of(p.id())).stream())
                .toList();
    }

    /** The pin at the board's end of a bus line of this unit. */
    static Optional<Pin> pin(Circuit circuit, Unit unit, Role role) {
        return circuit.wire(unit, role).flatMap(w -> circuit.reach(w.from())).map(Reaches.Reach::pin);
    }

    /** The rail nearest to the level at which a bus idles, or to the board's logic where it has no pull-up. */
    static Rail railOfBus(Circuit circuit, String bus) {
        double level = circuit.joinedNets().stream()
                .filter(n -> n.bus().id().equals(bus))
                .map(n -> n.pullUps(circuit))
                .filter(p -> !p.none())
                .mapToDouble(PullUps::idleVolts)
                .min()
                .orElse(circuit.board().logicVolts());
        return circuit.board().rails().stream()
                .filter(r -> r.gives() && !r.ground())
                .min(Comparator.comparingDouble(r -> Math.abs(r.volts() - level)))
                .orElseThrow();
    }

    /** Adds pull-ups where the trunk of a bus has none, after the edits so far. */
    static void pullUpTrunk(List<PlanEdit> edits, Plan before, Catalog catalog, String bus, Rail rail) {
        Plan plan = before;
        for (PlanEdit edit : edits) {
            plan = edit.apply(plan);
        }
        Circuit circuit = new Circuit(plan, catalog);
        for (JoinedNet net : circuit.joinedNets()) {
            if (net.bus().id().equals(bus) && net.where().equals("trunk")) {
                Optional<Target> pin = net.sides().get(0).stream()
                        .filter(n -> JoinedNet.pullUpsOn(circuit, List.of(n)).none())
                        .map(Net::pins)
                        .flatMap(List::stream)
                        .map(p -> Target.pin(p.id()))
                        .findFirst();
                if (pin.isPresent()) {
                    PlanEdit add = new PlanEdit.AddResistor(
                            new Resistor(plan.freeId("r-pull-up"), pin.get(), Target.rail(rail.id()), PULL_UP_OHMS));
                    edits.add(add);
                    plan = add.apply(plan);
                }
            }
        }
    }

    static long resistorsIn(List<PlanEdit> edits) {
        return edits.stream().filter(e -> e instanceof PlanEdit.AddResistor).count();
    }

    static PlanEdit all(String title, List<PlanEdit> edits) {
        return new PlanEdit.Together(title, edits);
    }

    static List<PlanEdit> list(PlanEdit... edits) {
        return new ArrayList<>(List.of(edits));
    }

    /** Controllers of a kind that no bus of the plan uses. */
    static List<Controller> unused(Circuit circuit, BusKind kind) {
        return circuit.board().controllersOf(kind).stream()
                .filter(c -> circuit.plan().buses().stream().noneMatch(b -> c.id().equals(b.controller())))
                .toList();
    }

    /**
     * One more bus beside an old one.
     *
     * @param controller null where the program makes the bus
     * @param madeHz the most that a program reaches
     */
    static Bus beside(Plan plan, Bus old, String words, Controller controller, int madeHz) {
        return controller == null
                ? new Bus(
                        plan.freeId(old.kind().text()),
                        old.kind(),
                        "second " + words + ", made by the program",
                        null,
                        Math.min(old.clockHz(), madeHz))
                : new Bus(
                        plan.freeId(old.kind().text()), old.kind(), "second " + words, controller.id(), old.clockHz());
    }
}
