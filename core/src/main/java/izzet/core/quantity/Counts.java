package izzet.core.quantity;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Counts in sentences. */
public final class Counts {

    private static final String ONE = "one ";

    private Counts() {}

    /** "1 row", "2 rows". */
    public static String of(long count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }

    /** Things to get, each named once: "2 × buffer to 5 V, one 4-way bus switch". */
    public static String together(List<String> things) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        things.forEach(t -> counts.merge(t, 1, Integer::sum));
        return counts.entrySet().stream()
                .map(e -> e.getValue() == 1 ? e.getKey() : e.getValue() + " × " + singular(e.getKey()))
                .collect(Collectors.joining(", "));
    }

    private static String singular(String thing) {
        return thing.startsWith(ONE) ? thing.substring(ONE.length()) : thing;
    }
}
