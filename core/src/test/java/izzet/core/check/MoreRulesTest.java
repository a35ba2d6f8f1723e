package izzet.core.check;

import static izzet.core.Workbench.mcu;
import static izzet.core.Workbench.on;
import static izzet.core.Workbench.only;
import static izzet.core.Workbench.sbc;
import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The edges of the rules, and what holds for all of them. */
class MoreRulesTest {

    /** On any plan: no crash, no braces left in a sentence, an address of its own for each finding, the same again the next time. */
    @Tag("sweep")
    @RepeatedTest(40)
    void everyPlanCanBeJudged(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(repetition.getCurrentRepetition() * 31L);
        for (Plan plan : random.walk(random.plan(9), 10)) {
            Report report = Workbench.CHECKER.check(plan, Workbench.CATALOG);
            Set<String> ids = new HashSet<>();
            for (Finding f : report.findings()) {
                assertThat(f.sentence()).doesNotContain("{").doesNotContain("}").endsWith(".");
                assertThat(f.places()).isNotEmpty();
                assertThat(f.remedy()).isNotBlank();
                assertThat(f.id()).matches("[A-Za-z0-9._-]+");
                assertThat(ids.add(f.id())).as("twice: " + f.id()).isTrue();
            }
            assertThat(report.findings()).noneMatch(f -> report.clean().containsKey(f.rule()));
            assertThat(Workbench.CHECKER.check(plan, Workbench.CATALOG)).isEqualTo(report);
        }
    }

    /** A finding that names a limit from outside says where the limit comes from. */
    @Test
    void limitsHaveSources() {
        Set<String> ofThePlanAlone = Set.of("P1", "P2", "P5", "P6", "P7", "P13", "I7", "S1", "L3");
        List<Workbench> benches = List.of(
                mcu().with("sign", Workbench.OLED).with("lamp", "led").wire("lamp:A", "board:0"),
                sbc().with("cabin", "character-16x2-expander").with("map", "colour-128x160-serial-shifted"),
                mcu().with("map", "colour-128x160-serial-3v3").with("cabin", "character-16x2-direct"));
        int seen = 0;
        for (Workbench bench : benches) {
            for (Finding f : bench.check().findings()) {
                if (!ofThePlanAlone.contains(f.rule())) {
                    assertThat(f.source()).as(f.sentence()).isNotBlank();
                    seen++;
                }
            }
        }
        assertThat(seen).isGreaterThan(4);
    }

    @Test
    void p6AShifterThatLeadsNowhere() {
        Workbench bench = sbc().with("cabin", "character-16x2-expander")
                .with("shifter", "level-shifter-4")
                .wire("cabin:SDA", "shifter:HV1");
        assertThat(only(bench, "P6")).contains("the cabin SDA hangs on the shifter HV1, which leads to no pin");
        assertThat(bench.wire("shifter:LV1", "board:GPIO2").findings("P6")).isEmpty();
    }

    @Test
    void p7EveryFloatingInputByItself() {
        Workbench bench = mcu().with("gate", "decoder-2to4").off("gate:2E").off("gate:2A0");
        assertThat(bench.findings("P7"))
                .extracting(f -> f.places().get(0).id())
                .containsExactlyInAnyOrder("gate:2E", "gate:2A0");
    }

    @Test
    void p13AResistorIsAPullToo() {
        Workbench bench = mcu().with("bell", "push-button").wire("bell:A", "board:7");
        assertThat(bench.findings("P13")).hasSize(1);
        bench.edit(new PlanEdit.AddResistor(new Resistor("r", Target.pin("7"), Target.rail("5V"), 10_000)));
        assertThat(bench.findings("P13")).isEmpty();
    }

    @Test
    void p5MixedPinSetsWhereTheBoardForbidsThem() {
        Workbench bench = mcu().with("sign", Workbench.OLED);
        Board plain = Workbench.CATALOG.board(Workbench.MCU).orElseThrow();
        Board mixed = withSets(plain, false);
        Catalog strict = new Catalog(List.of(mixed), Workbench.CATALOG.parts().values());
        assertThat(Workbench.CHECKER.check(bench.plan(), strict).of("P5"))
                .singleElement()
                .extracting(Finding::sentence)
                .asString()
                .contains("mixes the pin sets");
        Catalog lenient = new Catalog(
                List.of(withSets(plain, true)), Workbench.CATALOG.parts().values());
        assertThat(Workbench.CHECKER.check(bench.plan(), lenient).of("P5")).isEmpty();
    }

