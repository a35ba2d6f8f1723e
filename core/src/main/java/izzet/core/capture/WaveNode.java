package izzet.core.capture;

/**
 * A run of changes of one line in short.
 *
 * @param first tick of the first change
 * @param last tick of the last change
 * @param before level before the first
 * @param after level after the last
 * @param seen a bit for each level that a change led to: 1 low, 2 high, 4 unknown
 */
public record WaveNode(long first, long last, int before, int after, int seen) {

    static final int BOTH = 1 | 2;

    /** The same for this one and the next one of a line. */
    WaveNode with(WaveNode next) {
        return new WaveNode(first, next.last, before, next.after, seen | next.seen);
    }

    /** Whether it goes between low and high only. */
    boolean clean() {
        return ((1 << before | seen) & ~BOTH) == 0;
    }
}
