package izzet.app.api;

import izzet.app.fault.PreconditionMissing;
import izzet.app.fault.StalePlan;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import org.springframework.stereotype.Component;

/** Holds the state that a program means against the plan's own. */
@Component
class IfMatch {

    private final PlanStore plans;

    IfMatch(PlanStore plans) {
        this.plans = plans;
    }

    /**
     * The plan's version.
     *
     * @param match the ETag that the program saw, or {@code *} for any
     * @throws PreconditionMissing when it names none
     * @throws StalePlan when the plan was changed since
     */
    long version(long id, String match) {
        if (match == null || match.isBlank()) {
            throw new PreconditionMissing();
        }
        StoredPlan stored = plans.get(id);
        if (match.strip().equals("*") || match.strip().equals(stored.etag())) {
            return stored.version();
        }
        throw new StalePlan(stored.version(), stored.undo() == null ? "started" : stored.undo());
    }
}
