package izzet.core.calc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A small network of resistors, lamps and fixed voltages, and its solution at rest by modified nodal analysis. Lamps are junctions with
 * a resistance in series; they are found by Newton's iteration with limited steps. Node 0 is the ground. Not thread-safe while it is
 * filled; a solution is immutable.
 *
 * <p>Source of the method: nodal analysis with companion models of junctions, as every textbook of circuit simulation has it; checked
 * against a general-purpose circuit simulator on the networks of {@code dc/networks.csv} in the tests.
 */
public final class DcNetwork {

    /** Thermal voltage at 27 degrees Celsius, in volts. */
    public static final double THERMAL_VOLTS = 0.025865;

    /** Emission coefficient of a lamp. Common practice: about 2. */
    public static final double EMISSION = 2;

    /** Keeps nodes that nothing holds from having no solution, in siemens. */
    private static final double LEAK = 1e-12;

    private static final int MOST_STEPS = 400;
    private static final double SETTLED_VOLTS = 1e-9;

    /** Nodes that only leaks hold come no nearer than the precision of the arithmetic lets them. */
    private static final double NEAR_VOLTS = 1e-5;

    private static final int STEPS_FOR_NEAR = 60;

    private record Resistor(int a, int b, double siemens) {}

    private record Junction(int anode, int cathode, double saturation, double scale) {}

    private final List<Resistor> resistors = new ArrayList<>();
    private final List<Junction> junctions = new ArrayList<>();
    private final List<int[]> branches = new ArrayList<>();

    /** Of each node the voltage that a supply holds it at; not a number where it is to be found. */
    private double[] fixed = new double[8];

    private int nodes = 1;

    /** A node whose voltage is to be found. */
    public int node() {
        return held(Double.NaN);
    }

    /** A node that an ideal supply holds. */
    public int held(double volts) {
        if (nodes == fixed.length) {
            fixed = Arrays.copyOf(fixed, 2 * nodes);
        }
        fixed[nodes] = volts;
        return nodes++;
    }

    /**
     * @param ohms positive
     * @return its number, for {@link Solution#amperes}
     */
    public int resistor(int a, int b, double ohms) {
        if (!(ohms > 0)) {
            throw new IllegalArgumentException("A resistor must be above 0 ohm, not " + ohms + ".");
        }
        resistors.add(new Resistor(a, b, 1 / ohms));
        branches.add(new int[] {0, resistors.size() - 1});
        return branches.size() - 1;
    }

    /**
     * A lamp, or with a small drop a diode.
     *
     * @param volts its drop at the current given, the series resistance included
     * @param amperes positive
     * @param seriesOhms the slope of its drop; positive, and less than leaves a junction
     * @return its number, for {@link Solution#amperes}
     */
    public int lamp(int anode, int cathode, double volts, double amperes, double seriesOhms) {
        double scale = EMISSION * THERMAL_VOLTS;
        double junctionVolts = volts - amperes * seriesOhms;
        if (!(junctionVolts > scale) || !(seriesOhms > 0)) {
            throw new IllegalArgumentException("A lamp that drops " + volts + " V at " + amperes + " A cannot have "
                    + seriesOhms + " ohm in series.");
        }
        int inner = node();
        resistor(anode, inner, seriesOhms);
        junctions.add(new Junction(inner, cathode, amperes / Math.expm1(junctionVolts / scale), scale));
        branches.add(new int[] {1, junctions.size() - 1});
        return branches.size() - 1;
    }

    /** The saturation current of the junction that {@link #lamp} makes, in amperes. */
    public static double saturation(double volts, double amperes, double seriesOhms) {
        return amperes / Math.expm1((volts - amperes * seriesOhms) / (EMISSION * THERMAL_VOLTS));
    }

    /** Voltages and currents at rest. */
    public final class Solution {
        private final double[] volts;
        private final double[][] matrix;
        private final int[] index;

        private Solution(double[] volts, double[][] matrix, int[] index) {
            this.volts = volts;
            this.matrix = matrix;
            this.index = index;
        }

        public double volts(int node) {
            return volts[node];
        }

        /** Through a resistor from its first to its second node, through a lamp from anode to cathode. */
        public double amperes(int branch) {
            int[] b = branches.get(branch);
            if (b[0] == 0) {
                Resistor r = resistors.get(b[1]);
                return (volts[r.a()] - volts[r.b()]) * r.siemens();
            }
            Junction j = junctions.get(b[1]);
            return current(j, volts[j.anode()] - volts[j.cathode()]);
        }

        /**
         * The resistance that a small current into a node sees, all supplies held; 0 at a held node. What nothing holds has more than any
         * circuit.
         */
        public double ohmsAt(int node) {
            if (index[node] < 0) {
                return 0;
            }
            double[] right = new double[matrix.length];
            right[index[node]] = 1;
            return gauss(copy(matrix, new double[matrix.length][matrix.length]), right)[index[node]];
        }

        /** The resistance that a small current from one node to another sees; a node below 0 is none, and so is what it sees. */
        public double ohmsBetween(int a, int b) {
            if (a < 0 || b < 0) {
                return Double.POSITIVE_INFINITY;
            }
            double[] right = new double[matrix.length];
            if (index[a] >= 0) {
                right[index[a]] += 1;
            }
            if (index[b] >= 0) {
                right[index[b]] -= 1;
            }
            double[] seen = gauss(copy(matrix, new double[matrix.length][matrix.length]), right);
            return (index[a] < 0 ? 0 : seen[index[a]]) - (index[b] < 0 ? 0 : seen[index[b]]);
        }
    }

