package izzet.core.quantity;

import java.util.Locale;
import java.util.Optional;

/** Numbers as makers write addresses and bytes: {@code 0x3C}. */
public final class Hex {

    private Hex() {}

    /** Two digits at least, upper case, with {@code 0x}. */
    public static String of(int value) {
        String digits = Integer.toHexString(value).toUpperCase(Locale.ROOT);
        return digits.length() < 2 ? "0x0" + digits : "0x" + digits;
    }

    /** Reads {@code 0x3C}, {@code 3Ch} or decimal {@code 60}; empty when the text is none of them or above 0xFFFF. */
    public static Optional<Integer> parse(String text) {
        String t = text.strip();
        try {
            int value;
            if (t.startsWith("0x") || t.startsWith("0X")) {
                value = Integer.parseInt(t.substring(2), 16);
            } else if (t.endsWith("h") || t.endsWith("H")) {
                value = Integer.parseInt(t.substring(0, t.length() - 1), 16);
            } else {
                value = Integer.parseInt(t);
            }
            return value < 0 || value > 0xFFFF ? Optional.empty() : Optional.of(value);
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
