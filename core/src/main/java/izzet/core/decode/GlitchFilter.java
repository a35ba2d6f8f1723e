package izzet.core.decode;

import java.util.Arrays;

/**
 * Takes pulses shorter than a limit off some lines and passes the rest on with their own times. Not thread-safe; one per record.
 *
 * <p>A change waits until it is as old as the limit; one that is taken back before was a glitch. As all changes wait equally long, they
 * come out in the order in which they went in.
 */
public final class GlitchFilter {

    private static final long NONE = Long.MIN_VALUE;

    /** Where the filtered lines go. */
    public interface Out {
        void levels(long ticks, long levels);
    }

    private final long limit;
    private final Out out;
    private final long[] since;
    private boolean begun;
    private long shown;
    private long next;

    /**
     * @param limit in ticks, above 0
     * @param lines how many
     */
    public GlitchFilter(long limit, int lines, Out out) {
        this.limit = limit;
        this.out = out;
        since = new long[lines];
        Arrays.fill(since, NONE);
    }

    /** @param levels two bits a line */
    public void levels(long ticks, long levels) {
        if (!begun) {
            begun = true;
            shown = levels;
            next = levels;
            out.levels(ticks, levels);
            return;
        }
        settle(ticks - limit);
        long changed = next ^ levels;
        for (int line = 0; changed != 0; line++, changed >>>= 2) {
            if ((changed & 3) != 0) {
                long mask = 3L << (line << 1);
                since[line] = (levels & mask) == (shown & mask) ? NONE : ticks;
            }
        }
        next = levels;
    }

    /** The record ends: what waits is passed on. */
    public void end() {
        settle(Long.MAX_VALUE);
    }

    private void settle(long until) {
        while (shown != next) {
            long first = Long.MAX_VALUE;
            for (long s : since) {
                if (s != NONE && s <= until) {
                    first = Math.min(first, s);
                }
            }
            if (first == Long.MAX_VALUE) {
                return;
            }
            for (int line = 0; line < since.length; line++) {
                if (since[line] == first) {
                    long mask = 3L << (line << 1);
                    shown = shown & ~mask | next & mask;
                    since[line] = NONE;
                }
            }
            out.levels(first, shown);
        }
    }
}
