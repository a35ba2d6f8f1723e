package izzet.core.calc;

/**
 * How long cells last over the day of a display: lit, dimmed, asleep. Currents in milliamperes, shares from 0 to 1.
 *
 * @param litShare of the time, dimmedShare likewise; the rest it sleeps
 */
public record RunTime(
        double milliampHours,
        double litMilliamps,
        double litShare,
        double dimmedMilliamps,
        double dimmedShare,
        double asleepMilliamps) {

    public static final String FORMULA = "hours = capacity / (lit · share + dimmed · share + asleep · rest)";

    public RunTime {
        if (litShare < 0 || dimmedShare < 0 || litShare + dimmedShare > 1 + 1e-9) {
            throw new IllegalArgumentException("Lit and dimmed are shares of the time; together 100 % at most.");
        }
        if (litMilliamps < 0 || dimmedMilliamps < 0 || asleepMilliamps < 0 || milliampHours < 0) {
            throw new IllegalArgumentException("Currents and capacity are 0 or more.");
        }
    }

    public double averageMilliamps() {
        double rest = Math.max(0, 1 - litShare - dimmedShare);
        return litMilliamps * litShare + dimmedMilliamps * dimmedShare + asleepMilliamps * rest;
    }

    /** Infinite when nothing flows. */
    public double hours() {
        return milliampHours / averageMilliamps();
    }
}
