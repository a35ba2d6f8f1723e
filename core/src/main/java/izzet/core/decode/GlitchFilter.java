package izzet.core.decode;

/**
 * Takes pulses shorter than a limit off two lines and passes the rest on with their own times. Not thread-safe; one per record.
 *
 * <p>A change waits until it is as old as the limit; one that is taken back before was a glitch. As all changes wait equally long, they
 * come out in the order in which they went in.
 */
final class GlitchFilter {

    private static final long NONE = Long.MIN_VALUE;

    /** Where the filtered lines go. */
    interface Out {
        void levels(long ticks, int scl, int sda);
    }

    private final long limit;
    private final Out out;
    private int scl = -1;
    private int sda = -1;
    private int nextScl;
    private int nextSda;
    private long sclSince = NONE;
    private long sdaSince = NONE;

    /** @param limit in ticks, above 0 */
    GlitchFilter(long limit, Out out) {
        this.limit = limit;
        this.out = out;
    }

    void levels(long ticks, int newScl, int newSda) {
        if (scl < 0) {
            scl = newScl;
            sda = newSda;
            out.levels(ticks, scl, sda);
            return;
        }
        settle(ticks - limit);
        if (sclSince == NONE ? newScl != scl : newScl != nextScl) {
            sclSince = newScl == scl ? NONE : ticks;
            nextScl = newScl;
        }
        if (sdaSince == NONE ? newSda != sda : newSda != nextSda) {
            sdaSince = newSda == sda ? NONE : ticks;
            nextSda = newSda;
        }
    }

    void end() {
        settle(Long.MAX_VALUE);
    }

    private void settle(long until) {
        while (true) {
            boolean sclDue = sclSince != NONE && sclSince <= until;
            boolean sdaDue = sdaSince != NONE && sdaSince <= until;
            if (!sclDue && !sdaDue) {
                return;
            }
            long first = Math.min(sclDue ? sclSince : Long.MAX_VALUE, sdaDue ? sdaSince : Long.MAX_VALUE);
            if (sclDue && sclSince == first) {
                scl = nextScl;
                sclSince = NONE;
            }
            if (sdaDue && sdaSince == first) {
                sda = nextSda;
                sdaSince = NONE;
            }
            out.levels(first, scl, sda);
        }
    }
}
