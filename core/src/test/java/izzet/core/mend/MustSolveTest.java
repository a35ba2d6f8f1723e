package izzet.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.BusKind;
import izzet.core.check.Finding;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan;
import izzet.core.mend.Mender.Limits;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The conflicts that makers bring, each to no stop and no fix. */
class MustSolveTest {

    private static final Mender MENDER = new Mender(Workbench.CHECKER, Workbench.REPAIRS);
    private static final String PANEL = "colour-240x320-serial";

    private static Solution best(Plan plan) {
        assertThat(amiss(plan)).isNotEmpty();
        boolean[] found = {false};
        List<Solution> solutions = MENDER.solve(
                plan,
                Workbench.CATALOG,
                Set.of(),
                new Limits(Duration.ofSeconds(20), () -> found[0], s -> found[0] = true));
        assertThat(solutions).as(amiss(plan).toString()).isNotEmpty();
        Solution first = solutions.get(0);
        assertThat(amiss(first.edit().apply(plan))).isEmpty();
        return first;
    }

    private static List<String> amiss(Plan plan) {
        return Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG)).findings().stream()
                .filter(f -> f.severity() == Severity.STOP || f.severity() == Severity.FIX)
                .map(Finding::sentence)
                .toList();
    }

    private static Plan pullUps(String board, String part, String rail, double ohms) {
        Workbench bench = Workbench.on(board).with("sign", part);
        String bus = bench.plan().buses().get(0).id();
        for (String line : List.of("SDA", "SCL")) {
            Target pin = bench.plan()
                    .connection(Target.of("sign:" + line))
                    .orElseThrow()
                    .to();
            bench.edit(new PlanEdit.AddResistor(new Resistor("r-" + line, pin, Target.rail(rail), ohms)));
        }
        assertThat(bus).isNotEmpty();
        return bench.plan();
    }

    /** Two panels, a card and a converter on one serial bus, with one select between the two panels. */
    @Test
    void twoPanelsACardAndAConverterOnOneSerialBus() {
        Workbench bench = Workbench.on("wifi-dual-38")
                .with("map", PANEL)
                .with("chart", PANEL)
                .with("card", "card-socket")
                .with("thermo", "thermocouple-amplifier");
        Target select =
                bench.plan().connection(Target.of("map:CS")).orElseThrow().to();
        bench.edit(new PlanEdit.Connect(Target.of("chart:CS"), select));
        best(bench.plan());
    }

    @Test
    void pullUpsTooStrong() {
        Solution s = best(pullUps("wifi-dual-38", Workbench.OLED, "3V3", 680));
        assertThat(s.wires()).isLessThanOrEqualTo(2);
    }

    @Test
    void pullUpsTooWeakForAFastBus() {
        Workbench bench =
                Workbench.on("wifi-dual-38").with("sign", Workbench.OLED).edit(new PlanEdit.SetWire(200.0));
        Bus old = bench.plan().buses().get(0);
        bench.edit(new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), old.controller(), 400_000)));
        best(bench.plan());
    }

    @Test
    void pullUpsOnTwoRails() {
        best(pullUps("wifi-dual-38", Workbench.OLED, "5V", 2200));
    }

    /** 180 mA of panels on a regulator for 50 mA. */
    @Test
    void aRailThatCannotCarryItsParts() {
        Workbench bench = Workbench.mcu().with("sign", Workbench.OLED).wire("sign:VCC", "rail:3V3");
        for (int i = 0; i < 2; i++) {
            bench.with("extra-" + i, "character-16x2-expander").wire("extra-" + i + ":VCC", "rail:3V3");
        }
        best(bench.plan());
    }

    /** Eleven lamps at what one pin may give are more than the chip may. */
    @Test
    void moreLampsThanTheChipCarries() {
        Workbench bench = Workbench.mcu();
        for (int i = 2; i < 13; i++) {
            bench.bare("lamp-" + i, "led", "on-off")
                    .wire("lamp-" + i + ":A", "board:" + i, 150.0, null)
                    .wire("lamp-" + i + ":K", "rail:GND");
        }
        best(bench.plan());
    }

    /** The panel takes the pins of the usual 2-wire bus; a sign and two levers are wanted all the same. */
    @ParameterizedTest
    @ValueSource(strings = {"rgb-16", "rgb-24"})
    void aPixelBusThatSwallowsTheTwoWireBus(String depth) {
        Plan plan = QuickPlan.of(
                "Ennor quay",
                Workbench.SBC,
                List.of(
                        new QuickPlan.Want("rgb-800x480", 1, depth, null),
                        new QuickPlan.Want(Workbench.OLED, 1, "", null),
                        new QuickPlan.Want("push-button", 2, "", null)),
                Workbench.CATALOG,
                new SolverAssigner());
        Bus two = plan.buses().stream()
                .filter(b -> b.kind() == BusKind.I2C)
                .findFirst()
                .orElseThrow();
        Plan wrong = new PlanEdit.PutBus(new Bus(two.id(), two.kind(), two.name(), "i2c1", 100_000)).apply(plan);
        for (String line : List.of("SDA", "SCL")) {
            String id = plan.parts().get(1).id();
            String pin = line.equals("SDA") ? "GPIO2" : "GPIO3";
            wrong = new PlanEdit.Connect(Target.of(id + ":" + line), Target.of("board:" + pin)).apply(wrong);
        }
        assertThat(best(wrong).means()).contains("bus-by-program");
    }

    @Test
    void aDisplayOnAnInputOnlyPin() {
        best(Workbench.on("wifi-dual-38")
                .with("map", PANEL)
                .wire("map:DC", "board:GPIO34")
                .plan());
    }

    /** A select with a pull-down on the pin that must be high at reset, or the board does not start. */
    @Test
    void aLineThatKillsTheStart() {
        best(Workbench.on("wifi-dual-38")
                .with("lever", "push-button")
                .wire("lever:A", "board:GPIO0", null, null)
                .edit(new PlanEdit.AddResistor(
                        new Resistor("down", Target.of("board:GPIO0"), Target.of("rail:GND"), 1000)))
                .plan());
    }

    @ParameterizedTest
    @ValueSource(strings = {"1-thistlewick-junction", "2-harbour-clock", "3-exhibition-label", "4-weir-hall"})
    void aDemoPlanInOneClick(String name) throws IOException {
        String text = Files.readString(Path.of("../app/src/main/resources/demo-plans/" + name + ".json"));
        best(new PlanDocument().read(text, Workbench.CATALOG));
    }
}
