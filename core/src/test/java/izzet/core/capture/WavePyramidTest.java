package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A picture from sums is the picture from all changes, whatever the stretch. */
class WavePyramidTest {

    /** Holds what a record stores, and counts what a picture asks of it. */
    private static final class Stored implements WaveSource, EdgeCollector.Blocks {
        private final List<EdgeBlock> edges = new ArrayList<>();
        private final Map<Integer, List<WaveBlock>> waves = new HashMap<>();
        private int unpacked;
        private int deepest = 2;

        @Override
        public void block(int line, EdgeBlock block) {
            edges.add(block);
        }

        @Override
        public void wave(int line, int level, WaveBlock block) {
            waves.computeIfAbsent(level, k -> new ArrayList<>()).add(block);
        }

        @Override
        public int level(long from, long to) {
            for (int level = 0; level < waves.size(); level++) {
                long touching = waves.get(level).stream()
                        .filter(w -> w.firstTick() < to && w.lastTick() >= from)
                        .count();
                if (touching <= deepest) {
                    return level;
                }
            }
            return waves.size() - 1;
        }

        @Override
        public List<WaveNode> nodes(int level, long from, long to) {
            List<WaveNode> nodes = new ArrayList<>();
            for (WaveBlock block : waves.get(level)) {
                for (WaveNode node : block.nodes()) {
                    if (node.last() < from) {
                        nodes.clear();
                    }
                    if (node.first() < to) {
                        nodes.add(node);
                    }
                }
            }
            return nodes;
        }

        @Override
        public List<EdgeBlock> blocks(long from, long to) {
            List<EdgeBlock> some = new ArrayList<>();
            for (EdgeBlock block : edges) {
                if (block.lastTick() < from) {
                    some.clear();
                }
                if (block.firstTick() < to) {
                    some.add(block);
                }
            }
            unpacked += some.size();
            return some;
        }
    }

    private final Random random = new Random(5);
    private long last;

    /** Bursts with pauses, a few moments without a level among them. */
    private Stored record(int changes, boolean pauses, boolean unknowns) {
        Stored stored = new Stored();
        EdgeCollector collector = new EdgeCollector(h -> {}, stored);
        collector.header(new RecordHeader(new TimeScale(1), List.of(new Signal("a", "a", -1, 0, 0))));
        long tick = 100;
        for (int i = 0; i < changes; i++) {
            tick += 1 + random.nextInt(9) + (pauses && random.nextInt(700) == 0 ? random.nextInt(300_000) : 0);
            collector.change(0, unknowns && random.nextInt(5000) == 0 ? 2 : i % 2);
            collector.moment(tick);
        }
        last = tick;
        collector.end(tick);
        return stored;
    }

    private void same(Stored stored, List<EdgeBlock> each, long from, long to, int columns) {
        byte[] all = WaveColumns.of(each, from, to, columns);
        byte[] sums = WaveColumns.of(stored, from, to, columns);
        for (int c = 0; c < columns; c++) {
            boolean solid = (all[c] & 3) == 3 && c + 1 < columns && (all[c + 1] & 3) == 3;
            int wanted = solid ? all[c] & 7 : all[c];
            assertThat(solid ? sums[c] & 7 : sums[c])
                    .as("column %d of %d from %d to %d", c, columns, from, to)
                    .isEqualTo((byte) wanted);
        }
    }

    /** One block for each change, so that none is drawn by its ends. */
    private static List<EdgeBlock> each(List<EdgeBlock> blocks) {
        List<EdgeBlock> single = new ArrayList<>();
        int[] level = {2};
        blocks.forEach(b -> b.visit((tick, next) -> {
            single.add(EdgeBlock.pack(new long[] {tick}, new byte[] {(byte) next}, 1, level[0]));
            level[0] = next;
        }));
        return single;
    }

    @Test
    void agreesWithAllChangesAtAnyZoom() {
        for (int kind = 0; kind < 4; kind++) {
            Stored stored = record(70_000, kind % 2 == 1, kind > 1);
            assertThat(stored.waves).containsKey(0);
            List<EdgeBlock> each = each(stored.edges);
            for (int round = 0; round < 6; round++) {
                long span = (long) Math.pow(last, random.nextDouble());
                long from = (long) (random.nextDouble() * (last - span));
                same(stored, each, from, from + Math.max(1, span), 1 + random.nextInt(1500));
            }
            same(stored, each, 0, last + 1, 1200);
        }
    }

    @Test
    void agreesWhereHigherLevelsAreLookedAtFirst() {
        Stored stored = record(1_300_000, true, false);
        stored.deepest = 0;
        assertThat(stored.waves).containsKey(1);
        List<long[]> stretches = List.of(new long[] {0, last + 1}, new long[] {last / 3, last / 2});
        for (long[] s : stretches) {
            byte[] sums = WaveColumns.of(stored, s[0], s[1], 900);
            stored.deepest = 1000;
            byte[] finer = WaveColumns.of(stored, s[0], s[1], 900);
            stored.deepest = 0;
            for (int c = 0; c < sums.length; c++) {
                assertThat(sums[c] & 7).as("column %d", c).isEqualTo(finer[c] & 7);
            }
        }
    }

    @Test
    void aSolidRecordIsDrawnWithoutItsChanges() {
        Stored stored = record(1_300_000, false, false);
        WaveColumns.of(stored, 0, last + 1, 1200);
        assertThat(stored.unpacked).isLessThan(4);
    }

    /** Nodes wider than a column, too, as long as no pause in them is. */
    @Test
    void aDenseStretchIsDrawnWithoutItsChanges() {
        Stored stored = record(300_000, false, false);
        List<EdgeBlock> each = each(stored.edges);
        for (int nodes : new int[] {100, 200, 500}) {
            long span = nodes * 256L * last / 300_000;
            stored.unpacked = 0;
            same(stored, each, last / 3, last / 3 + span, 1200);
            assertThat(stored.unpacked).as("%d nodes", nodes).isLessThan(6);
        }
    }

    @Test
    void aShortLineHasNoSums() {
        assertThat(record(WavePyramid.FEW, true, false).waves).isEmpty();
    }
}
