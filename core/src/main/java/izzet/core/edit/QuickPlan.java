package izzet.core.edit;

import izzet.core.assign.Assigner;
import izzet.core.assign.Assigner.Assignment;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Weights;
import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/** A whole plan from a board and a list of parts, connected as far as the board has room. */
public final class QuickPlan {

    /** Parts of a plan at most, as in the plan document. */
    public static final int MOST_PARTS = 100;

    private static final Duration SEARCH = Duration.ofSeconds(1);

    /**
     * @param part id in the catalogue
     * @param interfaceId blank for the first
     * @param address that the first of them is set to, where its straps reach it; null for as delivered
     */
    public record Want(String part, int count, String interfaceId, Integer address) {}

    private QuickPlan() {}

    /**
     * Parts one after the other; where a line found no pin, all are assigned anew together.
     *
     * @throws PlanEdit.EditRefused when a part is not known or there are too many
     */
    public static Plan of(String name, String board, List<Want> wants, Catalog catalog, Assigner assigner) {
        long total = wants.stream().mapToLong(Want::count).sum();
        if (total > MOST_PARTS) {
            throw new PlanEdit.EditRefused("The list has " + total + " parts; a plan holds " + MOST_PARTS + ".");
        }
        Plan plan = Plan.empty(name, board);
        for (Want want : wants) {
            for (int i = 0; i < want.count(); i++) {
                plan = PartAddition.of(plan, catalog, want.part(), "", want.interfaceId())
                        .apply(plan);
                PlacedPart added = plan.parts().get(plan.parts().size() - 1);
                if (i == 0 && want.address() != null) {
                    plan = addressed(plan, catalog, added.id(), want.address());
                }
            }
        }
        return open(plan, catalog) == 0 ? plan : assigned(plan, catalog, assigner);
    }

    private static Plan addressed(Plan plan, Catalog catalog, String part, int address) {
        Circuit circuit = new Circuit(plan, catalog);
        Unit unit = circuit.unit(part).orElseThrow();
        Optional<Reachable.Setting> setting = unit.part().i2c() == null
                ? Optional.empty()
                : Optional.ofNullable(Reachable.of(circuit, unit).get(address));
        return setting.map(s -> new PlanEdit.Together("set the address", s.edits()).apply(plan))
                .orElse(plan);
    }

    private static long open(Plan plan, Catalog catalog) {
        Circuit circuit = new Circuit(plan, catalog);
        return circuit.wires().stream()
                .filter(w -> w.line().required() && !w.connected())
                .filter(w -> w.net().isEmpty())
                .count();
    }

    private static Plan assigned(Plan plan, Catalog catalog, Assigner assigner) {
        List<Assignment> found = assigner.assign(
                        plan, catalog, Weights.USUAL, Limits.of(SEARCH).forOne())
                .assignments();
        if (found.isEmpty()) {
            return plan;
        }
        Plan better = found.get(0).edit().apply(plan);
        return open(better, catalog) < open(plan, catalog) ? better : plan;
    }
}
