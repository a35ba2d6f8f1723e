package izzet.core.check;

import static izzet.core.Workbench.mcu;
import static izzet.core.Workbench.on;
import static izzet.core.Workbench.sbc;
import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** For each rule a plan that it is content with, one that it is not, and what it says of it. */
class RuleExamplesTest {

    private static final String DUAL = "mcu-dual-40";
    private static final String WIFI = "wifi-dual-30";
    private static final String PANEL = "colour-240x320-serial";
    private static final String SERIAL_OLED = "oled-128x64-page-serial";

    record Example(String rule, Workbench sound, Workbench violating, Severity severity, String says) {
        @Override
        public String toString() {
            return rule + ": " + says;
        }
    }

    private static Workbench clock(Workbench bench, int hertz) {
        Bus bus = bench.plan().buses().get(0);
        return bench.edit(new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), bus.controller(), hertz)));
    }

    private static Workbench resistor(Workbench bench, String from, String to, double ohms) {
        return bench.edit(
                new PlanEdit.AddResistor(new Resistor(bench.plan().freeId("r"), Target.of(from), Target.of(to), ohms)));
    }

    private static Workbench length(Workbench bench, double centimetres) {
        return bench.edit(new PlanEdit.SetWire(centimetres));
    }

    private static Workbench lamps(int count, double ohms) {
        Workbench bench = mcu();
        List<String> pins = List.of("2", "3", "4", "5", "6", "7", "8", "9", "A0", "A1", "A2", "A3");
        for (int i = 0; i < count; i++) {
            String id = "lamp-" + i;
            bench.bare(id, "led", "on-off")
                    .wire(id + ":A", "board:" + pins.get(i), ohms, null)
                    .wire(id + ":K", "rail:GND");
        }
        return bench;
    }

    private static Workbench gated(String output, String upperSelect) {
        return on(DUAL).with("sign", Workbench.OLED)
                .bare("gate", "decoder-2to4", "clock-on-enable")
                .wire("gate:VCC", "rail:3V3")
                .wire("gate:GND", "rail:GND")
                .wire("gate:1E", "board:GP9")
                .wire("gate:1A0", "board:GP10")
                .wire("gate:1A1", upperSelect)
                .wire("sign:SCL", "gate:" + output);
    }

    private static Workbench byAddress(String output, String select) {
        return on(DUAL).with("sign", Workbench.OLED)
                .bare("gate", "decoder-2to4-address", "clock-on-address")
                .wire("gate:VCC", "rail:3V3")
                .wire("gate:GND", "rail:GND")
                .wire("gate:1E", "rail:GND")
                .wire("gate:1A0", "board:GP9")
                .wire("gate:1A1", select)
                .wire("sign:SCL", "gate:" + output);
    }

    /** One that measures what a rail gives. */
    @Test
    void aPinThatLooksAtARailFeedsNothing() {
        Plan plan = onPin("sign:VCC", "rail:5V").plan();
        List<Connection> more = new ArrayList<>(plan.connections());
        more.add(Connection.wire(Target.of("sign:VCC"), Target.of("board:A0")));
        assertThat(Checker.withAllRules()
                        .check(plan.withConnections(more), Workbench.CATALOG)
                        .findings())
                .extracting(Finding::rule)
                .doesNotContain("L3", "L14");
    }

    private static Workbench supplied(String board, String supply, String to) {
        return Workbench.on(board)
                .with("lcd", "character-16x2-direct")
                .with("map", "colour-128x160-serial-3v3")
                .off(supply)
                .wire(supply, to);
    }

    private static Workbench onPin(String supply, String to) {
        return mcu().with("sign", Workbench.OLED)
                .with("lcd", "character-16x2-direct")
                .off(supply)
                .wire(supply, to);
    }

    private static Workbench overButton(String line, String rail) {
        return mcu().with("sign", Workbench.OLED)
                .bare("button", "push-button", "to-ground")
                .off(line)
                .wire(line, "button:A")
                .wire("button:B", rail);
    }

    private static Workbench over(String line, String rail, double ohms) {
        return mcu().with("sign", Workbench.OLED).off(line).wire(line, rail, ohms, null);
    }

    private static Workbench powered(boolean input) {
        Workbench bench = mcu().bare("reg", "regulator-3v3", "supply").wire("reg:GND", "rail:GND");
        if (input) {
            bench.wire("reg:IN", "rail:5V");
        }
        return bench.with("panel", PANEL).wire("panel:VCC", "reg:OUT");
    }

    private static Workbench fed(String ground) {
        return on(DUAL).bare("bank", "usb-bank", "supply")
                .wire("bank:5V", "rail:VSYS")
                .wire("bank:GND", ground)
                .with("sign", Workbench.OLED);
    }

    private static Workbench second(String supply, String rail) {
        return on(DUAL).bare("other", "breadboard-supply", "supply")
                .wire("other:GND", "rail:GND")
                .wire("other:" + supply, rail);
    }

    /** A bank on the 5 V of a board that USB may feed, through something or not. */
    private static Workbench behind(String part) {
        Workbench bench = mcu().bare("bank", "usb-bank", "supply").wire("bank:GND", "rail:GND");
        if (part == null) {
            return bench.wire("bank:5V", "rail:5V");
        }
        bench.bare("one-way", part, "supply").wire("one-way:IN", "bank:5V").wire("one-way:OUT", "rail:5V");
        return bench.circuit().wire(Target.of("one-way:GND")).isPresent()
                ? bench.wire("one-way:GND", "rail:GND")
                : bench;
    }

    private static Workbench cells(String part, String line) {
        return on(DUAL).bare("cells", "cells-3-aa", "supply")
                .wire("cells:GND", "rail:GND")
                .with("thing", part)
                .wire("thing:" + line, "cells:4V5");
    }

    private static Workbench bareDisplays(int count) {
        Workbench bench = mcu();
        for (int i = 0; i < count; i++) {
            bench.bare("board-" + i, "character-16x2-direct", "4-bit");
        }
        return bench;
    }

    private static Workbench signs(int count) {
        Workbench bench = mcu();
        for (int i = 0; i < count; i++) {
            bench.with("sign-" + i, SERIAL_OLED);
        }
        return bench;
    }

    private static Workbench boot(String pin) {
        return resistor(
                on(WIFI).with("panel", SERIAL_OLED).wire("panel:CS", "board:" + pin),
                "board:" + pin,
                "rail:3V3",
                10_000);
    }

    static Stream<Example> examples() {
        return Stream.of(
                new Example("L5", lamps(3, 220), lamps(11, 150), Severity.FIX, "all pins"),
                new Example(
                        "L5",
                        lamps(1, 220),
                        lamps(2, 220).wire("lamp-1:A", "board:2", 220.0, null).wire("lamp-0:A", "board:2", 220.0, null),
                        Severity.FIX,
                        "Pin 2 carries"),
                new Example("L9", second("5V", "rail:VSYS"), second("3V3", "rail:3V3"), Severity.FIX, "are one rail"),
                new Example(
                        "L9",
                        second("5V", "rail:VSYS"),
                        second("3V3", "rail:VBUS"),
                        Severity.STOP,
                        "drives its current"),
                new Example("L9", second("5V", "rail:VSYS"), second("5V", "rail:GND"), Severity.STOP, "a short"),
                new Example("L9", behind("supply-diode"), behind(null), Severity.ADVISE, "never plug USB in"),
                new Example("L9", behind("supply-switch"), behind(null), Severity.ADVISE, "never plug USB in"),
                new Example(
                        "P3",
                        sbc().with("lamp", "led").wire("lamp:A", "board:GPIO14").edit(new PlanEdit.SetConsole(true)),
                        sbc().with("lamp", "led").wire("lamp:A", "board:GPIO14"),
                        Severity.FIX,
                        "Serial console"),
                new Example(
                        "L10", mcu().with("a", Workbench.OLED), mcu().with("a", "expander-8"), Severity.NOTE, "100 nF"),
                new Example(
                        "L11",
                        cells(Workbench.OLED, "SDA"),
                        cells(Workbench.OLED, "VCC"),
                        Severity.ADVISE,
                        "stops before the cells are empty"),
                new Example(
                        "L12",
                        length(mcu().with("a", Workbench.OLED), 30),
                        length(mcu().with("a", "seven-segment-8-serial"), 250),
                        Severity.ADVISE,
                        "lose"),
                new Example(
                        "L13",
                        fed("rail:GND"),
                        fed("sign:GND").off("sign:GND"),
                        Severity.STOP,
                        "not joined to the board's ground"),
                // Switched by its ground.
                new Example(
                        "L13",
                        onPin("lcd:VSS", "rail:GND"),
                        onPin("lcd:VSS", "board:13"),
                        Severity.NOTE,
                        "up to 3 mA flow, where it should take 20 mA"),
                new Example(
                        "L13",
                        onPin("sign:GND", "rail:GND"),
                        onPin("sign:GND", "board:4"),
                        Severity.FIX,
                        "until the program sets it low"),
                new Example(
                        "L13",
                        onPin("sign:GND", "rail:GND"),
                        overButton("sign:GND", "rail:GND"),
                        Severity.NOTE,
                        "on ground only while the button is closed"),
                new Example(
                        "L14",
                        onPin("sign:VCC", "rail:5V"),
                        overButton("sign:VCC", "rail:5V"),
                        Severity.NOTE,
                        "has its supply only while the button is closed"),
                new Example(
                        "L9",
                        mcu().with("button", "push-button"),
                        mcu().bare("button", "push-button", "to-ground")
                                .wire("button:A", "rail:5V")
                                .wire("button:B", "rail:GND"),
                        Severity.STOP,
                        "one rail while the button is closed: a short"),
                new Example(
                        "L18",
                        over("sign:VCC", "rail:5V", 10),
                        over("sign:VCC", "rail:5V", 220),
                        Severity.STOP,
                        "would take 5.5 V at 25 mA, and the sign can spare 2 V"),
                // 25 mA at most take 2.05 V, the usual 12 mA 1 V.
                new Example(
                        "L18",
                        over("sign:GND", "rail:GND", 10),
                        over("sign:GND", "rail:GND", 82),
                        Severity.FIX,
                        "82 Ω in the way of the sign GND"),
                new Example("L14", powered(true), powered(false), Severity.FIX, "feed the part through its inputs"),
                // What a pin gives, when it is high, is held against the part's supply like a rail.
                new Example(
                        "L3",
                        supplied("mcu-8bit-5v-14-6", "lcd:VDD", "board:13"),
                        supplied("mcu-dual-40", "lcd:VDD", "board:GP15"),
                        Severity.STOP,
                        "gets 3.3 V, less than"),
                new Example(
                        "L3",
                        supplied("mcu-dual-40", "map:VCC", "board:GP15"),
                        supplied("mcu-8bit-5v-14-6", "map:VCC", "board:13"),
                        Severity.STOP,
                        "gets 5 V, more than"),
                // Switched by a pin: 25 mA at most of the glass, 3 mA of the character display, where a pin gives 20
                // mA.
                new Example(
                        "L14", onPin("sign:VCC", "rail:5V"), onPin("sign:VCC", "board:4"), Severity.FIX, "up to 25 mA"),
                new Example(
                        "L14", onPin("lcd:VDD", "rail:5V"), onPin("lcd:VDD", "board:13"), Severity.NOTE, "up to 3 mA"),
                new Example(
                        "L15",
                        mcu().with("a", "oled-128x32-page-2wire"),
                        mcu().with("a", Workbench.OLED),
                        Severity.NOTE,
                        "other order of supply and ground"),
                // Reads high from 0.7 of its supply: 3.3 V suffice at 4.5 V, and not at the 4.8 V of fresh cells.
                new Example(
                        "L16",
                        cells("character-16x2-direct", "VDD"),
                        cells("lamp-chain-8", "5V"),
                        Severity.FIX,
                        "While they are fresh"),
                new Example("I6", gated("1Y1", "rail:GND"), gated("1Y2", "rail:GND"), Severity.STOP, "never be chosen"),
                new Example(
                        "I6",
                        byAddress("1Y2", "board:GP10"),
                        byAddress("1Y3", "board:GP10"),
                        Severity.STOP,
                        "upside down"),
                new Example(
                        "I6",
                        byAddress("1Y0", "rail:GND"),
                        byAddress("1Y2", "rail:GND"),
                        Severity.STOP,
                        "never be chosen"),
                new Example(
                        "I8",
                        mcu().with("a", Workbench.OLED),
                        sbc().with("a", Workbench.OLED),
                        Severity.NOTE,
                        "1.8 kΩ"),
                new Example(
                        "I10",
                        length(mcu().with("a", Workbench.OLED), 100),
                        length(mcu().with("a", Workbench.OLED), 500),
                        Severity.FIX,
                        "510 pF"),
                new Example(
                        "I11",
                        mcu().with("a", Workbench.OLED).edit(new PlanEdit.SetAddress("a", 0x3C)),
                        mcu().with("a", "character-16x2-expander").edit(new PlanEdit.SetAddress("a", 0x4E)),
                        Severity.STOP,
                        "0x27 with the read/write bit"),
                new Example(
                        "S2",
                        on(DUAL).with("a", PANEL).with("b", "card-socket"),
                        on(DUAL).with("a", "card-socket")
                                .with("b", "colour-240x240-serial")
                                .edit(new PlanEdit.SetPartBus("b", "spi")),
                        Severity.NOTE,
                        "No clock mode suits"),
                new Example(
                        "S4",
                        on(DUAL).with("a", PANEL).with("b", "card-socket"),
                        on(DUAL).with("a", PANEL).with("b", "card-socket").wire("a:SDO", "b:DO"),
                        Severity.FIX,
                        "does not let go"),
                new Example(
                        "S7", on(DUAL).with("a", PANEL), on(DUAL).with("b", "card-socket"), Severity.NOTE, "400 kHz"),
                new Example(
                        "S8",
                        length(clock(on(DUAL).with("a", PANEL), 8_000_000), 30),
                        length(clock(on(DUAL).with("a", PANEL), 20_000_000), 60),
                        Severity.ADVISE,
                        "over 60 cm of wire"),
                new Example(
                        "S9",
                        sbc().with("a", "colour-240x240-serial"),
                        sbc().with("a", "colour-240x240-serial")
                                .edit(new PlanEdit.PutBus(new Bus("spi", BusKind.SPI, "SPI bus", "spi1", 4_000_000))),
                        Severity.STOP,
                        "needs clock mode 3"),
                new Example(
                        "W1",
                        on("retro-8bit-two-port").with("a", "character-16x2-direct", "4-bit"),
                        on("retro-8bit-two-port")
                                .with("a", "character-16x2-direct", "8-bit")
                                .edit(new PlanEdit.Swap(Target.of("a:D0"), Target.of("a:D5"))),
                        Severity.ADVISE,
                        "eight writes a byte"),
                new Example(
                        "W4",
                        mcu().with("a", "character-16x2-direct"),
                        on(WIFI).with("a", "character-16x2-direct"),
                        Severity.NOTE,
                        "takes a write in 500 ns"),
                new Example(
                        "D4",
                        clock(on(DUAL).with("a", PANEL), 8_000_000),
                        clock(on(DUAL).with("a", PANEL), 500_000),
                        Severity.ADVISE,
                        "watches it being built"),
                new Example(
                        "D2",
                        mcu().with("a", Workbench.OLED),
                        mcu().with("a", "oled-1v3-132-2wire"),
                        Severity.NOTE,
                        "2 columns and 0 rows in"),
                new Example("D3", signs(1), signs(2), Severity.ADVISE, "2048 bytes for their pictures"),
                new Example(
                        "D6",
                        on(DUAL).with("sign", Workbench.OLED),
                        gated("1Y1", "rail:GND"),
                        Severity.NOTE,
                        "by itself"),
                new Example("P9", bareDisplays(3), bareDisplays(4), Severity.STOP, "4 too few"),
                new Example(
                        "P10",
                        mcu().with("lamp", "led"),
                        sbc().with("panel", "rgb-800x480"),
                        Severity.NOTE,
                        "takes the pins of the board's I2C 1"),
                new Example(
                        "P11",
                        mcu().with("load", "load-driver"),
                        mcu().with("panel", "colour-240x240-serial").wire("panel:BL", "board:6"),
                        Severity.NOTE,
                        "the backlight is lit"),
                new Example(
                        "P11",
                        mcu().with("lamps", "shift-register-8").wire("lamps:OE", "rail:GND"),
                        mcu().with("lamps", "shift-register-8").wire("lamps:OE", "board:6"),
                        Severity.ADVISE,
                        "hangs in the air"),
                new Example(
                        "I9", mcu().with("a", Workbench.OLED), mcu().with("a", "adc-4"), Severity.NOTE, "general call"),
                new Example(
                        "S5",
                        on(DUAL).with("a", SERIAL_OLED),
                        on(DUAL).with("a", SERIAL_OLED)
                                .with("ports", "expander-8")
                                .off("a:DC")
                                .wire("a:DC", "ports:P3"),
                        Severity.FIX,
                        "changes between two bytes"),
                new Example(
                        "S6",
                        sbc().with("a", SERIAL_OLED).wire("a:CS", "board:GPIO8"),
                        sbc().with("a", SERIAL_OLED).wire("a:CS", "board:GPIO25"),
                        Severity.NOTE,
                        "knows GPIO8, GPIO7 as selects"),
                new Example(
                        "W2",
                        on(WIFI).with("a", "colour-240x320-parallel-16", "8-bit"),
                        on(WIFI).with("a", "colour-240x320-parallel-16", "8-bit")
                                .wire("a:D3", "rail:3V3"),
                        Severity.ADVISE,
                        "D3 of the a, unused here, should be at ground"),
                new Example(
                        "D5",
                        mcu().with("lamp", "led"),
                        on(DUAL).with("a", PANEL).wire("a:RESET", "rail:3V3"),
                        Severity.NOTE,
                        "no pin resets the a"),
                new Example(
                        "W2",
                        on(WIFI).with("a", "colour-240x320-parallel-16", "8-bit"),
                        resistor(
                                on(WIFI).with("a", "colour-240x320-parallel-16", "8-bit")
                                        .off("a:D3"),
                                "rail:3V3",
                                "a:D3",
                                10_000),
                        Severity.ADVISE,
                        "at rest 3.3 V stand there"),
                new Example(
                        "D5",
                        on(DUAL).with("a", PANEL),
                        resistor(on(DUAL).with("a", PANEL).off("a:RESET"), "rail:3V3", "a:RESET", 10_000),
                        Severity.NOTE,
                        "no pin resets the a"),
                new Example(
                        "L9",
                        behind("supply-diode"),
                        behind("supply-diode").wire("one-way:OUT", "bank:5V").wire("one-way:IN", "rail:5V"),
                        Severity.FIX,
                        "nothing is fed through it"),
                new Example(
                        "P6",
                        byAddress("1Y0", "board:GP10"),
                        byAddress("1Y1", "board:GP10").off("gate:1A0"),
                        Severity.STOP,
                        "1A0"),
                new Example(
                        "D7",
                        mcu().with("a", "character-16x2-expander"),
                        mcu().with("a", Workbench.OLED),
                        Severity.NOTE,
                        "the picture of the a goes in pieces"),
                new Example("P4", boot("GPIO5"), boot("GPIO12"), Severity.STOP, "should be low"),
                new Example("P4", boot("GPIO16"), boot("GPIO2"), Severity.FIX, "download"));
    }

    @ParameterizedTest
    @MethodSource("examples")
    void theSoundOneIsFineAndTheOtherIsTold(Example example) {
        assertThat(example.sound().findings(example.rule()))
                .extracting(Finding::sentence)
                .filteredOn(s -> s.contains(example.says()))
                .isEmpty();
        assertThat(example.violating().findings(example.rule()))
                .as(example.violating().check().findings().toString())
                .anySatisfy(f -> {
                    assertThat(f.sentence()).contains(example.says());
                    assertThat(f.severity()).isEqualTo(example.severity());
                    assertThat(f.remedy()).isNotBlank();
                });
    }

    @Test
    void anEmptyPlanHasNothingFine() {
        assertThat(mcu().check().clean()).isEmpty();
    }

    /** What is found fine was compared, and the tightest margin is told with its place. */
    @Test
    void whatIsFineIsToldWithItsTightestMargin() {
        Report report = on(DUAL).with("sign", Workbench.OLED).check();
        assertThat(report.clean().get("L2").count()).isGreaterThan(2);
        assertThat(report.clean().get("L2").tightest().value()).isPositive();
        assertThat(report.clean().get("L2").detail())
                .contains("tightest margin")
                .contains("SDA");
        assertThat(report.clean()).doesNotContainKeys("L7", "W5", "S1");
    }

    /** A bus at a level that several cannot stand is one trouble with several victims, and its repairs are found once. */
    @Test
    void oneCauseIsOneFinding() {
        Workbench bench = sbc().with("sign", Workbench.OLED)
                .with("other", Workbench.OLED)
                .edit(new PlanEdit.SetStrap("other", "address", "moved"))
                .with("cabin", "character-16x2-expander");
        assertThat(bench.findings("L2")).singleElement().satisfies(f -> {
            assertThat(f.sentence()).contains("the board survives").contains("the sign survives");
            assertThat(f.figures())
                    .filteredOn(g -> g.margin() != null && g.margin() < 0)
                    .hasSizeGreaterThan(2);
            assertThat(f.places().get(0).kind()).isEqualTo("bus");
        });
        assertThat(bench.repairs("L2")).isNotEmpty();
    }

    /** A lamp without its resistor is told as that, and not as a load of the chip besides. */
    @Test
    void aLampWithoutResistorIsNoSecondTrouble() {
        Workbench bench = mcu().with("lamp", "led").wire("lamp:A", "board:3");
        assertThat(bench.findings("L6")).hasSize(1);
        assertThat(bench.findings("L5")).isEmpty();
    }

    /** A rule that fails has not decided; the others have, and the page comes. */
    @Test
    void aFailingRuleCannotTell() {
        Rule failing = new Rule() {
            @Override
            public String id() {
                return "X1";
            }

            @Override
            public String subject() {
                return "what fails";
            }

            @Override
            public void check(izzet.core.circuit.Circuit circuit, Findings findings) {
                findings.looked(this);
                throw new IllegalStateException("not today");
            }
        };
        Report report = new Checker(List.of(failing)).check(mcu().plan(), Workbench.CATALOG);
        assertThat(report.findings()).isEmpty();
        assertThat(report.clean()).isEmpty();
        assertThat(report.undecided()).singleElement().satisfies(u -> assertThat(u.missing())
                .contains("what fails"));
    }
}
