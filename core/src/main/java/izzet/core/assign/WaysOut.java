package izzet.core.assign;

import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Assignment;
import izzet.core.assign.Assigner.Limits;
import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What would free places in a plan that cannot be assigned, each change tried and priced. Immutable. Safe to share. */
public final class WaysOut {

    /** Share of the time that one change may take; the best assignment is not needed to know that there is one. */
    private static final int SHARE = 5;

    private static final int MOST = 12;
    private static final int MOST_TOGETHER = 3;

    /** Steps that are gone on from. */
    private static final int WIDTH = 5;

    private final Assigner assigner;
    private final List<WayOut> kinds;

    public WaysOut(Assigner assigner, List<WayOut> kinds) {
        this.assigner = assigner;
        this.kinds = List.copyOf(kinds);
    }

    public static WaysOut all(Assigner assigner) {
        return new WaysOut(assigner, Discovery.instances(WayOut.class, WaysOut.class.getPackageName() + ".ways"));
    }

    /**
     * A way that works.
     *
     * @param edit the change and the assignment that it allows
     * @param price of that assignment
     * @param pinsLeft free pins with it
     */
    public record Way(String title, PlanEdit edit, int price, int pinsLeft, List<String> buy, List<String> limits) {}

    /**
     * What a search came to.
     *
     * @param whole false when the time was over, or too short for a change, before all were tried: then there may be more
     */
    public record Ways(List<Way> found, boolean whole) {
        public static final Ways NONE = new Ways(List.of(), true);

        public Ways {
            found = List.copyOf(found);
        }
    }

    /**
     * Those with nothing to buy first, then the cheapest. Two or three changes together are tried only where none helps by itself.
     */
    public Ways of(Plan plan, Catalog catalog, Weights weights, Limits limits) {
        Search search = new Search(plan, catalog, weights, limits);
        List<Step> steps = List.of(new Step(plan, List.of(), 0));
        for (int depth = 1; depth <= MOST_TOGETHER && search.ways.isEmpty() && !search.ended(); depth++) {
            steps = search.next(steps);
            steps.forEach(search::attempt);
        }
        search.ways.sort(Comparator.comparingInt((Way w) -> w.buy().size())
                .thenComparingInt(Way::price)
                .thenComparing(Way::title));
        return new Ways(search.ways, search.whole);
    }

    /**
     * Changes made one after the other.
     *
     * @param lacking lines that have no place in the changed plan at least
     */
    private record Step(Plan plan, List<WayOut.Change> made, int lacking) {

        /** The same changes in another order are the same. */
        Set<String> key() {
            return made.stream().map(WayOut.Change::title).collect(Collectors.toSet());
        }

        String title() {
            return PlanEdit.together(made.stream().map(WayOut.Change::title).toList());
        }
    }

    /** One run. Not thread-safe. */
    private final class Search {
        private final Plan plan;
        private final Catalog catalog;
        private final Weights weights;
        private final Limits limits;
        private final long end;
        private final List<Way> ways = new ArrayList<>();
        private boolean whole = true;

        Search(Plan plan, Catalog catalog, Weights weights, Limits limits) {
            this.plan = plan;
            this.catalog = catalog;
            this.weights = weights;
            this.limits = limits;
            this.end = System.nanoTime() + limits.time().toNanos();
        }

        boolean ended() {
            boolean ended = ways.size() >= MOST
                    || System.nanoTime() > end
                    || limits.stop().getAsBoolean();
            whole &= !ended;
            return ended;
        }

        /** One change more after the most promising steps; what lacks least comes first. */
        List<Step> next(List<Step> steps) {
            List<Step> next = new ArrayList<>();
            Set<Set<String>> seen = new HashSet<>();
            for (Step step : steps.subList(0, Math.min(WIDTH, steps.size()))) {
                Circuit circuit = new Circuit(step.plan(), catalog);
                for (WayOut kind : kinds) {
                    for (WayOut.Change change : kind.changes(circuit)) {
                        if (ended()) {
                            return next;
                        }
                        made(step, change).filter(s -> seen.add(s.key())).ifPresent(next::add);
                    }
                }
            }
            next.sort(Comparator.comparingInt(Step::lacking));
            return next;
        }

        private Optional<Step> made(Step step, WayOut.Change change) {
            try {
                Plan changed = change.edit().apply(step.plan());
                if (!PlanChecks.of(changed, catalog).isEmpty()) {
                    return Optional.empty();
                }
                List<WayOut.Change> all = new ArrayList<>(step.made());
                all.add(change);
                return Optional.of(new Step(changed, all, lacking(changed)));
            } catch (PlanEdit.EditRefused e) {
                return Optional.empty();
            }
        }

        /** How many lines are left over when as many as possible have a place, whatever their buses ask for together. */
        private int lacking(Plan changed) {
            Plan supplied = Proposal.withoutPins(changed, catalog).apply(changed);
            Task task = new Task(changed, supplied, catalog, weights, w -> true);
            List<int[]> options = task.wishes().stream()
                    .map(wish -> Prices.controllersOf(task, wish).stream()
                            .flatMapToInt(c -> Arrays.stream(task.options(wish, c)))
                            .distinct()
                            .toArray())
                    .toList();
            return (int) Arrays.stream(Matching.of(options, task.spots().size()))
                    .filter(spot -> spot < 0)
                    .count();
        }

        void attempt(Step step) {
            if (step.lacking() > 0 || ended()) {
                return;
            }
            Duration each = limits.time().dividedBy(SHARE);
            Answer answer = assigner.assign(
                    step.plan(), catalog, weights, Limits.of(each).forOne());
            if (answer.assignments().isEmpty()) {
                whole &= answer.outcome() == Assigner.Outcome.NONE;
                return;
            }
            Assignment best = answer.assignments().get(0);
            List<PlanEdit> edits = new ArrayList<>();
            step.made().forEach(c -> edits.add(c.edit()));
            edits.add(best.edit());
            PlanEdit edit = new PlanEdit.Together(step.title(), edits);
            int left = new Circuit(edit.apply(plan), catalog).freePins().size();
            ways.add(new Way(
                    step.title(),
                    edit,
                    best.price(),
                    left,
                    step.made().stream().flatMap(c -> c.buy().stream()).toList(),
                    step.made().stream()
                            .flatMap(c -> c.limits().stream())
                            .distinct()
                            .toList()));
        }
    }
}
