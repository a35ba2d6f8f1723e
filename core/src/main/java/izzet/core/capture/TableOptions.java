package izzet.core.capture;

import java.util.HashMap;
import java.util.Map;

/**
 * What a table of samples does not say itself. What is left out is told from the first rows, where it can be.
 *
 * @param rateHz samples a second, for a table without a column of times; null where it has one
 * @param threshold between low and high in volts, by column; that of {@link #EVERY} holds for the others
 * @param hysteresis round the threshold in volts, in the same manner; a line changes once it is half of it beyond
 * @param times the column of times, by name or by number from 1; {@link #NONE_OF_THEM} where rows are samples; null to find it
 * @param unit of those times: s, ms, us, ns or ps; null for the one that stands in its name
 */
public record TableOptions(
        Double rateHz, Map<String, Double> threshold, Map<String, Double> hysteresis, String times, String unit) {

    /** Stands for all columns that are not named. */
    public static final String EVERY = "";

    /** The table has no column of times. */
    public static final String NONE_OF_THEM = "none";

    public static final TableOptions NONE = new TableOptions(null, Map.of(), Map.of(), null, null);

    private static final double MOST_HERTZ = 1e12;
    private static final double MOST_VOLTS = 1000;

    /** @throws IllegalArgumentException when one is outside of what can be meant */
    public TableOptions {
        if (rateHz != null && !(rateHz > 0 && rateHz <= MOST_HERTZ)) {
            throw new IllegalArgumentException("rateHz lies above 0 and up to 1e12, not " + rateHz + ".");
        }
        for (Double volts : threshold.values()) {
            if (!(Math.abs(volts) <= MOST_VOLTS)) {
                throw new IllegalArgumentException("threshold lies between -1000 and 1000 V, not " + volts + ".");
            }
        }
        for (Double volts : hysteresis.values()) {
            if (!(volts >= 0 && volts <= MOST_VOLTS)) {
                throw new IllegalArgumentException("hysteresis lies between 0 and 1000 V, not " + volts + ".");
            }
        }
        if (unit != null && !unit.matches("s|ms|us|ns|ps")) {
            throw new IllegalArgumentException("unit is one of s, ms, us, ns and ps, not '" + unit + "'.");
        }
        threshold = Map.copyOf(threshold);
        hysteresis = Map.copyOf(hysteresis);
    }

    /** One threshold and one hysteresis for all columns; each may be null. */
    public TableOptions(Double rateHz, Double threshold, Double hysteresis) {
        this(
                rateHz,
                threshold == null ? Map.of() : Map.of(EVERY, threshold),
                hysteresis == null ? Map.of() : Map.of(EVERY, hysteresis),
                null,
                null);
    }

    /**
     * From what people type: numbers, and for volts also {@code scl=1.2; sda=1.6}. Each may be null or blank.
     *
     * @throws IllegalArgumentException when a text is no number
     */
    public static TableOptions of(String rateHz, String threshold, String hysteresis, String times, String unit) {
        return new TableOptions(
                blank(rateHz) ? null : number("rateHz", rateHz),
                volts("threshold", threshold),
                volts("hysteresis", hysteresis),
                blank(times) ? null : times.strip(),
                blank(unit) ? null : unit.strip());
    }

    /**
     * The same with a threshold of its own for a column.
     *
     * @throws IllegalArgumentException when the text is no number
     */
    public TableOptions withThreshold(String column, String text) {
        Map<String, Double> volts = new HashMap<>(threshold);
        if (!blank(text)) {
            volts.put(column, number("threshold of " + column, text));
        }
        return new TableOptions(rateHz, volts, hysteresis, times, unit);
    }

    /** Threshold of a column; null where it is told from its swing. */
    Double thresholdOf(String column) {
        return threshold.getOrDefault(column, threshold.get(EVERY));
    }

    /** Hysteresis of a column; null where it is told from its swing. */
    Double hysteresisOf(String column) {
        return hysteresis.getOrDefault(column, hysteresis.get(EVERY));
    }

    private static boolean blank(String text) {
        return text == null || text.isBlank();
    }

    private static Map<String, Double> volts(String name, String text) {
        Map<String, Double> volts = new HashMap<>();
        if (!blank(text)) {
            for (String one : text.contains("=") ? text.split(";") : new String[] {text}) {
                int sign = one.lastIndexOf('=');
                if (!one.isBlank()) {
                    volts.put(sign < 0 ? EVERY : one.substring(0, sign).strip(), number(name, one.substring(sign + 1)));
                }
            }
        }
        return volts;
    }

    private static Double number(String name, String text) {
        try {
            return Double.valueOf(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    name + " is a number such as 2000000 or 1.65, not '" + CsvReader.shown(text) + "'.");
        }
    }
}
