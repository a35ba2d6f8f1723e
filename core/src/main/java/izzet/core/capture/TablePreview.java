package izzet.core.capture;

import java.util.List;

/**
 * How the first rows of a table are read.
 *
 * @param rows the first ones
 * @param asks what has to be said before it can be read; null where nothing is open
 */
public record TablePreview(List<Column> columns, List<List<String>> rows, String asks) {

    /** Rows that are shown. */
    public static final int ROWS = 6;

    /**
     * @param read how it is read, for people
     * @param times whether it is the column of times
     * @param volts whether a threshold parts low from high in it
     */
    public record Column(String name, String read, boolean times, boolean volts) {}
}
