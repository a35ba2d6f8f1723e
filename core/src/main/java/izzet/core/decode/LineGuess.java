package izzet.core.decode;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Guesses which lines of a record are clock and data: by their names, else by how often they change. */
public final class LineGuess {

    /** @param why for people */
    public record Pair(String scl, String sda, String why) {}

    private LineGuess() {}

    /**
     * @param names of the lines
     * @param edges changes of each line
     * @return empty when fewer than two lines ever change
     */
    public static Optional<Pair> of(List<String> names, long[] edges) {
        int scl = named(names, edges.length, "scl", "clk", "clock", "sck");
        int sda = named(names, edges.length, "sda", "data", "dat");
        if (scl >= 0 && sda >= 0 && scl != sda) {
            return Optional.of(new Pair(names.get(scl), names.get(sda), "by their names"));
        }
        int most = -1;
        int second = -1;
        for (int i = 0; i < edges.length; i++) {
            if (edges[i] == 0) {
                continue;
            }
            if (most < 0 || edges[i] > edges[most]) {
                second = most;
                most = i;
            } else if (second < 0 || edges[i] > edges[second]) {
                second = i;
            }
        }
        return second < 0
                ? Optional.empty()
                : Optional.of(new Pair(names.get(most), names.get(second), "the clock changes most often"));
    }

    private static int named(List<String> names, int count, String... parts) {
        for (String part : parts) {
            for (int i = 0; i < count; i++) {
                if (names.get(i).toLowerCase(Locale.ROOT).contains(part)) {
                    return i;
                }
            }
        }
        return -1;
    }
}
