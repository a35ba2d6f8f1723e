package izzet.core.levels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.edit.LineEdits;
import izzet.core.plan.Plan;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LampBenchTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    /** Put into the plan, the resistor lets through what the bench said. */
    @ParameterizedTest
    @MethodSource("plans")
    void whatIsPromisedFlows(Map.Entry<String, Plan> entry) {
        Plan plan = entry.getValue();
        for (LampBench lamp : LampBench.of(new Circuit(plan, Workbench.CATALOG))) {
            if (lamp.dialled()) {
                continue;
            }
            for (double share : new double[] {1, 0.3}) {
                SeriesResistor wanted = lamp.wanted(share, PreferredValues.E24).orElse(null);
                if (wanted == null) {
                    continue;
                }
                Plan fitted = LineEdits.inSeries(plan, lamp.wire().from(), wanted.ohms())
                        .apply(plan);
                double flows = new Circuit(fitted, Workbench.CATALOG)
                        .lamps().stream()
                                .filter(l ->
                                        l.line().from().equals(lamp.lit().line().from()))
                                .findFirst()
                                .orElseThrow()
                                .amperes();
                assertThat(flows)
                        .as(lamp.lit().line().label() + " " + wanted)
                        .isCloseTo(wanted.amperes(), within(wanted.amperes() * 0.01));
                assertThat(flows).isLessThanOrEqualTo(lamp.limitAmperes() * 1.005);
            }
        }
    }

    @Test
    void theResistorIsFoundInEitherLead() {
        Workbench bench = Workbench.mcu()
                .bare("lamp", "led", "dimmed")
                .wire("lamp:A", "board:3")
                .wire("lamp:K", "rail:GND", 330.0, null);
        LampBench lamp = LampBench.of(bench.circuit()).get(0);
        assertThat(lamp.fittedOhms()).isEqualTo(330);
        assertThat(lamp.wire().from().toString()).isEqualTo("lamp:K");
        assertThat(lamp.otherOhms()).isZero();
        assertThat(lamp.wanted(1, PreferredValues.E12).orElseThrow().ohms()).isEqualTo(220);
        assertThat(lamp.amperesWith(330)).isCloseTo(lamp.lit().amperes(), within(1e-4));
    }

    /** Dimmed by either half of the dial, its brightest place is seen and so is its dimmest. */
    @Test
    void aDialIsTurnedBothWays() {
        for (String end : List.of("trim:A", "trim:B")) {
            Workbench bench = Workbench.mcu()
                    .bare("lamp", "led", "dimmed")
                    .bare("trim", "potentiometer", "divider")
                    .wire("lamp:A", "trim:W")
                    .wire(end, "board:3")
                    .wire("lamp:K", "rail:GND");
            LampBench lamp = LampBench.of(bench.circuit()).get(0);
            assertThat(lamp.dialled()).isTrue();
            assertThat(lamp.lit().amperes()).as(end).isGreaterThan(0.1);
            assertThat(lamp.lit().dimmedAmperes()).as(end).isBetween(2e-4, 4e-4);
            assertThat(bench.findings("L6")).as(end).isNotEmpty();
        }
    }

    /** Twice the resistor, about half the current and half the light. */
    @Test
    void lessBrightnessWantsMoreOhms() {
        LampBench lamp =
                LampBench.of(Workbench.mcu().with("lamp", "led").circuit()).get(0);
        double full = lamp.wanted(1, PreferredValues.E96).orElseThrow().ohms();
        double half = lamp.wanted(0.5, PreferredValues.E96).orElseThrow().ohms();
        assertThat(half / full).isBetween(1.9, 2.2);
        assertThat(lamp.amperesWith(half)).isCloseTo(lamp.ratedAmperes() / 2, within(lamp.ratedAmperes() * 0.02));
    }

    @Test
    void contrastOverTheWholeTurn() {
        Circuit circuit = Workbench.mcu()
                .with("cabin", "character-16x2-direct", "4-bit")
                .bare("trim", "potentiometer", "divider")
                .wire("trim:A", "rail:5V")
                .wire("trim:B", "rail:GND")
                .wire("cabin:V0", "trim:W", null, null)
                .circuit();
        Contrast contrast = Contrast.of(circuit).get(0);
        assertThat(contrast.turned()).isTrue();
        assertThat(contrast.least()).isLessThan(0.1);
        assertThat(contrast.most()).isGreaterThan(4.5);
        assertThat(contrast.readableShare()).isBetween(0.05, 0.3);
        assertThat(Workbench.CHECKER.check(circuit).of("L7")).isEmpty();
    }
}
