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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class AnnealingTest {

    static List<AssignerTest.Reference> possible() {
        return AssignerTest.references()
                .filter(r -> r.outcome() != Assigner.Outcome.NONE)
                .toList();
    }

    /** A task with a first assignment, good or bad. */
    private record Started(
            Plan plan, Plan supplied, Task task, Prices prices, int[] places, Map<String, String> controllers) {

        static Started of(AssignerTest.Reference reference) throws IOException {
            Plan plan = reference.plan();
            Plan supplied = Proposal.withoutPins(plan, Workbench.CATALOG).apply(plan);
            Task task = new Task(plan, supplied, Workbench.CATALOG, Weights.USUAL, w -> true);
            Prices prices = new Prices(task);
            Model model = new Model(task, prices, false);
            model.search();
            assertThat(model.solver().solve()).isTrue();
            return new Started(plan, supplied, task, prices, model.places(), model.controllers());
        }

        Annealing annealing() {
            return new Annealing(task, prices, places, controllers, 7);
        }

        Circuit moved(int[] to) {
            List<PlanEdit> edits = new ArrayList<>(new Moves(task, to, controllers).edits());
            return new Circuit(new PlanEdit.Together("assigned", edits).apply(supplied), Workbench.CATALOG);
        }

        /** From the plan alone. */
        int price(int[] at) {
            return Weights.USUAL.price(Points.of(moved(at), plan));
        }
    }

    /** What it says that places cost is what the plan with these places costs; it never ends dearer, and breaks no rule about places. */
    @ParameterizedTest
    @MethodSource("possible")
    void betterPlacesAreLegalAndCostWhatTheyAreSaidTo(AssignerTest.Reference reference) throws IOException {
        Started started = Started.of(reference);
        Annealing annealing = started.annealing();
        int before = annealing.price();
        assertThat(before).isEqualTo(started.price(started.places()));
        int[] better = annealing.run(300, () -> false);
        assertThat(annealing.least()).isEqualTo(started.price(better)).isLessThanOrEqualTo(before);
        if (reference.price() != null) {
            assertThat(annealing.least()).isGreaterThanOrEqualTo(reference.price());
        }
        assertThat(Workbench.CHECKER.check(started.moved(better)).findings())
                .filteredOn(f -> f.severity() == Severity.STOP && AssignerTest.PLACES.contains(f.rule()))
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("possible")
    void aStoppedRunGivesWhatItWasGiven(AssignerTest.Reference reference) throws IOException {
        Started started = Started.of(reference);
        assertThat(started.annealing().run(100, () -> true)).isEqualTo(started.places());
    }
}
