/**
 * Comparing displays and interfaces before a purchase. Start from {@link izzet.core.choose.Chooser}. May depend on check and assign;
 * changes no plan.
 */
package izzet.core.choose;
