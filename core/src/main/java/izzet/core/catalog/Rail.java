package izzet.core.catalog;

/**
 * A supply that the board gives or takes.
 *
 * @param volts nominal; 0 for ground
 * @param direction {@code out} or {@code in}
 * @param fedBy what makes it: {@code usb}, {@code regulator}, {@code outside}, {@code diode} for a part that nothing flows back into; null where
 *     not known
 * @param minVolts of what an input takes, maxVolts likewise; null elsewhere
 * @param limitMilliamps what it can give; null when not known
 * @param source key into the sources of the file
 */
public record Rail(
        String id,
        String label,
        double volts,
        String direction,
        String fedBy,
        Double minVolts,
        Double maxVolts,
        Double limitMilliamps,
        String source) {

    /** Its place in a plan: a rail of the board, or the output of a part. */
    public boolean ofPart() {
        return id.indexOf(':') > 0;
    }

    /** Whether another supply on the same rail cannot feed it. */
    public boolean blocksBack() {
        return "diode".equals(fedBy);
    }

    /** The same at another voltage. */
    public Rail at(double otherVolts) {
        return new Rail(id, label, otherVolts, direction, fedBy, minVolts, maxVolts, limitMilliamps, source);
    }

    public boolean ground() {
        return volts == 0;
    }

    public boolean gives() {
        return "out".equals(direction);
    }
}
