package izzet.core.decode;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Pulses below the limit are gone, everything else comes through with its own time. */
class GlitchFilterTest {

    private record Edge(long tick, int scl, int sda) {}

    private static List<Edge> filtered(long limit, List<Edge> edges) {
        List<Edge> out = new ArrayList<>();
        GlitchFilter filter = new GlitchFilter(limit, 2, (ticks, levels) -> {
            Edge edge = new Edge(ticks, (int) levels & 3, (int) levels >> 2);
            if (!out.isEmpty() && out.get(out.size() - 1).tick() == ticks) {
                out.remove(out.size() - 1);
            }
            out.add(edge);
        });
        edges.forEach(e -> filter.levels(e.tick(), e.scl() | e.sda() << 2));
        filter.end();
        return out;
    }

    @Test
    void aShortDipOfTheClockIsGone() {
        List<Edge> edges = List.of(new Edge(0, 1, 1), new Edge(100, 0, 1), new Edge(120, 1, 1), new Edge(500, 1, 0));
        assertThat(filtered(50, edges)).containsExactly(new Edge(0, 1, 1), new Edge(500, 1, 0));
    }

    @Test
    void aPulseOfJustTheLimitStays() {
        List<Edge> edges = List.of(new Edge(0, 1, 1), new Edge(100, 0, 1), new Edge(150, 1, 1));
        assertThat(filtered(50, edges)).isEqualTo(edges);
    }

    @Test
    void aDipOfOneLineDoesNotHoldTheOtherBack() {
        List<Edge> edges = List.of(
                new Edge(0, 1, 1), new Edge(100, 0, 1), new Edge(110, 0, 0), new Edge(120, 1, 0), new Edge(400, 1, 0));
        assertThat(filtered(50, edges)).containsExactly(new Edge(0, 1, 1), new Edge(110, 1, 0));
    }

    /** Against a slow filter that looks at each line as a whole. */
    @Test
    void agreesWithASlowFilter() {
        Random random = new Random(17);
        for (int round = 0; round < 300; round++) {
            long limit = 1 + random.nextInt(60);
            List<Edge> edges = new ArrayList<>();
            long tick = 0;
            int scl = 1;
            int sda = 1;
            edges.add(new Edge(0, scl, sda));
            for (int i = 0; i < 80; i++) {
                tick += 1 + random.nextInt(90);
                if (random.nextBoolean()) {
                    scl ^= 1;
                } else {
                    sda ^= 1;
                }
                edges.add(new Edge(tick, scl, sda));
            }
            List<long[]> slowScl = slow(edges, limit, true);
            List<long[]> slowSda = slow(edges, limit, false);
            for (Edge e : filtered(limit, edges)) {
                assertThat(e.scl()).as("round %d, clock at %d", round, e.tick()).isEqualTo(at(slowScl, e.tick()));
                assertThat(e.sda()).as("round %d, data at %d", round, e.tick()).isEqualTo(at(slowSda, e.tick()));
            }
        }
    }

    /** A change holds when the level has lasted for the limit before the next one, or the record ends. */
    private static List<long[]> slow(List<Edge> edges, long limit, boolean clock) {
        List<long[]> raw = new ArrayList<>();
        for (Edge e : edges) {
            int level = clock ? e.scl() : e.sda();
            if (raw.isEmpty() || raw.get(raw.size() - 1)[1] != level) {
                raw.add(new long[] {e.tick(), level});
            }
        }
        List<long[]> kept = new ArrayList<>(List.of(raw.get(0)));
        for (int i = 1; i < raw.size(); i++) {
            boolean last = i + 1 == raw.size();
            boolean lasts = last || raw.get(i + 1)[0] - raw.get(i)[0] >= limit;
            if (lasts && kept.get(kept.size() - 1)[1] != raw.get(i)[1]) {
                kept.add(raw.get(i));
            }
        }
        return kept;
    }

    private static int at(List<long[]> changes, long tick) {
        int level = (int) changes.get(0)[1];
        for (long[] change : changes) {
            if (change[0] <= tick) {
                level = (int) change[1];
            }
        }
        return level;
    }
}
