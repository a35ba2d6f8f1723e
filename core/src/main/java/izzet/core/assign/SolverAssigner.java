package izzet.core.assign;

import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.chocosolver.solver.Solver;

/** The assigner on a constraint solver. Immutable. Safe to share. */
public final class SolverAssigner implements Assigner {

    /** An answer differs really when a quarter of the lines lie elsewhere, two at least. */
    private static final int QUARTER = 4;

    private static final int LEAST_DIFFERENT = 2;
    private static final Duration SHORTEST = Duration.ofMillis(100);

    /**
     * How long one effort lasts before the next: nodes of the search that proves, then moves for each line that better what it found.
     */
    private record Effort(int nodes, int moves) {}

    private static final List<Effort> EFFORTS = List.of(new Effort(200, 2500), new Effort(6000, 20_000));

    private static final int IDLE_ROUNDS = 2;

    @Override
    public Answer assign(Plan plan, Plan present, Catalog catalog, Weights weights, Limits limits) {
        long begin = System.nanoTime();
        long end = begin + limits.time().toNanos();
        PlanEdit supplies = Proposal.withoutPins(plan, catalog);
        Plan supplied = supplies.apply(plan);
        Task task = new Task(present, supplied, catalog, weights, w -> true);
        Prices prices = new Prices(task);
        Search first = new Search(task, prices, limits, end);
        first.cheapest();
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
        while (found.size() < limits.answers() && first.complete && first.places.length > 1) {
            Search other = new Search(task, prices, limits, others);
            other.asCheap(first.price, found);
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
        Search search = new Search(task, new Prices(task), limits, end);
        search.any();
        return search.places != null
                ? java.util.Optional.of(true)
                : search.complete ? java.util.Optional.of(false) : java.util.Optional.empty();
    }

    /** One run of the solver. */
    private static final class Search {
        private final Task task;
        private final Prices prices;
        private final Limits limits;
        private final long end;
        private int[] places;
        private Map<String, String> controllers;
        private int price;
        private boolean complete;
        private long nodes;

        Search(Task task, Prices prices, Limits limits, long end) {
            this.task = task;
            this.prices = prices;
            this.limits = limits;
            this.end = end;
        }

        /** The cheapest assignment. */
        void cheapest() {
            for (Effort effort : EFFORTS) {
                improve(effort.nodes());
                if (complete || stopped()) {
                    return;
                }
                if (places != null) {
                    anneal(effort.moves());
                }
            }
            improve(Integer.MAX_VALUE);
        }

        /**
         * Looks for cheaper assignments than the one known, each cheaper than the last; complete when there is none.
         */
        private void improve(int mostNodes) {
            Model model = new Model(task, prices, true);
            if (model.hopeless()) {
                complete = true;
                return;
            }
            if (places != null) {
                model.atMost(price - 1);
            }
            model.search();
            model.minimise();
            model.solver().limitNode(mostNodes);
            run(model, true);
        }

        /** Betters the assignment known by moves and swaps, until that brings nothing; then with each bus on another controller. */
        private void anneal(int moves) {
            for (int round = 0, idle = 0; idle < IDLE_ROUNDS && !stopped(); round++, idle++) {
                if (take(places, controllers, moves, round)) {
                    idle = -1;
                }
            }
            for (Bus bus : task.buses()) {
                for (String other : task.controllersOf(bus)) {
                    if (!Objects.equals(other, controllers.get(bus.id())) && !stopped()) {
                        withController(bus, other, moves);
                    }
                }
            }
        }

        private void withController(Bus bus, String other, int moves) {
            Model model = new Model(task, prices, false);
            if (model.hopeless()) {
                return;
            }
            model.fix(bus, other);
            model.search();
            model.solver().limitNode(EFFORTS.get(0).nodes());
            model.solver().addStopCriterion(this::stopped);
            if (model.solver().solve()) {
                take(model.places(), model.controllers(), moves, 0);
            }
            nodes += model.solver().getNodeCount();
        }

        /** Anneals from a start; keeps what comes out if it is cheaper than what is known. */
        private boolean take(int[] from, Map<String, String> on, int moves, long seed) {
            Annealing annealing = new Annealing(task, prices, from, on, seed);
            int[] better = annealing.run(moves, this::stopped);
            if (annealing.least() >= price) {
                return false;
            }
            places = better;
            controllers = on;
            price = annealing.least();
            limits.progress().accept(price);
            return true;
        }

        /** An assignment that costs so much at most and really differs from others. */
        void asCheap(int most, List<Search> others) {
            Model model = new Model(task, prices, true);
            if (model.hopeless()) {
                complete = true;
                return;
            }
            model.atMost(most);
            int apart = Math.max(LEAST_DIFFERENT, task.wishes().size() / QUARTER);
            others.forEach(o -> model.differsFrom(o.places, apart));
            model.search();
            run(model, false);
        }

        void any() {
            Model model = new Model(task, prices, false);
            if (model.hopeless()) {
                complete = true;
                return;
            }
            model.search();
            run(model, false);
        }

        private boolean stopped() {
            return System.nanoTime() > end || limits.stop().getAsBoolean();
        }

        private void run(Model model, boolean improve) {
            Solver solver = model.solver();
            solver.addStopCriterion(this::stopped);
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
            nodes += solver.getNodeCount();
        }
    }
}
