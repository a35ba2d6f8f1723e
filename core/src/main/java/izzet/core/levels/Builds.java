package izzet.core.levels;

import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.IntPredicate;

/**
 * A plan built many times with supplies and resistors as they come: in how many of the builds every level is read, which line is lost first,
 * and on which value it depends. Thresholds of data sheets are limits: a line that keeps to them is read by every chip. Of one that misses them
 * on paper it is told in how many builds it is read all the same, when each chip's own threshold lies anywhere between its two limits. The same
 * plan gives the same figures.
 *
 * @param count builds that were made: fewer than asked for where it was stopped
 * @param working builds in which no line that is right on paper is lost
 * @param lines that were compared, the most often lost first, then the tightest
 * @param values that were varied, the one that the tightest margin depends on most first
 * @param missing lines that are lost on paper already, and so are left out of all this
 * @param others parts that may come otherwise
 */
public record Builds(
        int count, int working, List<Line> lines, List<Value> values, List<Missing> missing, List<Other> others) {

    /** Builds that are made. */
    public static final int USUAL = 1000;

    private static final long SEED = 20_231;
    private static final String HIGH = ", high";
    private static final String LOW = ", low";
    private static final String OVER = ", what it stands";
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
     * A line that is lost on paper.
     *
     * @param read builds in which it is read all the same, by the chance of the chip that is there; -1 where that is no matter of chance
     */
    public record Missing(String name, int read) {}

    /**
     * A look-alike in a part's place.
     *
     * @param with what it is
     * @param trouble what is wrong with it where it comes alone
     * @param came builds that it came in
     * @param lost those of them that do not work
     */
    public record Other(String part, String with, List<String> trouble, int came, int lost) {}

    /** All of them, with the parts that are planned. */
    public static Builds of(Circuit planned, double supplyPercent, double resistorPercent, int count) {
        return of(planned, supplyPercent, resistorPercent, Variants.none(planned), count, done -> true);
    }

    /**
     * @param goOn hears how many builds are made; false ends with those
     * @param supplyPercent that supplies are off at most, either way
     * @param resistorPercent the same for resistors of the plan
     * @param variants that parts may come as; a build with one that makes trouble does not work
     */
    public static Builds of(
            Circuit planned,
            double supplyPercent,
            double resistorPercent,
            Variants variants,
            int most,
            IntPredicate goOn) {
        Map<String, Double> nominal = margins(planned);
        Map<String, int[]> missing = new LinkedHashMap<>();
        nominal.forEach((name, margin) -> {
            if (margin < -HAIR_VOLTS) {
                missing.put(name, new int[1]);
            }
        });
        missing.keySet().forEach(nominal::remove);
        List<String> names = names(planned);
        double[][] off = new double[names.size()][most];
        double[] tightest = new double[most];
        Map<String, double[]> worst = new LinkedHashMap<>();
        nominal.forEach((name, margin) -> worst.put(name, new double[] {margin, 0}));
        Random random = new Random(SEED);
        Random chips = new Random(SEED + 1);
        Random bags = new Random(SEED + 2);
        Map<Variants.Variant, int[]> came = new LinkedHashMap<>();
        variants.all().forEach(v -> came.put(v, new int[2]));
        int rails = WhatIf.rails(planned).size();
        int working = 0;
        int count = 0;
        for (int build = 0; build < most && goOn.test(build); build++, count++) {
            for (int i = 0; i < names.size(); i++) {
                off[i][build] = (2 * random.nextDouble() - 1) * (i < rails ? supplyPercent : resistorPercent);
            }
            List<Variants.Variant> drawn = variants.draw(bags);
            Circuit built = built(planned, variants, drawn, off, build);
            Map<String, Double> margins = margins(built);
            if (!missing.isEmpty()) {
                allTheSame(built, missing, chips);
            }
            double least = Double.MAX_VALUE;
            for (Map.Entry<String, double[]> line : worst.entrySet()) {
                double margin = margins.getOrDefault(line.getKey(), nominal.get(line.getKey()));
                line.getValue()[0] = Math.min(line.getValue()[0], margin);
                line.getValue()[1] += margin < -HAIR_VOLTS ? 1 : 0;
                least = Math.min(least, margin);
            }
            tightest[build] = least;
            boolean works = least >= -HAIR_VOLTS && variants.trouble(drawn).isEmpty();
            working += works ? 1 : 0;
            for (Variants.Variant v : drawn) {
                came.get(v)[0]++;
                came.get(v)[1] += works ? 0 : 1;
            }
        }
        List<Line> lines = new ArrayList<>();
        worst.forEach((name, w) -> lines.add(new Line(name, nominal.get(name), w[0], (int) w[1])));
        lines.sort(Comparator.comparingInt((Line l) -> -l.lost()).thenComparingDouble(Line::worst));
        List<Missing> lost = new ArrayList<>();
        missing.forEach((name, read) -> lost.add(new Missing(name, name.endsWith(OVER) ? -1 : read[0])));
        List<Other> others = new ArrayList<>();
        came.forEach(
                (v, n) -> others.add(new Other(v.name(), v.with().name(), variants.trouble(List.of(v)), n[0], n[1])));
        return new Builds(count, working, lines, values(names, off, tightest, count, nominal.isEmpty()), lost, others);
    }

    /** Counts the missing levels that lie on the right side of a threshold drawn for each chip's input. */
    private static void allTheSame(Circuit built, Map<String, int[]> missing, Random chips) {
        Map<String, Boolean> right = new LinkedHashMap<>();
        Map<Target, Double> between = new LinkedHashMap<>();
        for (Levels.Reading r : built.levels().readings()) {
            Levels.Receiver to = r.receiver();
            if (to.vih() == null || to.vil() == null) {
                continue;
            }
            double part = between.computeIfAbsent(to.end(), t -> chips.nextDouble());
            double threshold = to.vil() + part * (to.vih() - to.vil());
            String name = name(r);
            if (r.high() != null) {
                right.merge(name + HIGH, r.high() > threshold, Boolean::logicalAnd);
            }
            if (r.low() != null) {
                right.merge(name + LOW, r.low() < threshold, Boolean::logicalAnd);
            }
        }
        missing.forEach((name, read) -> read[0] += right.getOrDefault(name, false) ? 1 : 0);
    }

    private static String name(Levels.Reading reading) {
        return reading.line() + " at " + reading.receiver().name();
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

    private static Circuit built(
            Circuit planned, Variants variants, List<Variants.Variant> drawn, double[][] off, int build) {
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
        return WhatIf.supplies(new Circuit(variants.into(plan, drawn), planned.catalog()), percent);
    }

    /** Every margin of every line in volts; the least where a line is compared more than once. */
    private static Map<String, Double> margins(Circuit circuit) {
        Map<String, Double> margins = new LinkedHashMap<>();
        for (Levels.Reading r : circuit.levels().readings()) {
            String name = name(r);
            put(margins, name + HIGH, r.highMargin());
            put(margins, name + LOW, r.lowMargin());
            put(margins, name + OVER, r.overMargin());
        }
        return margins;
    }

    private static void put(Map<String, Double> margins, String name, Double volts) {
        if (volts != null) {
            margins.merge(name, volts, Math::min);
        }
    }

    private static List<Value> values(List<String> names, double[][] all, double[] every, int count, boolean none) {
        List<Value> values = new ArrayList<>();
        double[] tightest = Arrays.copyOf(every, count);
        double[][] off = new double[all.length][];
        for (int i = 0; i < all.length; i++) {
            off[i] = Arrays.copyOf(all[i], count);
        }
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
