package izzet.app.traffic;

import izzet.app.store.Blocks;
import izzet.core.capture.EdgeBlock;
import izzet.core.capture.WaveNode;
import izzet.core.capture.WaveSource;
import java.util.ArrayList;
import java.util.List;
import org.springframework.data.domain.Limit;

/** The stored changes of a line and their sums, for one picture. */
final class StoredWave implements WaveSource {

    /** Blocks of nodes that are looked at one by one. */
    private static final int FEW = 4;

    private final Blocks blocks;
    private final Waves waves;
    private final long record;
    private final int line;
    private final List<Waves.Level> levels;
    private List<EdgeBlock> last = List.of();

    StoredWave(Blocks blocks, Waves waves, long record, int line, List<Waves.Level> levels) {
        this.blocks = blocks;
        this.waves = waves;
        this.record = record;
        this.line = line;
        this.levels = levels;
    }

    @Override
    public int level(long from, long to) {
        int level = CHANGES;
        for (int i = 0; i < levels.size(); i++) {
            int touching = levels.get(i).to(to) - levels.get(i).from(from);
            if (touching > 0) {
                level = i;
                if (touching <= FEW) {
                    return level;
                }
            }
        }
        return level;
    }

    @Override
    public List<WaveNode> nodes(int number, long from, long to) {
        Waves.Level level = levels.get(number);
        // The last one before the stretch tells with which level it begins.
        int begin = Math.max(0, level.from(from) - 1);
        List<WaveNode> nodes = new ArrayList<>();
        waves.nodes(record, line, number, level, begin, level.to(to)).forEach(block -> add(block, from, to, nodes));
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
