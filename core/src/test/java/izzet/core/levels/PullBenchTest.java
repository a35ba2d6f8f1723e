package izzet.core.levels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.Workbench;
import izzet.core.calc.PreferredValues;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import org.junit.jupiter.api.Test;

class PullBenchTest {

    private static Workbench button(String other, String rail, double ohms) {
        return Workbench.mcu()
                .bare("lever", "push-button", "to-ground")
                .wire("lever:A", "board:7")
                .wire("lever:B", other)
                .edit(new PlanEdit.AddResistor(new Resistor("r", Target.of("lever:A"), Target.of(rail), ohms)));
    }

    private static PullBench only(Workbench bench) {
        var all = PullBench.of(bench.circuit());
        assertThat(all).hasSize(1);
        return all.get(0);
    }

    @Test
    void aPullDownOfAButtonToTheSupply() {
        PullBench pull = only(button("rail:5V", "rail:GND", 10_000));
        assertThat(pull.up()).isFalse();
        assertThat(pull.rest()).isCloseTo(0, within(0.001));
        assertThat(pull.closed()).isCloseTo(5, within(0.01));
        assertThat(pull.flows()).isCloseTo(0.0005, within(1e-6));
        assertThat(pull.least()).isCloseTo(5_000, within(10.0));
        // 0.3 of 5 V over 1 microampere.
        assertThat(pull.most()).isCloseTo(1.5e6, within(1e3));
        assertThat(pull.fine()).isTrue();
    }

    @Test
    void drawnFromTheRailItIsTheSame() {
        Workbench turned = Workbench.mcu()
                .bare("lever", "push-button", "to-ground")
                .wire("lever:A", "rail:GND")
                .wire("lever:B", "board:7")
                .edit(new PlanEdit.AddResistor(new Resistor("r", Target.of("rail:5V"), Target.of("board:7"), 10_000)));
        PullBench pull = only(turned);
        assertThat(pull.up()).isTrue();
        assertThat(pull.rest()).isCloseTo(5, within(0.001));
        assertThat(pull.closed()).isCloseTo(0, within(0.01));
        assertThat(pull.most()).isCloseTo(2e6, within(1e3));
    }

    @Test
    void oneThatWastesOrDecidesNothingGetsTheUsualValue() {
        PullBench strong = only(button("rail:5V", "rail:GND", 470));
        assertThat(strong.fine()).isFalse();
        assertThat(strong.wanted(PreferredValues.E12)).contains(10_000.0);
        assertThat(only(button("rail:5V", "rail:GND", 4.7e6)).fine()).isFalse();
    }

    /** A second resistor to the other rail: the window shrinks to what wins against it. */
    @Test
    void whatElsePullsIsReckoned() {
        Workbench bench = button("rail:5V", "rail:GND", 10_000)
                .edit(new PlanEdit.AddResistor(
                        new Resistor("other", Target.of("lever:A"), Target.of("rail:5V"), 100_000)));
        PullBench pull = PullBench.of(bench.circuit()).stream()
                .filter(p -> p.resistor().id().equals("r"))
                .findFirst()
                .orElseThrow();
        // 1.5 V / R = 3.5 V / 100 k + 1 microampere
        assertThat(pull.most()).isCloseTo(1.5 / (3.5 / 100_000 + 1e-6), within(50.0));
    }
}
