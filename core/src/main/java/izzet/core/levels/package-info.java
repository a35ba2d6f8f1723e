/**
 * What a plan's levels and currents come to, arranged for the eye: margins of all lines, where the current goes, resistors worked out in
 * place. The figures are the circuit's own, so they are those of the check.
 */
package izzet.core.levels;
