/**
 * What a plan means electrically: nets, supplies, addresses, bus segments. Start from {@link izzet.core.circuit.Circuit}. May depend
 * on plan and catalogue; judges nothing.
 */
package izzet.core.circuit;
