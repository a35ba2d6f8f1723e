package izzet.core.display;

import java.util.List;

/**
 * What opens a part of a glass for writing, and what fills it.
 *
 * @param lines in the order in which they are sent
 * @param remarks what must be known of it
 * @param fills the ways to fill it
 */
public record Window(List<Line> lines, List<String> remarks, List<Fill> fills) {

    public Window {
        lines = List.copyOf(lines);
        remarks = List.copyOf(remarks);
        fills = List.copyOf(fills);
    }

    /** One command with its bytes, and what it says. */
    public record Line(List<Integer> bytes, String words) {
        public Line {
            bytes = List.copyOf(bytes);
        }
    }

    /**
     * @param form how pixels lie in bytes
     * @param bytes in all
     */
    public record Fill(String form, long bytes) {}

    /**
     * The usual mistakes in the ends of a window: their number told for the last one, a width for an end.
     *
     * @param unit what is counted: a column, a page
     * @param count how many of them there are
     * @return empty where the ends may be meant
     */
    public static List<String> slips(String unit, int first, int last, int count) {
        if (last == count) {
            return List.of("The end is the last " + unit + " itself, counted from 0: " + (count - 1)
                    + ", not the number of them.");
        }
        if (last < first) {
            return List.of("The last " + unit + " lies before the first: " + last
                    + " looks like a width; the end would be " + (first + last - 1) + ".");
        }
        return List.of();
    }
}
