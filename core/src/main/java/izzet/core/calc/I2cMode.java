package izzet.core.calc;

/** The speed modes of the 2-wire bus. Source: I2C-bus specification and user manual UM10204, table 10 (from memory). */
public enum I2cMode {
    STANDARD(
            "Standard-mode",
            100_000,
            1000e-9,
            400e-12,
            3e-3,
            new Times(4.7e-6, 4.0e-6, 250e-9, 4.0e-6, 4.7e-6, 4.0e-6, 4.7e-6)),
    FAST(
            "Fast-mode",
            400_000,
            300e-9,
            400e-12,
            3e-3,
            new Times(1.3e-6, 0.6e-6, 100e-9, 0.6e-6, 0.6e-6, 0.6e-6, 1.3e-6)),
    FAST_PLUS(
            "Fast-mode Plus",
            1_000_000,
            120e-9,
            550e-12,
            20e-3,
            new Times(0.5e-6, 0.26e-6, 50e-9, 0.26e-6, 0.26e-6, 0.26e-6, 0.5e-6));

    public static final String SOURCE = "I2C-bus specification and user manual UM10204, table 10; from memory";

    private final String label;
    private final int maxHz;
    private final double riseSeconds;
    private final double maxFarads;
    private final double sinkAmperes;
    private final Times times;

    /**
     * The shortest times that the mode allows, in seconds.
     *
     * @param low of the clock
     * @param high of the clock
     * @param dataSetUp data before the rising edge of the clock
     * @param startHold START before the falling edge of the clock
     * @param startSetUp the clock high before a repeated START
     * @param stopSetUp the clock high before a STOP
     * @param free between STOP and START
     */
    public record Times(
            double low,
            double high,
            double dataSetUp,
            double startHold,
            double startSetUp,
            double stopSetUp,
            double free) {}

    I2cMode(String label, int maxHz, double riseSeconds, double maxFarads, double sinkAmperes, Times times) {
        this.times = times;
        this.label = label;
        this.maxHz = maxHz;
        this.riseSeconds = riseSeconds;
        this.maxFarads = maxFarads;
        this.sinkAmperes = sinkAmperes;
    }

    /** The slowest mode that allows this clock; the fastest one when none does. */
    public static I2cMode forClock(int hertz) {
        for (I2cMode mode : values()) {
            if (hertz <= mode.maxHz) {
                return mode;
            }
        }
        return FAST_PLUS;
    }

    public String label() {
        return label;
    }

    public int maxHz() {
        return maxHz;
    }

    public Times times() {
        return times;
    }

    /** The longest rise from 30 % to 70 %, in seconds. */
    public double riseSeconds() {
        return riseSeconds;
    }

    public double maxFarads() {
        return maxFarads;
    }

    /** The current an output must be able to sink at 0.4 V, in amperes. */
    public double sinkAmperes() {
        return sinkAmperes;
    }
}
