/**
 * Tools for what goes on a glass: texts, glyphs, commands, windows, colours, pictures. Start from {@link izzet.core.draw.Tool}; each is a
 * class in {@code tools} that takes and gives JSON, for the pages and the programming interface alike. May depend on display and calc.
 */
package izzet.core.draw;
