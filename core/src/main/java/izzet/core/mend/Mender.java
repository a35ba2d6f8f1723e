package izzet.core.mend;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Price;
import izzet.core.repair.Repairs;
import izzet.core.repair.Repairs.Tried;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * Looks for sets of changes that take all stops and fixes from a plan: best first, with the check as the judge of every step. A step may
 * leave other trouble for a while, so that one trouble does not hide the way out of another. Once a way is found, others are looked for
 * that go without one of its means. Immutable. Safe to share.
 */
public final class Mender {

    /** Answers given at most. */
    public static final int MOST_ANSWERS = 5;

    private static final int MOST_STEPS = 12;

    /** Findings of a plan on the way that are gone on from; those without any repair do not count. */
    private static final int FINDINGS_TRIED = 2;

    private static final int STOP = 1000;
    private static final int FIX = 300;
    private static final int BOUGHT = 60;
    private static final int PIN = 8;
    private static final int STEP = 5;
    private static final int LIMIT = 3;

    private static final Comparator<Solution> SCHOOL = Comparator.comparing((Solution s) -> !s.whole())
            .thenComparing(s ->
                    s.left().stream().filter(f -> f.severity() == Severity.STOP).count())
            .thenComparing(s -> s.left().size())
            .thenComparing(s -> s.price().buy().size())
            .thenComparing(s -> s.price().pins())
            .thenComparing(Solution::wires)
            .thenComparing(Solution::id);

    /**
     * @param time for the whole search
     * @param stop asked now and then; true ends it with what was found
     * @param found told each answer as it comes
     */
    public record Limits(Duration time, BooleanSupplier stop, Consumer<Solution> found) {

        public static Limits of(Duration time) {
            return new Limits(time, () -> false, s -> {});
        }
    }

    private final Checker checker;
    private final Repairs repairs;

    public Mender(Checker checker, Repairs repairs) {
        this.checker = checker;
        this.repairs = repairs;
    }

    /**
     * Really different ways, the one first that buys least, then takes fewest pins, then moves fewest wires. Where none takes everything
     * away, the one that comes farthest; none when nothing helps or nothing is amiss.
     */
    public List<Solution> solve(Plan plan, Catalog catalog, Set<Wish> wishes, Limits limits) {
        return new Search(plan, catalog, wishes, limits).run();
    }

    /** A plan on the way, with the steps that led to it. */
    private record Node(Node before, Tried step, Circuit circuit, Report report, int bought, int cost, int depth) {

        List<Tried> steps() {
            List<Tried> steps = new ArrayList<>();
            for (Node n = this; n.step != null; n = n.before) {
                steps.add(0, n.step);
            }
            return steps;
        }

        boolean whole() {
            return report.count(Severity.STOP) + report.count(Severity.FIX) == 0;
        }

        int trouble() {
            return (int) (report.count(Severity.STOP) * STOP + report.count(Severity.FIX) * FIX);
        }
    }

    private final class Search {
        private final Circuit start;
        private final Report before;
        private final Set<Wish> wishes;
        private final Limits limits;
        private final long end;
        private final Map<Set<String>, Solution> answers = new LinkedHashMap<>();
        private Node farthest;

        Search(Plan plan, Catalog catalog, Set<Wish> wishes, Limits limits) {
            this.start = new Circuit(plan, catalog);
            this.before = checker.check(start);
            this.wishes = Set.copyOf(wishes);
            this.limits = limits;
            this.end = System.nanoTime() + limits.time().toNanos();
        }

        List<Solution> run() {
            Node root = new Node(null, null, start, before, 0, 0, 0);
            farthest = root;
            if (root.whole()) {
                return List.of();
            }
            List<Set<String>> banned = new ArrayList<>(List.of(Set.of()));
            Set<Set<String>> asked = new HashSet<>();
            while (!banned.isEmpty() && !over() && answers.size() < MOST_ANSWERS) {
                Set<String> without = banned.remove(0);
                if (!asked.add(without)) {
                    continue;
                }
                way(root, without).ifPresent(node -> {
                    Solution solution = solution(node);
                    if (answers.putIfAbsent(solution.means(), solution) == null) {
                        limits.found().accept(solution);
                    }
                    for (String means : new TreeSet<>(solution.means())) {
                        Set<String> more = new HashSet<>(without);
                        more.add(means);
                        banned.add(more);
                    }
                });
            }
            if (answers.isEmpty() && farthest != root) {
                return List.of(solution(farthest));
            }
            return answers.values().stream().sorted(SCHOOL).toList();
        }

        private boolean over() {
            return System.nanoTime() > end || limits.stop().getAsBoolean();
        }

