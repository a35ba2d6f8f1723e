package izzet.app.traffic;

import izzet.app.store.Blocks;
import izzet.core.capture.WaveBlock;
import izzet.core.capture.WaveNode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Where the sums of the records that were looked at last lie, and the sums that were unpacked last: who looks at a wave looks again close by.
 * What a record holds does not change, and no other one gets its number.
 */
@Component
class Waves {

    private static final int MOST_RECORDS = 16;

    /** Some 70 kB each. */
    private static final int MOST_BLOCKS = 160;

    /** First and last ticks of the blocks of one level of a line, in order. */
    record Level(long[] first, long[] last) {

        private static Level of(List<Blocks.WavePlace> places) {
            return new Level(
                    places.stream().mapToLong(Blocks.WavePlace::firstTick).toArray(),
                    places.stream().mapToLong(Blocks.WavePlace::lastTick).toArray());
        }

        /** Number of the first block that does not end before a moment. */
        int from(long tick) {
            return reach(last, tick);
        }

        /** Number of the first block that begins at a moment or later. */
        int to(long tick) {
            return reach(first, tick);
        }

        private static int reach(long[] ticks, long tick) {
            int low = 0;
            int high = ticks.length;
            while (low < high) {
                int middle = low + high >>> 1;
                if (ticks[middle] < tick) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            return low;
        }
    }

    private record Key(long record, int line, int level, long first) {}

    private final Blocks blocks;
    private final Map<Long, Map<Integer, List<Level>>> places = latest(MOST_RECORDS);
    private final Map<Key, List<WaveNode>> unpacked = latest(MOST_BLOCKS);

    Waves(Blocks blocks) {
        this.blocks = blocks;
    }

    private static <K, V> Map<K, V> latest(int most) {
        return Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        });
    }

    /** The levels of each line of a record that has sums, finest first. */
    Map<Integer, List<Level>> of(long record) {
        Map<Integer, List<Level>> known = places.get(record);
        if (known == null) {
            known = blocks.wavePlaces(record).stream()
                    .collect(Collectors.groupingBy(
                            Blocks.WavePlace::line,
                            Collectors.collectingAndThen(
                                    Collectors.groupingBy(Blocks.WavePlace::level, TreeMap::new, Collectors.toList()),
                                    levels -> levels.values().stream()
                                            .map(Level::of)
                                            .toList())));
            places.put(record, known);
        }
        return known;
    }

    /** Nodes of blocks of a level, block by block; what is not at hand is read in one go. */
    List<List<WaveNode>> nodes(long record, int line, int number, Level level, int from, int to) {
        List<List<WaveNode>> all = new ArrayList<>(to - from);
        int missing = -1;
        int end = -1;
        for (int i = from; i < to; i++) {
            all.add(unpacked.get(new Key(record, line, number, level.first()[i])));
            if (all.get(i - from) == null) {
                missing = missing < 0 ? i : missing;
                end = i;
            }
        }
        if (missing >= 0) {
            Map<Long, WaveBlock> read =
                    blocks.waves(record, line, number, level.first()[missing], level.first()[end]).stream()
                            .collect(Collectors.toMap(WaveBlock::firstTick, Function.identity()));
            for (int i = missing; i <= end; i++) {
                if (all.get(i - from) == null) {
                    long first = level.first()[i];
                    WaveBlock block = read.get(first);
                    // None where the record is taken away at this moment.
                    all.set(i - from, block == null ? List.of() : block.nodes());
                    if (block != null) {
                        unpacked.put(new Key(record, line, number, first), all.get(i - from));
                    }
                }
            }
        }
        return all;
    }
}
