package izzet.app.plan;

import izzet.core.plan.Plan;

/**
 * A plan as stored.
 *
 * @param version changes with every change, undo and redo too; the ETag of the API
 * @param number of the revision shown
 * @param undo what undo would take back; null when there is nothing
 * @param redo what redo would do again; null when there is nothing
 */
public record StoredPlan(long id, long version, int number, Plan plan, boolean deleted, String undo, String redo) {

    public String etag() {
        return "\"" + version + "\"";
    }
}
