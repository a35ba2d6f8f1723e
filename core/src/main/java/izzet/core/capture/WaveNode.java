package izzet.core.capture;

/**
 * A run of changes of one line in short.
 *
 * @param first tick of the first change
 * @param last tick of the last change
 * @param before level before the first
 * @param after level after the last
 * @param seen a bit for each level that a change led to: 1 low, 2 high, 4 unknown
 * @param gapFrom tick of the change that the longest pause follows; the first one where there is no pause
 * @param gapTo tick of the change that ends that pause
 * @param gapLevel level during that pause
 */
public record WaveNode(long first, long last, int before, int after, int seen, long gapFrom, long gapTo, int gapLevel) {

    static final int BOTH = 1 | 2;

    /** The same for this one and the next one of a line. */
    WaveNode with(WaveNode next) {
        long between = next.first - last;
        long mine = gapTo - gapFrom;
        long others = next.gapTo - next.gapFrom;
        boolean own = mine >= between && mine >= others;
        boolean other = !own && others >= between;
        return new WaveNode(
                first,
                next.last,
                before,
                next.after,
                seen | next.seen,
                own ? gapFrom : other ? next.gapFrom : last,
                own ? gapTo : other ? next.gapTo : next.first,
                own ? gapLevel : other ? next.gapLevel : after);
    }

    /** Whether it goes between low and high only. */
    boolean clean() {
        return ((1 << before | seen) & ~BOTH) == 0;
    }
}
