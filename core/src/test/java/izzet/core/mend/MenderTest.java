package izzet.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.assign.SolverAssigner;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan;
import izzet.core.edit.QuickPlan.Want;
import izzet.core.mend.Mender.Limits;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Repairs;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Whole conflicts taken apart at once. The time given is long, so that a slow machine finds the same; most need a small part of it. */
class MenderTest {

    private static final Checker CHECKER = Checker.withAllRules();
    private static final Mender MENDER = new Mender(CHECKER, Repairs.withAllStrategies(CHECKER));
    private static final String OLED = "oled-128x64-page-2wire";
    private static final String TEXT = "character-16x2-expander";

    private static Want want(String part, int count) {
        return new Want(part, count, "", null);
    }

    private static Plan plan(String board, Want... wants) {
        return QuickPlan.of("Wick halt", board, List.of(wants), Workbench.CATALOG, new SolverAssigner());
    }

    private static Report check(Plan plan) {
        return CHECKER.check(new Circuit(plan, Workbench.CATALOG));
    }

    private static List<Solution> solve(Plan plan, Wish... wishes) {
        List<Solution> solutions =
                MENDER.solve(plan, Workbench.CATALOG, Set.of(wishes), Limits.of(Duration.ofSeconds(20)));
        for (Solution s : solutions) {
            // What is promised is what the check says of the plan that the edit makes.
            Report after = check(s.edit().apply(plan));
            assertThat(after.count(Severity.STOP) + after.count(Severity.FIX))
                    .isEqualTo(s.left().size());
            assertThat(s.edit().apply(plan)).isEqualTo(s.plan());
        }
        assertThat(solutions).extracting(Solution::means).doesNotHaveDuplicates();
        return solutions;
    }

    private static List<Solution> whole(Plan plan, Wish... wishes) {
        assertThat(check(plan).count(Severity.STOP) + check(plan).count(Severity.FIX))
                .isPositive();
        List<Solution> solutions = solve(plan, wishes);
        assertThat(solutions).isNotEmpty().allMatch(Solution::whole);
        return solutions;
    }

    @Test
    void threeIdenticalDisplaysHaveSeveralWays() {
        List<Solution> ways = whole(plan(Workbench.MCU, want(OLED, 3)));
        assertThat(ways).hasSizeGreaterThan(1);
        assertThat(ways).anyMatch(s -> s.price().buy().stream().anyMatch(b -> b.contains("bus switch")));
        assertThat(ways.get(0).price().buy().size())
                .isEqualTo(ways.stream()
                        .mapToInt(s -> s.price().buy().size())
                        .min()
                        .orElseThrow());
    }

    @Test
    void sixIdenticalDisplaysGoBehindASwitch() {
        assertThat(whole(plan("wifi-dual-38", want(OLED, 6))))
                .anyMatch(s -> s.means().contains("bus-switch"));
    }

    @Test
    void aFiveVoltExpanderBoardAndThreeDisplaysOnAThreeVoltBoard() {
        whole(plan("wifi-dual-38", want(TEXT, 1)));
        whole(plan("wifi-dual-38", want(OLED, 3), want(TEXT, 1)));
    }

    @Test
    void twoTextDisplaysASmallOneAndASensor() {
        whole(plan(Workbench.MCU, want(TEXT, 2), want(OLED, 1), want("light-sensor", 1)));
    }

    @Test
    void wishesAreKept() {
        Plan plan = plan(Workbench.MCU, want(OLED, 2));
        assertThat(whole(plan, Wish.KEEP_SOLDERING)).noneMatch(s -> s.means().contains("other-address"));
        Plan three = plan("wifi-dual-38", want(OLED, 3));
        assertThat(whole(three, Wish.BUY_NOTHING)).allMatch(s -> s.price().buy().isEmpty());
        Solution behind = whole(three, Wish.HAVE_SWITCH, Wish.KEEP_SOLDERING).stream()
                .filter(s -> s.means().contains("bus-switch"))
                .findFirst()
                .orElseThrow();
        assertThat(behind.plan().parts()).extracting(p -> p.part()).anyMatch(p -> p.startsWith("bus-switch"));
        assertThat(behind.price().buy()).noneMatch(b -> b.contains("switch"));
        assertThat(whole(three, Wish.NO_CONSOLE)).isNotEmpty();
    }

    /** Levels of a 5 V board cannot be mended for nothing: what comes farthest is told with what it leaves. */
    @Test
    void whereNothingHelpsWhollyWhatIsLeftIsTold() {
        Plan plan = plan(Workbench.MCU, want(OLED, 2));
        Solution farthest = solve(plan, Wish.BUY_NOTHING).get(0);
        assertThat(farthest.whole()).isFalse();
        assertThat(farthest.left()).extracting(f -> f.severity()).containsOnly(Severity.FIX);
        assertThat(farthest.gone()).isNotEmpty();
    }

    @Test
    void oneWordStopsIt() {
        Plan plan = plan(Workbench.MCU, want(OLED, 3));
        assertThat(MENDER.solve(
                        plan, Workbench.CATALOG, Set.of(), new Limits(Duration.ofSeconds(20), () -> true, s -> {})))
                .isEmpty();
    }

    @Test
    void aPlanWithoutTroubleNeedsNothing() {
        Plan plan = plan(Workbench.MCU, want("push-button", 1));
        assertThat(check(plan).count(Severity.STOP)).isZero();
        assertThat(solve(plan)).isEmpty();
    }

    @Test
    void allOfItIsOneEdit() {
        Plan plan = plan(Workbench.MCU, want(OLED, 2));
        Solution s = whole(plan).get(0);
        assertThat(s.edit()).isInstanceOf(PlanEdit.Together.class);
        assertThat(s.gone()).isNotEmpty();
        assertThat(s.edit().describe(plan)).startsWith("mended: ");
    }
}
