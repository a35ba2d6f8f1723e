/**
 * Repairs: edits that were tried before they are offered. Start from {@link izzet.core.repair.Repairs}; each way to mend is one class
 * in {@code strategies}. May depend on check and assign.
 */
package izzet.core.repair;
