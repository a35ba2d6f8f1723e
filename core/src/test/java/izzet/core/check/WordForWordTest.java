package izzet.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * What the check says of the reference plans and of plans put together by chance, with every figure and every margin of what is fine. After a
 * change that is meant, write it anew with {@code -Dizzet.said=core/src/test/resources/check/said.txt} and read the difference.
 */
class WordForWordTest {

    private static final int BY_CHANCE = 120;

    private static Map<String, Plan> plans() {
        Map<String, Plan> plans = new LinkedHashMap<>(ReferencePlans.all());
        for (int seed = 0; seed < BY_CHANCE; seed++) {
            RandomPlans random = new RandomPlans(91_000 + seed);
            List<Plan> walk = random.walk(random.plan(5), 5);
            plans.put("by chance " + seed, walk.get(walk.size() - 1));
        }
        return plans;
    }

    private static String said(Plan plan) {
        Report report = Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG));
        StringBuilder out = new StringBuilder();
        for (Finding f : report.findings()) {
            out.append(f.severity()).append(' ').append(f.id()).append(' ').append(f.sentence());
            f.figures()
                    .forEach(
                            x -> out.append(" | ").append(x.name()).append(": ").append(x.value()));
            out.append(" | at ")
                    .append(f.places().stream().map(Place::id).collect(Collectors.joining(",")))
                    .append('\n');
        }
        report.undecided().forEach(u -> out.append("? ")
                .append(u.rule())
                .append(' ')
                .append(u.missing())
                .append('\n'));
        new TreeMap<>(report.clean()).forEach((rule, fine) -> out.append("= ")
                .append(rule)
                .append(' ')
                .append(fine.count())
                .append(' ')
                .append(fine.tightest())
                .append(' ')
                .append(fine.where())
                .append('\n'));
        return out.toString();
    }

    @Test
    void theCheckSaysWhatItSaid() throws IOException {
        Map<String, String> now = new LinkedHashMap<>();
        plans().forEach((name, plan) -> now.put(name, said(plan)));
        String write = System.getProperty("izzet.said");
        if (write != null) {
            StringBuilder all = new StringBuilder();
            now.forEach(
                    (name, said) -> all.append("# ").append(name).append('\n').append(said));
            Files.writeString(Path.of(write), all);
            return;
        }
        Map<String, String> before = new LinkedHashMap<>();
        String name = null;
        try (var in = WordForWordTest.class.getResourceAsStream("/check/said.txt")) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                if (line.startsWith("# ")) {
                    name = line.substring(2);
                    before.put(name, "");
                } else {
                    before.merge(name, line + "\n", String::concat);
                }
            }
        }
        assertThat(now.keySet()).isEqualTo(before.keySet());
        now.forEach((plan, said) -> assertThat(said).as(plan).isEqualTo(before.get(plan)));
    }
}
