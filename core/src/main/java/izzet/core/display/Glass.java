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

    /** What is not in the picture, such as "off", "inverted"; empty when there is nothing to say. */
    String state();

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
