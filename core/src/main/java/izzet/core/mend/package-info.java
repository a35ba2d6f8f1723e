/** Mends whole plans: sets of changes that take every trouble away, several that differ, with what each costs. */
package izzet.core.mend;
