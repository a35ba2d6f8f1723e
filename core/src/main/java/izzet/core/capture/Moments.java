package izzet.core.capture;

/**
 * Changes of several moments at once, two bits a line by its index. What the first entry tells belongs to the moment that was already
 * going on; each further entry begins a new one.
 */
public final class Moments {

    /** Lines that have a place. */
    public static final int MOST_LINES = Long.SIZE / 2;

    /** Of lines without a value both bits are set. */
    static final long UNTOUCHED = -1;

    private static final long LOW_BITS = 0x5555_5555_5555_5555L;

    final long[] ticks;
    final long[] levels;
    int count;

    Moments(int most) {
        ticks = new long[most];
        levels = new long[most];
    }

    /** Entries, at least one. */
    public int count() {
        return count;
    }

    /** When the entry begins; the first entry has none. */
    public long tick(int entry) {
        return ticks[entry];
    }

    /** Whether the first stamp, if there is one, lies behind a time. */
    boolean rises(long now) {
        return count == 1 || ticks[1] > now;
    }

    /** The time that goes on after the last entry, given that before the first. */
    public long last(long now) {
        return count == 1 ? now : ticks[count - 1];
    }

    /** Levels of all lines after the entry, given those before it. */
    public long after(int entry, long before) {
        long now = levels[entry];
        long untouched = untouched(now);
        return before & untouched | now & ~untouched;
    }

    /** Both bits of every line that has a value in the entry. */
    public long touched(int entry) {
        return ~untouched(levels[entry]);
    }

    private static long untouched(long now) {
        long low = now & now >>> 1 & LOW_BITS;
        return low | low << 1;
    }

    /** The level of a line that has a value in the entry. */
    public int level(int entry, int index) {
        return (int) (levels[entry] >> (index << 1)) & 3;
    }
}
