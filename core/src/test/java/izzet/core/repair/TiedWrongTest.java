package izzet.core.repair;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines tied the wrong way, crossed, on a rail too high: each with the repair that a maker would take. */
class TiedWrongTest {

    private static List<String> titles(Plan plan) {
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        return report.findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .flatMap(f -> Workbench.REPAIRS.of(circuit, report, f).stream())
                .map(Repair::title)
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "given/broken/01-f.json | Move lcd E from its rail to pin",
                "given/broken/17-a.json | Tie tft IM0 to ground",
                "given/broken/43-a.json | Tie g E3 to 3.3 V",
                "given/broken/03-b.json | Swap sh HV1 and sh HV2",
                "given/broken/19-d.json | Connect pot B to 3.3 V",
                "given/broken/21-c.json | Feed the parts on 3.3 V from a regulator on 5 V",
                "given/broken/37-b.json | Use SPI 0 for tft",
                "given/broken/43-b.json | Move g A1 from its rail to pin"
            })
    void eachHasItsRepair(String file, String title) {
        assertThat(titles(ReferencePlans.read(file))).anyMatch(t -> t.startsWith(title));
    }

    @Test
    void aResetOnGroundGoesToTheSupply() {
        Plan plan = new PlanEdit.Connect(Target.of("tft:RESET"), Target.of("rail:GND"))
                .apply(ReferencePlans.read("given/sound/07.json"));
        assertThat(titles(plan)).contains("Tie tft RESET to 3.3 V");
    }

    /** Two twins on one channel of a switch that has others left: nothing to buy. */
    @Test
    void aTwinGoesToAnEmptyChannelOfTheSwitchThatIsThere() throws IOException {
        Plan plan = new PlanDocument()
                .read(
                        Files.readString(Path.of("../app/src/main/resources/demo-plans/4-weir-hall.json")),
                        Workbench.CATALOG);
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        Repair move = Workbench.REPAIRS.of(circuit, report, report.of("I1").get(0)).stream()
                .filter(r -> r.title().equals("Move Hall sign to channel 2 of Sign switch"))
                .findFirst()
                .orElseThrow();
        assertThat(move.price().buy()).isEmpty();
        assertThat(Workbench.CHECKER
                        .check(new Circuit(move.edit().apply(plan), Workbench.CATALOG))
                        .of("I1"))
                .isEmpty();
    }

    /** An unused input of a buffer, tied as its sheet asks: nothing speaks through it, and nothing is said of it. */
    @Test
    void anUnusedBufferInputOnGroundIsNoTrouble() {
        Plan plan = new PlanEdit.Together(
                        "one line less",
                        List.of(
                                new PlanEdit.Disconnect(Target.of("tft:DC")),
                                new PlanEdit.Connect(Target.of("buf:3A"), Target.of("rail:GND"))))
                .apply(ReferencePlans.read("given/sound/21.json"));
        Report report = Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG));
        assertThat(report.of("L8")).isEmpty();
        assertThat(report.of("P6")).isNotEmpty();
    }
}
