/** One class a way to mend; a new class here is found by itself. Each only proposes: whether it helps is found out by trying. */
package izzet.core.repair.strategies;
