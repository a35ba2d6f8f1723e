package izzet.core.mend;

import izzet.core.check.Finding;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Price;
import java.util.List;
import java.util.Set;

/**
 * Changes that together mend a plan as far as told.
 *
 * @param id stable for the same plan and wishes
 * @param steps in the order in which they were found, each in one sentence
 * @param means names of the strategies used; two solutions differ in them
 * @param edit all of it as one
 * @param wires of lines that were connected before and go elsewhere now
 * @param gone stops and fixes that the plan had before and has no more
 * @param left stops and fixes that it has after it
 * @param plan as the edit leaves it
 */
public record Solution(
        String id,
        String title,
        List<String> steps,
        Set<String> means,
        PlanEdit edit,
        Price price,
        int wires,
        List<Finding> gone,
        List<Finding> left,
        Plan plan) {

    public Solution {
        steps = List.copyOf(steps);
        means = Set.copyOf(means);
        gone = List.copyOf(gone);
        left = List.copyOf(left);
    }

    /** Whether neither a stop nor a fix is left. */
    public boolean whole() {
        return left.isEmpty();
    }
}
