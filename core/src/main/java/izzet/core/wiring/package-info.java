/** The order of wiring and what to check before power. Start from {@link izzet.core.wiring.WiringList}. May depend on circuit. */
package izzet.core.wiring;
