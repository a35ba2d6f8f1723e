package izzet.core.catalog;

/**
 * A supply that the board gives or takes.
 *
 * @param volts nominal; 0 for ground
 * @param direction {@code out} or {@code in}
 * @param limitMilliamps what it can give; null when not known
 * @param source key into the sources of the file
 */
public record Rail(String id, String label, double volts, String direction, Double limitMilliamps, String source) {

    public boolean ground() {
        return volts == 0;
    }

    public boolean gives() {
        return "out".equals(direction);
    }
}
