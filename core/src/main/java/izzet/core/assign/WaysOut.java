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
import java.util.Comparator;
import java.util.List;

/** What would free places in a plan that cannot be assigned, each change tried and priced. Immutable. Safe to share. */
public final class WaysOut {

    /** For one change; the best assignment is not needed to know that there is one. */
    private static final Duration EACH = Duration.ofMillis(400);

    private static final int MOST = 12;

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

    /** Those with nothing to buy first, then the cheapest. */
    public List<Way> of(Plan plan, Catalog catalog, Weights weights, Limits limits) {
        Circuit circuit = new Circuit(plan, catalog);
        long end = System.nanoTime() + limits.time().toNanos();
        List<Way> ways = new ArrayList<>();
        for (WayOut kind : kinds) {
            for (WayOut.Change change : kind.changes(circuit)) {
                if (ways.size() >= MOST
                        || System.nanoTime() > end
                        || limits.stop().getAsBoolean()) {
                    break;
                }
                attempt(plan, catalog, weights, change, ways);
            }
        }
        ways.sort(Comparator.comparingInt((Way w) -> w.buy().size())
                .thenComparingInt(Way::price)
                .thenComparing(Way::title));
        return ways;
    }

    private void attempt(Plan plan, Catalog catalog, Weights weights, WayOut.Change change, List<Way> ways) {
        Plan changed;
        try {
            changed = change.edit().apply(plan);
        } catch (PlanEdit.EditRefused e) {
            return;
        }
        if (!PlanChecks.of(changed, catalog).isEmpty()) {
            return;
        }
        Answer answer =
                assigner.assign(changed, catalog, weights, Limits.of(EACH).forOne());
        if (answer.assignments().isEmpty()) {
            return;
        }
        Assignment best = answer.assignments().get(0);
        PlanEdit edit = new PlanEdit.Together(change.title(), List.of(change.edit(), best.edit()));
        int left = new Circuit(edit.apply(plan), catalog).freePins().size();
        ways.add(new Way(change.title(), edit, best.price(), left, change.buy(), change.limits()));
    }
}
