package izzet.core.calc;

/**
 * The series resistor of a lamp: R = (V - Vf) / I, the next preferred value up, and what then flows.
 *
 * @param exactOhms what the formula gives
 * @param ohms the preferred value used
 * @param amperes the current with that value
 * @param watts what the resistor turns into heat, I²R
 */
public record SeriesResistor(double exactOhms, double ohms, double amperes, double watts) {

    public static final String FORMULA = "R = (V − Vf) / I, next preferred value up; P = I²R";

    /** Slope of a lamp's drop at its usual current. Common practice: a tenth of a volt. */
    private static final double SLOPE_VOLTS = 0.1;

    private static final int HALVINGS = 60;

    /** The slope of a lamp's drop in ohms, apart from its junction. */
    public static double slopeOhms(double forwardVolts, double ratedAmperes) {
        return Math.min(SLOPE_VOLTS, forwardVolts / 10) / ratedAmperes;
    }

    /** What a lamp drops in volts at another current than the one that its drop is told for. */
    public static double dropAt(double amperes, double forwardVolts, double ratedAmperes) {
        return forwardVolts
                + slopeOhms(forwardVolts, ratedAmperes) * (amperes - ratedAmperes)
                + DcNetwork.EMISSION * DcNetwork.THERMAL_VOLTS * Math.log(amperes / ratedAmperes);
    }

    /**
     * A resistor for less than the lamp's rated current, at which it drops less.
     *
     * @param ratedAmperes the current that the drop is told for
     * @param wantedAmperes the most that shall flow, positive
     * @throws IllegalArgumentException when the drive does not exceed the lamp's drop, so that no resistor can help
     */
    public static SeriesResistor forLamp(
            double driveVolts, double forwardVolts, double ratedAmperes, double wantedAmperes, PreferredValues series) {
        return forLamp(driveVolts, dropAt(wantedAmperes, forwardVolts, ratedAmperes), wantedAmperes, series);
    }

    /**
     * @param driveVolts the level that drives the lamp
     * @param forwardVolts the lamp's own drop
     * @param wantedAmperes the current wanted, positive
     * @throws IllegalArgumentException when the drive does not exceed the lamp's drop, so that no resistor can help
     */
    public static SeriesResistor forLamp(
            double driveVolts, double forwardVolts, double wantedAmperes, PreferredValues series) {
        if (driveVolts <= forwardVolts) {
            throw new IllegalArgumentException(
                    "A lamp that drops " + forwardVolts + " V cannot be lit from " + driveVolts + " V.");
        }
        double exact = (driveVolts - forwardVolts) / wantedAmperes;
        double chosen = series.nextUp(exact);
        double current = currentThrough(driveVolts, forwardVolts, chosen);
        return new SeriesResistor(exact, chosen, current, current * current * chosen);
    }

    /** The current in amperes through a lamp behind a resistor; 0 when the drive is too low to light it. */
    public static double currentThrough(double driveVolts, double forwardVolts, double ohms) {
        return Math.max(0, (driveVolts - forwardVolts) / ohms);
    }

    /** The same with the drop that the lamp has at that current, in amperes; 0 when the drive is too low. */
    public static double lampCurrent(double driveVolts, double forwardVolts, double ratedAmperes, double ohms) {
        double low = 0;
        double high = Math.max(0, driveVolts / ohms);
        // The current falls where the drop rises: halve until nothing is left between.
        for (int i = 0; i < HALVINGS && high > low; i++) {
            double middle = (low + high) / 2;
            double spent = middle <= 0 ? 0 : middle * ohms + dropAt(middle, forwardVolts, ratedAmperes);
            if (spent > driveVolts) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return low;
    }
}
