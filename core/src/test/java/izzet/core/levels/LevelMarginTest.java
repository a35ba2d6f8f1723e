package izzet.core.levels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.levels.LevelMargin.Verdict;
import izzet.core.plan.Plan;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LevelMarginTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    /** The pictures tell what the check tells: the same lines amiss, by the same volts. */
    @ParameterizedTest
    @MethodSource("plans")
    void marginsAreThoseOfTheCheck(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        List<LevelMargin> margins = LevelMargin.of(circuit);
        assertThat(margins.stream().anyMatch(m -> m.verdict() == Verdict.DESTROYS))
                .isEqualTo(!report.of("L2").isEmpty());
        report.of("L1").forEach(f -> f.figures().stream()
                .filter(g -> g.margin() != null)
                .forEach(g -> assertThat(margins).as(f.sentence()).anySatisfy(m -> assertThat(List.of(
                                orNone(m.reading().highMargin()),
                                orNone(m.reading().lowMargin())))
                        .anySatisfy(v -> assertThat(v).isCloseTo(g.margin(), within(1e-9))))));
        if (report.of("L1").isEmpty()) {
            assertThat(margins).extracting(LevelMargin::verdict).doesNotContain(Verdict.MISSES, Verdict.SEEN_WORKING);
        }
        boolean seen = margins.stream().anyMatch(m -> m.verdict() == Verdict.SEEN_WORKING);
        assertThat(report.of("L1").stream().anyMatch(f -> f.seenWorking()) && !seen)
                .isFalse();
    }

    private static double orNone(Double volts) {
        return volts == null ? Double.NaN : volts;
    }

    @ParameterizedTest
    @MethodSource("plans")
    void keysAreUniqueAndTheTightestComesFirst(Map.Entry<String, Plan> entry) {
        List<LevelMargin> margins = LevelMargin.of(new Circuit(entry.getValue(), Workbench.CATALOG));
        assertThat(margins).extracting(LevelMargin::key).doesNotHaveDuplicates();
        for (int i = 1; i < margins.size(); i++) {
            LevelMargin a = margins.get(i - 1);
            LevelMargin b = margins.get(i);
            assertThat(a.verdict()).isGreaterThanOrEqualTo(b.verdict());
            if (a.verdict() == b.verdict()) {
                assertThat(a.tightest()).isLessThanOrEqualTo(b.tightest());
            }
        }
    }

    /** 3.3 V pull-ups against a controller at 5 V that reads high from 3.5 V: a picture of its own, with both pull-ups named. */
    @Test
    void aBusThatIdlesTooLowIsSeenWorkingAndNamesItsPullUps() {
        Circuit circuit = Workbench.mcu()
                .with("sign", Workbench.OLED)
                .wire("sign:VCC", "rail:3V3")
                .circuit();
        LevelMargin data = LevelMargin.of(circuit).stream()
                .filter(m -> m.to().startsWith("the board") && m.line().startsWith("SDA"))
                .findFirst()
                .orElseThrow();
        assertThat(data.verdict()).isEqualTo(Verdict.SEEN_WORKING);
        assertThat(data.inMillis()).isEqualTo("-200 mV");
        assertThat(data.pullUps(circuit)).extracting(f -> f.from()).containsExactly("the sign");
        assertThat(data.otherWay(LevelMargin.of(circuit), circuit))
                .extracting(LevelMargin::to)
                .contains("the sign");
    }

    @Test
    void linesAreCalledAsOnThePart() {
        List<LevelMargin> margins = LevelMargin.of(Workbench.mcu()
                .with("map", "colour-240x320-serial")
                .with("lever", "push-button")
                .circuit());
        assertThat(margins).extracting(LevelMargin::line).contains("the map SCK", "the map DC");
        assertThat(margins.get(0).verdict()).isEqualTo(Verdict.DESTROYS);
        assertThat(margins.get(0).parts()).contains("map");
    }
}
