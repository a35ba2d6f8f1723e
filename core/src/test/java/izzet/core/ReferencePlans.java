package izzet.core;

import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** The sound plans and their broken twins among the test resources. */
public final class ReferencePlans {

    private static final PlanDocument DOCUMENTS = new PlanDocument();

    private ReferencePlans() {}

    /** By set and file name, each once. */
    public static Map<String, Plan> all() {
        Map<String, Plan> plans = new TreeMap<>();
        Stream.of("given", "more").forEach(set -> ReferenceTable.rows("/verdicts/" + set + "/expect.csv")
                .forEach(row -> plans.computeIfAbsent(set + "/" + row.get("file"), ReferencePlans::read)));
        return plans;
    }

    /** @param name as {@code given/sound/01.json} */
    public static Plan read(String name) {
        try (InputStream in = ReferencePlans.class.getResourceAsStream("/verdicts/" + name)) {
            return DOCUMENTS.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), Workbench.CATALOG);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
