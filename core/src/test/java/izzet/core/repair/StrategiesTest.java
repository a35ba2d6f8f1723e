package izzet.core.repair;

import static izzet.core.Workbench.mcu;
import static izzet.core.Workbench.sbc;
import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** For every way to mend a plan that wants it, and what it then does. */
class StrategiesTest {

    private record Case(String strategy, String rule, Workbench bench, String title) {
        @Override
        public String toString() {
            return strategy + " for " + rule;
        }
    }

    private static Bus i2c(String controller, int hertz) {
        return new Bus("i2c", BusKind.I2C, "I2C bus", controller, hertz);
    }

    static Stream<Case> cases() {
        return Stream.of(
                new Case("agree", "I3", misaddressed(0x3D), "Write 0x3C in the program for the sign"),
                new Case("agree", "I3", misaddressed(0x3D), "Set the straps of the sign to 0x3D"),
                new Case("agree", "I11", misaddressed(0x78), "Write 0x3C in the program for the sign"),
                new Case("connect", "P6", mcu().with("sign", Workbench.OLED).off("sign:SCL"), "Connect the sign"),
                new Case("pull-ups", "I4", mcu().with("switch", "bus-switch-8"), "Fit 2 pull-ups of 4.7 kΩ to 3.3 V"),
                new Case("series-resistor", "L6", mcu().with("lamp", "led").wire("lamp:A", "board:9"), "Put 220 Ω"),
                new Case("ground-read-write", "L2", drivingBack(), "Ground the cabin RW"),
                new Case("move", "P1", twoOnOnePin(), "Move the right A to pin"),
                new Case(
                        "move",
                        "P1",
                        twoOnOnePin().with("third", "push-button").wire("third:A", "board:7", null, "internal-up"),
                        "Move the third A to pin 4, the right A to pin"),
                new Case("move", "S1", threeSelectsOnOnePin(), "Move the three CS to pin A0, the two CS to pin A1"),
                new Case("move", "P2", mcu().with("sign", Workbench.OLED).wire("sign:SDA", "board:7"), "to pin A4"),
                new Case(
                        "move",
                        "P3",
                        mcu().with("bell", "push-button").wire("bell:A", "board:0", null, "internal-up"),
                        "Move the bell A"),
                new Case("one-pin", "P5", spread(), "Bring the sda lines to pin 6"),
                new Case("other-address", "I1", twins(), "Set the two to 0x3D"),
                new Case("other-rail", "L3", mcu().with("sign", Workbench.OLED).wire("sign:VCC", "rail:VIN"), "to 5 V"),
                new Case(
                        "other-rail",
                        "L3",
                        mcu().with("sign", Workbench.OLED).wire("sign:GND", "rail:5V"),
                        "to ground"),
                new Case(
                        "internal-pull-up",
                        "P13",
                        mcu().with("bell", "push-button").wire("bell:A", "board:7"),
                        "Switch the board's own pull-up on"),
                new Case("pull-ups-off", "I4", crowded(), "Take the pull-ups off"),
                new Case(
                        "button-resistor",
                        "P13",
                        Workbench.on("retro-8bit-two-port")
                                .with("bell", "push-button")
                                .wire("bell:A", "board:CB1"),
                        "Fit 10 kΩ from pin CB1 to 5 V of the slot"),
                new Case(
                        "pull-ups-off",
                        "L2",
                        sbc().with("cabin", "character-16x2-expander"),
                        "Take the pull-ups off the cabin"),
                new Case(
                        "contrast",
                        "L7",
                        mcu().with("cabin", "character-16x2-direct").wire("cabin:V0", "rail:GND", 5000.0, null),
                        "Use 1 kΩ"),
                new Case(
                        "shifted-module",
                        "L2",
                        mcu().with("map", "colour-128x160-serial-3v3"),
                        "Use the module with level shifting"),
                new Case("slower", "I5", fast(), "Run I2C bus at 100 kHz"),
                new Case("slower", "I4", longWires(), "Run I2C bus at 100 kHz"),
                new Case(
                        "tie",
                        "P7",
                        mcu().with("switch", "bus-switch-8").off("switch:RESET"),
                        "Tie the switch RESET to"),
                new Case(
                        "buffer",
                        "L2",
                        mcu().with("map", "epaper-200x200-serial"),
                        "Put 2 buffers between the board and the map"),
                new Case("buffer", "L1", Workbench.on("wifi-dual-38").with("map", "seven-segment-8-serial"), "Put"),
                // Its rail is over its limit already; the buffers make that no new trouble.
                new Case(
                        "buffer",
                        "L2",
                        mcu().with("map", "colour-240x320-serial"),
                        "Put 2 buffers between the board and the map"),
                new Case("level-shifter", "L1", mcu().with("sign", Workbench.OLED), "two-way level shifter"),
                new Case(
                        "second-bus",
                        "I1",
                        sbc().with("one", Workbench.OLED).with("two", Workbench.OLED),
                        "Make a second bus in the program"),
                new Case("clock-gate", "I1", twins(), "Gate the clock"),
                new Case("bus-switch", "I1", twins(), "on channels of a bus switch at 0x70"),
                new Case("serial-twin", "I1", twins(), "Use the serial twin for the two"));
    }

