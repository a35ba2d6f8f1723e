package izzet.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class MeterCheckTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    private static MeterCheck check(Workbench bench, String key) {
        return MeterCheck.of(bench.circuit()).stream()
                .filter(c -> c.key().startsWith(key))
                .findFirst()
                .orElseThrow();
    }

    /** Every check can be failed and passed, and each has its own key. */
    @ParameterizedTest
    @MethodSource("plans")
    void everyCheckHasAValueThatPassesAndOneThatFails(Map.Entry<String, Plan> entry) {
        List<MeterCheck> checks = MeterCheck.of(new Circuit(entry.getValue(), Workbench.CATALOG));
        assertThat(checks).extracting(MeterCheck::key).doesNotHaveDuplicates();
        for (MeterCheck check : checks) {
            double right = Double.isInfinite(check.most()) ? check.least() * 2 : (check.least() + check.most()) / 2;
            assertThat(check.judge(right).fine()).as(check.where()).isTrue();
            double wrong = Double.isInfinite(check.most()) ? check.least() / 2 : check.most() * 2 + 1;
            assertThat(check.judge(wrong).fine()).as(check.where()).isFalse();
            assertThat(check.judge(wrong).words()).isNotBlank();
        }
    }

    @Test
    void aShortSaysNotToPowerOn() {
        MeterCheck check = check(Workbench.mcu().with("sign", Workbench.OLED), "short:5V");
        assertThat(check.when()).isEqualTo(MeterCheck.When.BEFORE);
        assertThat(check.judge(0.4).words()).contains("Do not power on");
        assertThat(check.judge(1e15).fine()).isTrue();
        assertThat(check.judge(Double.NaN).fine()).isFalse();
    }

    /** Two resistors of the plan in parallel; those of a module with a regulator of its own are not between the line and the row. */
    @Test
    void pullUpsThatAProbeReachesAreTakenTogether() {
        Workbench bench = Workbench.on("wifi-dual-38").with("sign", Workbench.OLED);
        assertThat(MeterCheck.of(bench.circuit())).noneMatch(c -> c.key().startsWith("pull:"));
        for (String id : List.of("a", "b")) {
            bench.edit(new PlanEdit.AddResistor(new Resistor(id, Target.of("sign:SDA"), Target.of("rail:3V3"), 4700)));
        }
        MeterCheck check = check(bench, "pull:");
        assertThat((check.least() + check.most()) / 2).isCloseTo(2350, within(1.0));
        assertThat(check.judge(4700).words()).contains("A pull-up is missing");
    }

    @Test
    void aWireWithItsResistorIsToldFromOneWithout() {
        Workbench bench = Workbench.mcu().with("lamp", "led");
        MeterCheck check = check(bench, "wire:lamp:A");
        assertThat(check.judge(220).fine()).isTrue();
        assertThat(check.judge(0.3).words()).contains("resistor is missing");
        assertThat(check.judge(1e15).words()).contains("No contact");
    }

    @Test
    void levelsAfterPower() {
        Workbench bench = Workbench.mcu().with("sign", Workbench.OLED).with("cabin", "character-16x2-direct");
        assertThat(check(bench, "idle:").judge(3.3).fine()).isTrue();
        assertThat(check(bench, "idle:").judge(5).words()).contains("higher supply");
        assertThat(check(bench, "rail:5V").judge(4.4).fine()).isFalse();
        assertThat(check(bench, "contrast:").judge(0.42).fine()).isTrue();
        assertThat(check(bench, "contrast:").judge(3).words()).contains("Nothing shows");
    }
}
