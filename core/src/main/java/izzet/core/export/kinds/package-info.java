/** The kinds of {@link izzet.core.export.Export}; a new one is a class here. */
package izzet.core.export.kinds;
