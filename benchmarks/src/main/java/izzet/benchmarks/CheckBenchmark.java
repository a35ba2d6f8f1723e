package izzet.benchmarks;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** The full check of the largest demo plan, and of one with forty parts. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class CheckBenchmark {

    private static final List<String> KINDS = List.of(
            "oled-128x64-page-2wire",
            "led",
            "push-button",
            "character-16x2-direct",
            "expander-16",
            "pressure-temperature",
            "led-rgb",
            "joystick",
            "colour-240x320-serial",
            "potentiometer");

    private final Catalog catalog = CatalogReader.shipped();
    private final Checker checker = Checker.withAllRules();
    private Plan plan;
    private Plan forty;

    @Setup
    public void plan() throws IOException {
        Path file = Path.of("app/src/main/resources/demo-plans/1-thistlewick-junction.json");
        plan = new PlanDocument().read(Files.readString(file), catalog);
        forty = forty();
    }

    /** Four of each, connected as proposed as far as the board has room. */
    private Plan forty() {
        Plan next = Plan.empty("Forty parts", "wifi-dual-38");
        for (int i = 0; i < 40; i++) {
            Part part = catalog.part(KINDS.get(i % KINDS.size())).orElseThrow();
            String id = "part-" + i;
            next = new PlanEdit.AddPart(new PlacedPart(
                            id,
                            part.id(),
                            part.version(),
                            id,
                            part.interfaces().get(0).id(),
                            Map.of(),
                            null,
                            null))
                    .apply(next);
            next = Proposal.of(next, catalog, id).edit().apply(next);
        }
        return next;
    }

    /** Sampled, for its median. */
    @Benchmark
    @BenchmarkMode(Mode.SampleTime)
    public Report checkOfFortyParts() {
        return checker.check(forty, catalog);
    }

    @Benchmark
    public Report check() {
        return checker.check(plan, catalog);
    }
}
