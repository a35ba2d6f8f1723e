package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Assigner.Outcome;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MigrationTest {

    private static final Assigner ASSIGNER = new SolverAssigner();
    private static final Limits LIMITS = Limits.of(Duration.ofSeconds(5));

    private static Migration move(Plan plan, String board, Migration.Stay stay) {
        return Migration.of(plan, board, stay, Workbench.CATALOG, ASSIGNER, Weights.USUAL, LIMITS);
    }

    /** To the board where the plan began, with nothing changed in between. */
    private static Migration back(Plan there, Plan start) {
        return move(there, start.board(), new Migration.Stay(start, there));
    }

    private static Plan signs() {
        Plan plan = Workbench.mcu()
                .with("sign", Workbench.OLED)
                .with("map", "colour-128x160-serial-shifted")
                .with("lever", "push-button")
                .edit(new PlanEdit.SetStrap("sign", "address", "moved"))
                .edit(new PlanEdit.SetAddress("sign", 0x3D))
                .edit(new PlanEdit.AddResistor(new Resistor("pull", Target.of("board:A4"), Target.of("rail:5V"), 4700)))
                .plan();
        return plan.withBoardVersion(1);
    }

    private static String signal(Plan plan, String line) {
        Target to = plan.connection(Target.of(line)).orElseThrow().to();
        return Workbench.CATALOG.board(plan.board()).orElseThrow().pin(to.name()).orElseThrow().functions().stream()
                .map(f -> f.text())
                .filter(f -> f.contains("sda") || f.contains("sck"))
                .toList()
                .toString();
    }

    @ParameterizedTest
    @CsvSource({"sbc-40-pin", "wifi-dual-38", "mcu-dual-40", "mcu-8bit-bare-28", "sbc-40-pin-overlay"})
    void busesAndLinesGoByTheirRole(String board) {
        Migration moved = move(signs(), board, null);
        assertThat(moved.outcome()).isEqualTo(Outcome.BEST);
        assertThat(PlanChecks.of(moved.plan(), Workbench.CATALOG)).isEmpty();
        assertThat(moved.rows()).noneMatch(r -> r.state() == Migration.State.IMPOSSIBLE);
        assertThat(moved.plan().buses()).extracting("kind").containsExactly(BusKind.I2C, BusKind.SPI);
        assertThat(moved.plan().part("sign").orElseThrow().straps()).containsEntry("address", "moved");
        assertThat(moved.plan().part("sign").orElseThrow().address()).isEqualTo(0x3D);
        Report report = Workbench.CHECKER.check(new Circuit(moved.plan(), Workbench.CATALOG));
        assertThat(report.findings())
                .filteredOn(f -> f.severity() == Severity.STOP
                        && Set.of("P1", "P2", "P5", "P6", "L3").contains(f.rule()))
                .isEmpty();
    }

    @Test
    void suppliesFollowTheBoardAndResistorsTheirLine() {
        Migration moved = move(signs(), "sbc-40-pin", null);
        assertThat(moved.plan().connection(Target.of("sign:VCC")).orElseThrow().to())
                .isEqualTo(Target.of("rail:3V3"));
        assertThat(signal(moved.plan(), "sign:SDA")).contains("sda");
        Resistor pull = moved.plan().resistors().stream()
                .filter(r -> r.ohms() == 4700)
                .findFirst()
                .orElseThrow();
        assertThat(pull.from())
                .isEqualTo(moved.plan()
                        .connection(Target.of("sign:SDA"))
                        .orElseThrow()
                        .to());
        assertThat(pull.to()).isEqualTo(Target.of("rail:3V3"));
    }

    @Test
    void thereAndBackNothingIsLostAndWithTheOldPlanRememberedNothingMoves() {
        Plan start = signs();
        Migration there = move(start, "sbc-40-pin", null);
        Plan back = back(there.plan(), start).plan();
        assertThat(Set.copyOf(back.connections())).isEqualTo(Set.copyOf(start.connections()));
        assertThat(back.parts()).isEqualTo(start.parts());
        assertThat(back.buses()).isEqualTo(start.buses());
        assertThat(back.resistors()).extracting(Resistor::ohms).contains(4700.0);
    }

    /** Even a place that no assignment would choose is taken again; a lock, too, and what the other board had no room for in speed. */
    @Test
    void onTheWayBackEveryPlaceIsTakenAgain() {
        Workbench bench =
                Workbench.on("mcu-dual-40").with("sign", Workbench.OLED).with("lever", "push-button");
        bench.edit(new PlanEdit.Connect(
                new Connection(Target.of("lever:A"), Target.of("board:GP28"), null, "internal-up", true)));
        Bus fast = new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 1_000_000);
        Plan start = bench.edit(new PlanEdit.PutBus(fast)).plan();
        Migration there = move(start, Workbench.MCU, null);
        assertThat(there.plan().bus("i2c").orElseThrow().clockHz()).isLessThan(1_000_000);
        Plan back = back(there.plan(), start).plan();
        assertThat(Set.copyOf(back.connections())).isEqualTo(Set.copyOf(start.connections()));
        assertThat(back.buses()).isEqualTo(start.buses());
    }

    @RepeatedTest(15)
    void anyPlanComesBackAsItWas(RepetitionInfo info) {
        RandomPlans random = new RandomPlans(70 + info.getCurrentRepetition());
        Plan start = random.plan(3);
        Board other = random.pick(Workbench.CATALOG.boards().values().stream()
                .filter(b -> !b.id().equals(start.board()))
                .toList());
        Limits shortly = Limits.of(Duration.ofMillis(300));
        Migration there = Migration.of(start, other.id(), null, Workbench.CATALOG, ASSIGNER, Weights.USUAL, shortly);
        Migration back = Migration.of(
                there.plan(),
                start.board(),
                new Migration.Stay(start, there.plan()),
                Workbench.CATALOG,
                ASSIGNER,
                Weights.USUAL,
                shortly);
        assertThat(Set.copyOf(back.plan().connections())).isEqualTo(Set.copyOf(start.connections()));
        assertThat(back.plan().buses()).isEqualTo(start.buses());
    }

    /** What was changed on the other board stays changed. */
    @Test
    void whatWasChangedMeanwhileStaysSo() {
        Plan start = signs();
        Plan there = move(start, Workbench.SBC, null).plan();
        Plan changed = new PlanEdit.Connect(Target.of("lever:A"), Target.of("rail:GND")).apply(there);
        Plan back =
                move(changed, start.board(), new Migration.Stay(start, there)).plan();
        assertThat(back.connection(Target.of("lever:A")).orElseThrow().to()).isEqualTo(Target.of("rail:GND"));
        assertThat(back.connection(Target.of("sign:SDA"))).isEqualTo(start.connection(Target.of("sign:SDA")));
    }

    @Test
    void linesThatAPartCouldDoWithoutAndSharedLinesGoAlong() {
        Plan plan = Workbench.mcu()
                .with("map", "colour-240x240-serial")
                .with("tide", "colour-240x240-serial")
                .wire("map:RES", "board:8")
                .wire("tide:RES", "board:8")
                .plan();
        Plan moved = move(plan, "wifi-dual-38", null).plan();
        assertThat(moved.connection(Target.of("map:RES")).orElseThrow().to())
                .isEqualTo(moved.connection(Target.of("tide:RES")).orElseThrow().to());
        Plan lit = Workbench.mcu()
                .with("map", "colour-128x160-serial-shifted")
                .wire("map:LITE", "board:6")
                .plan();
        Migration dimmed = move(lit, "sbc-40-pin", null);
        assertThat(dimmed.plan().connection(Target.of("map:LITE"))).isPresent();
        assertThat(dimmed.rows()).noneMatch(r -> r.state() == Migration.State.IMPOSSIBLE);
    }

    @Test
    void aLevelShifterGoesAlongAndItsLinesFindTheBusAgain() {
        Plan plan = Workbench.sbc()
                .with("cabin", "character-16x2-expander")
                .with("map", "colour-128x160-serial-shifted")
                .with("shifter", "level-shifter-4")
                .wire("cabin:SDA", "shifter:HV1")
                .wire("cabin:SCL", "shifter:HV2")
                .wire("map:RST", "shifter:HV3")
                .wire("shifter:LV1", "board:GPIO2")
                .wire("shifter:LV2", "board:GPIO3")
                .wire("shifter:LV3", "board:GPIO17")
                .plan();
        Migration there = move(plan, "wifi-dual-38", null);
        assertThat(there.rows()).noneMatch(r -> r.state() == Migration.State.IMPOSSIBLE);
        assertThat(signal(there.plan(), "shifter:LV1")).contains("sda");
        Circuit circuit = new Circuit(there.plan(), Workbench.CATALOG);
        assertThat(circuit.pinsUnder(circuit.wire(Target.of("map:RST")).orElseThrow()))
                .hasSize(1);
        assertThat(Workbench.CHECKER.check(circuit).findings())
                .filteredOn(f -> f.severity() == Severity.STOP
                        && Set.of("P1", "P2", "P5", "P6", "L2", "L3").contains(f.rule()))
                .isEmpty();
        assertThat(there.constants())
                .anyMatch(c -> c.name().equals("THE_MAP_RST") && c.before().equals("17"))
                .noneMatch(c -> c.name().contains("SHIFTER"));
        Plan back = back(there.plan(), plan).plan();
        assertThat(Set.copyOf(back.connections())).isEqualTo(Set.copyOf(plan.connections()));
    }

    @Test
    void whatCannotBeThereIsToldWithItsReason() {
        Plan lamps = Workbench.mcu().with("aspect", "led-rgb", "dimmed").plan();
        Migration moved = move(lamps, "sbc-40-pin", null);
        assertThat(moved.outcome()).isEqualTo(Outcome.NONE);
        List<Migration.Row> lost = moved.rows().stream()
                .filter(r -> r.state() == Migration.State.IMPOSSIBLE)
                .toList();
        assertThat(lost).hasSize(1);
        assertThat(lost.get(0).why()).contains("40-pin");
        assertThat(lost.get(0).before()).contains("digital");
    }

    @Test
    void constantsAreThoseOfTheProgram() {
        Migration moved = move(signs(), "wifi-dual-38", null);
        assertThat(moved.constants()).anySatisfy(c -> {
            assertThat(c.name()).contains("LEVER_A");
            assertThat(c.after()).matches("\\d+");
        });
        assertThat(moved.constants()).noneMatch(c -> c.name().contains("VCC"));
        assertThat(moved.constants()).noneMatch(c -> c.before().equals(c.after()));
    }

    @RepeatedTest(20)
    void anyPlanGoesToAnyBoardWithoutLosingAPart(RepetitionInfo info) {
        RandomPlans random = new RandomPlans(40 + info.getCurrentRepetition());
        Plan plan = random.plan(4);
        Board target = random.pick(List.copyOf(Workbench.CATALOG.boards().values()));
        Migration moved = Migration.of(
                plan, target.id(), null, Workbench.CATALOG, ASSIGNER, Weights.USUAL, Limits.of(Duration.ofMillis(300)));
        assertThat(PlanChecks.of(moved.plan(), Workbench.CATALOG)).isEmpty();
        assertThat(moved.plan().parts())
                .extracting("id")
                .isEqualTo(plan.parts().stream().map(p -> p.id()).toList());
        assertThat(moved.plan().board()).isEqualTo(target.id());
        if (moved.outcome() == Outcome.BEST) {
            assertThat(moved.rows())
                    .noneMatch(r ->
                            r.state() == Migration.State.IMPOSSIBLE && r.why().startsWith("No pin is left"));
        }
    }
}
