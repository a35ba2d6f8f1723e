package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class AnnealingTest {

    static List<AssignerTest.Reference> possible() {
        return AssignerTest.references()
                .filter(r -> r.outcome() != Assigner.Outcome.NONE)
                .toList();
    }

    /** What it says that places cost is what the plan with these places costs; it never ends dearer, and breaks no rule about places. */
    @ParameterizedTest
    @MethodSource("possible")
    void betterPlacesAreLegalAndCostWhatTheyAreSaidTo(AssignerTest.Reference reference) throws IOException {
        Plan plan = reference.plan();
        Plan supplied = Proposal.withoutPins(plan, Workbench.CATALOG).apply(plan);
        Task task = new Task(plan, supplied, Workbench.CATALOG, Weights.USUAL, w -> true);
        Prices prices = new Prices(task);
        Model model = new Model(task, prices, false);
        model.search();
        assertThat(model.solver().solve()).isTrue();
        Map<String, String> controllers = model.controllers();
        Annealing annealing = new Annealing(task, prices, model.places(), controllers, 7);
        int before = annealing.price();
        assertThat(before).isEqualTo(price(task, model.places(), controllers, plan, supplied));
        int[] better = annealing.run(300, () -> false);
        assertThat(annealing.least())
                .isEqualTo(price(task, better, controllers, plan, supplied))
                .isLessThanOrEqualTo(before);
        if (reference.price() != null) {
            assertThat(annealing.least()).isGreaterThanOrEqualTo(reference.price());
        }
        assertThat(Workbench.CHECKER
                        .check(new Circuit(moved(task, better, controllers, supplied), Workbench.CATALOG))
                        .findings())
                .filteredOn(f -> f.severity() == Severity.STOP
                        && Set.of("P1", "P2", "P3", "P4", "P5", "P8", "P12", "S1")
                                .contains(f.rule()))
                .isEmpty();
    }

    private static Plan moved(Task task, int[] places, Map<String, String> controllers, Plan supplied) {
        List<PlanEdit> edits = new ArrayList<>(new Moves(task, places, controllers).edits());
        return new PlanEdit.Together("assigned", edits).apply(supplied);
    }

    private static int price(Task task, int[] places, Map<String, String> controllers, Plan present, Plan supplied) {
        Circuit circuit = new Circuit(moved(task, places, controllers, supplied), Workbench.CATALOG);
        return Weights.USUAL.price(Points.of(circuit, present));
    }

    @ParameterizedTest
    @MethodSource("possible")
    void aStoppedRunGivesWhatItWasGiven(AssignerTest.Reference reference) throws IOException {
        Plan plan = reference.plan();
        Plan supplied = Proposal.withoutPins(plan, Workbench.CATALOG).apply(plan);
        Task task = new Task(plan, supplied, Workbench.CATALOG, Weights.USUAL, w -> true);
        Prices prices = new Prices(task);
        Model model = new Model(task, prices, false);
        model.search();
        assertThat(model.solver().solve()).isTrue();
        int[] places = model.places();
        assertThat(new Annealing(task, prices, places, model.controllers(), 1).run(100, () -> true))
                .isEqualTo(places);
    }
}
