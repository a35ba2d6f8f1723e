package izzet.app.traffic;

import izzet.app.store.Blocks;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.WaveBlock;
import izzet.core.capture.WaveNode;
import izzet.core.capture.WaveSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.data.domain.Limit;

/** The stored changes of a line and their sums; for one picture, for which each block of sums is unpacked once. */
final class StoredWave implements WaveSource {

    /** Blocks of nodes that are looked at one by one. */
    private static final int FEW = 8;

    private final Blocks blocks;
    private final long record;
    private final int line;
    private final Map<Integer, TreeMap<Long, Row>> unpacked = new HashMap<>();
    private List<EdgeBlock> last = List.of();

    StoredWave(Blocks blocks, long record, int line) {
        this.blocks = blocks;
        this.record = record;
        this.line = line;
    }

    @Override
    public int level(long from, long to) {
        int level = CHANGES;
        for (Object[] row : blocks.waveLevels(record, line, from, to)) {
            level = ((Number) row[0]).intValue();
            if (((Number) row[1]).longValue() <= FEW) {
                return level;
            }
        }
        return level;
    }

    private record Row(long last, List<WaveNode> nodes) {}

    @Override
    public List<WaveNode> nodes(int level, long from, long to) {
        TreeMap<Long, Row> known = unpacked.computeIfAbsent(level, k -> new TreeMap<>());
        Map.Entry<Long, Row> row = known.floorEntry(from);
        List<WaveNode> nodes = new ArrayList<>();
        if (row != null && row.getValue().last() >= to - 1) {
            add(row.getValue().nodes(), from, to, nodes);
            return nodes;
        }
        for (WaveBlock block : blocks.waves(record, line, level, from, to)) {
            add(
                    known.computeIfAbsent(block.firstTick(), k -> new Row(block.lastTick(), block.nodes()))
                            .nodes(),
                    from,
                    to,
                    nodes);
        }
        return nodes;
    }

    /** Those that touch the stretch, and the one before it. */
    private static void add(List<WaveNode> all, long from, long to, List<WaveNode> nodes) {
        int low = 0;
        int high = all.size();
        while (low < high) {
            int middle = low + high >>> 1;
            if (all.get(middle).last() < from) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        for (int i = Math.max(0, low - 1); i < all.size() && all.get(i).first() < to; i++) {
            nodes.add(all.get(i));
        }
    }

    @Override
    public List<EdgeBlock> blocks(long from, long to) {
        boolean held = last.size() == 1
                && last.get(0).firstTick() <= from
                && last.get(0).lastTick() >= to - 1;
        if (!held) {
            last = blocks.between(record, line, from, to, Limit.of(Integer.MAX_VALUE));
            if (last.size() == 2 && last.get(1).firstTick() <= from) {
                last = last.subList(1, 2);
            }
        }
        return last;
    }
}
