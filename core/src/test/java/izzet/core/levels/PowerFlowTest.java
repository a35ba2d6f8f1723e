package izzet.core.levels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.levels.PowerFlow.Mouth;
import izzet.core.levels.PowerFlow.Stream;
import izzet.core.plan.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PowerFlowTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    private static List<Stream> all(List<Stream> streams) {
        List<Stream> all = new ArrayList<>(streams);
        streams.forEach(s -> s.mouths().forEach(m -> all.addAll(all(m.behind()))));
        return all;
    }

    /** What a river carries is the sum of its mouths, and it is over exactly where the check says so. */
    @ParameterizedTest
    @MethodSource("plans")
    void riversAreThoseOfTheCheck(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        List<Stream> streams = all(PowerFlow.of(circuit));
        for (Stream s : streams) {
            assertThat(s.mouths().stream().mapToDouble(Mouth::most).sum()).isCloseTo(s.most(), within(1e-9));
            assertThat(s.mouths().stream().mapToDouble(Mouth::typical).sum()).isCloseTo(s.typical(), within(1e-9));
        }
        List<String> over = streams.stream()
                .filter(Stream::over)
                .map(s -> s.rail().label())
                .distinct()
                .toList();
        assertThat(report.of("L4"))
                .extracting(f -> f.places().get(0).label())
                .containsExactlyInAnyOrderElementsOf(over);
    }

    /** 5 V in, 3.3 V and two signs out: both the current and its heat are there. */
    @Test
    void aRegulatorNarrowsTheRiverAndWarmsUp() {
        Workbench bench = Workbench.mcu()
                .with("reg", "regulator-3v3")
                .wire("reg:IN", "rail:5V")
                .wire("reg:GND", "rail:GND")
                .with("sign", Workbench.OLED)
                .wire("sign:VCC", "reg:OUT");
        Circuit circuit = bench.circuit();
        Stream five = PowerFlow.of(circuit).stream()
                .filter(s -> s.rail().id().equals("5V"))
                .findFirst()
                .orElseThrow();
        Mouth regulator = five.mouths().stream()
                .filter(m -> m.unit().id().equals("reg"))
                .findFirst()
                .orElseThrow();
        Stream behind = regulator.behind().get(0);
        assertThat(behind.mouths()).extracting(m -> m.unit().id()).containsExactly("sign");
        assertThat(regulator.typical()).isCloseTo(5 + behind.typical(), within(1e-9));
        // 5 V · (own 5 mA + load) − 3.3 V · load.
        assertThat(regulator.typicalWatts()).isCloseTo((1.7 * behind.typical() + 25) / 1000, within(1e-9));
        assertThat(PowerFlow.of(circuit)).extracting(s -> s.rail().id()).doesNotContain("reg:OUT");
        assertThat(five.headroom()).isCloseTo(400 - five.most(), within(1e-9));
    }

    @Test
    void nothingFlowsInAnEmptyPlan() {
        assertThat(PowerFlow.of(Workbench.mcu().circuit())).isEmpty();
    }
}
