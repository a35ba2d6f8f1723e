package izzet.core.capture;

import java.util.Arrays;
import java.util.List;

/**
 * A stretch of one line as columns of a picture. Each column is a set of bits: 1 it was low, 2 it was high, 4 it was unknown; and in
 * bits 4 and 5 the level it ends with.
 */
public final class WaveColumns {

    private static final int END_SHIFT = 4;

    private WaveColumns() {}

    /**
     * @param blocks of one line in order, those that touch the stretch and the one before it
     * @param from first tick, inclusive
     * @param to last tick, exclusive; above {@code from}
     */
    public static byte[] of(List<EdgeBlock> blocks, long from, long to, int columns) {
        byte[] out = new byte[columns];
        boolean[] touched = new boolean[columns];
        double perTick = columns / (double) (to - from);
        int[] level = {ChangeSink.Levels.UNKNOWN};
        int[] endLevel = new int[columns];
        Arrays.fill(endLevel, -1);
        int[] start = {-1};
        for (EdgeBlock block : blocks) {
            if (block.lastTick() < from) {
                level[0] = block.after();
                continue;
            }
            int first = column(block.firstTick(), from, perTick);
            int last = column(block.lastTick(), from, perTick);
            if (start[0] < 0) {
                level[0] = block.before();
                start[0] = level[0];
            }
            if (first == last && first >= 0 && first < columns) {
                // The whole block falls into one column: no need to unpack it.
                out[first] |= (byte) (bit(level[0]) | 1 | 2);
                touched[first] = true;
                endLevel[first] = block.after();
                level[0] = block.after();
                continue;
            }
            block.visit((tick, next) -> {
                if (tick < from) {
                    start[0] = next;
                } else if (tick < to) {
                    int c = Math.min(columns - 1, column(tick, from, perTick));
                    if (!touched[c]) {
                        out[c] |= (byte) bit(level[0]);
                        touched[c] = true;
                    }
                    out[c] |= (byte) bit(next);
                    endLevel[c] = next;
                }
                level[0] = next;
            });
        }
        int current = start[0] >= 0 ? start[0] : level[0];
        for (int c = 0; c < columns; c++) {
            if (endLevel[c] >= 0) {
                out[c] |= (byte) bit(current);
                current = endLevel[c];
            } else {
                out[c] |= (byte) bit(current);
            }
            out[c] |= (byte) (current << END_SHIFT);
        }
        return out;
    }

    private static int column(long tick, long from, double perTick) {
        return (int) Math.floor((tick - from) * perTick);
    }

    private static int bit(int level) {
        return 1 << level;
    }
}
