/**
 * A plan: what connects to what. Start from {@link izzet.core.plan.Plan}; every change is a {@link izzet.core.plan.PlanEdit}. May
 * depend on the catalogue; never judges the electronics.
 */
package izzet.core.plan;