    private static double current(Junction j, double volts) {
        return j.saturation() * Math.expm1(Math.min(volts / j.scale(), 80)) + LEAK * volts;
    }

    /** @throws ArithmeticException when no rest is found within the bound of steps */
    public Solution solve() {
        int[] index = new int[nodes];
        int unknown = 0;
        double[] volts = new double[nodes];
        for (int i = 0; i < index.length; i++) {
            boolean free = Double.isNaN(fixed[i]);
            index[i] = free ? unknown++ : -1;
            volts[i] = free ? 0 : fixed[i];
        }
        // What resistors and supplies give is the same in every step.
        double[][] linear = new double[unknown][unknown];
        double[] linearRight = new double[unknown];
        for (int i = 0; i < unknown; i++) {
            linear[i][i] = LEAK;
        }
        for (Resistor r : resistors) {
            stamp(linear, linearRight, index, volts, r.a(), r.b(), r.siemens(), 0);
        }
        double[][] matrix = new double[unknown][unknown];
        double[][] scratch = new double[unknown][unknown];
        double[] right = new double[unknown];
        double[] across = new double[junctions.size()];
        for (int step = 0; step < MOST_STEPS; step++) {
            copy(linear, matrix);
            System.arraycopy(linearRight, 0, right, 0, unknown);
            for (int k = 0; k < across.length; k++) {
                Junction j = junctions.get(k);
                double grown = Math.exp(Math.min(across[k] / j.scale(), 80));
                double slope = j.saturation() * grown / j.scale() + LEAK;
                double offset = current(j, across[k]) - slope * across[k];
                stamp(matrix, right, index, volts, j.anode(), j.cathode(), slope, offset);
            }
            copy(matrix, scratch);
            double[] found = gauss(scratch, right);
            double moved = 0;
            for (int i = 0; i < index.length; i++) {
                if (index[i] >= 0) {
                    moved = Math.max(moved, Math.abs(found[index[i]] - volts[i]));
                    volts[i] = found[index[i]];
                }
            }
            for (int k = 0; k < across.length; k++) {
                Junction j = junctions.get(k);
                double next = limited(volts[j.anode()] - volts[j.cathode()], across[k], j);
                moved = Math.max(moved, Math.abs(next - across[k]));
                across[k] = next;
            }
            if (moved < (step < STEPS_FOR_NEAR ? SETTLED_VOLTS : NEAR_VOLTS) || across.length == 0) {
                return new Solution(volts, matrix, index);
            }
        }
        throw new ArithmeticException("The network finds no rest within " + MOST_STEPS + " steps.");
    }

    /** A junction's voltage may rise by the logarithm of the current only, or its exponential runs away. */
    private static double limited(double next, double last, Junction j) {
        double knee = j.scale() * Math.log(j.scale() / (Math.sqrt(2) * j.saturation()));
        if (next <= knee || Math.abs(next - last) <= 2 * j.scale()) {
            return next;
        }
        if (last > 0) {
            double grown = 1 + (next - last) / j.scale();
            return grown > 0 ? last + j.scale() * Math.log(grown) : knee;
        }
        return j.scale() * Math.log(Math.max(next / j.scale(), Math.E));
    }

    /** Adds a branch with current {@code siemens × (Va − Vb) + offset} from a to b. */
    private static void stamp(
            double[][] matrix,
            double[] right,
            int[] index,
            double[] volts,
            int a,
            int b,
            double siemens,
            double offset) {
        half(matrix, right, index, volts, a, b, siemens, offset);
        half(matrix, right, index, volts, b, a, siemens, -offset);
    }

    private static void half(
            double[][] matrix,
            double[] right,
            int[] index,
            double[] volts,
            int at,
            int other,
            double g,
            double offset) {
        int row = index[at];
        if (row < 0) {
            return;
        }
        matrix[row][row] += g;
        right[row] -= offset;
        if (index[other] >= 0) {
            matrix[row][index[other]] -= g;
        } else {
            right[row] += g * volts[other];
        }
    }

    private static double[][] copy(double[][] from, double[][] to) {
        for (int row = 0; row < from.length; row++) {
            System.arraycopy(from[row], 0, to[row], 0, from.length);
        }
        return to;
    }

    /** Elimination with the largest pivot of the column; overwrites both. */
    private static double[] gauss(double[][] m, double[] x) {
        int n = x.length;
        for (int col = 0; col < n; col++) {
            int pivot = col;
            for (int row = col + 1; row < n; row++) {
                if (Math.abs(m[row][col]) > Math.abs(m[pivot][col])) {
                    pivot = row;
                }
            }
            double[] swap = m[col];
            m[col] = m[pivot];
            m[pivot] = swap;
            double value = x[col];
            x[col] = x[pivot];
            x[pivot] = value;
            for (int row = col + 1; row < n; row++) {
                double factor = m[row][col] / m[col][col];
                if (factor != 0) {
                    for (int k = col; k < n; k++) {
                        m[row][k] -= factor * m[col][k];
                    }
                    x[row] -= factor * x[col];
                }
            }
        }
        for (int row = n - 1; row >= 0; row--) {
            for (int k = row + 1; k < n; k++) {
                x[row] -= m[row][k] * x[k];
            }
            x[row] /= m[row][row];
        }
        return x;
    }
}
