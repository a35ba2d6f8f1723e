package izzet.core.calc;

/** The speed modes of the 2-wire bus. Source: I2C-bus specification and user manual UM10204, table 10 (from memory). */
public enum I2cMode {
    STANDARD("Standard-mode", 100_000, 1000e-9, 400e-12, 3e-3),
    FAST("Fast-mode", 400_000, 300e-9, 400e-12, 3e-3),
    FAST_PLUS("Fast-mode Plus", 1_000_000, 120e-9, 550e-12, 20e-3);

    public static final String SOURCE = "I2C-bus specification and user manual UM10204, table 10; from memory";

    private final String label;
    private final int maxHz;
    private final double riseSeconds;
    private final double maxFarads;
    private final double sinkAmperes;

    I2cMode(String label, int maxHz, double riseSeconds, double maxFarads, double sinkAmperes) {
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
