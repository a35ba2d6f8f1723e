package izzet.core.repair;

import izzet.core.plan.PlanEdit;

/**
 * An edit that was tried on the plan and made it better.
 *
 * @param id stable for the same plan; fit for a URL
 * @param finding id of the finding that it mends
 * @param title what it does, in one sentence
 * @param stopsLeft stops that the plan has after it
 */
public record Repair(String id, String finding, String title, PlanEdit edit, Price price, long stopsLeft) {}
