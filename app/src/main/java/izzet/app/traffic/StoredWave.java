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
import org.springframework.data.domain.Limit;

/** The stored changes of a line and their sums; for one picture, for which each block of sums is unpacked once. */
final class StoredWave implements WaveSource {

    /** Blocks of nodes that are looked at one by one. */
    private static final int FEW = 3;

    private final Blocks blocks;
    private final long record;
    private final int line;
    private final Map<Long, List<WaveNode>> unpacked = new HashMap<>();

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

    @Override
    public List<WaveNode> nodes(int level, long from, long to) {
        List<WaveNode> nodes = new ArrayList<>();
        WaveNode before = null;
        for (WaveBlock block : blocks.waves(record, line, level, from, to)) {
            for (WaveNode node : unpacked.computeIfAbsent(block.firstTick() * 8 + level, k -> block.nodes())) {
                if (node.last() < from) {
                    before = node;
                } else if (node.first() < to) {
                    nodes.add(node);
                }
            }
        }
        if (before != null) {
            nodes.add(0, before);
        }
        return nodes;
    }

    @Override
    public List<EdgeBlock> blocks(long from, long to) {
        return blocks.between(record, line, from, to, Limit.of(Integer.MAX_VALUE));
    }
}
