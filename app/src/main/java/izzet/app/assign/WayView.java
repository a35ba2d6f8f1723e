package izzet.app.assign;

import izzet.core.assign.WaysOut;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.quantity.Counts;
import java.util.List;

/**
 * A way out as a page shows it.
 *
 * @param brings sentences of stops that the plan does not have without it: places are found, but levels or addresses may not fit
 */
public record WayView(
        String title, int price, int pinsLeft, List<String> buy, List<String> limits, List<String> brings) {

    /** Each thing once, with its count. */
    public String buyInWords() {
        return Counts.together(buy);
    }

    /** In the order given. */
    public static List<WayView> of(List<WaysOut.Way> ways, Plan plan, Catalog catalog, Checker checker) {
        if (ways.isEmpty()) {
            return List.of();
        }
        Report before = checker.check(new Circuit(plan, catalog));
        return ways.stream()
                .map(way -> new WayView(
                        way.title(),
                        way.price(),
                        way.pinsLeft(),
                        way.buy(),
                        way.limits(),
                        brings(before, checker.check(new Circuit(way.edit().apply(plan), catalog)))))
                .toList();
    }

    private static List<String> brings(Report before, Report after) {
        return after.findings().stream()
                .filter(f ->
                        f.severity() == Severity.STOP && before.finding(f.id()).isEmpty())
                .map(Finding::sentence)
                .toList();
    }
}
