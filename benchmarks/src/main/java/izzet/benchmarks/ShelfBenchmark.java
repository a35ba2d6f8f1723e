package izzet.benchmarks;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Search;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Loading the whole shelf with every check, and searching it. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class ShelfBenchmark {

    private final Search search = new Search(CatalogReader.shipped());

    @Benchmark
    public Catalog load() {
        return CatalogReader.shipped();
    }

    @Benchmark
    public List<Search.Hit> search() {
        return search.find("oled 128x64 0x3C");
    }
}
