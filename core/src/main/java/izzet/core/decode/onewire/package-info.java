/** Single-wire humidity sensors. Found by {@link izzet.core.decode.Protocols}; depends on decode and capture alone. */
package izzet.core.decode.onewire;