        /** The first plan without stop and fix that is reached, going without some strategies. */
        private Optional<Node> way(Node root, Set<String> without) {
            PriorityQueue<Node> open = new PriorityQueue<>(
                    Comparator.comparingInt((Node n) -> n.cost() + n.trouble()).thenComparingInt(Node::depth));
            Set<Plan> seen = new HashSet<>();
            open.add(root);
            seen.add(root.circuit().plan());
            while (!open.isEmpty() && !over()) {
                Node node = open.remove();
                if (node.whole()) {
                    return Optional.of(node);
                }
                if (node.depth() == MOST_STEPS) {
                    continue;
                }
                int productive = 0;
                for (Finding finding : worst(node.report())) {
                    List<Tried> tries = repairs.tried(node.circuit(), finding);
                    productive += tries.isEmpty() ? 0 : 1;
                    for (Tried tried : tries) {
                        if (without.contains(tried.strategy())
                                || !helps(node, finding, tried)
                                || !wished(node, tried)) {
                            continue;
                        }
                        if (seen.add(tried.after().plan())) {
                            Node next = next(node, tried);
                            open.add(next);
                            if (next.trouble() < farthest.trouble()) {
                                farthest = next;
                            }
                        }
                        if (over()) {
                            break;
                        }
                    }
                    if (productive == FINDINGS_TRIED || over()) {
                        break;
                    }
                }
            }
            return Optional.empty();
        }

        /** The worst first. */
        private List<Finding> worst(Report report) {
            return troubles(report).stream()
                    .sorted(Comparator.comparing(Finding::severity))
                    .toList();
        }

        /** The finding is gone, or is about fewer; other trouble may come. */
        private boolean helps(Node node, Finding finding, Tried tried) {
            Optional<Finding> still = tried.report().finding(finding.id());
            boolean gone = still.isEmpty()
                    || still.get().places().size() < finding.places().size();
            return gone && tried.report().count(Severity.STOP) <= node.report().count(Severity.STOP) + 1;
        }

        private boolean wished(Node node, Tried tried) {
            boolean buys = !toBuy(node.circuit(), tried).isEmpty();
            return wishes.stream()
                    .allMatch(w -> w.allows(
                            node.circuit(), tried.after(), tried.candidate().edit(), buys));
        }

        private Node next(Node node, Tried tried) {
            int bought = node.bought() + toBuy(node.circuit(), tried).size();
            int pins = start.freePins().size() - tried.after().freePins().size();
            int limited = tried.candidate().limits().size() * LIMIT;
            int steps = node.depth() + 1;
            int cost = bought * BOUGHT + Math.max(0, pins) * PIN + steps * STEP + limited;
            return new Node(node, tried, tried.after(), tried.report(), bought, cost, steps);
        }

        /** Things to get for a step, without those in the drawer. */
        private List<String> toBuy(Circuit circuit, Tried tried) {
            List<String> buy = new ArrayList<>(tried.candidate().buy());
            tried.after().units().stream()
                    .filter(u -> circuit.unit(u.id()).isEmpty() && inTheDrawer(u.part()))
                    .forEach(u -> buy.remove(u.part().purchase()));
            return buy;
        }

        private boolean inTheDrawer(Part part) {
            return wishes.stream().anyMatch(w -> w.inTheDrawer(part));
        }

        private Solution solution(Node node) {
            List<Tried> steps = node.steps();
            List<String> titles = steps.stream().map(t -> t.candidate().title()).toList();
            List<PlanEdit> edits = steps.stream().map(t -> t.candidate().edit()).toList();
            List<String> buy = new ArrayList<>();
            for (Node n = node; n.step() != null; n = n.before()) {
                buy.addAll(0, toBuy(n.before().circuit(), n.step()));
            }
            List<String> limited = steps.stream()
                    .flatMap(t -> t.candidate().limits().stream())
                    .distinct()
                    .toList();
            List<String> code = steps.stream()
                    .flatMap(t -> t.candidate().code().stream())
                    .distinct()
                    .toList();
            int pins = start.freePins().size() - node.circuit().freePins().size();
            Set<String> means =
                    new TreeSet<>(steps.stream().map(Tried::strategy).toList());
            String title = titles.size() == 1 ? titles.get(0) : titles.size() + " changes: " + titles.get(0) + "; …";
            return new Solution(
                    String.join(".", means),
                    title,
                    titles,
                    means,
                    new PlanEdit.Together("mended: " + PlanEdit.together(titles), edits),
                    new Price(pins, buy, limited, code),
                    moved(node.circuit().plan()),
                    troubles(before).stream()
                            .filter(f -> node.report().finding(f.id()).isEmpty())
                            .toList(),
                    troubles(node.report()),
                    node.circuit().plan());
        }

        private static List<Finding> troubles(Report report) {
            return report.findings().stream()
                    .filter(f -> f.severity().mustBeMended())
                    .toList();
        }

        private int moved(Plan after) {
            int moved = 0;
            for (Connection c : start.plan().connections()) {
                boolean there = after.connection(c.from())
                        .filter(o -> o.to().equals(c.to()))
                        .isPresent();
                moved += there ? 0 : 1;
            }
            return moved;
        }
    }
}
