package izzet.core.capture;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.ForkJoinPool;

/**
 * The stretches of a value change dump in turn. Of a long one the next ones are taken apart ahead by a second processor, while the reader
 * takes what it was given; whoever has nothing to do takes the next. Only the reader's thread reads the stream. Not thread-safe.
 */
final class Stretches {

    private static final int FIRST = 1 << 16;
    private static final int LATER = 1 << 17;
    private static final int AHEAD = 4;

    private final InputStream in;
    private final int sizeOfFirst;
    private final int size;
    private final Deque<Stretch> coming = new ArrayDeque<>();
    private final Deque<Stretch> spare = new ArrayDeque<>();
    private final boolean alone = Runtime.getRuntime().availableProcessors() < 2;

    /** What stands behind the last line end that was read. */
    private byte[] rest = new byte[0];

    private int restLength;
    private boolean first = true;
    private boolean ended;
    private IOException failure;
    private RuntimeException refusal;
    private Stretch given;
    private long[] masks;

    Stretches(InputStream in) {
        this(in, FIRST, LATER);
    }

    /**
     * @param first bytes in the first stretch
     * @param later bytes in each other, at least as many
     */
    Stretches(InputStream in, int first, int later) {
        this.in = in;
        this.sizeOfFirst = first;
        this.size = later;
    }

    /** From now on plain lines may be looked for ahead; see {@link Stretch#takeApart}. */
    void lookAhead(long[] newMasks) {
        masks = newMasks;
    }

    /**
     * The next one; the one before must not be used any more.
     *
     * @return null at the end
     * @throws IOException when the stream failed behind what was given
     */
    Stretch next() throws IOException {
        if (given != null) {
            given.settle();
            if (given.most() == size) {
                spare.push(given);
            }
        }
        given = null;
        int wanted = masks == null || first ? 1 : AHEAD;
        while (coming.size() < wanted && !ended) {
            read();
        }
        given = coming.poll();
        if (given == null && refusal != null) {
            throw refusal;
        }
        if (given == null && failure != null) {
            throw failure;
        }
        return given;
    }

    /** Whether the one given last has been taken apart from its beginning; waits for it where it is on the way. */
    boolean takenApart() {
        if (masks == null) {
            return false;
        }
        if (!given.takeApart(masks)) {
            for (Stretch later : coming) {
                if (given.isTakenApart()) {
                    break;
                }
                later.takeApart(masks);
            }
            given.join();
        }
        return true;
    }

    /** Reads one more, up to the end of its last line. */
    private void read() {
        Stretch next = first ? new Stretch(sizeOfFirst) : spare.isEmpty() ? new Stretch(size) : spare.pop();
        System.arraycopy(rest, 0, next.bytes, Stretch.BEGIN, restLength);
        int limit = Stretch.BEGIN + restLength;
        restLength = 0;
        int room = Stretch.BEGIN + next.most() - limit;
        try {
            // What comes first is given at once: it may be all, or show that this is no record.
            int got;
            do {
                got = in.read(next.bytes, limit, room);
                limit += Math.max(0, got);
                room -= Math.max(0, got);
            } while (got > 0 && room > 0 && !first);
            ended = got <= 0;
        } catch (IOException e) {
            failure = e;
            ended = true;
        } catch (RuntimeException e) {
            refusal = e;
            ended = true;
        }
        first = false;
        if (!ended) {
            limit = uncut(next.bytes, limit);
        }
        if (limit == Stretch.BEGIN) {
            return;
        }
        next.filled(limit);
        coming.add(next);
        if (masks != null && !alone) {
            ForkJoinPool.commonPool().execute(next.task(masks));
        }
    }

    /** Keeps what stands behind the last line end for the next one. */
    private int uncut(byte[] bytes, int limit) {
        int end = limit;
        while (end > Stretch.BEGIN && bytes[end - 1] != '\n') {
            end--;
        }
        if (end == Stretch.BEGIN) {
            return limit;
        }
        restLength = limit - end;
        if (rest.length < restLength) {
            rest = new byte[size];
        }
        System.arraycopy(bytes, end, rest, 0, restLength);
        return end;
    }
}
