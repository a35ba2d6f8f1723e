package izzet.core.capture;

import java.util.ArrayList;
import java.util.List;

/**
 * Sums up the changes of one line, level by level, so that a picture of many changes needs few of them: a node of level 0 holds up to
 * {@value #EDGES} changes, one of a higher level up to {@value #FAN} nodes of the level below. Not thread-safe; one per line.
 */
final class WavePyramid {

    static final int EDGES = 256;
    static final int FAN = 4;

    /** With fewer changes a line is drawn from them at once, and has no pyramid. */
    static final int FEW = 65_536;

    /** A node of at least so many changes ends before a long pause, so that the pause is seen without looking inside. */
    private static final int LEAST = 32;

    private static final int PAUSE = 8;

    /** Where full blocks go. */
    interface Out {
        void block(int level, WaveBlock block);
    }

    private static final class Level {
        private final List<WaveNode> nodes = new ArrayList<>();
        private WaveNode sum;
        private int summed;
        private int blocks;
    }

    private final Out out;
    private final List<Level> levels = new ArrayList<>();
    private long changes;
    private int held;
    private long first;
    private long last;
    private int before;
    private int after;
    private int seen;
    private long gapFrom;
    private long gapTo;
    private int gapLevel;

    WavePyramid(Out out) {
        this.out = out;
    }

    /** @param levelBefore the first of these changes */
    void add(long[] ticks, byte[] newLevels, int count, int levelBefore) {
        int level = levelBefore;
        for (int i = 0; i < count; i++) {
            long tick = ticks[i];
            if (held == EDGES || held >= LEAST && tick - last > PAUSE * (last - first)) {
                close();
            }
            if (held == 0) {
                first = tick;
                before = level;
                seen = 0;
                gapFrom = tick;
                gapTo = tick;
                gapLevel = newLevels[i];
            } else if (tick - last > gapTo - gapFrom) {
                gapFrom = last;
                gapTo = tick;
                gapLevel = level;
            }
            level = newLevels[i];
            last = tick;
            after = level;
            seen |= 1 << level;
            held++;
        }
        changes += count;
    }

    private void close() {
        push(0, new WaveNode(first, last, before, after, seen, gapFrom, gapTo, gapLevel));
        held = 0;
    }

    private void push(int level, WaveNode node) {
        if (level == levels.size()) {
            levels.add(new Level());
        }
        Level here = levels.get(level);
        if (here.nodes.size() == WaveBlock.CAPACITY) {
            emit(level);
        }
        here.nodes.add(node);
        here.sum = here.summed == 0 ? node : here.sum.with(node);
        here.summed++;
        if (here.summed == FAN) {
            here.summed = 0;
            push(level + 1, here.sum);
        }
    }

    private void emit(int level) {
        Level here = levels.get(level);
        out.block(level, WaveBlock.pack(here.nodes));
        here.blocks++;
        here.nodes.clear();
    }

    void end() {
        if (changes <= FEW) {
            return;
        }
        close();
        for (int level = 0; level < levels.size(); level++) {
            Level here = levels.get(level);
            boolean one = here.blocks == 0;
            if (!one && here.summed > 0) {
                here.summed = 0;
                push(level + 1, here.sum);
            }
            emit(level);
            if (one) {
                // One block of this level is soon read: nothing above it is needed.
                return;
            }
        }
    }
}
