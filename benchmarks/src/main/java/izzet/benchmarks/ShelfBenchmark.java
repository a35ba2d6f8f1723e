package izzet.benchmarks;

import izzet.core.assign.Assigner;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.edit.QuickPlan;
import izzet.core.find.QuickList;
import izzet.core.find.Search;
import izzet.core.plan.Plan;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Loading the whole shelf with every check, searching it, and reading what lies on a table. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class ShelfBenchmark {

    private static final String TABLE =
            "2 small oled, 16x2 lcd with backpack, 1.8 tft with card, 3 butons, xylophone, wifi board";

    private final Catalog catalog = CatalogReader.shipped();
    private final Search search = new Search(catalog);
    private final QuickList quickList = new QuickList(catalog, () -> search);
    private final Assigner assigner = new SolverAssigner();

    @Benchmark
    public Catalog load() {
        return CatalogReader.shipped();
    }

    @Benchmark
    public List<Search.Hit> search() {
        return search.find("oled 128x64 0x3C");
    }

    /** With a slip, which is looked for among all words. */
    @Benchmark
    public List<Search.Hit> searchWithASlip() {
        return search.find("logic level convertr");
    }

    @Benchmark
    public QuickList.Reading readQuickList() {
        return quickList.read(TABLE);
    }

    /** From the words to the plan with its pins. */
    @Benchmark
    public Plan planOfQuickList() {
        QuickList.Reading reading = quickList.read(TABLE);
        List<QuickPlan.Want> wants = reading.parts().stream()
                .map(i -> new QuickPlan.Want(i.part(), i.count(), "", null))
                .toList();
        return QuickPlan.of("table", reading.board(), wants, catalog, assigner);
    }
}
