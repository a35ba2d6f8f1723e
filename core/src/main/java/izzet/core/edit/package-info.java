/** Changes that take several steps, as a maker means them: each gives one {@link izzet.core.plan.PlanEdit}, and so one step back. */
package izzet.core.edit;
