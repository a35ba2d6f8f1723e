/** One class for each tool. Found by {@link izzet.core.draw.Tools}. */
package izzet.core.draw.tools;
