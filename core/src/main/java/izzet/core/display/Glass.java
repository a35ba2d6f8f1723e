package izzet.core.display;

import java.util.List;
import java.util.SortedMap;

/** What a part shows, as it stands now. Belongs to its session and changes with it. */
public interface Glass {

    /** Pixels across as a person sees them; characters across for a glass of characters. */
    int columns();

    int rows();

    /** Rises with every change of what may be seen. */
    long changes();

    /** Pixels or characters that were written so far, each time counted; -1 where that is not followed. */
    default long written() {
        return -1;
    }

    /** Seconds from one step of a movement of its own to the next; 0 while it rests. */
    default double stepSeconds() {
        return 0;
    }

    /** Time goes on: what moves by itself moves. */
    default void pass(double seconds) {}

    /** What is not in the picture, such as "off", "inverted"; empty when there is nothing to say. */
    String state();

    /** Where what it was told is other than what its part needs, as far as the whole of it was heard. */
    default List<Misfit> misfits() {
        return List.of();
    }

    /**
     * Something in a set-up that does not suit the part.
     *
     * @param what after the part's name: "is set up for 32 of its 64 rows"
     * @param remedy what to do
     * @param certain whether the commands alone show it; else it rests on how such modules are usually made
     * @param source of what the commands mean
     */
    record Misfit(String what, String remedy, boolean certain, String source) {

        /** Another number of rows than the glass has. */
        public static Misfit rows(int told, Panel panel, String source) {
            return new Misfit(
                    "is set up for " + told + " of its " + panel.rows() + " rows",
                    "Give the program the size of the glass that is there: rows and columns are told in its set-up.",
                    true,
                    source);
        }

        /** A whole set-up that leaves it dark. */
        public static Misfit neverOn(String command, String source) {
            return new Misfit(
                    "is set up and never switched on, or switched off at the end",
                    "Send " + command + " after the set-up.",
                    true,
                    source);
        }
    }

    /** A glass of pixels. */
    interface Pixels extends Glass {

        /** The picture as a person sees it. */
        Picture seen();

        /**
         * The controller's memory, in the order in which a program addresses it now.
         *
         * @param area of it; null for all that was written
         */
        Picture memory(Area area);
    }

    /** A glass of characters. */
    interface Text extends Glass {

        /** One string a row; a glyph of one's own is the character of its slot, U+0000 to U+0007. */
        List<String> lines();

        /** Rows of the glyphs of one's own that were written, by slot; five bits each, the leftmost the highest. */
        SortedMap<Integer, int[]> glyphs();

        /** Cell of the cursor, counted from the top left; -1 when none is shown. */
        int cursor();
    }

    /** A part of a picture in pixels. */
    record Area(int x, int y, int width, int height) {}
}
