package izzet.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.catalog.Board;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Repair;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** What holds of every check, whatever the plan. */
class CheckPropertiesTest {

    private static final int PLANS = 5000;
    private static final int WALK = 20;

    /** Checked without the net under a failing rule, so that a failure shows. */
    private static Report strict(Plan plan) {
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        Findings findings = new Findings();
        Workbench.CHECKER.rules().forEach(rule -> rule.check(circuit, findings));
        return new Report(findings.found(), findings.undecided(), findings.compared());
    }

    @Test
    void noRuleFailsOnAnyPlan() {
        int seen = 0;
        for (long seed = 0; seen < PLANS; seed++) {
            RandomPlans random = new RandomPlans(seed);
            for (Plan plan : random.walk(random.plan(7), WALK)) {
                assertThat(strict(plan)).as("seed %d", seed).isNotNull();
                seen++;
            }
        }
    }

    private static Set<String> said(Plan plan) {
        return strict(plan).findings().stream()
                .map(f -> f.id() + " " + f.severity() + " "
                        + f.figures().stream().map(Figure::value).sorted().toList())
                .collect(Collectors.toSet());
    }

    /** A wire is the same from whichever end it was drawn. */
    @RepeatedTest(60)
    void exchangedEndsChangeNoFinding(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(7_000 + repetition.getCurrentRepetition());
        List<Plan> walk = random.walk(random.plan(6), 6);
        Plan plan = crossWired(walk.get(walk.size() - 1), repetition.getCurrentRepetition());
        List<Connection> turned = new ArrayList<>();
        for (Connection c : plan.connections()) {
            turned.add(new Connection(c.to(), c.from(), c.seriesOhms(), c.pull(), c.locked()));
        }
        Plan exchanged = new Plan(
                plan.format(),
                plan.version(),
                plan.name(),
                plan.board(),
                plan.boardVersion(),
                plan.wireCentimetres(),
                plan.cable(),
                plan.consoleOff(),
                plan.parts(),
                plan.buses(),
                turned,
                plan.resistors());
        assertThat(said(exchanged)).isEqualTo(said(plan));
    }

    /** With wires from part to part, which random edits seldom make. */
    private static Plan crossWired(Plan plan, int seed) {
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        var wires = new ArrayList<>(circuit.wires());
        Collections.shuffle(wires, new Random(seed));
        Plan next = plan;
        for (int i = 0; i + 1 < Math.min(8, wires.size()); i += 2) {
            if (next.connection(wires.get(i).from()).isEmpty()) {
                next = new PlanEdit.Connect(
                                wires.get(i).from(), wires.get(i + 1).from())
                        .apply(next);
            }
        }
        return next;
    }

    @RepeatedTest(40)
    void anUnconnectedPartBringsNothingAboutOthers(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(9_000 + repetition.getCurrentRepetition());
        Plan plan = random.plan(6);
        String part = random.pick(List.copyOf(Workbench.CATALOG.parts().keySet()));
        var item = Workbench.CATALOG.part(part).orElseThrow();
        Plan more = new PlanEdit.AddPart(new PlacedPart(
                        "stranger",
                        part,
                        item.version(),
                        "the stranger",
                        item.interfaces().get(0).id(),
                        Map.of(),
                        null,
                        null))
                .apply(plan);
        Set<String> before = strict(plan).findings().stream().map(Finding::id).collect(Collectors.toSet());
        assertThat(strict(more).findings())
                .filteredOn(f -> !f.aboutPart("stranger"))
                .extracting(Finding::id)
                .isSubsetOf(before);
    }

    @RepeatedTest(20)
    void aRepairKeepsWhatItPromises(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(11_000 + repetition.getCurrentRepetition());
        List<Plan> walk = random.walk(random.plan(5), 4);
        Plan plan = walk.get(walk.size() - 1);
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        report.findings().stream().limit(4).forEach(finding -> {
            for (Repair repair : Workbench.REPAIRS.of(circuit, report, finding)) {
                Report after = Workbench.CHECKER.check(repair.edit().apply(plan), Workbench.CATALOG);
                assertThat(after.finding(finding.id())).as(repair.title()).isEmpty();
                assertThat(after.count(Severity.STOP)).as(repair.title()).isEqualTo(repair.stopsLeft());
                assertThat(after.betterThan(report)).as(repair.title()).isTrue();
            }
        });
    }

    /** What is proposed for any part on any board brings no lamp without its resistor, or with one too small, or that cannot shine. */
    @Test
    void lampsAreProposedWithResistorsThatHold() {
        for (Board board : Workbench.CATALOG.boards().values()) {
            for (Part part : Workbench.CATALOG.parts().values()) {
                for (Part.Interface variant : part.interfaces()) {
                    Workbench bench = Workbench.on(board.id()).with("x", part.id(), variant.id());
                    assertThat(bench.findings("L6"))
                            .as(board.id() + " " + part.id() + " " + variant.id())
                            .extracting(Finding::sentence)
                            .noneMatch(
                                    s -> s.contains("It wants") || s.contains("one level") || s.contains("wrong way"));
                }
            }
        }
    }
}
