/**
 * What a single-board computer's system is told of a plan: settings lines, overlay source, steps with their checks. Facts stand in files
 * under {@code /kernel}. Start from {@link izzet.core.kernel.Overlay}.
 */
package izzet.core.kernel;
