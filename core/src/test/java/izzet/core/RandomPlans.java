package izzet.core;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Part;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Makes plans and edits at random, the same for the same seed. */
public final class RandomPlans {

    private final Random random;

    public RandomPlans(long seed) {
        random = new Random(seed);
    }

    /** A board with up to so many parts, each connected as proposed. */
    public Plan plan(int mostParts) {
        List<String> boards = List.copyOf(Workbench.CATALOG.boards().keySet());
        Plan plan = Plan.empty("Branch line", pick(boards));
        int parts = 1 + random.nextInt(mostParts);
        for (int i = 0; i < parts; i++) {
            PlanEdit add = new PlanEdit.AddPart(part("part-" + i));
            plan = add.apply(plan);
            plan = Proposal.of(plan, Workbench.CATALOG, "part-" + i).edit().apply(plan);
        }
        return plan;
    }

    private PlacedPart part(String id) {
        Part part = pick(List.copyOf(Workbench.CATALOG.parts().values()));
        return new PlacedPart(
                id,
                part.id(),
                part.version(),
                "the " + id,
                pick(part.interfaces()).id(),
                Map.of(),
                null,
                null);
    }

    /** Something a user may do to a plan. */
    public PlanEdit edit(Plan plan) {
        var circuit = new izzet.core.circuit.Circuit(plan, Workbench.CATALOG);
        List<Wire> wires = circuit.wires();
        Wire wire = pick(wires);
        PlacedPart placed = pick(plan.parts());
        Part part = Workbench.CATALOG.part(placed.part()).orElseThrow();
        return switch (random.nextInt(9)) {
            case 0 -> new PlanEdit.RenamePart(placed.id(), "Halt " + random.nextInt(100));
            case 1 -> new PlanEdit.Disconnect(wire.from());
            case 2 ->
                new PlanEdit.Connect(
                        wire.from(),
                        Target.pin(pick(circuit.board().signalPins()).id()));
            case 3 ->
                new PlanEdit.Connect(
                        wire.from(), Target.rail(pick(circuit.board().rails()).id()));
            case 4 ->
                new PlanEdit.Connect(new Connection(
                        wire.from(),
                        Target.pin(pick(circuit.board().signalPins()).id()),
                        220.0,
                        null));
            case 5 ->
                part.straps().isEmpty()
                        ? new PlanEdit.SetWire((double) random.nextInt(300))
                        : new PlanEdit.SetStrap(
                                placed.id(),
                                part.straps().get(0).id(),
                                pick(part.straps().get(0).settings()).id());
            case 6 -> new PlanEdit.SetAddress(placed.id(), random.nextInt(0x80));
            case 7 ->
                new PlanEdit.AddResistor(new Resistor(
                        plan.freeId("r"),
                        wire.from(),
                        Target.rail(pick(circuit.board().rails()).id()),
                        4700));
            default ->
                plan.parts().size() > 1
                        ? new PlanEdit.RemovePart(placed.id())
                        : new PlanEdit.Rename("Line " + random.nextInt(100));
        };
    }

    /** So many edits after one another; each plan on the way, the first one included. */
    public List<Plan> walk(Plan from, int edits) {
        List<Plan> all = new ArrayList<>(List.of(from));
        for (int i = 0; i < edits; i++) {
            Plan last = all.get(all.size() - 1);
            all.add(edit(last).apply(last));
        }
        return all;
    }

    public <T> T pick(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }
}
