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
}
