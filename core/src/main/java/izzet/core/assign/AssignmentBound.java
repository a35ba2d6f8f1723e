package izzet.core.assign;

import java.util.Arrays;
import java.util.List;
import org.chocosolver.solver.constraints.Constraint;
import org.chocosolver.solver.constraints.Propagator;
import org.chocosolver.solver.constraints.PropagatorPriority;
import org.chocosolver.solver.exception.ContradictionException;
import org.chocosolver.solver.variables.IntVar;
import org.chocosolver.util.ESat;

/**
 * A lower bound on the price of all places, in two steps that add up.
 *
 * <p>No two lines have one place: the cheapest assignment of the lines' own prices (shortest augmenting paths, after R. Jonker and A.
 * Volgenant, "A shortest augmenting path algorithm for dense and sparse linear assignment problems", 1987). What a place costs a line
 * beyond that is its reduced price, which is never negative.
 *
 * <p>The lines of a part want to lie side by side: over each part's lines in their order, the cheapest way through the places by reduced
 * prices, prices between neighbours and strips used (dynamic programming over place and set of strips).
 */
final class AssignmentBound {

    private static final int FAR_AWAY = Integer.MAX_VALUE / 4;

    /** Strips beyond this number are not told apart, which leaves the bound valid. */
    private static final int MOST_STRIPS = 4;

    /**
     * The lines of one part in the order of its header.
     *
     * @param lines as indexes
     * @param between price of a place for a line and a place for the next, by number of the line in the chain
     */
    record Chain(int[] lines, int[][][] between) {}

    private final int[][] cheapest;
    private final IntVar[] place;
    private final List<Chain> chains;
    private final boolean[][] ownerOf;
    private final int[] strip;
    private final int stripPrice;
    private final int strips;
    private final IntVar[] others;
    private final IntVar total;
    private final int[] u;
    private final int[] v;

    /**
     * @param strip of each place, from 0; -1 for places on none
     * @param stripPrice of each strip of a part beyond the first
     * @param others prices that are neither of lines by themselves nor between neighbours nor of strips
     */
    AssignmentBound(
            IntVar[] place,
            int[][] cheapest,
            List<Chain> chains,
            int[] strip,
            int stripPrice,
            IntVar[] others,
            IntVar total) {
        this.place = place;
        this.cheapest = cheapest;
        this.chains = chains;
        this.strip = strip.clone();
        for (int i = 0; i < strip.length; i++) {
            this.strip[i] = strip[i] < MOST_STRIPS ? strip[i] : -1;
        }
        this.stripPrice = stripPrice;
        this.strips = Arrays.stream(this.strip).max().orElse(-1) + 1;
        this.others = others;
        this.total = total;
        this.u = new int[place.length + 1];
        this.v = new int[cheapest.length == 0 ? 1 : cheapest[0].length + 1];
        // A line of a bus is in the chains of several parts; its reduced price counts in the first only.
        this.ownerOf = new boolean[chains.size()][];
        boolean[] counted = new boolean[place.length];
        for (int c = 0; c < chains.size(); c++) {
            int[] lines = chains.get(c).lines();
            ownerOf[c] = new boolean[lines.length];
            for (int k = 0; k < lines.length; k++) {
                ownerOf[c][k] = !counted[lines[k]];
                counted[lines[k]] = true;
            }
        }
    }

    void post(org.chocosolver.solver.Model model) {
        if (place.length == 0) {
            return;
        }
        IntVar[] watched = new IntVar[place.length + others.length + 1];
        System.arraycopy(place, 0, watched, 0, place.length);
        System.arraycopy(others, 0, watched, place.length, others.length);
        watched[watched.length - 1] = total;
        model.post(new Constraint("assignment bound", new Bound(watched)));
    }

    private final class Bound extends Propagator<IntVar> {
        private static final long serialVersionUID = 1L;

        Bound(IntVar[] watched) {
            super(watched, PropagatorPriority.VERY_SLOW, false);
        }

