/** A plan as text to take away; one class a kind in {@code export.kinds}. Start from {@link izzet.core.export.Export}. */
package izzet.core.export;
