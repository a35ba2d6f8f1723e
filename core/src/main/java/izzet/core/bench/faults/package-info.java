/** Faults of a bench, one class each. */
package izzet.core.bench.faults;
