/**
 * Values with their units, and how makers write them. Start from {@link izzet.core.quantity.Quantity}. Depends on nothing; never
 * rounds a value it holds, only what it prints.
 */
package izzet.core.quantity;
