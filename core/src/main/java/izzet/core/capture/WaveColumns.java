package izzet.core.capture;

import java.util.Arrays;
import java.util.List;

/**
 * A stretch of one line as columns of a picture. Each column is a set of bits: 1 it was low, 2 it was high, 4 it was unknown; and in
 * bits 4 and 5 the level it ends with, which is not told of a column that was both and whose neighbour to the right was both too.
 */
public final class WaveColumns {

    private static final int END_SHIFT = 4;

    /** With so many columns to a node its changes are drawn one by one: hardly a column would be full of them. */
    private static final int NODES_WORTH = 16;

    private final long from;
    private final long to;
    private final double perTick;
    private final byte[] out;
    private final int[] endLevel;
    private int level = ChangeSink.Levels.UNKNOWN;
    private int atStart = ChangeSink.Levels.UNKNOWN;
    private boolean any;

    private WaveColumns(long from, long to, int columns) {
        this.from = from;
        this.to = to;
        this.perTick = columns / (double) (to - from);
        this.out = new byte[columns];
        this.endLevel = new int[columns];
        Arrays.fill(endLevel, -1);
    }

    /**
     * @param blocks of one line in order, those that touch the stretch and the one before it
     * @param from first tick, inclusive
     * @param to last tick, exclusive; above {@code from}
     */
    public static byte[] of(List<EdgeBlock> blocks, long from, long to, int columns) {
        WaveColumns wave = new WaveColumns(from, to, columns);
        wave.blocks(blocks, Long.MIN_VALUE, Long.MAX_VALUE);
        return wave.done();
    }

    /**
     * The same from nodes where the stretch has many changes; only where a node does not tell enough, what lies below it is looked at.
     *
     * @param from first tick, inclusive
     * @param to last tick, exclusive; above {@code from}
     */
    public static byte[] of(WaveSource source, long from, long to, int columns) {
        WaveColumns wave = new WaveColumns(from, to, columns);
        int level = source.level(from, to);
        List<WaveNode> nodes = level < 0 ? List.of() : source.nodes(level, from, to);
        if (level == 0 && nodes.size() <= columns / NODES_WORTH || nodes.isEmpty()) {
            wave.blocks(source.blocks(from, to), Long.MIN_VALUE, Long.MAX_VALUE);
        } else {
            nodes.forEach(n -> wave.node(n, level, source));
        }
        return wave.done();
    }

    private void blocks(List<EdgeBlock> blocks, long first, long last) {
        for (EdgeBlock block : blocks) {
            if (block.lastTick() < Math.max(from, first)) {
                if (first < block.lastTick()) {
                    starts(block.before());
                    passed(block.after());
                }
            } else if (block.firstTick() < to && block.firstTick() <= last) {
                starts(block.before());
                boolean inside =
                        block.firstTick() >= Math.max(from, first) && block.lastTick() < to && block.lastTick() <= last;
                if (inside && block.count() > 1 && column(block.firstTick()) == column(block.lastTick())) {
                    // The whole block falls into one column: no need to unpack it.
                    int c = column(block.firstTick());
                    out[c] |= (byte) (1 << level | WaveNode.BOTH);
                    endLevel[c] = block.after();
                    level = block.after();
                    continue;
                }
                block.visit(Math.min(last, to - 1), (tick, next) -> {
                    if (tick >= first) {
                        edge(tick, next);
                    }
                });
            }
        }
    }

    private void starts(int before) {
        if (!any) {
            any = true;
            passed(before);
        }
    }

    private void passed(int now) {
        level = now;
        atStart = now;
    }

    private void edge(long tick, int next) {
        if (tick < from) {
            passed(next);
        } else if (tick < to) {
            int c = column(tick);
            out[c] |= (byte) (1 << level | 1 << next);
            endLevel[c] = next;
            level = next;
        }
    }

    private void node(WaveNode node, int depth, WaveSource source) {
        starts(node.before());
        if (node.last() < from) {
            passed(node.after());
            return;
        }
        if (node.first() >= to) {
            return;
        }
        boolean inside = node.first() >= from && node.last() < to;
        if (inside && column(node.first()) == column(node.last())) {
            int c = column(node.first());
            out[c] |= (byte) (1 << node.before() | node.seen());
            endLevel[c] = node.after();
            level = node.after();
        } else if (inside && node.clean() && (node.gapTo() - node.gapFrom()) * perTick <= 1) {
            // No pause is wider than a column, so each column between the first change and the last has one.
            solid(node.first(), node.last(), node.before(), node.after());
        } else if (inside && node.clean() && burst(node.first(), node.gapFrom()) && burst(node.gapTo(), node.last())) {
            // Busy, a pause, busy again: each busy part lies in a column or two.
            solid(node.first(), node.gapFrom(), node.before(), node.gapLevel());
            solid(node.gapTo(), node.last(), node.gapLevel(), node.after());
        } else if (depth == 0) {
            blocks(source.blocks(node.first(), node.last() + 1), node.first(), node.last());
        } else {
            for (WaveNode part : source.nodes(depth - 1, node.first(), node.last() + 1)) {
                if (part.first() >= node.first() && part.last() <= node.last()) {
                    node(part, depth - 1, source);
                }
            }
        }
    }

    private boolean burst(long first, long last) {
        return column(last) - column(first) <= 1;
    }

    /** Each column from the first change to the last has one, so each was low and high. */
    private void solid(long first, long last, int before, int after) {
        int left = column(first);
        int right = column(last);
        for (int c = left; c < right; c++) {
            out[c] |= WaveNode.BOTH;
            endLevel[c] = before;
        }
        out[right] |= WaveNode.BOTH;
        endLevel[right] = after;
        level = after;
    }

    private byte[] done() {
        int current = atStart;
        for (int c = 0; c < out.length; c++) {
            out[c] |= (byte) (1 << current);
            current = endLevel[c] >= 0 ? endLevel[c] : current;
            out[c] |= (byte) (current << END_SHIFT);
        }
        return out;
    }

    private int column(long tick) {
        return Math.min(out.length - 1, (int) Math.floor((tick - from) * perTick));
    }
}
