package izzet.core.calc;

import java.util.List;

/**
 * The pull-ups of one electrically joined net, which may go to different supplies. Immutable.
 *
 * <p>Source of the formulas: I2C-bus specification and user manual UM10204, section 7.1 (from memory); for mixed supplies the
 * Thevenin equivalent of the pull-ups.
 */
public record PullUps(List<PullUp> fitted) {

    /** ln(0.7 / 0.3): the rise from 30 % to 70 % of the supply in time constants. */
    public static final double RISE_FACTOR = Math.log(0.7 / 0.3);

    /** The low level an open-drain output must reach at its rated sink current, in volts. */
    public static final double VOL_MAX = 0.4;

    /**
     * @param ohms positive
     * @param volts of the supply it goes to
     */
    public record PullUp(double ohms, double volts) {
        public PullUp {
            if (!(ohms > 0)) {
                throw new IllegalArgumentException("A pull-up must be above 0 ohm, not " + ohms + ".");
            }
        }
    }

    public PullUps {
        fitted = List.copyOf(fitted);
    }

    public boolean none() {
        return fitted.isEmpty();
    }

    /** All in parallel, in ohm; infinite when none is fitted. */
    public double parallelOhms() {
        return 1 / fitted.stream().mapToDouble(p -> 1 / p.ohms()).sum();
    }

    /** The level the net idles at, in volts: the Thevenin voltage. 0 when none is fitted. */
    public double idleVolts() {
        return none()
                ? 0
                : parallelOhms()
                        * fitted.stream().mapToDouble(p -> p.volts() / p.ohms()).sum();
    }

    /** What one output must sink to hold the net at 0.4 V, in amperes: the sum of (Vi - 0.4 V) / Ri. */
    public double sinkAmperes() {
        return fitted.stream()
                .mapToDouble(p -> Math.max(0, p.volts() - VOL_MAX) / p.ohms())
                .sum();
    }

    /** The 30 % to 70 % rise in seconds with the capacitance given in farad: 0.8473 R C. */
    public double riseSeconds(double farads) {
        return RISE_FACTOR * parallelOhms() * farads;
    }

    /** The smallest allowed pull-up in ohm: (VDD - 0.4 V) / sink current. */
    public static double minimumOhms(double supplyVolts, double sinkAmperes) {
        return (supplyVolts - VOL_MAX) / sinkAmperes;
    }

    /** The largest allowed pull-up in ohm: rise time / (0.8473 C). */
    public static double maximumOhms(double riseSeconds, double farads) {
        return riseSeconds / (RISE_FACTOR * farads);
    }
}
