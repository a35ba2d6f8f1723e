package izzet.core.levels;

import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * A plan built many times with supplies and resistors as they come: in how many of the builds every level is read, which line is lost first,
 * and on which value it depends. Thresholds of data sheets are limits already and are not varied. The same plan gives the same figures.
 *
 * @param working builds in which no line that is right on paper is lost
 * @param lines that were compared, the most often lost first, then the tightest
 * @param values that were varied, the one that the tightest margin depends on most first
 * @param missing lines that are lost on paper already, and so are left out
 */
public record Builds(int count, int working, List<Line> lines, List<Value> values, List<String> missing) {

    /** Builds that are made. */
    public static final int USUAL = 1000;

    private static final long SEED = 20_231;
    private static final double HAIR_VOLTS = 1e-6;
    private static final double STILL_VOLTS = 1e-5;

    /**
     * @param name of the line and of what is lost: "SDA of I2C bus, high"
     * @param nominal margin on paper, in volts
     * @param worst margin of all builds
     * @param lost builds in which it is below nothing
     */
    public record Line(String name, double nominal, double worst, int lost) {}

    /**
     * @param name of a supply or a resistor
     * @param share of the spread of the tightest margin that goes with it, from 0 to 1
     * @param voltsPerPercent that the tightest margin gains with one percent more
     */
    public record Value(String name, double share, double voltsPerPercent) {}

    /**
     * @param supplyPercent that supplies are off at most, either way
     * @param resistorPercent the same for resistors of the plan
     */
    public static Builds of(Circuit planned, double supplyPercent, double resistorPercent, int count) {
        Map<String, Double> nominal = margins(planned);
        List<String> missing = new ArrayList<>();
        nominal.forEach((name, margin) -> {
            if (margin < -HAIR_VOLTS) {
                missing.add(name);
            }
        });
        missing.forEach(nominal::remove);
        List<String> names = names(planned);
        double[][] off = new double[names.size()][count];
        double[] tightest = new double[count];
        Map<String, double[]> worst = new LinkedHashMap<>();
        nominal.forEach((name, margin) -> worst.put(name, new double[] {margin, 0}));
        Random random = new Random(SEED);
        int working = 0;
        for (int build = 0; build < count; build++) {
            int rails = WhatIf.rails(planned).size();
            for (int i = 0; i < names.size(); i++) {
                off[i][build] = (2 * random.nextDouble() - 1) * (i < rails ? supplyPercent : resistorPercent);
            }
            Map<String, Double> margins = margins(built(planned, off, build));
            double least = Double.MAX_VALUE;
            for (Map.Entry<String, double[]> line : worst.entrySet()) {
                double margin = margins.getOrDefault(line.getKey(), nominal.get(line.getKey()));
                line.getValue()[0] = Math.min(line.getValue()[0], margin);
                line.getValue()[1] += margin < -HAIR_VOLTS ? 1 : 0;
                least = Math.min(least, margin);
            }
            tightest[build] = least;
            working += least >= -HAIR_VOLTS ? 1 : 0;
        }
        List<Line> lines = new ArrayList<>();
        worst.forEach((name, w) -> lines.add(new Line(name, nominal.get(name), w[0], (int) w[1])));
        lines.sort(Comparator.comparingInt((Line l) -> -l.lost()).thenComparingDouble(Line::worst));
        return new Builds(count, working, lines, values(names, off, tightest, nominal.isEmpty()), missing);
    }

    /** Supplies first, then resistors in wires, then those between lines. */
    private static List<String> names(Circuit planned) {
        List<String> names = new ArrayList<>();
        WhatIf.rails(planned).forEach(r -> names.add("supply " + r.label()));
        for (Connection c : planned.plan().connections()) {
            if (c.seriesOhms() != null) {
                names.add("resistor at " + c.from());
            }
        }
        planned.plan().resistors().forEach(r -> names.add("resistor " + r.id()));
        return names;
    }

    private static Circuit built(Circuit planned, double[][] off, int build) {
        Map<String, Double> percent = new LinkedHashMap<>();
        int at = 0;
        for (Rail rail : WhatIf.rails(planned)) {
            percent.put(rail.id(), off[at++][build]);
        }
        List<Connection> wires = new ArrayList<>();
        for (Connection c : planned.plan().connections()) {
            wires.add(
                    c.seriesOhms() == null
                            ? c
                            : new Connection(
                                    c.from(),
                                    c.to(),
                                    c.seriesOhms() * (1 + off[at++][build] / 100),
                                    c.pull(),
                                    c.locked()));
        }
        List<Resistor> resistors = new ArrayList<>();
        for (Resistor r : planned.plan().resistors()) {
            resistors.add(new Resistor(r.id(), r.from(), r.to(), r.ohms() * (1 + off[at++][build] / 100)));
        }
        Plan plan = planned.plan().withConnections(wires).withResistors(resistors);
        return WhatIf.supplies(new Circuit(plan, planned.catalog()), percent);
    }

    /** Every margin of every line in volts; the least where a line is compared more than once. */
    private static Map<String, Double> margins(Circuit circuit) {
        Map<String, Double> margins = new LinkedHashMap<>();
        for (Levels.Reading r : circuit.levels().readings()) {
            String name = r.line() + " at " + r.receiver().name();
            put(margins, name + ", high", r.highMargin());
            put(margins, name + ", low", r.lowMargin());
            put(margins, name + ", what it stands", r.overMargin());
        }
        return margins;
    }

    private static void put(Map<String, Double> margins, String name, Double volts) {
        if (volts != null) {
            margins.merge(name, volts, Math::min);
        }
    }

    private static List<Value> values(List<String> names, double[][] off, double[] tightest, boolean none) {
        List<Value> values = new ArrayList<>();
        double mean = mean(tightest);
        double spread = 0;
        for (double t : tightest) {
            spread += (t - mean) * (t - mean);
        }
        for (int i = 0; i < names.size() && !none; i++) {
            double own = mean(off[i]);
            double together = 0;
            double alone = 0;
            for (int b = 0; b < tightest.length; b++) {
                together += (off[i][b] - own) * (tightest[b] - mean);
                alone += (off[i][b] - own) * (off[i][b] - own);
            }
            // What is left of rounding is no spread that anything could go with.
            boolean still = spread <= tightest.length * STILL_VOLTS * STILL_VOLTS || alone <= 0;
            values.add(new Value(
                    names.get(i), still ? 0 : together * together / (spread * alone), still ? 0 : together / alone));
        }
        values.sort(Comparator.comparingDouble(Value::share).reversed());
        return values;
    }

    private static double mean(double[] all) {
        double sum = 0;
        for (double one : all) {
            sum += one;
        }
        return all.length == 0 ? 0 : sum / all.length;
    }
}
