package izzet.core.capture;

import java.util.Iterator;

/** Walks the changes of one line, block by block; holds one block unpacked. */
public final class EdgeCursor {

    private final Iterator<EdgeBlock> blocks;
    private long[] ticks = {};
    private byte[] levels = {};
    private int at;

    public EdgeCursor(Iterator<EdgeBlock> blocks) {
        this.blocks = blocks;
        refill();
    }

    private void refill() {
        if (at == ticks.length && blocks.hasNext()) {
            EdgeBlock block = blocks.next();
            ticks = new long[block.count()];
            levels = new byte[block.count()];
            int[] i = {0};
            block.visit((tick, level) -> {
                ticks[i[0]] = tick;
                levels[i[0]++] = (byte) level;
            });
            at = 0;
        }
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
