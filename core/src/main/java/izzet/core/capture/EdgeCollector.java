package izzet.core.capture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** Reads a record into blocks of changes, line by line. Not thread-safe; one per record. */
public final class EdgeCollector implements ChangeSink {

    /** Lines kept of one record. */
    public static final int MAX_LINES = 32;

    /** Where full blocks go. */
    public interface Blocks {
        void block(int line, EdgeBlock block);

        /** What sums up the changes of a line with many of them; level 0 is the finest. */
        default void wave(int line, int level, WaveBlock block) {}
    }

    private final Consumer<RecordHeader> onHeader;
    private final Blocks blocks;
    private final Watch watch;
    private final Set<String> keep;
    private int lines;
    private int[] level;
    private int[] pending;
    private int[] before;
    private long[][] ticks;
    private byte[][] levels;
    private int[] counts;
    private WavePyramid[] pyramids;
    private long[] edges;
    private long first = -1;
    private long last;

    /** Sees all kept lines at each moment. */
    public interface Watch {
        void moment(long tick, int[] levels);
    }

    public EdgeCollector(Consumer<RecordHeader> onHeader, Blocks blocks) {
        this(onHeader, blocks, (tick, levels) -> {}, Set.of());
    }

    /**
     * @param watch gets its own view of the levels, not to be kept
     * @param keep names of the lines to keep; empty for all
     */
    public EdgeCollector(Consumer<RecordHeader> onHeader, Blocks blocks, Watch watch, Set<String> keep) {
        this.keep = Set.copyOf(keep);
        this.onHeader = onHeader;
        this.blocks = blocks;
        this.watch = watch;
    }

    @Override
    public Signal[] header(RecordHeader header) {
        List<String> names = header.names();
        List<Signal> kept = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            if (keep.isEmpty() || keep.contains(names.get(i))) {
                kept.add(header.signals().get(i));
            }
        }
        if (!keep.isEmpty() && kept.size() < keep.size()) {
            List<String> missing =
                    keep.stream().filter(k -> !names.contains(k)).sorted().toList();
            throw new RecordFault(
                    0, "The record has no line '" + missing.get(0) + "'; it has " + RecordHeader.listed(names) + ".");
        }
        if (kept.size() > MAX_LINES) {
            throw new RecordFault(
                    0,
                    "The record has " + kept.size() + " lines, and up to " + MAX_LINES
                            + " are kept. Name those to keep: it has " + RecordHeader.listed(names) + ".");
        }
        RecordHeader own = new RecordHeader(header.timeScale(), kept);
        onHeader.accept(own);
        lines = kept.size();
        level = filled(Levels.UNKNOWN);
        pending = filled(Levels.UNKNOWN);
        before = filled(Levels.UNKNOWN);
        ticks = new long[lines][EdgeBlock.CAPACITY];
        levels = new byte[lines][EdgeBlock.CAPACITY];
        counts = new int[lines];
        edges = new long[lines];
        pyramids = new WavePyramid[lines];
        for (int i = 0; i < lines; i++) {
            int line = i;
            pyramids[i] = new WavePyramid((depth, block) -> blocks.wave(line, depth, block));
        }
        return kept.toArray(new Signal[0]);
    }

    private int[] filled(int value) {
        int[] array = new int[lines];
        Arrays.fill(array, value);
        return array;
    }

    @Override
    public void change(int index, int newLevel) {
        pending[index] = newLevel;
    }

    @Override
    public void moment(long tick) {
        if (first < 0) {
            first = tick;
        }
        watch.moment(tick, pending);
        for (int i = 0; i < lines; i++) {
            if (pending[i] != level[i]) {
                level[i] = pending[i];
                ticks[i][counts[i]] = tick;
                levels[i][counts[i]++] = (byte) level[i];
                edges[i]++;
                if (counts[i] == EdgeBlock.CAPACITY) {
                    flush(i);
                }
            }
        }
    }

    private void flush(int line) {
        if (counts[line] > 0) {
            EdgeBlock block = EdgeBlock.pack(ticks[line], levels[line], counts[line], before[line]);
            pyramids[line].add(ticks[line], levels[line], counts[line], before[line]);
            before[line] = block.after();
            counts[line] = 0;
            blocks.block(line, block);
        }
    }

    @Override
    public void end(long tick) {
        last = tick;
        for (int i = 0; i < lines; i++) {
            flush(i);
            pyramids[i].end();
        }
    }

    /** First time stamp; 0 when the record has none. */
    public long firstTick() {
        return Math.max(0, first);
    }

    public long lastTick() {
        return last;
    }

    /** Changes of each line kept. */
    public long[] edges() {
        return edges.clone();
    }
}
