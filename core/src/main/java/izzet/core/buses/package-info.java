/**
 * A plan's buses arranged for the eye: streets of addresses, pull-ups and edges, serial tables, turns and pictures a second, gates and
 * switches tried by hand. The figures are the circuit's own, so they are those of the check.
 */
package izzet.core.buses;
