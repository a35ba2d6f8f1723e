/** One class for each family of commands. Found by {@link izzet.core.display.Interpreters}. */
package izzet.core.display.families;
