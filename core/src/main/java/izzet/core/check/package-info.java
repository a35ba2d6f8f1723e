/**
 * Checking a plan. Start from {@link izzet.core.check.Checker}; each rule is one class in {@code rules}. May depend on circuit, plan,
 * catalogue and calc; never changes a plan.
 */
package izzet.core.check;
