/**
 * Formulas that stand on their own: pull-ups, lamp resistors, preferred values. Start from {@link izzet.core.calc.PullUps}.
 * Depends on nothing but the Java library; knows no part and no plan, and names the published source of each formula.
 */
package izzet.core.calc;
