package izzet.core.capture;

/**
 * What a table of samples does not say itself. Each may be null: then it is told from the first rows, where it can be.
 *
 * @param rateHz samples a second, for a table without a column of times
 * @param threshold between low and high, for columns of volts
 * @param hysteresis round the threshold; a line changes once it is half of it beyond
 */
public record TableOptions(Double rateHz, Double threshold, Double hysteresis) {

    public static final TableOptions NONE = new TableOptions(null, null, null);

    private static final double MOST_HERTZ = 1e12;
    private static final double MOST_VOLTS = 1000;

    /** @throws IllegalArgumentException when one is outside of what can be meant */
    public TableOptions {
        if (rateHz != null && !(rateHz > 0 && rateHz <= MOST_HERTZ)) {
            throw new IllegalArgumentException("rateHz lies above 0 and up to 1e12, not " + rateHz + ".");
        }
        if (threshold != null && !(Math.abs(threshold) <= MOST_VOLTS)) {
            throw new IllegalArgumentException("threshold lies between -1000 and 1000 V, not " + threshold + ".");
        }
        if (hysteresis != null && !(hysteresis >= 0 && hysteresis <= MOST_VOLTS)) {
            throw new IllegalArgumentException("hysteresis lies between 0 and 1000 V, not " + hysteresis + ".");
        }
    }

    /** @throws IllegalArgumentException when a text is no number */
    public static TableOptions of(String rateHz, String threshold, String hysteresis) {
        return new TableOptions(
                number("rateHz", rateHz), number("threshold", threshold), number("hysteresis", hysteresis));
    }

    private static Double number(String name, String text) {
        if (text == null || text.isBlank()) {
            return null;
        }
        try {
            return Double.valueOf(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(name + " is a number such as 2000000 or 1.65, not '" + text + "'.");
        }
    }
}