    private static Workbench misaddressed(int address) {
        return mcu().with("sign", Workbench.OLED).edit(new PlanEdit.SetAddress("sign", address));
    }

    private static Workbench drivingBack() {
        return sbc().with("cabin", "character-16x2-direct").off("cabin:RW").wire("cabin:RW", "board:GPIO26");
    }

    private static Workbench twoOnOnePin() {
        return mcu().with("left", "push-button")
                .with("right", "push-button")
                .wire("left:A", "board:7", null, "internal-up")
                .wire("right:A", "board:7", null, "internal-up");
    }

    private static Workbench threeSelectsOnOnePin() {
        return mcu().with("one", "oled-128x64-page-serial")
                .with("two", "oled-128x64-page-serial")
                .with("three", "oled-128x64-page-serial")
                .wire("one:CS", "board:7")
                .wire("two:CS", "board:7")
                .wire("three:CS", "board:7");
    }

    private static Workbench spread() {
        return mcu().with("one", Workbench.OLED)
                .with("two", Workbench.OLED)
                .edit(new PlanEdit.SetStrap("two", "address", "moved"))
                .edit(new PlanEdit.PutBus(i2c(null, 50_000)))
                .wire("one:SDA", "board:6")
                .wire("two:SDA", "board:7");
    }

    private static Workbench twins() {
        return mcu().with("one", Workbench.OLED).with("two", Workbench.OLED);
    }

    private static Workbench crowded() {
        return sbc().with("one", Workbench.OLED).with("two", Workbench.OLED).with("three", Workbench.OLED);
    }

    private static Workbench fast() {
        return mcu().with("cabin", "character-16x2-expander").edit(new PlanEdit.PutBus(i2c("i2c0", 400_000)));
    }

