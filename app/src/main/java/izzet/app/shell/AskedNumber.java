package izzet.app.shell;

import izzet.core.quantity.Quantity;

/** A number out of a page's address or form. */
public final class AskedNumber {

    private AskedNumber() {}

    /**
     * With a point or a comma before the decimals.
     *
     * @param text null or blank for what is usual
     * @throws IllegalArgumentException naming the text and what is possible
     */
    public static double of(String text, double usual, double least, double most) {
        if (text == null || text.isBlank()) {
            return usual;
        }
        try {
            double value = Double.parseDouble(text.strip().replace(',', '.'));
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below.
        }
        throw new IllegalArgumentException(
                "'" + text + "' is no number from " + Quantity.count(least) + " to " + Quantity.count(most) + ".");
    }
}
