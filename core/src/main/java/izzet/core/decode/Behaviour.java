package izzet.core.decode;

import izzet.core.capture.ChangeSink;
import izzet.core.capture.TimeScale;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * How the lines of a record behave at its beginning: how often they change, where they rest, and what the others do meanwhile. From it
 * protocols guess which lines are theirs. Not thread-safe.
 */
public final class Behaviour {

    /** Moments that are looked at; what comes later is not needed to tell lines apart. */
    private static final int MOST_MOMENTS = 200_000;

    /** Levels of all lines kept for trials, from the beginning. */
    private static final int KEPT = 4096;

    private final List<String> names;
    private final int lines;
    private final int[] level;
    private final long[][] edges;
    private final long[][][] while0;
    private final long[] high;
    private final long[] known;
    private final long[] lastEdge;
    private final long[] shortest;
    private final List<long[]> kept = new ArrayList<>();
    private final boolean[] taken;
    private long moments;
    private long last = -1;

    private final TimeScale scale;

    public Behaviour(List<String> names, TimeScale scale) {
        this.names = List.copyOf(names);
        this.scale = scale;
        lines = names.size();
        level = new int[lines];
        java.util.Arrays.fill(level, ChangeSink.Levels.UNKNOWN);
        edges = new long[2][lines];
        while0 = new long[2][lines][lines * 2];
        high = new long[lines];
        known = new long[lines];
        lastEdge = new long[lines];
        java.util.Arrays.fill(lastEdge, -1);
        shortest = new long[lines];
        java.util.Arrays.fill(shortest, Long.MAX_VALUE);
        taken = new boolean[lines];
    }

    /** Whether there is more to learn; {@link #moment} need not be called after that. */
    public boolean learns() {
        return moments < MOST_MOMENTS;
    }

    /** @param levels of all lines at this moment */
    public void moment(long tick, int[] levels) {
        if (last >= 0) {
            for (int i = 0; i < lines; i++) {
                high[i] += level[i] == 1 ? tick - last : 0;
                known[i] += level[i] < ChangeSink.Levels.UNKNOWN ? tick - last : 0;
            }
        }
        for (int i = 0; i < lines; i++) {
            int now = levels[i];
            if (now == level[i]) {
                continue;
            }
            if (now < ChangeSink.Levels.UNKNOWN && level[i] < ChangeSink.Levels.UNKNOWN) {
                edges[now][i]++;
                for (int j = 0; j < lines; j++) {
                    // A line that changes at the same moment is neither high nor low.
                    if (j != i && levels[j] == level[j] && levels[j] < ChangeSink.Levels.UNKNOWN) {
                        while0[now][i][j * 2 + levels[j]]++;
                    }
                }
                if (lastEdge[i] >= 0) {
                    shortest[i] = Math.min(shortest[i], tick - lastEdge[i]);
                }
                lastEdge[i] = tick;
            }
        }
        System.arraycopy(levels, 0, level, 0, lines);
        if (kept.size() < KEPT) {
            long[] row = new long[2];
            row[0] = tick;
            for (int i = 0; i < Math.min(lines, 32); i++) {
                row[1] |= (long) (levels[i] & 3) << (i << 1);
            }
            kept.add(row);
        }
        last = tick;
        moments++;
    }

    /** Numbers of the lines that no bus was found on yet. */
    public List<Integer> free() {
        return IntStream.range(0, lines).filter(i -> !taken[i]).boxed().toList();
    }

    /** A bus was found on this line. */
    public void take(int line) {
        taken[line] = true;
    }

    public TimeScale scale() {
        return scale;
    }

    public String name(int line) {
        return names.get(line);
    }

    /** Whether the name of a line has one of these words in it, or is one of them; in small letters. */
    public boolean named(int line, String... words) {
        String own = names.get(line).toLowerCase(Locale.ROOT);
        String leaf = own.substring(own.lastIndexOf('.') + 1);
        for (String word : words) {
            if (word.length() < 3
                    ? leaf.equals(word) || leaf.matches(".*[^a-z]" + word + "|" + word + "[^a-z].*")
                    : own.contains(word)) {
                return true;
            }
        }
        return false;
    }

    /** Free lines whose names are those of roles, by role; each line once. */
    public Map<String, Integer> byName(List<LineRole> roles) {
        Map<String, Integer> named = new LinkedHashMap<>();
        for (LineRole role : roles) {
            free().stream()
                    .filter(i -> !named.containsValue(i)
                            && (named(i, role.id()) || role.also().stream().anyMatch(n -> named(i, n))))
                    .findFirst()
                    .ifPresent(i -> named.put(role.id(), i));
        }
        return named;
    }

    public long edges(int line) {
        return edges[0][line] + edges[1][line];
    }

    public long rises(int line) {
        return edges[1][line];
    }

    /** Changes of a line while another stood at a level. */
    public long edgesWhile(int line, int other, int levelOfOther) {
        return while0[0][line][other * 2 + levelOfOther] + while0[1][line][other * 2 + levelOfOther];
    }

    public long fallsWhile(int line, int other, int levelOfOther) {
        return while0[0][line][other * 2 + levelOfOther];
    }

    public long risesWhile(int line, int other, int levelOfOther) {
        return while0[1][line][other * 2 + levelOfOther];
    }

    /** Share of the time that a line was high, of the time in which it was known. */
    public double highShare(int line) {
        return known[line] == 0 ? 0 : high[line] / (double) known[line];
    }

    /** Shortest time between two changes of a line in ticks; the greatest number where it never changed twice. */
    public long shortest(int line) {
        return shortest[line];
    }

    /** Level of a line in a row of {@link #beginning}. */
    public static int level(long row, int line) {
        return line < 32 ? (int) (row >> (line << 1)) & 3 : ChangeSink.Levels.UNKNOWN;
    }

    /** The first moments: tick, and two bits a line for the first 32 lines. */
    public List<long[]> beginning() {
        return kept;
    }
}
