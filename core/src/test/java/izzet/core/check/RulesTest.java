package izzet.core.check;

import static izzet.core.Workbench.mcu;
import static izzet.core.Workbench.only;
import static izzet.core.Workbench.sbc;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** For each rule a plan that keeps it and one that breaks it, with the figures it must name. */
class RulesTest {

    private static final String OLED = Workbench.OLED;

    @Test
    void idsAreUniqueAndSubjectsAreSaid() {
        assertThat(Workbench.CHECKER.rules())
                .extracting(Rule::id)
                .doesNotHaveDuplicates()
                .hasSizeGreaterThanOrEqualTo(18);
        assertThat(Workbench.CHECKER.rules()).allMatch(r -> !r.subject().isBlank());
    }

    @Test
    void p1OnePinTwoButtons() {
        Workbench bench = mcu().with("left", "push-button").with("right", "push-button");
        assertThat(bench.findings("P1")).isEmpty();
        String pin = bench.plan()
                .connection(izzet.core.plan.Target.of("left:A"))
                .orElseThrow()
                .to()
                .toString();
        assertThat(only(bench.wire("right:A", pin), "P1"))
                .contains("the left A")
                .contains("the right A");
    }

    @Test
    void p1ResetsMayShare() {
        Workbench bench = mcu().with("one", "oled-128x64-page-serial")
                .with("two", "oled-128x64-page-serial")
                .wire("one:RES", "board:8")
                .wire("two:RES", "board:8");
        assertThat(bench.findings("P1")).noneMatch(f -> f.about("pin", "8"));
    }

    @Test
    void p2DimmedLampNeedsPwm() {
        Workbench bench = mcu().with("lamp", "led", "dimmed");
        assertThat(bench.findings("P2")).isEmpty();
        assertThat(only(bench.wire("lamp:A", "board:7", 220.0, null), "P2"))
                .contains("PWM")
                .contains("pin 7");
        assertThat(bench.findings("P2").get(0).figures().get(0).value()).isEqualTo("3, 5, 6, 9, 10, 11");
    }

    @Test
    void p2BusDataOnAPlainPin() {
        assertThat(only(mcu().with("sign", OLED).wire("sign:SDA", "board:7"), "P2"))
                .contains("sda signal of i2c0");
    }

    @Test
    void p3ConsoleAndReservedPins() {
        assertThat(mcu().with("lever", "push-button")
                        .wire("lever:A", "board:0", null, "internal-up")
                        .findings("P3"))
                .extracting(Finding::severity)
                .containsExactly(Severity.FIX);
        assertThat(sbc().with("lever", "push-button")
                        .wire("lever:A", "board:GPIO0", null, "internal-up")
                        .findings("P3"))
                .extracting(Finding::severity)
                .containsExactly(Severity.STOP);
        assertThat(sbc().with("sign", OLED).findings("P3")).isEmpty();
    }

    @Test
    void p5OneBusOnTwoDataPins() {
        Workbench bench = mcu().with("one", OLED)
                .with("two", OLED)
                .edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", null, 50_000)))
                .wire("one:SDA", "board:6")
                .wire("two:SDA", "board:7");
        assertThat(only(bench, "P5")).contains("6 and 7");
    }

    /** What hangs behind a level shifter is judged by the pin that it reaches through it. */
    @Test
    void pinsAreJudgedThroughAShifter() {
        Workbench bench = sbc().with("sign", OLED)
                .with("shifter", "level-shifter-4")
                .wire("sign:SDA", "shifter:HV1")
                .wire("sign:SCL", "shifter:HV2")
                .wire("shifter:LV1", "board:GPIO2")
                .wire("shifter:LV2", "board:GPIO3");
        for (String rule : List.of("P1", "P2", "P5")) {
            assertThat(bench.findings(rule)).as(rule).isEmpty();
        }
        assertThat(only(bench.wire("shifter:LV1", "board:GPIO5"), "P2"))
                .contains("the shifter LV1 for the sign SDA")
                .contains("sda signal of i2c1");
        bench.wire("shifter:LV1", "board:GPIO2").with("second", OLED).wire("second:SDA", "board:GPIO0");
        assertThat(only(bench, "P5")).contains("sda").contains("GPIO0");
        bench.with("lever", "push-button").wire("lever:A", "board:GPIO3");
        assertThat(only(bench, "P1")).contains("the lever A").contains("the sign SCL");
    }