        @Override
        public void propagate(int evtmask) throws ContradictionException {
            int least = cheapestAssignment();
            if (least < 0) {
                fails();
            }
            for (IntVar other : others) {
                least += other.getLB();
            }
            total.updateLowerBound(least, this);
            int[] ways = new int[chains.size()];
            for (int c = 0; c < ways.length; c++) {
                ways[c] = cheapestWay(chains.get(c), ownerOf[c]);
                if (ways[c] >= FAR_AWAY) {
                    fails();
                }
                least += ways[c];
            }
            total.updateLowerBound(least, this);
            for (int c = 0; c < ways.length; c++) {
                filter(chains.get(c), ownerOf[c], total.getUB() - (least - ways[c]));
            }
        }

        /** Takes away places through which every way of the chain costs more than is left for it. */
        private void filter(Chain chain, boolean[] owner, int left) throws ContradictionException {
            int[] lines = chain.lines();
            int spots = cheapest[0].length;
            int[][] there = new int[lines.length][];
            for (int k = 0; k < lines.length; k++) {
                there[k] = along(chain, owner, k, k == 0 ? null : there[k - 1], spots);
            }
            int[] back = new int[spots];
            for (int k = lines.length - 1; k >= 0; k--) {
                IntVar var = place[lines[k]];
                for (int q = var.getLB(); q != Integer.MAX_VALUE; q = var.nextValue(q)) {
                    if (there[k][q] >= FAR_AWAY || back[q] >= FAR_AWAY || there[k][q] + back[q] > left) {
                        var.removeValue(q, this);
                    }
                }
                if (k > 0) {
                    back = backwards(chain, owner, k, back, spots);
                }
            }
        }

        @Override
        public ESat isEntailed() {
            return ESat.TRUE;
        }
    }

    /** Of the places still possible; leaves the prices of lines and places in u and v; -1 when there is none. */
    private int cheapestAssignment() {
        int n = place.length;
        int m = cheapest[0].length;
        Arrays.fill(u, 0);
        Arrays.fill(v, 0);
        int[] rowOf = new int[m + 1];
        int[] way = new int[m + 1];
        for (int i = 1; i <= n; i++) {
            rowOf[0] = i;
            int column = 0;
            int[] least = new int[m + 1];
            Arrays.fill(least, Integer.MAX_VALUE);
            boolean[] used = new boolean[m + 1];
            do {
                used[column] = true;
                int row = rowOf[column];
                int next = relax(row, column, least, way, used);
                if (next < 0) {
                    return -1;
                }
                int delta = least[next];
                for (int j = 0; j <= m; j++) {
                    if (used[j]) {
                        u[rowOf[j]] += delta;
                        v[j] -= delta;
                    } else if (least[j] != Integer.MAX_VALUE) {
                        least[j] -= delta;
                    }
                }
                column = next;
            } while (rowOf[column] != 0);
            while (column != 0) {
                int back = way[column];
                rowOf[column] = rowOf[back];
                column = back;
            }
        }
        int sum = 0;
        for (int i = 1; i <= n; i++) {
            sum += u[i];
        }
        for (int j = 1; j <= m; j++) {
            sum += v[j];
        }
        return sum;
    }

    /** Shortens the ways to places over a line; the nearest place not used yet, or -1. */
    private int relax(int row, int column, int[] least, int[] way, boolean[] used) {
        int next = -1;
        IntVar var = place[row - 1];
        int[] price = cheapest[row - 1];
        for (int value = var.getLB(); value != Integer.MAX_VALUE; value = var.nextValue(value)) {
            int j = value + 1;
            if (!used[j]) {
                int reduced = price[value] - u[row] - v[j];
                if (reduced < least[j]) {
                    least[j] = reduced;
                    way[j] = column;
                }
            }
        }
        for (int j = 1; j < least.length; j++) {
            if (!used[j] && least[j] != Integer.MAX_VALUE && (next < 0 || least[j] < least[next])) {
                next = j;
            }
        }
        return next;
    }

    private int reduced(int line, int spot) {
        return cheapest[line][spot] - u[line + 1] - v[spot + 1];
    }

