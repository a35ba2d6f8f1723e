package izzet.core.calc;

/**
 * Two resistors between a level and ground, with the input between them.
 *
 * <p>Source of the formulas: Ohm's law; the rise of one time constant from 10 % to 90 %, ln 9 R C.
 *
 * @param topOhms towards the driver
 * @param bottomOhms towards ground
 */
public record Divider(double topOhms, double bottomOhms) {

    /** ln(0.9 / 0.1): the rise from 10 % to 90 % in time constants. */
    public static final double RISE_FACTOR = Math.log(9);

    public static final String FORMULA = "V = Vin · Rb / (Rt + Rb); rise = 2.197 · (Rt ∥ Rb) · C; I = Vin / (Rt + Rb)";

    /** A level must stand for as long as it takes to come this near: some three time constants from end to end. Common practice. */
    private static final double SETTLED = 3;

    public Divider {
        if (!(topOhms > 0) || !(bottomOhms > 0)) {
            throw new IllegalArgumentException("Both resistors of a divider must be above 0 ohm.");
        }
    }

    /**
     * One that gives the wanted level or a little less, with its bottom resistor given.
     *
     * @throws IllegalArgumentException when the wanted level is not below the level given
     */
    public static Divider of(double volts, double wantedVolts, double bottomOhms, PreferredValues series) {
        if (!(wantedVolts > 0) || wantedVolts >= volts) {
            throw new IllegalArgumentException(
                    "A divider gives less than the " + volts + " V that go in, and more than 0.");
        }
        return new Divider(series.nextUp(bottomOhms * (volts / wantedVolts - 1)), bottomOhms);
    }

    public double volts(double in) {
        return in * bottomOhms / (topOhms + bottomOhms);
    }

    /** What the driver gives, in amperes. */
    public double amperes(double in) {
        return in / (topOhms + bottomOhms);
    }

    /** Both resistors in parallel, as the input sees them, in ohm. */
    public double sourceOhms() {
        return topOhms * bottomOhms / (topOhms + bottomOhms);
    }

    /** From 10 % to 90 % of the level at rest, in seconds. */
    public double riseSeconds(double farads) {
        return RISE_FACTOR * sourceOhms() * farads;
    }

    /** The fastest square wave that still comes to 95 % in each half, in hertz. */
    public double mostHertz(double farads) {
        return 1 / (2 * SETTLED * sourceOhms() * farads);
    }
}