    /** 1.204 × 10 kΩ × 50 pF = 602 ns until a line is high: 830 kHz. */
    @Test
    void l8ShiftersFitTheirLines() {
        Workbench bench = sbc().with("map", "colour-128x160-serial-shifted")
                .with("shifter", "level-shifter-4")
                .wire("map:SCK", "shifter:HV1")
                .wire("shifter:LV1", "board:GPIO11");
        assertThat(only(bench, "L8")).contains("10 kΩ").contains("830").contains("4 MHz");
        Bus spi = bench.plan().bus("spi").orElseThrow();
        bench.edit(new PlanEdit.PutBus(new Bus(spi.id(), spi.kind(), spi.name(), spi.controller(), 800_000)));
        assertThat(bench.findings("L8")).isEmpty();

        Workbench buffered = mcu().with("sign", OLED)
                .with("map", "colour-240x320-serial")
                .with("buffer", "buffer-4-3v3")
                .wire("map:SCK", "buffer:1Y")
                .wire("buffer:1A", "board:13");
        assertThat(buffered.findings("L8")).isEmpty();
        assertThat(buffered.findings("P2")).isEmpty();
        assertThat(only(buffered.wire("sign:SDA", "buffer:2Y").wire("buffer:2A", "board:A4"), "L8"))
                .contains("the sign SDA is held low from both ends")
                .contains("one way only, from the board");
    }

    @Test
    void s1SelectsThatMeetBehindAShifter() {
        Workbench bench = sbc().with("one", "colour-128x160-serial-shifted")
                .with("two", "colour-128x160-serial-shifted")
                .with("shifter", "level-shifter-4")
                .wire("one:CS", "shifter:HV1")
                .wire("two:CS", "shifter:HV2")
                .wire("shifter:LV1", "board:GPIO8")
                .wire("shifter:LV2", "board:GPIO7");
        assertThat(bench.findings("S1")).noneMatch(f -> f.severity() == Severity.STOP);
        assertThat(bench.wire("shifter:LV2", "board:GPIO8").findings("S1"))
                .filteredOn(f -> f.severity() == Severity.STOP)
                .hasSize(1);
    }

    @Test
    void p6AndP7TellWhatIsOpen() {
        Workbench bench = mcu().with("switch", "bus-switch-8");
        assertThat(bench.findings("P6")).isEmpty();
        assertThat(bench.findings("P7")).isEmpty();
        bench.off("switch:RESET");
        assertThat(only(bench, "P7")).contains("the switch RESET floats");
        assertThat(only(mcu().with("sign", OLED).off("sign:SDA"), "P6")).contains("SDA is not connected");
    }

    @Test
    void p13ButtonWithoutPull() {
        assertThat(mcu().with("lever", "push-button").findings("P13")).isEmpty();
        assertThat(only(mcu().with("lever", "push-button").wire("lever:A", "board:7"), "P13"))
                .contains("pin 7");
    }

    /** A 3.3 V bus misses 0.7 × 5 V by 200 mV and is commonly seen working. */
    @Test
    void l1BusOfModulesIntoTheFiveVoltBoard() {
        Workbench bench = mcu().with("sign", OLED);
        assertThat(only(bench, "L1")).contains("3.3 V").contains("3.5 V").contains("-200 mV");
        Finding f = bench.findings("L1").get(0);
        assertThat(f.seenWorking()).isTrue();
        assertThat(f.source()).contains("data sheet");
        assertThat(f.figures()).anySatisfy(g -> {
            assertThat(g.name()).isEqualTo("high at the board");
            assertThat(g.margin()).isCloseTo(-0.2, within(1e-9));
            assertThat(g.unit()).isEqualTo("V");
        });
        assertThat(sbc().with("sign", OLED).findings("L1")).isEmpty();
    }

