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

/** The assigner and a naive backtracking search on the reference tasks, in one run: each warm, the median of three. */
public final class AssignTimes {

    private static final Duration LIMIT = Duration.ofSeconds(2);
    private static final double NAIVE_SECONDS = 10;

    /** The naive search gets at least so many times what the model took, so that a ratio can be told. */
    private static final double NAIVE_TIMES = 25;

    private static final int REPEATS = 3;

    private AssignTimes() {}

    public static void main(String[] args) throws IOException {
        Catalog catalog = CatalogReader.shipped();
        Assigner assigner = new SolverAssigner();
        List<Path> files;
        try (Stream<Path> found = Files.list(Path.of("core/src/test/resources/assign"))) {
            files = found.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
        List<Double> all = new ArrayList<>();
        System.out.println("task, model ms, outcome, naive ms, ratio");
        for (int warm = 0; warm < 2; warm++) {
            for (Path file : files) {
                Plan plan = new PlanDocument().read(Files.readString(file), catalog);
                if (warm == 0) {
                    assigner.assign(plan, catalog, Weights.USUAL, Limits.of(Duration.ofMillis(500)));
                    continue;
                }
                List<Double> times = new ArrayList<>();
                Answer answer = null;
                for (int i = 0; i < REPEATS; i++) {
                    long start = System.nanoTime();
                    answer = assigner.assign(plan, catalog, Weights.USUAL, Limits.of(LIMIT));
                    times.add((System.nanoTime() - start) / 1e6);
                }
                double model = median(times);
                all.add(model);
                Plan supplied = Proposal.withoutPins(plan, catalog).apply(plan);
                double patience = Math.max(NAIVE_SECONDS, NAIVE_TIMES * model / 1000);
                NaiveAssigner naive = new NaiveAssigner(supplied, catalog, (long) (patience * 1e9));
                long start = System.nanoTime();
                boolean ended = naive.run();
                double slow = (System.nanoTime() - start) / 1e6;
                System.out.printf(
                        Locale.ROOT,
                        "%s, %.0f, %s, %s%.0f, %s%.1f%n",
                        file.getFileName(),
                        model,
                        answer.outcome(),
                        ended ? "" : "more than ",
                        slow,
                        ended ? "" : "more than ",
                        slow / model);
            }
        }
        System.out.printf(
                Locale.ROOT,
                "median %.0f ms, worst %.0f ms%n",
                median(all),
                all.stream().mapToDouble(Double::doubleValue).max().orElse(0));
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }
}
