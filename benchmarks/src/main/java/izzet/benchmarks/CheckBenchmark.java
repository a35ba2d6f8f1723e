package izzet.benchmarks;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** The full check of the largest demo plan. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class CheckBenchmark {

    private final Catalog catalog = CatalogReader.shipped();
    private final Checker checker = Checker.withAllRules();
    private Plan plan;

    @Setup
    public void plan() throws IOException {
        Path file = Path.of("app/src/main/resources/demo-plans/1-thistlewick-junction.json");
        plan = new PlanDocument().read(Files.readString(file), catalog);
    }

    @Benchmark
    public Report check() {
        return checker.check(plan, catalog);
    }
}
