package izzet.core.capture;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * A stretch of a value change dump: its bytes, and the moments that its plain lines tell ("#123" and "1!"), as far as they go. What they
 * tell does not depend on what stands before, so stretches can be taken apart in any order, and by any thread; each once.
 */
final class Stretch {

    /** Marks the identifiers that are not taken as plain. */
    static final long NOT_PLAIN = -1;

    /** A time of 18 digits with its mark and its end fits behind the last byte. */
    private static final int MARGIN = 24;

    private static final int MOST_DIGITS = 18;
    private static final long ALL_HIGH = 0x5555_5555_5555_5555L;
    private static final long ALL_UNKNOWN = ~ALL_HIGH;

    /** The first and the third of four bytes: '0' or '1', and a line end; with a carriage return before it, the fourth, too. */
    private static final int LEVEL_AND_END = 0xFF00FE;

    private static final int ZERO_AND_END = '\n' << 16 | '0';
    private static final int LEVEL_AND_LONG_END = 0xFFFF00FE;
    private static final int ZERO_AND_LONG_END = '\n' << 24 | '\r' << 16 | '0';

    private static final VarHandle FOUR_BYTES =
            MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

    private static final VarHandle EIGHT_BYTES =
            MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    /** The place before the first byte is free for the byte before it. */
    static final int BEGIN = 1;

    final byte[] bytes;
    private int limit = BEGIN;
    private Moments moments;
    private int end;
    private int lines;
    private Use use;

    /** @param most bytes */
    Stretch(int most) {
        bytes = new byte[BEGIN + most + MARGIN];
    }

    int most() {
        return bytes.length - BEGIN - MARGIN;
    }

    /** Behind the last byte. */
    int limit() {
        return limit;
    }

    /** The bytes are there. */
    void filled(int newLimit) {
        limit = newLimit;
        Arrays.fill(bytes, limit, limit + MARGIN, (byte) 0);
        use = new Use();
    }

    /** What a stretch is filled with is taken apart by one, whoever comes first. The next filling is another use. */
    private static final class Use {
        private final AtomicBoolean claimed = new AtomicBoolean();
        private final CompletableFuture<Void> done = new CompletableFuture<>();

        boolean claim() {
            return claimed.compareAndSet(false, true);
        }
    }

    /** Takes apart what it holds now, for another thread; nothing when somebody was quicker. */
    Runnable task(long[] masks) {
        Use now = use;
        return () -> takeApart(now, masks);
    }

    /**
     * Takes the stretch apart from its beginning, unless somebody does or has done so.
     *
     * @param masks for each byte as an identifier both bits of all lines it stands for; {@link #NOT_PLAIN}
     * @return whether it was done here
     */
    boolean takeApart(long[] masks) {
        return takeApart(use, masks);
    }

    private boolean takeApart(Use now, long[] masks) {
        if (!now.claim()) {
            return false;
        }
        try {
            plain(BEGIN, -1, masks);
            now.done.complete(null);
        } catch (RuntimeException e) {
            // Whoever waits must not wait for ever.
            now.done.completeExceptionally(e);
            throw e;
        }
        return true;
    }

    boolean isTakenApart() {
        return use.done.isDone();
    }

    /** Waits for who has begun to take it apart. */
    void join() {
        use.done.join();
    }

    /** Nobody else writes to it any more. */
    void settle() {
        if (use.claim()) {
            use.done.complete(null);
        } else {
            use.done.join();
        }
    }

    /** Moments of the plain lines found last. */
    Moments moments() {
        return moments;
    }

    /** Where the plain lines found last end. */
    int end() {
        return end;
    }

    /** How many lines the plain ones are that were found last. */
    int lines() {
        return lines;
    }

    /** Whether its first line ends with a carriage return, too; then all plain ones do. */
    private boolean endsLong() {
        int at = BEGIN;
        while (at < limit && bytes[at] != '\n') {
            at++;
        }
        return at > BEGIN && at < limit && bytes[at - 1] == '\r';
    }

    /**
     * Finds the plain lines from a place on and stops in front of whatever looks different in any way. Most of the time of a decode goes
     * here.
     *
     * @param now the time that must be passed by the first stamp
     */
    void plain(int from, long now, long[] masks) {
        if (moments == null) {
            // A stamp and a value take eight bytes or more, where they are many.
            moments = new Moments(Math.max(16, most() / 8));
        }
        final byte[] text = bytes;
        final int last = limit;
        final long[] ticks = moments.ticks;
        final long[] levels = moments.levels;
        final int more = endsLong() ? 1 : 0;
        final int levelAndEnd = more > 0 ? LEVEL_AND_LONG_END : LEVEL_AND_END;
        final int zeroAndEnd = more > 0 ? ZERO_AND_LONG_END : ZERO_AND_END;
        final int firstOfEnd = more > 0 ? '\r' : '\n';
        final int lineOfValue = 3 + more;
        int entry = 0;
        int at = from;
        int taken = 0;
        long tick = now;
        long level = Moments.UNTOUCHED;
        while (at < last) {
            int four = (int) FOUR_BYTES.get(text, at);
            if ((four & 0xFF) == '#') {
                int p = at + 1;
                long next = 0;
                long eight = (long) EIGHT_BYTES.get(text, p);
                if (Digits.allEight(eight)) {
                    next = Digits.valueOfEight(eight);
                    p += 8;
                }
                int digit = text[p] - '0';
                while (digit >= 0 && digit <= 9 && p - at <= MOST_DIGITS) {
                    next = next * 10 + digit;
                    digit = text[++p] - '0';
                }
                if (text[p] != firstOfEnd
                        || text[p + more] != '\n'
                        || p == at + 1
                        || next <= tick
                        || entry == ticks.length - 1) {
                    break;
                }
                levels[entry] = level;
                entry++;
                ticks[entry] = next;
                tick = next;
                level = Moments.UNTOUCHED;
                at = p + 1 + more;
                taken++;
                four = (int) FOUR_BYTES.get(text, at);
            }
            // One comparison for both levels and the end of the line: which level it is cannot be foretold.
            if ((four & levelAndEnd) == zeroAndEnd) {
                long mask = masks[four >> 8 & 0xFF];
                if (mask == NOT_PLAIN) {
                    break;
                }
                level = level & ~mask | ALL_HIGH & mask & -(four & 1L);
                at += lineOfValue;
                taken++;
            } else if ((four & 0xFF) == firstOfEnd && text[at + more] == '\n') {
                // The careful reading stops in front of the end of its line.
                at += 1 + more;
                taken++;
            } else if ((four & 0xFF) != '#') {
                boolean ends = text[at + 2] == firstOfEnd && text[at + 2 + more] == '\n';
                long mask = ends ? masks[four >> 8 & 0xFF] : NOT_PLAIN;
                if (mask == NOT_PLAIN || (four & 0xFF) != 'x' && (four & 0xFF) != 'z') {
                    break;
                }
                level = level & ~mask | ALL_UNKNOWN & mask;
                at += lineOfValue;
                taken++;
            }
        }
        levels[entry] = level;
        moments.count = entry + 1;
        end = at;
        lines = taken;
    }
}
