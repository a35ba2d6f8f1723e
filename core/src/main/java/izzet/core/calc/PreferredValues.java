package izzet.core.calc;

import java.util.stream.IntStream;

/** The preferred values of resistors. Source: IEC 60063, series E6, E12, E24, E48 and E96. */
public enum PreferredValues {
    E6(20, new int[] {100, 150, 220, 330, 470, 680}),
    E12(10, new int[] {100, 120, 150, 180, 220, 270, 330, 390, 470, 560, 680, 820}),
    E24(5, new int[] {
        100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560, 620, 680, 750,
        820, 910
    }),
    E48(2, geometric(48)),
    E96(1, geometric(96));

    public static final String SOURCE = "IEC 60063, preferred number series for resistors; from memory";

    private final int tolerancePercent;
    private final int[] hundredths;

    PreferredValues(int tolerancePercent, int[] hundredths) {
        this.tolerancePercent = tolerancePercent;
        this.hundredths = hundredths;
    }

    /** The finer series are the geometric steps themselves, to three digits; the coarser ones are not. */
    private static int[] geometric(int steps) {
        return IntStream.range(0, steps)
                .map(i -> (int) Math.round(100 * Math.pow(10, (double) i / steps)))
                .toArray();
    }

    /** Tolerance that the series goes with. */
    public int tolerancePercent() {
        return tolerancePercent;
    }

    /** Significant digits of its values. */
    public int digits() {
        return this == E48 || this == E96 ? 3 : 2;
    }

    /**
     * The smallest value of the series that is not below the one given.
     *
     * @param ohms positive
     */
    public double nextUp(double ohms) {
        double decade = decade(ohms);
        for (int value : hundredths) {
            // A hair of tolerance, so that 220.00000001 from a division stays 220.
            if (value * decade >= ohms * (1 - 1e-9)) {
                return clean(value * decade);
            }
        }
        return clean(1000 * decade);
    }

    /**
     * The largest value of the series that is not above the one given.
     *
     * @param ohms positive
     */
    public double nextDown(double ohms) {
        double decade = decade(ohms);
        for (int i = hundredths.length - 1; i >= 0; i--) {
            if (hundredths[i] * decade <= ohms * (1 + 1e-9)) {
                return clean(hundredths[i] * decade);
            }
        }
        return clean(hundredths[hundredths.length - 1] * decade / 10);
    }

    /** The value of the series that is nearest by ratio. */
    public double nearest(double ohms) {
        double up = nextUp(ohms);
        double down = nextDown(ohms);
        return up / ohms <= ohms / down ? up : down;
    }

    private static double decade(double ohms) {
        if (!(ohms > 0) || Double.isInfinite(ohms)) {
            throw new IllegalArgumentException("A resistance must be positive, not " + ohms + " ohm.");
        }
        return Math.pow(10, Math.floor(Math.log10(ohms)) - 2);
    }

    private static double clean(double ohms) {
        return Math.round(ohms * 1000) / 1000.0;
    }
}
