package izzet.core.calc;

import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The resistors that a maker has. Immutable; values in ohm, ascending, each once. */
public record Drawer(List<Double> values) {

    /** More values than anybody sorts. */
    public static final int MOST_VALUES = 200;

    /** Two that differ by less are the same. */
    private static final double SAME = 1e-9;

    private static final Pattern DECIMAL_COMMA = Pattern.compile("\\d+,\\d{1,2}[kKM],?");

    public Drawer {
        if (values.size() > MOST_VALUES) {
            throw new IllegalArgumentException("A drawer has " + MOST_VALUES + " values at most.");
        }
        values.forEach(v -> {
            if (!(v > 0) || v > 1e9) {
                throw new IllegalArgumentException("A resistor is above 0 Ω and at most 1 GΩ, not " + v + ".");
            }
        });
        // As written, without what the prefix leaves behind the comma.
        TreeSet<Double> sorted = new TreeSet<>();
        values.forEach(v -> sorted.add(Math.round(v * 1e6) / 1e6));
        values = List.copyOf(sorted);
    }

    /** How two are joined. */
    public enum Joined {
        ALONE,
        SERIES,
        PARALLEL
    }

    /**
     * One resistor, or two together.
     *
     * @param second null for one alone
     */
    public record Pick(Joined joined, double first, Double second, double ohms) {
        /** "4.7 kΩ", "220 Ω and 1 kΩ in series". */
        public String words() {
            return second == null
                    ? Quantity.ohms(first).toString()
                    : Quantity.ohms(first) + " and " + Quantity.ohms(second) + " "
                            + (joined == Joined.SERIES ? "in series" : "in parallel");
        }

        /** Away from what was wanted, in hundredths of it; below 0 when smaller. */
        public double percentOff(double wanted) {
            return (ohms / wanted - 1) * 100;
        }
    }

    /**
     * Reads "220, 1k, 4k7, 10k", parted by commas, semicolons, blanks or lines.
     *
     * @throws IllegalArgumentException naming the first word that is no value
     */
    public static Drawer of(String text) {
        List<Double> values = new ArrayList<>();
        for (String word : text.strip().split("[\\s;]+")) {
            // "4,7k" is one value with a comma as some write it, "220,470" two.
            for (String piece : DECIMAL_COMMA.matcher(word).matches() ? new String[] {word} : word.split(",")) {
                if (!piece.isBlank()) {
                    values.add(Quantity.parse(piece, Unit.OHM)
                            .filter(q -> q.value() > 0)
                            .orElseThrow(() -> new IllegalArgumentException(
                                    "'" + piece + "' is no resistor; write values such as 220, 1k, 4k7."))
                            .value());
                }
            }
        }
        return new Drawer(values);
    }

    public boolean empty() {
        return values.isEmpty();
    }

    /** "220 Ω, 1 kΩ". */
    public String words() {
        return values.stream().map(v -> Quantity.ohms(v).toString()).collect(Collectors.joining(", "));
    }

    /** As it is read again by {@link #of}. */
    public String text() {
        return values.stream()
                .map(v -> Quantity.ohms(v).toString().replace(" ", "").replace("Ω", ""))
                .collect(Collectors.joining(" "));
    }

    /**
     * The best of the drawer for a value: one alone when it is as near as any pair, else the nearest pair, alike ones included.
     *
     * @param least the smallest that will do; 0 where none is
     * @param greatest the largest that will do
     * @return empty when nothing lies between the two
     */
    public Optional<Pick> pick(double wanted, double least, double greatest) {
        List<Pick> picks = new ArrayList<>();
        for (int i = 0; i < values.size(); i++) {
            double a = values.get(i);
            picks.add(new Pick(Joined.ALONE, a, null, a));
            for (int j = i; j < values.size(); j++) {
                double b = values.get(j);
                picks.add(new Pick(Joined.SERIES, a, b, a + b));
                picks.add(new Pick(Joined.PARALLEL, a, b, a * b / (a + b)));
            }
        }
        return picks.stream()
                .filter(p -> p.ohms() >= least * (1 - SAME) && p.ohms() <= greatest * (1 + SAME))
                .min(Comparator.comparingDouble((Pick p) -> Math.round(Math.abs(Math.log(p.ohms() / wanted)) / SAME))
                        .thenComparing(Pick::joined)
                        .thenComparingDouble(Pick::first));
    }
}
