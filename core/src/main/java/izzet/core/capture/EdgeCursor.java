package izzet.core.capture;

import java.util.Arrays;
import java.util.Iterator;

/** Walks the changes of one line, block by block; holds one block unpacked. */
public final class EdgeCursor {

    private final Iterator<EdgeBlock> blocks;
    private final long from;
    private final long to;
    private long[] ticks = {};
    private byte[] levels = {};
    private int at;

    /** The level that the line has when the stretch begins; -1 once that was told. */
    private int atStart = ChangeSink.Levels.UNKNOWN;

    public EdgeCursor(Iterator<EdgeBlock> blocks) {
        this(blocks, Long.MIN_VALUE, Long.MAX_VALUE);
    }

    /**
     * A stretch of a line: its first change tells the level that it has there already, where that is known.
     *
     * @param blocks with all that touch the stretch and the one before it
     * @param from first tick
     * @param to last tick
     */
    public EdgeCursor(Iterator<EdgeBlock> blocks, long from, long to) {
        this.blocks = blocks;
        this.from = from;
        this.to = to;
        refill();
    }

    private void refill() {
        while (at == ticks.length && (blocks.hasNext() || atStart >= 0)) {
            at = 0;
            int[] i = {0};
            if (!blocks.hasNext()) {
                ticks = new long[1];
                levels = new byte[1];
                begin(i);
                ticks = Arrays.copyOf(ticks, i[0]);
                return;
            }
            EdgeBlock block = blocks.next();
            ticks = new long[block.count() + 1];
            levels = new byte[block.count() + 1];
            block.visit((tick, level) -> {
                if (tick < from) {
                    atStart = level;
                } else if (tick <= to) {
                    if (tick > from) {
                        begin(i);
                    }
                    atStart = -1;
                    ticks[i[0]] = tick;
                    levels[i[0]++] = (byte) level;
                }
            });
            ticks = Arrays.copyOf(ticks, i[0]);
        }
    }

    private void begin(int[] i) {
        if (atStart == 0 || atStart == 1) {
            ticks[i[0]] = from;
            levels[i[0]++] = (byte) atStart;
        }
        atStart = -1;
    }

    public boolean more() {
        return at < ticks.length;
    }

    /** Of the next change; the greatest number behind the last one. */
    public long tick() {
        return more() ? ticks[at] : Long.MAX_VALUE;
    }

    /** The level after the next change, which is passed by. */
    public int take() {
        int level = levels[at++];
        refill();
        return level;
    }
}
