package izzet.core.capture;

/** Takes a record as it is read. Called from one thread, in the order of time. */
public interface ChangeSink {

    /**
     * The declarations have been read.
     *
     * @return the lines wanted; their places in the array are the indexes that {@link #change} gets. Null where nothing is wanted
     */
    Signal[] header(RecordHeader header);

    /**
     * A wanted line has a new value, or the same value once more.
     *
     * @param level 0, 1, or {@link Levels#UNKNOWN}
     */
    void change(int index, int level);

    /** All changes up to here happened at {@code ticks}; called once for each time stamp, in rising order. */
    void moment(long ticks);

    /**
     * Many changes at once; the same as a call for each.
     *
     * @param now the moment that was already going on
     */
    default void moments(long now, Moments many) {
        for (int entry = 0; entry < many.count(); entry++) {
            if (entry > 0) {
                moment(entry == 1 ? now : many.tick(entry - 1));
            }
            for (long left = many.touched(entry); left != 0; ) {
                int index = Long.numberOfTrailingZeros(left) >> 1;
                change(index, many.level(entry, index));
                left &= ~(3L << (index << 1));
            }
        }
    }

    /** The record ends; {@code ticks} is its last time stamp. */
    void end(long ticks);

    /** Levels as numbers. */
    final class Levels {
        public static final int UNKNOWN = 2;

        private Levels() {}
    }
}