    /** Through the places of a chain, by reduced prices, prices between neighbours and strips. */
    private int cheapestWay(Chain chain, boolean[] owner) {
        int spots = cheapest[0].length;
        int masks = stripPrice == 0 || chain.lines().length < 2 ? 1 : 1 << strips;
        int[] cost = new int[spots * masks];
        Arrays.fill(cost, FAR_AWAY);
        IntVar first = place[chain.lines()[0]];
        for (int s = first.getLB(); s != Integer.MAX_VALUE; s = first.nextValue(s)) {
            cost[s * masks + mask(0, s, masks)] = owner[0] ? reduced(chain.lines()[0], s) : 0;
        }
        for (int k = 1; k < chain.lines().length; k++) {
            int line = chain.lines()[k];
            int[] next = new int[spots * masks];
            Arrays.fill(next, FAR_AWAY);
            IntVar from = place[chain.lines()[k - 1]];
            for (int p = from.getLB(); p != Integer.MAX_VALUE; p = from.nextValue(p)) {
                for (int m = 0; m < masks; m++) {
                    int so = cost[p * masks + m];
                    if (so < FAR_AWAY) {
                        step(chain.between()[k - 1][p], line, owner[k], so, p, m, masks, next);
                    }
                }
            }
            cost = next;
        }
        int least = FAR_AWAY;
        for (int i = 0; i < cost.length; i++) {
            if (cost[i] < FAR_AWAY) {
                int strips = Integer.bitCount(i % masks);
                least = Math.min(least, cost[i] + Math.max(0, strips - 1) * stripPrice);
            }
        }
        return least;
    }

    /** The cheapest way to each place of a line of the chain, its own price included. */
    private int[] along(Chain chain, boolean[] owner, int k, int[] before, int spots) {
        int[] cost = new int[spots];
        Arrays.fill(cost, FAR_AWAY);
        int line = chain.lines()[k];
        IntVar to = place[line];
        for (int q = to.getLB(); q != Integer.MAX_VALUE; q = to.nextValue(q)) {
            int best = before == null ? 0 : FAR_AWAY;
            if (before != null) {
                IntVar from = place[chain.lines()[k - 1]];
                for (int p = from.getLB(); p != Integer.MAX_VALUE; p = from.nextValue(p)) {
                    if (p != q) {
                        best = Math.min(best, before[p] + chain.between()[k - 1][p][q]);
                    }
                }
            }
            cost[q] = best >= FAR_AWAY ? FAR_AWAY : best + (owner[k] ? reduced(line, q) : 0);
        }
        return cost;
    }

    /** The cheapest way from each place of the line before to the end of the chain, that line's own price not included. */
    private int[] backwards(Chain chain, boolean[] owner, int k, int[] after, int spots) {
        int[] cost = new int[spots];
        Arrays.fill(cost, FAR_AWAY);
        int line = chain.lines()[k];
        IntVar from = place[chain.lines()[k - 1]];
        IntVar to = place[line];
        for (int p = from.getLB(); p != Integer.MAX_VALUE; p = from.nextValue(p)) {
            for (int q = to.getLB(); q != Integer.MAX_VALUE; q = to.nextValue(q)) {
                if (p != q && after[q] < FAR_AWAY) {
                    cost[p] = Math.min(
                            cost[p], after[q] + chain.between()[k - 1][p][q] + (owner[k] ? reduced(line, q) : 0));
                }
            }
        }
        return cost;
    }

    private void step(int[] between, int line, boolean owner, int so, int p, int m, int masks, int[] next) {
        IntVar to = place[line];
        for (int q = to.getLB(); q != Integer.MAX_VALUE; q = to.nextValue(q)) {
            if (q != p) {
                int sum = so + between[q] + (owner ? reduced(line, q) : 0);
                int at = q * masks + mask(m, q, masks);
                if (sum < next[at]) {
                    next[at] = sum;
                }
            }
        }
    }

    private int mask(int before, int spot, int masks) {
        return masks == 1 || strip[spot] < 0 ? before : before | 1 << strip[spot];
    }
}