    @Test
    void l1ThreeVoltDriverIsEnoughForTheCharacterDisplay() {
        assertThat(sbc().with("cabin", "character-16x2-direct").findings("L1")).isEmpty();
    }

    @Test
    void l2FiveVoltPullUpsOnAThreeVoltBoard() {
        assertThat(only(sbc().with("cabin", "character-16x2-expander"), "L2"))
                .contains("3.771 V")
                .contains("3.6 V");
    }

    @Test
    void l2DisplayThatDrivesBack() {
        Workbench bench = sbc().with("cabin", "character-16x2-direct");
        assertThat(bench.findings("L2")).isEmpty();
        assertThat(only(bench.off("cabin:RW").wire("cabin:RW", "board:GPIO26"), "L2"))
                .contains("5 V")
                .contains("the board");
    }

    @Test
    void l2FiveVoltsIntoAThreeVoltPanel() {
        assertThat(mcu().with("map", "colour-128x160-serial-3v3").findings("L2"))
                .isNotEmpty();
        assertThat(mcu().with("map", "colour-128x160-serial-shifted").findings("L2"))
                .isEmpty();
        assertThat(mcu().with("map", "colour-128x160-serial-shifted", "panel-and-card")
                        .findings("L1"))
                .isEmpty();
    }

    @Test
    void l3PanelOnTheWrongRail() {
        assertThat(only(mcu().with("map", "colour-128x160-serial-3v3").wire("map:VCC", "rail:5V"), "L3"))
                .contains("more than the 3.6 V");
        assertThat(only(mcu().with("sign", OLED).wire("sign:VCC", "rail:VIN"), "L3"))
                .contains("input of the board");
        assertThat(only(mcu().with("sign", OLED).wire("sign:GND", "rail:5V"), "L3"))
                .contains("ground");
    }

    @Test
    void l4SmallRailManyPanels() {
        assertThat(only(mcu().with("map", "colour-128x160-serial-shifted").wire("map:VCC", "rail:3V3"), "L4"))
                .contains("50 mA")
                .contains("100 mA");
        assertThat(mcu().with("map", "colour-128x160-serial-shifted").findings("L4"))
                .isEmpty();
    }

    @Test
    void l6LampWithoutResistor() {
        assertThat(mcu().with("lamp", "led").findings("L6")).isEmpty();
        assertThat(only(mcu().with("lamp", "led").wire("lamp:A", "board:9"), "L6"))
                .contains("220 Ω");
        assertThat(only(mcu().with("lamp", "led").wire("lamp:A", "board:9", 100.0, null), "L6"))
                .contains("28")
                .contains("20 mA");
    }

    @Test
    void l7ContrastByResistor() {
        assertThat(mcu().with("cabin", "character-16x2-direct").findings("L7")).isEmpty();
        assertThat(only(mcu().with("cabin", "character-16x2-direct").wire("cabin:V0", "rail:GND", 5000.0, null), "L7"))
                .contains("1.56");
    }

    @Test
    void i1TwoIdenticalDisplays() {
        Workbench bench = mcu().with("one", OLED).with("two", OLED);
        assertThat(only(bench, "I1")).contains("the one and the two both answer at 0x3C");
        assertThat(bench.edit(new PlanEdit.SetStrap("two", "address", "moved")).findings("I1"))
                .isEmpty();
    }

    @Test
    void i2EightBitAndReservedAddresses() {
        Workbench bench = mcu().with("sign", OLED).edit(new PlanEdit.SetAddress("sign", 0x78));
        assertThat(only(bench, "I11")).contains("0x78").contains("0x3C");
        assertThat(bench.findings("I2")).isEmpty();
        assertThat(only(bench.edit(new PlanEdit.SetAddress("sign", 0x7A)), "I2"))
                .contains("0x3D");
        assertThat(only(bench.edit(new PlanEdit.SetAddress("sign", 0x03)), "I2"))
                .contains("reserved");
        assertThat(bench.edit(new PlanEdit.SetAddress("sign", 0x77)).findings("I2"))
                .isEmpty();
    }

