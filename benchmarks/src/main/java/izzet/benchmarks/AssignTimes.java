package izzet.benchmarks;

import izzet.core.assign.Assigner;
import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Proposal;
import izzet.core.assign.SolverAssigner;
import izzet.core.assign.Weights;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * The assigner and a naive backtracking search on the reference tasks, in one run: each warm, the median of several runs. Both look for one
 * assignment; what it takes to set others that are as good beside it is told, too.
 */
public final class AssignTimes {

    private static final Duration LIMIT = Duration.ofSeconds(2);
    private static final double NAIVE_SECONDS = 10;

    /** The naive search gets at least so many times what the model took, so that a ratio can be told. */
    private static final double NAIVE_TIMES = 25;

    private static final int REPEATS = 3;
    private static final double ENOUGH_MILLIS = 500;

    private AssignTimes() {}

    public static void main(String[] args) throws IOException {
        Catalog catalog = CatalogReader.shipped();
        Assigner assigner = new SolverAssigner();
        List<Path> files;
        try (Stream<Path> found = Files.list(Path.of("core/src/test/resources/assign"))) {
            files = found.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
        List<Double> all = new ArrayList<>();
        List<Double> whole = new ArrayList<>();
        System.out.println("task, model ms, with others ms, outcome, naive ms, ratio");
        for (int warm = 0; warm < 2; warm++) {
            for (Path file : files) {
                Plan plan = new PlanDocument().read(Files.readString(file), catalog);
                if (warm == 0) {
                    assigner.assign(plan, catalog, Weights.USUAL, Limits.of(Duration.ofMillis(500)));
                    continue;
                }
                Limits one = Limits.of(LIMIT).forOne();
                Answer answer = assigner.assign(plan, catalog, Weights.USUAL, one);
                double model = sample(() -> assigner.assign(plan, catalog, Weights.USUAL, one));
                double three = sample(() -> assigner.assign(plan, catalog, Weights.USUAL, Limits.of(LIMIT)));
                all.add(model);
                whole.add(three);
                long patience = (long) (Math.max(NAIVE_SECONDS, NAIVE_TIMES * model / 1000) * 1e9);
                boolean ended = naive(plan, catalog, patience);
                double slow = ended ? sample(() -> naive(plan, catalog, patience)) : patience / 1e6;
                System.out.printf(
                        Locale.ROOT,
                        "%s, %.0f, %.0f, %s, %s%.0f, %s%.1f%n",
                        file.getFileName(),
                        model,
                        three,
                        answer.outcome(),
                        ended ? "" : "more than ",
                        slow,
                        ended ? "" : "more than ",
                        slow / model);
            }
        }
        System.out.printf(
                Locale.ROOT,
                "one: median %.0f ms, worst %.0f ms; with others: median %.0f ms, worst %.0f ms%n",
                median(all),
                worst(all),
                median(whole),
                worst(whole));
    }

    /** Whether it came to an end. */
    private static boolean naive(Plan plan, Catalog catalog, long nanos) {
        Plan supplied = Proposal.withoutPins(plan, catalog).apply(plan);
        return new NaiveAssigner(supplied, catalog, nanos).run();
    }

    /** Milliseconds of a run, the median of three at least, of more when they are short. */
    private static double sample(Runnable run) {
        List<Double> times = new ArrayList<>();
        double sum = 0;
        while (times.size() < REPEATS || sum < ENOUGH_MILLIS) {
            long start = System.nanoTime();
            run.run();
            times.add((System.nanoTime() - start) / 1e6);
            sum += times.get(times.size() - 1);
        }
        return median(times);
    }

    private static double worst(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).max().orElse(0);
    }

    static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }
}
