package izzet.core.quantity;

import java.util.List;
import java.util.stream.Collector;
import java.util.stream.Collectors;

/** Names in a sentence. */
public final class Listed {

    private Listed() {}

    /** "Lever 1", "Lever 1 and Lever 2", "Lever 1, Lever 2 and Platform lamp"; empty for none. */
    public static Collector<String, ?, String> and() {
        return Collectors.collectingAndThen(Collectors.toList(), Listed::and);
    }

    private static String and(List<String> names) {
        int last = names.size() - 1;
        return last < 1
                ? String.join("", names)
                : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
    }
}
