package izzet.core.author;

import izzet.core.catalog.Level;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A level as data sheets write it: {@code 2}, {@code 0.7 VCC}, {@code VCC + 0.3}, {@code 0.7 x VDD - 0.1}. */
public final class LevelText {

    private static final String NUMBER = "\\d{1,6}(?:[.,]\\d{1,9})?";
    private static final String SUPPLY = "(?:supply|vcc|vdd|v\\+)";
    private static final Pattern FIXED = Pattern.compile("([+-]?" + NUMBER + ")\\s*v?");
    private static final Pattern RATIO =
            Pattern.compile("(" + NUMBER + ")?\\s*[*x·×]?\\s*" + SUPPLY + "\\s*(?:([+-])\\s*(" + NUMBER + ")\\s*v?)?");

    private LevelText() {}

    /** Empty when the text is no level. */
    public static Optional<Level> parse(String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        Matcher fixed = FIXED.matcher(plain);
        if (fixed.matches()) {
            return Optional.of(new Level(0, number(fixed.group(1))));
        }
        Matcher ratio = RATIO.matcher(plain);
        if (!ratio.matches()) {
            return Optional.empty();
        }
        double factor = ratio.group(1) == null ? 1 : number(ratio.group(1));
        double volts = ratio.group(3) == null ? 0 : number(ratio.group(3));
        return Optional.of(new Level(factor, "-".equals(ratio.group(2)) ? -volts : volts));
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** What {@link #parse} reads back to the same. */
    public static String of(double ratio, double volts) {
        if (ratio == 0) {
            return plain(volts);
        }
        String supply = ratio == 1 ? "supply" : plain(ratio) + " supply";
        return volts == 0 ? supply : supply + (volts < 0 ? " - " : " + ") + plain(Math.abs(volts));
    }

    private static String plain(double value) {
        return new java.math.BigDecimal(String.valueOf(value))
                .stripTrailingZeros()
                .toPlainString();
    }
}
