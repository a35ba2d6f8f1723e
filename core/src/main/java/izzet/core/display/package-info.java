/**
 * What bytes mean to a part, and the picture that they make on its glass. Start from {@link izzet.core.display.Interpreter}; each family
 * of commands is a class in {@code families}, chips that are only registers are files in {@code /display/registers}. May depend on decode
 * and catalog; knows no plan.
 */
package izzet.core.display;
