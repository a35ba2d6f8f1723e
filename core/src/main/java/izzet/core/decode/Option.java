package izzet.core.decode;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A setting of a decoder.
 *
 * @param id as the open formats name it, such as {@code bitOrder}
 * @param name for people
 * @param kind what may stand there
 * @param unit of a number; empty where it has none
 * @param choices of a choice; else empty
 * @param least of a number
 * @param most of a number
 * @param usual value where none is given
 */
public record Option(
        String id, String name, Kind kind, String unit, List<String> choices, long least, long most, String usual) {

    private static final int MOST_NUMBERS = 64;

    /** What may stand in an option. */
    public enum Kind {
        CHOICE,
        NUMBER,
        /** Bytes as two hexadecimal digits each, with blanks between. */
        BYTES
    }

    public Option {
        choices = List.copyOf(choices);
    }

    public static Option choice(String id, String name, String usual, String... choices) {
        return new Option(id, name, Kind.CHOICE, "", List.of(choices), 0, 0, usual);
    }

    public static Option number(String id, String name, String unit, long least, long most, long usual) {
        return new Option(id, name, Kind.NUMBER, unit, List.of(), least, most, Long.toString(usual));
    }

    public static Option bytes(String id, String name, String usual) {
        return new Option(id, name, Kind.BYTES, "", List.of(), 0, 0, usual);
    }

    /**
     * @return the value as it is kept
     * @throws IllegalArgumentException when it is none of the choices or outside the limits; the message says what may stand there
     */
    String checked(String value) {
        return switch (kind) {
            case CHOICE -> {
                if (!choices.contains(value)) {
                    throw wrong("is one of " + String.join(", ", choices), value);
                }
                yield value;
            }
            case NUMBER -> number(value);
            case BYTES -> listed(value);
        };
    }

    private String number(String value) {
        try {
            long number = Long.parseLong(value);
            if (number >= least && number <= most) {
                return Long.toString(number);
            }
        } catch (NumberFormatException e) {
            // Told below, like a number outside the limits.
        }
        throw wrong("lies between " + least + " and " + most, value);
    }

    private String listed(String value) {
        List<String> bytes = new ArrayList<>();
        for (String one : value.toUpperCase(Locale.ROOT).split("[\\s,]+")) {
            if (!one.matches("(0X)?[0-9A-F]{1,2}") || bytes.size() == MOST_NUMBERS) {
                throw wrong("is a list of up to " + MOST_NUMBERS + " bytes such as 04 09", value);
            }
            bytes.add(one.replace("0X", ""));
        }
        return String.join(" ", bytes);
    }

    private IllegalArgumentException wrong(String allowed, String value) {
        return new IllegalArgumentException(id + " " + allowed + ", not '" + value + "'.");
    }
}