    /** The board with its data and clock pins in different sets of the controller. */
    private static Board withSets(Board board, boolean mixes) {
        String json =
                izzet.core.discovery.Discovery.texts("/catalog/boards", ".json").get(board.id() + ".json");
        String changed = json.replace("\"i2c0.sda\"", "\"i2c0.sda/a\"").replace("\"i2c0.scl\"", "\"i2c0.scl/b\"");
        String told = changed.replaceFirst("(\"id\": \"i2c0\".*?\"mixesPinSets\": )(true|false)", "$1" + mixes);
        return new izzet.core.catalog.CatalogReader().board("board.json", told);
    }

    @Test
    void l3ASupplyThroughAnotherPartsPin() {
        Workbench bench = mcu().with("sign", Workbench.OLED).with("other", Workbench.OLED);
        assertThat(bench.wire("other:VCC", "sign:VCC").findings("L3")).isEmpty();
        bench.wire("sign:VCC", "rail:VIN");
        assertThat(bench.findings("L3"))
                .extracting(f -> f.places().get(0).id())
                .containsExactly("other:VCC", "sign:VCC");
    }

    @Test
    void l4TypicalAboveTheLimitStops() {
        Workbench bench = mcu().with("map", "colour-128x160-serial-shifted").wire("map:VCC", "rail:3V3");
        assertThat(bench.findings("L4").get(0).severity()).isEqualTo(Severity.FIX);
        bench.with("sign", Workbench.OLED).wire("sign:VCC", "rail:3V3");
        assertThat(bench.findings("L4").get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(bench.findings("L4").get(0).figures()).anyMatch(f -> f.name().equals("margin"));
    }

    @Test
    void l4ARailOfUnknownStrengthIsSaid() {
        Report report = sbc().with("cabin", "character-16x2-expander").check();
        assertThat(report.undecided())
                .anyMatch(u -> u.rule().equals("L4") && u.missing().contains("5 V"));
        assertThat(report.clean()).doesNotContainKey("L4");
    }

    /** A backlight that drops 3.1 V on a board of 3.3 V gets some light, a lamp on less than its drop none. */
    @Test
    void l6TooLittleDriveIsTold() {
        Workbench bench = sbc().with("cabin", "character-16x2-direct").wire("cabin:A", "rail:3V3", 10.0, null);
        assertThat(bench.findings("L6")).isEmpty();
        assertThat(mcu().with("cabin", "character-16x2-direct")
                        .wire("cabin:A", "rail:3V3", 220.0, null)
                        .findings("L6"))
                .isEmpty();
        bench.wire("cabin:A", "rail:GND");
        assertThat(only(bench, "L6")).contains("stays dark: both its ends lie at one level");
    }

    @Test
    void l7TheDarkestSettingIsANote() {
        Workbench bench = mcu().with("cabin", "character-16x2-direct").wire("cabin:V0", "rail:GND");
        assertThat(bench.findings("L7"))
                .singleElement()
                .extracting(Finding::severity)
                .isEqualTo(Severity.NOTE);
        assertThat(mcu().with("cabin", "character-16x2-direct")
                        .wire("cabin:V0", "rail:GND", 2200.0, null)
                        .findings("L7"))
                .isEmpty();
    }

    /** 4.7 kΩ to 5 V beside the computer's 1.8 kΩ to 3.3 V idle at 3.77 V. */
    @Test
    void l2MixedRailsByTheirCommonLevel() {
        Workbench bench = sbc().with("cabin", "character-16x2-expander");
        assertThat(bench.findings("L2").get(0).figures())
                .extracting(Figure::value)
                .contains("3.771 V against 3.6 V, margin -171 mV");
        bench.edit(new PlanEdit.SetStrap("cabin", "pull-ups", "removed"));
        assertThat(bench.findings("L2")).isEmpty();
        assertThat(bench.findings("L1"))
                .as("the bus then idles at 3.3 V, below 0.7 × 5 V")
                .singleElement()
                .satisfies(f -> assertThat(f.seenWorking()).isTrue());
    }

    @Test
    void i1ThreeOfAKindAreNamedTogether() {
        Workbench bench =
                mcu().with("one", Workbench.OLED).with("two", Workbench.OLED).with("three", Workbench.OLED);
        assertThat(only(bench, "I1")).contains("the one, the two and the three all answer at 0x3C");
        assertThat(bench.findings("I1").get(0).figures().get(0).value()).isEqualTo("3");
    }

    @Test
    void i1AFloatingAddressPinCannotBeTold() {
        Report report = mcu().with("switch", "bus-switch-8").off("switch:A0").check();
        assertThat(report.undecided())
                .anyMatch(u -> u.rule().equals("I1") && u.missing().contains("address pins"));
    }

    /** Where capacitance is high, no pull-up is both strong and weak enough: above 231 pF at 5 V in Fast-mode. */
    @Test
    void i4NoValueIsPossible() {
        Workbench bench = mcu().with("cabin", "character-16x2-expander")
                .edit(new PlanEdit.SetWire(230.0))
                .edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 400_000)));
        assertThat(only(bench, "I4")).contains("no pull-up can be right");
        bench.edit(new PlanEdit.SetWire(200.0));
        assertThat(only(bench, "I4")).contains("rise in");
    }

    /** A button drawn from its other end floats as well, and is as fine with a pull-up. */
    @Test
    void p13AButtonEitherWayRound() {
        for (String[] ends : new String[][] {{"lever:A", "lever:B"}, {"lever:B", "lever:A"}}) {
            Workbench bench = mcu().bare("lever", "push-button", "to-ground")
                    .wire(ends[0], "board:7")
                    .wire(ends[1], "rail:GND");
            assertThat(only(bench, "P13")).as(ends[0]).contains("rests at no level");
            bench.edit(new PlanEdit.AddResistor(new Resistor("up", Target.of("rail:5V"), Target.of(ends[0]), 10_000)));
            assertThat(bench.findings("P13")).as(ends[0]).isEmpty();
        }
    }

    @Test
    void i5TheControllersOwnLimitCounts() {
        Workbench bench = mcu().with("sign", Workbench.OLED)
                .edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 1_000_000)));
        assertThat(bench.findings("I5"))
                .extracting(Finding::sentence)
                .anyMatch(s -> s.contains("the board's 2-wire controller takes 400 kHz"))
                .anyMatch(s -> s.contains("the sign takes 400 kHz"));
    }

    @Test
    void i7TheSwitchItselfHasAnAddress() {
        Workbench bench = mcu().with("outer", "bus-switch-8")
                .with("inner", "bus-switch-8")
                .wire("inner:SDA", "outer:SD0")
                .wire("inner:SCL", "outer:SC0");
        assertThat(only(bench, "I7")).contains("0x70");
        assertThat(bench.wire("inner:A0", "rail:5V").findings("I7")).isEmpty();
    }

    /** A pin that rests low selects a part whose select is low, while another one shares its bus. */
    @Test
    void s1SelectedWhileTheBoardStarts() {
        Workbench bench = sbc().with("one", "oled-128x64-page-serial").with("two", "oled-128x64-page-serial");
        assertThat(bench.findings("S1")).isEmpty();
        bench.wire("two:CS", "board:GPIO22");
        assertThat(bench.findings("S1")).singleElement().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.ADVISE);
            assertThat(f.sentence()).contains("pulled down until the program runs");
        });
        bench.edit(new PlanEdit.AddResistor(new Resistor("r", Target.pin("GPIO22"), Target.rail("3V3"), 10_000)));
        assertThat(bench.findings("S1")).isEmpty();
    }

    @Test
    void reportsCompareByStopsFirst() {
        Report two =
                mcu().with("one", Workbench.OLED).with("two", Workbench.OLED).check();
        Report one = mcu().with("one", Workbench.OLED).check();
        Report other = mcu().with("lamp", "led").wire("lamp:A", "board:9").check();
        assertThat(one.betterThan(two)).isTrue();
        assertThat(two.betterThan(one)).isFalse();
        assertThat(one.betterThan(one)).isFalse();
        assertThat(other.betterThan(two))
                .as("a stop that the other does not have")
                .isFalse();
    }

    private static Bus clocked(Workbench bench, int hertz) {
        Bus bus = bench.plan().buses().get(0);
        return new Bus(bus.id(), bus.kind(), bus.name(), bus.controller(), hertz);
    }

    @Test
    void s3ASerialClockAgainstPartAndController() {
        Workbench bench = sbc().with("panel", "colour-128x160-serial-3v3");
        assertThat(bench.findings("S3")).isEmpty();
        bench.edit(new PlanEdit.PutBus(clocked(bench, 40_000_000)));
        assertThat(only(bench, "S3")).contains("runs at 40 MHz").contains("takes 15 MHz at most");
        assertThat(bench.findings("S3").get(0).seenWorking()).isTrue();
        assertThat(bench.repairs("S3")).anyMatch(r -> r.title().endsWith("at 10 MHz"));
        Workbench slow = mcu().with("panel", "colour-128x160-serial-shifted");
        slow.edit(new PlanEdit.PutBus(clocked(slow, 9_000_000)));
        assertThat(only(slow, "S3")).contains("the board's").contains("8 MHz");
    }

    @Test
    void w5ThePixelClockOfAPanelWithoutMemory() {
        Workbench bench = sbc().with("tide", "rgb-800x480", "rgb-16");
        assertThat(bench.plan().buses().get(0).clockHz()).isEqualTo(33_264_000);
        assertThat(bench.findings("W5")).isEmpty();
        bench.edit(new PlanEdit.PutBus(clocked(bench, 9_009_000)));
        assertThat(only(bench, "W5")).contains("16.3 pictures a second at 9.009 MHz");
        assertThat(bench.repairs("W5")).anyMatch(r -> r.title().contains("at 33.26"));
        bench.edit(new PlanEdit.PutBus(clocked(bench, 60_000_000)));
        assertThat(only(bench, "W5")).contains("takes 50 MHz at most");
        bench.edit(new PlanEdit.PutBus(clocked(bench, 90_000_000)));
        assertThat(bench.findings("W5")).hasSize(2).anyMatch(f -> f.severity() == Severity.STOP);
    }

    @Test
    void p8StrapsThatChooseAnotherInterface() {
        Workbench bench = mcu().with("hall", "oled-256x64-grey-serial");
        assertThat(bench.findings("P8")).isEmpty();
        bench.edit(new PlanEdit.SetStrap("hall", "bs", "parallel"));
        assertThat(only(bench, "P8")).contains("8-bit parallel by its interface resistors");
        assertThat(bench.repairs("P8")).hasSize(1);
        Workbench lines = sbc().with("panel", "colour-240x320-parallel");
        assertThat(lines.findings("P8")).isEmpty();
        assertThat(only(lines.wire("panel:IM0", "rail:3V3"), "P8")).contains("IM0 is tied to 3.3 V");
    }

    /** A select with a pull-up on the pin that must be low at reset keeps the board from starting. */
    @Test
    void p4APartHoldsABootPinTheWrongWay() {
        Workbench bench =
                on("wifi-dual-38").with("map", "colour-128x160-serial-3v3").with("card", "card-socket");
        assertThat(bench.findings("P4")).isEmpty();
        assertThat(only(bench.wire("card:CS", "board:GPIO12"), "P4"))
                .contains("card CS")
                .contains("while the board starts")
                .contains("should be low");
        assertThat(bench.repairs("P4")).isNotEmpty();
        assertThat(bench.wire("card:CS", "board:GPIO5").findings("P4")).isEmpty();
    }

    @Test
    void p12TwoDimmedLampsOnOneChannel() {
        Workbench bench = sbc().with("one", "led", "dimmed").with("two", "led", "dimmed");
        assertThat(bench.findings("P12")).isEmpty();
        assertThat(only(bench.wire("one:A", "board:GPIO12").wire("two:A", "board:GPIO18"), "P12"))
                .contains("on one PWM channel, pwm0");
        Workbench dual = on("mcu-dual-40").with("one", "led", "dimmed").with("two", "led", "dimmed");
        dual.wire("one:A", "board:GP0").wire("two:A", "board:GP1");
        assertThat(dual.findings("P12")).singleElement().satisfies(f -> assertThat(f.severity())
                .isEqualTo(Severity.NOTE));
        assertThat(only(dual.wire("two:A", "board:GP16"), "P12")).contains("slice0A");
    }

    @Test
    void p12AnInputOnTheSelectOfAControllerInUse() {
        Workbench bench = mcu().with("map", "colour-128x160-serial-shifted").with("bell", "push-button");
        bench.wire("map:CS", "board:9").wire("map:RST", "board:8").wire("map:DC", "board:7");
        assertThat(only(bench.wire("bell:A", "board:10"), "P12")).contains("bell A makes pin 10 an input");
        assertThat(mcu().with("bell", "push-button").wire("bell:A", "board:10").findings("P12"))
                .isEmpty();
    }

    @Test
    void p12AnAnalogInputThatIsOffWithTheRadio() {
        Workbench bench = on("wifi-dual-38").with("tide", "potentiometer");
        assertThat(only(bench.wire("tide:W", "board:GPIO25"), "P12")).contains("second converter");
        assertThat(bench.wire("tide:W", "board:GPIO34").findings("P12")).isEmpty();
    }

    /** Slow lines hang on an expander; a second line on the same one clashes, and a dead expander is told. */
    @Test
    void linesOfAnExpander() {
        Workbench bench =
                mcu().with("frame", "expander-8").with("bell", "push-button").with("gate", "push-button");
        bench.wire("bell:A", "frame:P0");
        assertThat(bench.findings("P6")).isEmpty();
        assertThat(bench.findings("P1")).isEmpty();
        assertThat(only(bench.wire("gate:A", "frame:P0"), "P1")).contains("frame P0 carries");
        assertThat(bench.wire("gate:A", "frame:P1").findings("P1")).isEmpty();
        assertThat(bench.off("frame:SDA").findings("P6")).isNotEmpty();
    }
}