    private static Workbench longWires() {
        return mcu().with("sign", Workbench.OLED)
                .edit(new PlanEdit.SetWire(100.0))
                .edit(new PlanEdit.PutBus(i2c("i2c0", 400_000)));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void mends(Case c) {
        Report before = c.bench().check();
        Finding finding = before.of(c.rule()).get(0);
        List<Repair> repairs = Workbench.REPAIRS.of(c.bench().circuit(), before, finding);
        Repair repair = repairs.stream()
                .filter(r -> r.id().startsWith(finding.id() + "~" + c.strategy()))
                .filter(r -> r.title().contains(c.title()))
                .findFirst()
                .orElseThrow(() -> new AssertionError(c + " is not among "
                        + repairs.stream().map(Repair::title).toList()));
        Plan after = repair.edit().apply(c.bench().plan());
        Report outcome = Workbench.CHECKER.check(after, Workbench.CATALOG);
        assertThat(outcome.finding(finding.id())).isEmpty();
        assertThat(outcome.betterThan(before)).isTrue();
        assertThat(repair.edit().describe(c.bench().plan())).startsWith("repair: ");
    }

    /** On any plan: what is offered helps, brings what it says, and costs the pins it says. */
    @RepeatedTest(12)
    void offersAreHonest(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(500 + repetition.getCurrentRepetition());
        List<Plan> states = random.walk(random.plan(6), 6);
        Circuit before = new Circuit(states.get(states.size() - 1), Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(before);
        for (Finding finding : report.findings()) {
            for (Repair repair : Workbench.REPAIRS.of(before, report, finding)) {
                Circuit after = new Circuit(repair.edit().apply(before.plan()), Workbench.CATALOG);
                Report outcome = Workbench.CHECKER.check(after);
                assertThat(outcome.finding(finding.id())).as(repair.id()).isEmpty();
                assertThat(outcome.findings().stream()
                                .filter(f -> f.severity() == Severity.STOP)
                                .allMatch(f -> report.finding(f.id()).isPresent()))
                        .as(repair.id())
                        .isTrue();
                assertThat(before.freePins().size() - after.freePins().size())
                        .isEqualTo(repair.price().pins());
                assertThat(outcome.findings())
                        .filteredOn(f -> f.severity() == Severity.FIX
                                && report.finding(f.id()).isEmpty())
                        .extracting(Finding::sentence)
                        .isEqualTo(repair.brings());
            }
        }
    }

    @Test
    void aRepairThatTakesTheConsoleSaysSo() {
        Workbench full = twins();
        for (int i = 0; i < 15; i++) {
            full.with("lever-" + i, "push-button");
        }
        Repair made = full.repairs("I1").stream()
                .filter(r -> r.id().contains("~second-bus"))
                .findFirst()
                .orElseThrow();
        assertThat(made.brings()).anyMatch(b -> b.contains("Serial console"));
    }

    @Test
    void threePullUpsTooManyComeOffTogether() {
        Workbench many = sbc();
        for (int i = 0; i < 6; i++) {
            many.with("sign-" + i, Workbench.OLED);
        }
        // 1.8 kΩ and 4.7 kΩ at 3.3 V want 1.61 mA and 0.62 mA each: two modules may keep theirs.
        List<Repair> repairs = many.repairs("I4");
        assertThat(repairs).isNotEmpty().allMatch(r -> r.title().contains(" and ") || !r.id().contains("pull-ups-off"));
        Repair least = repairs.stream()
                .filter(r -> r.id().contains("~pull-ups-off"))
                .min(java.util.Comparator.comparingInt(r -> r.title().length()))
                .orElseThrow();
        assertThat(least.title().split(", | and ")).hasSize(4);
    }

    @Test
    void theGateTakesTheClockOnly() {
        Workbench bench = twins();
        Repair gate = bench.repairs("I1").stream()
                .filter(r -> r.id().contains("~clock-gate"))
                .findFirst()
                .orElseThrow();
        Plan after = gate.edit().apply(bench.plan());
        assertThat(after.connection(Target.of("one:SDA")).orElseThrow().to()).isEqualTo(Target.of("board:A4"));
        assertThat(after.connection(Target.of("one:SCL")).orElseThrow().to()).isEqualTo(Target.of("gate:1Y0"));
        assertThat(after.connection(Target.of("two:SCL")).orElseThrow().to()).isEqualTo(Target.of("gate:1Y1"));
        // The modules' pull-ups are behind the gate, so the trunk's clock needs one of its own.
        assertThat(after.resistors()).extracting(r -> r.from().toString()).containsExactly("board:A5");
        assertThat(after.connection(Target.of("gate:2E")).orElseThrow().to()).isEqualTo(Target.of("rail:3V3"));
    }

    @Test
    void theCheapestStandsFirst() {
        List<Repair> repairs = twins().repairs("I1");
        assertThat(repairs)
                .isSortedAccordingTo(java.util.Comparator.<Repair>comparingInt(
                                r -> r.price().buy().size())
                        .thenComparingInt(r -> r.price().pins()));
        assertThat(repairs.get(0).price().buy()).isEmpty();
    }

    @Test
    void pricesAreSaidInWords() {
        assertThat(new Price(0, List.of(), List.of(), List.of()).pinsInWords()).isEqualTo("no pin more");
        assertThat(new Price(1, List.of(), List.of(), List.of()).pinsInWords()).isEqualTo("1 pin more");
        assertThat(new Price(-2, List.of(), List.of(), List.of()).pinsInWords()).isEqualTo("frees 2 pins");
    }
}
