package izzet.core.calc;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** The colours of the rings on a resistor. Source: IEC 60062, marking codes for resistors and capacitors; from memory. */
public enum ColourBand {
    BLACK(0, null),
    BROWN(1, 1.0),
    RED(2, 2.0),
    ORANGE(3, null),
    YELLOW(4, null),
    GREEN(5, 0.5),
    BLUE(6, 0.25),
    VIOLET(7, 0.1),
    GREY(8, 0.05),
    WHITE(9, null),
    GOLD(-1, 5.0),
    SILVER(-2, 10.0);

    public static final String SOURCE = "IEC 60062, colour code; from memory";

    private final int figure;
    private final Double tolerance;

    ColourBand(int figure, Double tolerance) {
        this.figure = figure;
        this.tolerance = tolerance;
    }

    /** Lower case, as it is read aloud. */
    public String text() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /**
     * The rings of a value: its digits, the power of ten, and the tolerance where it has a ring.
     *
     * @param ohms from 0.1 to below 10 000 000 000
     * @param digits significant ones, 2 or 3
     * @param tolerancePercent without a ring of its own, such as 20, there is none
     * @return empty when the value has more digits than the rings can tell
     */
    public static Optional<List<ColourBand>> of(double ohms, int digits, double tolerancePercent) {
        if (!(ohms > 0)) {
            throw new IllegalArgumentException("A resistance must be positive, not " + ohms + " ohm.");
        }
        BigDecimal value = new BigDecimal(ohms).round(new MathContext(9, RoundingMode.HALF_UP));
        int power = value.precision() - value.scale() - digits;
        BigDecimal mantissa = value.movePointLeft(power).stripTrailingZeros();
        if (mantissa.scale() > 0 || power < SILVER.figure || power > WHITE.figure) {
            return Optional.empty();
        }
        List<ColourBand> bands = new ArrayList<>();
        for (char digit : mantissa.toBigInteger().toString().toCharArray()) {
            bands.add(ofFigure(digit - '0'));
        }
        bands.add(ofFigure(power));
        for (ColourBand band : values()) {
            if (band.tolerance != null && band.tolerance == tolerancePercent) {
                bands.add(band);
            }
        }
        return Optional.of(bands);
    }

    /** What rings of digits, power and perhaps tolerance say, in ohm. */
    public static double ohms(List<ColourBand> bands, int digits) {
        long mantissa = 0;
        for (ColourBand band : bands.subList(0, digits)) {
            mantissa = mantissa * 10 + band.figure;
        }
        return mantissa * Math.pow(10, bands.get(digits).figure);
    }

    private static ColourBand ofFigure(int figure) {
        for (ColourBand band : values()) {
            if (band.figure == figure) {
                return band;
            }
        }
        throw new IllegalArgumentException("No ring means " + figure + ".");
    }

    /** "yellow, violet, red, gold". */
    public static String spoken(List<ColourBand> bands) {
        return bands.stream().map(ColourBand::text).collect(Collectors.joining(", "));
    }
}