    @Test
    void i3ProgramAndStrapDisagree() {
        Workbench bench = mcu().with("sign", OLED).edit(new PlanEdit.SetAddress("sign", 0x3D));
        assertThat(only(bench, "I3")).contains("0x3D").contains("moved to the other place");
        assertThat(only(bench.edit(new PlanEdit.SetAddress("sign", 0x3E)), "I3"))
                .contains("which no strap of it gives");
        assertThat(bench.edit(new PlanEdit.SetAddress("sign", 0x3C)).findings("I3"))
                .isEmpty();
    }

    @Test
    void i4NonePullsUp() {
        assertThat(only(mcu().with("switch", "bus-switch-8"), "I4")).contains("no pull-up");
    }

    @Test
    void i4TooManyPullUps() {
        Workbench bench = sbc();
        for (int i = 0; i < 3; i++) {
            bench.with("sign" + i, OLED);
        }
        // 1.8 kΩ of the board and three times 4.7 kΩ: 2.9 V / 1.8 kΩ + 3 × 2.9 V / 4.7 kΩ = 3.46 mA.
        assertThat(only(bench, "I4")).contains("3.462 mA").contains("3 mA");
    }

    @Test
    void i4RisesTooSlowly() {
        Workbench bench = mcu().with("sign", OLED).edit(new PlanEdit.SetWire(100.0));
        assertThat(bench.findings("I4")).isEmpty();
        bench.edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 400_000)));
        // 0.8473 × 4.7 kΩ × 110 pF = 438 ns.
        assertThat(only(bench, "I4")).contains("438.1 ns").contains("300 ns");
    }

    @Test
    void i5ExpanderAtFastMode() {
        Workbench bench = mcu().with("cabin", "character-16x2-expander");
        assertThat(bench.findings("I5")).isEmpty();
        assertThat(only(bench.edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 400_000))), "I5"))
                .contains("100 kHz at most");
    }

    @Test
    void i7TrunkAgainstChannel() {
        Workbench bench = mcu().with("one", OLED)
                .with("two", OLED)
                .with("switch", "bus-switch-8")
                .wire("two:SDA", "switch:SD0")
                .wire("two:SCL", "switch:SC0");
        assertThat(bench.findings("I1")).isEmpty();
        assertThat(only(bench, "I7")).contains("trunk").contains("channel 0");
        bench.wire("one:SDA", "switch:SD1").wire("one:SCL", "switch:SC1");
        assertThat(bench.findings("I7")).isEmpty();
        assertThat(only(bench.wire("one:SCL", "switch:SC2"), "I7")).contains("half of each transfer");
    }

    @Test
    void s1SharedAndTiedSelects() {
        Workbench bench = mcu().with("one", "oled-128x64-page-serial").with("two", "oled-128x64-page-serial");
        assertThat(bench.findings("S1")).isEmpty();
        String select = bench.plan()
                .connection(izzet.core.plan.Target.of("one:CS"))
                .orElseThrow()
                .to()
                .toString();
        assertThat(only(bench.wire("two:CS", select), "S1")).contains("share one select");
        assertThat(only(bench.wire("two:CS", "rail:GND"), "S1")).contains("tied on");
    }

    @Test
    void whatIsNotKnownIsSaid() {
        Report report =
                mcu().with("cabin", "character-16x2-direct").off("cabin:VDD").check();
        assertThat(report.undecided())
                .anyMatch(u -> u.rule().equals("L1") && u.missing().contains("supply"));
        assertThat(report.clean()).doesNotContainKey("L1");
    }

    @Test
    void rerunsCompare() {
        Workbench bench =
                mcu().with("one", OLED).with("two", OLED).with("lamp", "led").wire("lamp:A", "board:9");
        assertThat(bench.check()).isEqualTo(bench.check());
        assertThat(bench.check().findings()).isSortedAccordingTo(java.util.Comparator.comparing(Finding::severity));
    }
}
