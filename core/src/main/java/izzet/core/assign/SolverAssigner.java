package izzet.core.assign;

import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.chocosolver.solver.Solver;

/** The assigner on a constraint solver. Immutable. Safe to share. */
public final class SolverAssigner implements Assigner {

    /** Different answers shown at most. */
    private static final int MOST_ANSWERS = 3;

    /** An answer differs really when a quarter of the lines lie elsewhere, two at least. */
    private static final int QUARTER = 4;

    private static final int LEAST_DIFFERENT = 2;
    private static final Duration SHORTEST = Duration.ofMillis(100);

    @Override
    public Answer assign(Plan plan, Plan present, Catalog catalog, Weights weights, Limits limits) {
        long begin = System.nanoTime();
        long end = begin + limits.time().toNanos();
        PlanEdit supplies = Proposal.withoutPins(plan, catalog);
        Plan supplied = supplies.apply(plan);
        Task task = new Task(present, supplied, catalog, weights, w -> true);
        Search first = new Search(task, limits, end);
        first.best(null, List.of());
        if (first.places == null) {
            if (!first.complete) {
                return new Answer(Outcome.UNDECIDED, List.of(), null, first.nodes);
            }
            Conflict conflict = new Conflicts(present, supplied, catalog, limits, end).find();
            return new Answer(Outcome.NONE, List.of(), conflict, first.nodes);
        }
        List<Search> found = new ArrayList<>(List.of(first));
        long now = System.nanoTime();
        // Others that are as good are welcome, but not for longer than the best itself took.
        long others = Math.min(end, now + Math.max(SHORTEST.toNanos(), now - begin));
        while (found.size() < MOST_ANSWERS && first.complete && first.places.length > 1) {
            Search other = new Search(task, limits, others);
            other.best(first.price, found);
            if (other.places == null) {
                break;
            }
            found.add(other);
        }
        List<Assignment> assignments = found.stream()
                .map(s -> assignment(task, supplies, s, plan, catalog))
                .toList();
        long nodes = found.stream().mapToLong(s -> s.nodes).sum();
        return new Answer(first.complete ? Outcome.BEST : Outcome.FOUND, assignments, null, nodes);
    }

    private static Assignment assignment(Task task, PlanEdit supplies, Search search, Plan plan, Catalog catalog) {
        List<PlanEdit> edits = new ArrayList<>(List.of(supplies));
        edits.addAll(new Moves(task, search.places, search.controllers).edits());
        PlanEdit edit = new PlanEdit.Together("assigned pins", edits);
        Map<Criterion, Integer> points = Points.of(new Circuit(edit.apply(plan), catalog), task.present());
        return new Assignment(edit, points, task.weights().price(points));
    }

    /** Whether these lines of a plan have places together; empty when that was not found out in time. */
    static java.util.Optional<Boolean> possible(
            Plan present,
            Plan supplied,
            Catalog catalog,
            java.util.function.Predicate<Wire> wanted,
            Limits limits,
            long end) {
        Task task = new Task(present, supplied, catalog, Weights.USUAL, wanted);
        Search search = new Search(task, limits, end);
        search.any();
        return search.places != null
                ? java.util.Optional.of(true)
                : search.complete ? java.util.Optional.of(false) : java.util.Optional.empty();
    }

    /** One run of the solver. */
    private static final class Search {
        private final Task task;
        private final Limits limits;
        private final long end;
        private int[] places;
        private Map<String, String> controllers;
        private int price;
        private boolean complete;
        private long nodes;

        Search(Task task, Limits limits, long end) {
            this.task = task;
            this.limits = limits;
            this.end = end;
        }

        /**
         * The cheapest assignment.
         *
         * @param most price at most; null for any
         * @param others from which it must really differ
         */
        void best(Integer most, List<Search> others) {
            Model model = new Model(task, true);
            if (model.hopeless()) {
                complete = true;
                return;
            }
            if (most != null) {
                model.atMost(most);
            }
            int apart = Math.max(LEAST_DIFFERENT, task.wishes().size() / QUARTER);
            others.forEach(o -> model.differsFrom(o.places, apart));
            model.search();
            if (most == null) {
                model.minimise();
            }
            run(model, most == null);
        }

        void any() {
            Model model = new Model(task, false);
            if (model.hopeless()) {
                complete = true;
                return;
            }
            model.search();
            run(model, false);
        }

        private void run(Model model, boolean improve) {
            Solver solver = model.solver();
            solver.addStopCriterion(
                    () -> System.nanoTime() > end || limits.stop().getAsBoolean());
            while (solver.solve()) {
                places = model.places();
                controllers = model.controllers();
                if (model.total() != null) {
                    price = model.total().getValue();
                    limits.progress().accept(price);
                }
                if (!improve) {
                    break;
                }
            }
            complete = !solver.isStopCriterionMet();
            nodes = solver.getNodeCount();
        }
    }
}
