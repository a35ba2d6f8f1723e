package izzet.core.repair;

import izzet.core.plan.PlanEdit;
import java.util.List;

/**
 * An edit that was tried on the plan and made it better.
 *
 * @param id stable for the same plan; fit for a URL
 * @param finding id of the finding that it mends
 * @param title what it does, in one sentence
 * @param stopsLeft stops that the plan has after it
 * @param brings what the plan then has to fix that it has not now, as sentences
 */
public record Repair(
        String id, String finding, String title, PlanEdit edit, Price price, long stopsLeft, List<String> brings) {
    public Repair {
        brings = List.copyOf(brings);
    }
}
