package izzet.core.calc;

/** The preferred values of resistors. Source: IEC 60063, series E12 and E24. */
public enum PreferredValues {
    E12(new int[] {100, 120, 150, 180, 220, 270, 330, 390, 470, 560, 680, 820}),
    E24(new int[] {
        100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560, 620, 680, 750,
        820, 910
    });

    private final int[] hundredths;

    PreferredValues(int[] hundredths) {
        this.hundredths = hundredths;
    }

    /**
     * The smallest value of the series that is not below the one given.
     *
     * @param ohms positive
     */
    public double nextUp(double ohms) {
        if (!(ohms > 0) || Double.isInfinite(ohms)) {
            throw new IllegalArgumentException("A resistance must be positive, not " + ohms + " ohm.");
        }
        double decade = Math.pow(10, Math.floor(Math.log10(ohms)) - 2);
        for (int value : hundredths) {
            // A hair of tolerance, so that 220.00000001 from a division stays 220.
            if (value * decade >= ohms * (1 - 1e-9)) {
                return clean(value * decade);
            }
        }
        return clean(1000 * decade);
    }

    private static double clean(double ohms) {
        return Math.round(ohms * 1000) / 1000.0;
    }
}
