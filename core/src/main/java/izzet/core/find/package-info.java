/** Finds parts and boards by the words that makers use, and reads a list of what lies on the table. */
package izzet.core.find;
