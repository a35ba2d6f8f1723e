package izzet.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A value in its base unit. Immutable. {@link #toString()} prints it the way a maker writes it, with an SI prefix and at most
 * four significant digits: {@code 4.7 kΩ}, {@code -200 mV}, {@code 93 ms}.
 *
 * @param value in the base unit; finite
 */
public record Quantity(double value, Unit unit) implements Comparable<Quantity> {

    private static final String[] PREFIXES = {"p", "n", "µ", "m", "", "k", "M", "G"};
    private static final int PLAIN = 4;
    private static final int DIGITS = 4;
    private static final long LEAST = 1000;
    private static final Map<String, Double> FACTORS = Map.ofEntries(
            Map.entry("p", 1e-12),
            Map.entry("n", 1e-9),
            Map.entry("u", 1e-6),
            Map.entry("µ", 1e-6),
            Map.entry("m", 1e-3),
            Map.entry("", 1.0),
            Map.entry("R", 1.0),
            Map.entry("k", 1e3),
            Map.entry("K", 1e3),
            Map.entry("M", 1e6),
            Map.entry("G", 1e9));
    private static final Pattern TEXT = Pattern.compile(
            "\\s*([-−+]?)(\\d{1,12})(?:[.,](\\d{1,12}))?\\s*([pnuµmRkKMG]?)(\\d{0,6})\\s*(V|A|Ω|ohms?|F|s|Hz|W)?\\s*");

    public Quantity {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("A quantity must be a finite number, not " + value + ".");
        }
    }

    public static Quantity volts(double value) {
        return new Quantity(value, Unit.VOLT);
    }

    public static Quantity amperes(double value) {
        return new Quantity(value, Unit.AMPERE);
    }

    public static Quantity milliamps(double value) {
        return new Quantity(value / 1000, Unit.AMPERE);
    }

    public static Quantity ohms(double value) {
        return new Quantity(value, Unit.OHM);
    }

    public static Quantity farads(double value) {
        return new Quantity(value, Unit.FARAD);
    }

    public static Quantity picofarads(double value) {
        return new Quantity(value / 1e12, Unit.FARAD);
    }

    public static Quantity seconds(double value) {
        return new Quantity(value, Unit.SECOND);
    }

    public static Quantity hertz(double value) {
        return new Quantity(value, Unit.HERTZ);
    }

    public static Quantity watts(double value) {
        return new Quantity(value, Unit.WATT);
    }

    public static Quantity count(double value) {
        return new Quantity(value, Unit.COUNT);
    }

    /**
     * Reads {@code 4k7}, {@code 4.7 k}, {@code 220R}, {@code 100n}, {@code 3.3 V}. Both a point and a comma part the decimals.
     *
     * @return empty when the text is no such value, or names another unit than the one asked for
     */
    public static Optional<Quantity> parse(String text, Unit unit) {
        Matcher m = TEXT.matcher(text);
        if (!m.matches()) {
            return Optional.empty();
        }
        boolean letterAsPoint = !m.group(5).isEmpty();
        if (letterAsPoint && (m.group(3) != null || m.group(4).isEmpty())) {
            return Optional.empty();
        }
        String named = m.group(6);
        if (named != null && !symbolOf(named).equals(unit.symbol())) {
            return Optional.empty();
        }
        String decimals = letterAsPoint ? m.group(5) : m.group(3);
        String number = m.group(2) + (decimals == null ? "" : "." + decimals);
        double value = Double.parseDouble(number) * FACTORS.get(m.group(4));
        boolean negative = m.group(1).equals("-") || m.group(1).equals("−");
        return Optional.of(new Quantity(negative ? -value : value, unit));
    }

    private static String symbolOf(String named) {
        return named.startsWith("ohm") ? "Ω" : named;
    }

    @Override
    public int compareTo(Quantity other) {
        if (unit != other.unit) {
            throw new IllegalArgumentException("Cannot compare " + this + " with " + other + ".");
        }
        return Double.compare(value, other.value);
    }

    /** For people: SI prefix, at most four significant digits, a true minus sign left as {@code -}. Ignores the locale. */
    @Override
    public String toString() {
        if (unit == Unit.COUNT) {
            return plain(rounded(value));
        }
        double size = Math.abs(value);
        int step = PLAIN;
        if (size > 0) {
            step = Math.max(
                    0,
                    Math.min(
                            PREFIXES.length - 1,
                            PLAIN + (int) Math.floor(Math.log10(rounded(size).doubleValue()) / 3)));
        }
        // Voltages read best as 3.3 V and 0.4 V; only margins below a tenth of a volt go to millivolts by themselves.
        if (unit == Unit.VOLT && size >= 0.1) {
            step = PLAIN;
        }
        double scaled = value / Math.pow(1000, step - PLAIN);
        return plain(rounded(scaled)) + " " + PREFIXES[step] + unit.symbol();
    }

    /** The value in thousandths, as margins are given: {@code -200 mV}. */
    public String inMillis() {
        return String.format(Locale.ROOT, "%d m%s", Math.round(value * 1000), unit.symbol());
    }

    /** Arithmetic of whole numbers where it cannot be wrong, the exact value where it nearly lies between two. */
    private static BigDecimal rounded(double value) {
        double size = Math.abs(value);
        if (size > 1e-15 && size < 1e15) {
            int scale = DIGITS - 1 - (int) Math.floor(Math.log10(size));
            double digits = scale < 0 ? value / Math.pow(10, -scale) : value * Math.pow(10, scale);
            long whole = (long) Math.floor(digits);
            double over = digits - whole;
            if (Math.abs(over - 0.5) > 1e-6 && Math.abs(whole) >= LEAST && Math.abs(whole) < 10 * LEAST - 1) {
                return BigDecimal.valueOf(over > 0.5 ? whole + 1 : whole, scale);
            }
        }
        return new BigDecimal(value).round(new MathContext(DIGITS, RoundingMode.HALF_UP));
    }

    private static String plain(BigDecimal value) {
        if (value.signum() == 0) {
            return "0";
        }
        return value.stripTrailingZeros().toPlainString();
    }
}
