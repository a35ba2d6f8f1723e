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
 * A lower bound on the price: no two lines have one place, so the cheapest place of each counts only as far as there are enough. The
 * bound is the cheapest assignment of the lines' own prices (shortest augmenting paths, after R. Jonker and A. Volgenant, 1987), plus
 * what the other prices are at least.
 */
final class AssignmentBound {

    private final int[][] cheapest;
    private final IntVar[] place;
    private final IntVar[] own;
    private final IntVar[] others;
    private final IntVar total;

    /** @param costs all prices that the total sums; those of lines by themselves are told by their name */
    AssignmentBound(Task task, IntVar[] place, int[][] cheapest, List<IntVar> costs, IntVar total) {
        this.cheapest = cheapest;
        this.place = place;
        this.total = total;
        List<String> names = task.wishes().stream().map(w -> "price of " + w).toList();
        this.own = costs.stream().filter(c -> names.contains(c.getName())).toArray(IntVar[]::new);
        this.others = costs.stream().filter(c -> !names.contains(c.getName())).toArray(IntVar[]::new);
    }

    void post(org.chocosolver.solver.Model model) {
        if (place.length < 2 || own.length != place.length) {
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
            super(watched, PropagatorPriority.QUADRATIC, false);
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
        }

        @Override
        public ESat isEntailed() {
            return ESat.TRUE;
        }
    }

    /** Of the places still possible; -1 when there is none. */
    private int cheapestAssignment() {
        int n = place.length;
        int m = cheapest[0].length;
        int[] u = new int[n + 1];
        int[] v = new int[m + 1];
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
                int delta = Integer.MAX_VALUE;
                int next = -1;
                for (int j = 1; j <= m; j++) {
                    if (used[j]) {
                        continue;
                    }
                    if (place[row - 1].contains(j - 1)) {
                        int reduced = cheapest[row - 1][j - 1] - u[row] - v[j];
                        if (reduced < least[j]) {
                            least[j] = reduced;
                            way[j] = column;
                        }
                    }
                    if (least[j] < delta) {
                        delta = least[j];
                        next = j;
                    }
                }
                if (next < 0) {
                    return -1;
                }
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
            do {
                int back = way[column];
                rowOf[column] = rowOf[back];
                column = back;
            } while (column != 0);
        }
        return -v[0];
    }
}
