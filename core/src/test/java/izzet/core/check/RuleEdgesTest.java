package izzet.core.check;

import static izzet.core.Workbench.on;
import static izzet.core.Workbench.only;
import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rules at values that no part of the shelf has: a part with one figure changed, in a plan that is fine with the figure as it is. */
class RuleEdgesTest {

    private static final String DUAL = "mcu-dual-40";

    /** What a rule says of a plan when a part of the shelf had another text in its file. */
    private static List<Finding> judged(Plan plan, String part, String text, String other, String rule) {
        String file = Discovery.texts("/catalog/parts", ".json").get(part + ".json");
        assertThat(file).contains(text);
        List<Part> parts = new ArrayList<>(Workbench.CATALOG.parts().values());
        parts.replaceAll(p -> p.id().equals(part) ? new CatalogReader().part(part, file.replace(text, other)) : p);
        Catalog catalog = new Catalog(Workbench.CATALOG.boards().values(), parts);
        return Workbench.CHECKER.check(plan, catalog).of(rule);
    }

    private static Workbench cells(String part, String line) {
        return on(DUAL).bare("cells", "cells-3-aa", "supply")
                .wire("cells:GND", "rail:GND")
                .with("thing", part)
                .wire("thing:" + line, "cells:4V5");
    }

    /** Cells give 4.5 V, 4.8 V while fresh. */
    @ParameterizedTest
    @CsvSource({"5.5,", "4.8,", "4.79,more than the 4.79 V", "4.5,more than the 4.5 V", "4.49,"})
    void freshCellsAboveTheHighestSupply(String most, String says) {
        List<Finding> found = judged(
                cells("character-16x2-direct", "VDD").plan(),
                "character-16x2-direct",
                "\"minVolts\": 4.5, \"maxVolts\": 5.5",
                "\"minVolts\": 4.0, \"maxVolts\": " + most,
                "L16");
        if (says == null) {
            assertThat(found).isEmpty();
        } else {
            assertThat(found).singleElement().satisfies(f -> {
                assertThat(f.sentence()).contains(says).contains("4.8 V while the cells are fresh");
                assertThat(f.severity()).isEqualTo(Severity.FIX);
            });
        }
    }

    /** At their end cells give 2.7 V: a part that still works there must not get 3.3 V on its inputs. */
    @Test
    void atTheirEndAPartGetsMoreThanItsSupply() {
        String supply = "\"minVolts\": 4.5, \"maxVolts\": 5.5";
        Plan plan = cells("character-16x2-direct", "VDD").plan();
        assertThat(judged(plan, "character-16x2-direct", supply, "\"minVolts\": 2.7, \"maxVolts\": 5.5", "L16"))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.sentence()).contains("At their end, at 2.7 V").contains("survives 3 V");
                    assertThat(f.severity()).isEqualTo(Severity.ADVISE);
                    assertThat(f.figures()).anyMatch(g -> g.margin() != null && g.margin() < 0);
                });
        // One that stops before is rule L11's.
        assertThat(judged(plan, "character-16x2-direct", supply, "\"minVolts\": 2.71, \"maxVolts\": 5.5", "L16"))
                .isEmpty();
    }

    private static Workbench dial(String pull) {
        Workbench bench = on("wifi-dual-38").with("dial", "potentiometer");
        return bench.wire("dial:W", "board:GPIO32", null, pull);
    }

    /** The chip's own resistor on a wiper: half way it reads too high or too low; the repair leaves it off. */
    @Test
    void aPullOnWhatIsMeasured() {
        assertThat(dial(null).findings("P14")).isEmpty();
        Workbench up = dial("internal-up");
        assertThat(only(up, "P14"))
                .contains("the dial W")
                .contains("pull-up is on")
                .contains("instead of 1.65 V");
        assertThat(up.findings("P14").get(0).figures()).anyMatch(f -> f.name().equals("off by") && f.number() > 0.05);
        assertThat(dial("internal-down").findings("P14").get(0).figures())
                .anyMatch(f -> f.name().equals("off by") && f.number() < -0.05);
        up.edit(up.repairs("P14").get(0).edit());
        assertThat(up.findings("P14")).isEmpty();
        assertThat(up.plan().connection(Target.of("dial:W")).orElseThrow().pull())
                .isNull();
        // The same dial beside a second one on its wire, which has the resistor on.
        Workbench beside = dial(null).bare("other", "potentiometer", "divider");
        assertThat(beside.wire("other:W", "board:GPIO32", null, "internal-up").findings("P14"))
                .hasSize(1);
        // A pin that has no resistor pulls nothing.
        assertThat(on("wifi-dual-38")
                        .with("dial", "potentiometer")
                        .wire("dial:W", "board:GPIO34", null, "internal-up")
                        .findings("P14"))
                .isEmpty();
        // Behind a resistor in the wire the pin is pulled further than the wiper.
        Workbench behind = on("wifi-dual-38")
                .with("dial", "potentiometer")
                .wire("dial:W", "board:GPIO32", 10_000.0, "internal-up");
        assertThat(offBy(behind)).isGreaterThan(2 * offBy(dial("internal-up")));
        // Nothing else holds the line: the chip's resistor is half of a divider, on purpose.
        assertThat(dial("internal-up").off("dial:A").off("dial:B").findings("P14"))
                .isEmpty();
    }

    private static double offBy(Workbench bench) {
        return bench.findings("P14").get(0).figures().stream()
                .filter(f -> f.name().equals("off by"))
                .findFirst()
                .orElseThrow()
                .number();
    }

    private static final String WANTS = "\"vih\": {\"ratio\": 0.7, \"volts\": 0}";

    /** The board's 3.3 V may be 3.201 V, the 5 V of its USB socket 5.25 V. */
    @ParameterizedTest
    @CsvSource({"0.6,", "0.6095,", "0.61,L17", "0.65,L17", "0.66,L17", "0.67,L1"})
    void suppliesThatStrayApart(double ratio, String rule) {
        Plan plan = on("wifi-dual-38")
                .with("lamps", "lamp-chain-8")
                .wire("lamps:5V", "rail:5V")
                .plan();
        String wants = "\"vih\": {\"ratio\": " + ratio + ", \"volts\": 0}";
        for (String each : List.of("L1", "L17")) {
            List<Finding> found = judged(plan, "lamp-chain-8", WANTS, wants, each);
            assertThat(found.isEmpty()).as(each + " at " + ratio).isEqualTo(!each.equals(rule));
        }
        if (rule != null && rule.equals("L17")) {
            assertThat(judged(plan, "lamp-chain-8", WANTS, wants, rule))
                    .singleElement()
                    .satisfies(f -> {
                        assertThat(f.severity()).isEqualTo(Severity.NOTE);
                        assertThat(f.sentence()).contains("3.201 V against").contains("that the board gives the lamps");
                        assertThat(f.figures()).extracting(g -> g.value()).contains("3 %", "5 %");
                    });
        }
    }

    /** One rail feeds board and part: a share of it moves with it, a fixed voltage does not. */
    @Test
    void oneSupplyStraysAlike() {
        Plan plan = on("wifi-dual-38").with("sign", "colour-240x320-serial").plan();
        assertThat(plan.connections()).anyMatch(c -> c.to().toString().equals("rail:3V3"));
        String file = Discovery.texts("/catalog/parts", ".json").get("colour-240x320-serial.json");
        String vih = file.replaceAll("(?s).*?(\"vih\": \\{[^}]*\\}).*", "$1");
        String share = "\"vih\": {\"ratio\": 0.98, \"volts\": 0}";
        assertThat(judged(plan, "colour-240x320-serial", vih, share, "L17")).isEmpty();
        assertThat(judged(plan, "colour-240x320-serial", vih, "\"vih\": {\"ratio\": 0, \"volts\": 3.25}", "L17"))
                .singleElement()
                .satisfies(f -> assertThat(f.formula()).startsWith("one supply feeds both"));
    }

    /** Cells have their rule; of a supply from outside nothing is known. */
    @Test
    void suppliesThatAreNotJudged() {
        String wants = "\"vih\": {\"ratio\": 0.73, \"volts\": 0}";
        assertThat(judged(cells("lamp-chain-8", "5V").plan(), "lamp-chain-8", WANTS, wants, "L17"))
                .as("3.201 V against 3.285 V: the board strays, the cells are judged fresh by L16")
                .hasSize(1);
        assertThat(judged(
                        on("mcu-8bit-bare-28").with("lamps", "lamp-chain-8").plan(),
                        "lamp-chain-8",
                        WANTS,
                        "\"vih\": {\"ratio\": 0.99, \"volts\": 0}",
                        "L17"))
                .isEmpty();
    }

    private static final String OLED = Workbench.OLED;
    private static final String HOLDS = "\"stretchesClock\": true";
    private static final String WAITS_NOT = "\"stretchesClock\": false";

    /** A part that holds the clock: behind a gate that is one-way, on a controller that does not wait, on one that does. */
    @Test
    void whoHoldsTheClock() {
        Workbench gated = on(DUAL).with("sign", OLED)
                .bare("gate", "decoder-2to4", "clock-on-enable")
                .wire("gate:1E", "board:GP9")
                .wire("sign:SCL", "gate:1Y0");
        assertThat(judged(gated.plan(), OLED, WAITS_NOT, HOLDS, "I6"))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence())
                        .contains("the sign holds the clock low")
                        .contains("one way"));
        assertThat(judged(gated.plan(), OLED, WAITS_NOT, WAITS_NOT, "I6")).isEmpty();
        Plan single = Workbench.sbc().with("sign", OLED).plan();
        assertThat(judged(single, OLED, WAITS_NOT, HOLDS, "I6")).singleElement().satisfies(f -> assertThat(f.sentence())
                .contains("does not wait"));
        assertThat(judged(on(DUAL).with("sign", OLED).plan(), OLED, WAITS_NOT, HOLDS, "I6"))
                .isEmpty();
    }

    /** Of seven bits 0x08 to 0x77 are free; more bits are an address of ten. */
    @ParameterizedTest
    @CsvSource({"7,I2", "8,", "119,", "120,I2", "127,I2", "320,I9"})
    void addressesAtTheEdges(int address, String rule) {
        Plan plan = on(DUAL).with("sign", OLED).plan();
        for (String each : List.of("I2", "I9")) {
            List<Finding> found = judged(plan, OLED, "\"baseAddress\": 60", "\"baseAddress\": " + address, each);
            assertThat(found.isEmpty()).as(each + " at " + address).isEqualTo(!each.equals(rule));
        }
    }

    /** What a repair strategy mends is what some rule finds, and every trouble has a rule: none is named in vain. */
    @Test
    void troublesAreRaisedByRules() {
        Set<Trouble> raised = Workbench.CHECKER.rules().stream()
                .map(Rule::trouble)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
        assertThat(raised).containsAll(Arrays.asList(Trouble.values()));
    }

    private static Workbench hall(String interfaceId) {
        return on(Workbench.MCU).with("hall", "character-16x2-direct", interfaceId);
    }

    /** Four wires on D0 to D3 in 4-bit mode, drawn from either end: one finding, whose repair moves them up. */
    @Test
    void aDisplayOnItsLowerDataLines() {
        assertThat(hall("4-bit").findings("W3")).isEmpty();
        Workbench low = hall("4-bit");
        List<Target> pins = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Target pin = low.plan()
                    .connection(Target.of("hall:D" + (4 + i)))
                    .orElseThrow()
                    .to();
            pins.add(pin);
            low.off("hall:D" + (4 + i))
                    .wire(i % 2 == 0 ? "hall:D" + i : pin.toString(), i % 2 == 0 ? pin.toString() : "hall:D" + i);
        }
        assertThat(only(low, "W3"))
                .isEqualTo(
                        "the hall listens on D4, D5, D6, D7 in this interface, where nothing is wired; D0, D1, D2, D3"
                                + " are, which it does not hear.");
        assertThat(low.findings("P6")).isEmpty();
        low.edit(low.repairs("W3").get(0).edit());
        assertThat(low.findings("W3")).isEmpty();
        assertThat(low.findings("P6")).isEmpty();
        for (int i = 0; i < 4; i++) {
            assertThat(low.plan()
                            .connection(Target.of("hall:D" + (4 + i)))
                            .orElseThrow()
                            .to())
                    .isEqualTo(pins.get(i));
        }
        // Unused lines tied to ground are right; what is open beside them is open for itself.
        Workbench tied = hall("4-bit");
        for (int i = 0; i < 4; i++) {
            tied.off("hall:D" + (4 + i)).wire("hall:D" + i, i % 2 == 0 ? "rail:GND" : "rail:5V");
        }
        assertThat(tied.findings("W3")).isEmpty();
        assertThat(only(tied, "P6")).contains("D4, D5, D6, D7 are not connected");
        // All eight in 8-bit mode, all eight wired in 4-bit mode, none wired: other matters or none.
        assertThat(hall("8-bit").findings("W3")).isEmpty();
        Workbench all = hall("8-bit");
        all.edit(new PlanEdit.ChooseInterface("hall", "4-bit"));
        assertThat(all.findings("W3")).isEmpty();
        assertThat(on(Workbench.MCU)
                        .bare("hall", "character-16x2-direct", "4-bit")
                        .findings("W3"))
                .isEmpty();
    }

    /** What leads on in a way that the plan does not tell is neither fine nor wrong. */
    @Test
    void suppliesOverSomethingThatIsNotKnown() {
        Workbench stage = sign().with("stage", "load-driver").off("sign:GND").wire("sign:GND", "stage:LOAD-");
        assertThat(stage.findings("L13")).isEmpty();
        assertThat(stage.check().undecided())
                .anyMatch(u -> u.rule().equals("L13") && u.missing().contains("LOAD-"));
        Workbench port = sign().with("port", "expander-8").off("sign:VCC").wire("port:P0", "sign:VCC");
        assertThat(port.findings("L14")).isEmpty();
        assertThat(port.check().undecided())
                .anyMatch(u -> u.rule().equals("L14") && u.missing().contains("P0"));
    }

    /** The other end of a potentiometer gives nothing, nor does a switch whose other end is open. */
    @Test
    void suppliesThatWereForgottenBesideSomethingKnown() {
        Workbench turned = Workbench.mcu()
                .with("hall", "character-16x2-direct")
                .bare("turn", "potentiometer", "divider")
                .off("hall:VDD")
                .wire("turn:B", "hall:VDD");
        assertThat(only(turned, "L14")).contains("leads to nothing that gives a supply");
        Workbench open = sign().bare("switch", "push-button", "to-ground")
                .off("sign:GND")
                .wire("sign:GND", "switch:B");
        assertThat(only(open, "L13")).contains("has no way back");
        // Behind a resistor a dead supply is as dead as without.
        Workbench dead = sign().bare("reg", "regulator-3v3", "supply")
                .wire("reg:GND", "rail:GND")
                .off("sign:VCC")
                .wire("sign:VCC", "reg:OUT", 220.0, null);
        assertThat(dead.findings("L14")).anyMatch(f -> f.sentence().contains("the sign VCC leads to nothing"));
    }

    /** Over a closed contact a part is on its rail: its current counts there, and its levels are as with a wire. */
    @Test
    void aSwitchedSupplyIsASupply() {
        Workbench switched = sign().bare("switch", "push-button", "to-ground")
                .off("sign:VCC")
                .wire("switch:A", "sign:VCC")
                .wire("rail:5V", "switch:B");
        assertThat(switched.circuit().supplies().fedBy(rail(switched, "5V")))
                .extracting(u -> u.id())
                .contains("sign");
        assertThat(switched.findings("L1")).hasSameSizeAs(sign().findings("L1"));
        assertThat(only(switched, "L14")).contains("only while the switch is closed");
        assertThat(switched.findings("L18")).isEmpty();
        assertThat(switched.findings("L9")).isEmpty();
        // A battery on a switch: two supplies are one while it is closed.
        Workbench cells = sign().bare("cells", "cells-3-aa", "supply")
                .bare("switch", "push-button", "to-ground")
                .wire("cells:GND", "rail:GND")
                .wire("cells:4V5", "switch:A")
                .wire("switch:B", "rail:5V");
        assertThat(only(cells, "L9")).contains("while the switch is closed").contains("never plug USB in");
        // The board's input is judged as without the switch: this one takes 7 V at least.
        cells.off("switch:B").wire("switch:B", "rail:VIN");
        assertThat(only(cells, "L9")).contains("gives 4.5 V to VIN, which takes 7 V at least");
    }

    /** While its pin is high, a part has the levels of the board's supply. */
    @Test
    void aPartOnAPinIsHeldAgainstLevels() {
        Workbench fed = Workbench.mcu()
                .with("hall", "character-16x2-direct")
                .off("hall:VDD")
                .wire("hall:VDD", "board:13");
        var unit = fed.circuit().unit("hall").orElseThrow();
        var line = unit.part().firstLine(izzet.core.catalog.Role.ENABLE).orElseThrow();
        assertThat(fed.circuit().logicVolts(unit, line)).contains(5.0);
        fed.off("hall:VDD");
        assertThat(fed.circuit().logicVolts(unit, line)).isEmpty();
    }

    /** From either end, in a wire or as a resistor of the plan; the repair takes it out of the way. */
    @Test
    void aResistorInASupplyLine() {
        Workbench wire = sign().off("sign:VCC").wire("rail:5V", "sign:VCC", 220.0, null);
        assertThat(only(wire, "L18")).contains("would take 5.5 V at 25 mA");
        assertThat(wire.findings("L14")).isEmpty();
        wire.edit(wire.repairs("L18").get(0).edit());
        assertThat(wire.findings("L18")).isEmpty();
        assertThat(wire.findings("L14")).isEmpty();
        // A pull-up of the module is no way to a supply.
        Workbench dead =
                sign().bare("twin", Workbench.OLED, "2-wire").off("sign:VCC").wire("twin:VCC", "sign:VCC");
        assertThat(dead.findings("L14")).isNotEmpty().allMatch(f -> f.sentence()
                .contains("leads to nothing that gives a supply"));
    }

    /** A resistor is no regulator: what it takes away goes with the current. */
    @Test
    void aResistorDoesNotMakeALowerSupply() {
        Workbench map = Workbench.mcu().with("map", "colour-128x160-serial-3v3").off("map:VCC");
        map.wire("rail:5V", "map:VCC", 220.0, null);
        assertThat(only(map, "L3")).contains("gets up to 5 V behind 220 Ω").contains("3.6 V");
        assertThat(map.findings("L3").get(0).severity()).isEqualTo(Severity.STOP);
        assertThat(map.findings("L18").get(0).remedy()).contains("a resistor is no regulator");
        assertThat(map.repairs("L18")).noneMatch(r -> r.title().contains("to 5 V without a resistor"));
        assertThat(map.repairs("L3")).isNotEmpty();
        map.off("map:VCC").wire("map:VCC", "rail:5V", 390.0, null);
        assertThat(map.findings("L3").get(0).severity()).isEqualTo(Severity.FIX);
        assertThat(sign().off("sign:VCC")
                        .wire("sign:VCC", "rail:5V", 220.0, null)
                        .findings("L3"))
                .isEmpty();
    }

    /** Where next to nothing is lost in the resistor, the levels are those of the rail: 0.15 of 3.3 V; with 0.6 V they are not known. */
    @Test
    void levelsBehindAResistorAreJudgedWhereItTakesLittle() {
        Workbench light = Workbench.mcu().with("light", "light-sensor").off("light:VCC");
        light.wire("rail:3V3", "light:VCC", 150.0, null);
        var unit = light.circuit().unit("light").orElseThrow();
        var clock = unit.part().firstLine(Role.I2C_SCL).orElseThrow();
        assertThat(light.circuit().logicVolts(unit, clock)).contains(3.3);
        assertThat(light.findings("L18")).isEmpty();
        light.off("light:VCC").wire("rail:3V3", "light:VCC", 600.0, null);
        assertThat(light.circuit().logicVolts(light.circuit().unit("light").orElseThrow(), clock))
                .isEmpty();
    }

    /** What a regulator gives to others comes through its own supply line, too. */
    @Test
    void aResistorBeforeWhatFeedsOthersIsNotDecided() {
        Workbench fed = Workbench.mcu().with("low", "regulator-3v3");
        String in = fed.circuit()
                .unit("low")
                .orElseThrow()
                .part()
                .firstLine(Role.SUPPLY)
                .orElseThrow()
                .id();
        fed.off("low:" + in).wire("low:" + in, "rail:5V", 150.0, null);
        assertThat(fed.findings("L18")).isEmpty();
        assertThat(fed.check().undecided()).anyMatch(u -> u.toString().contains("behind 150 Ω"));
    }

    private static Workbench sign() {
        return Workbench.mcu().with("sign", Workbench.OLED);
    }

    private static izzet.core.catalog.Rail rail(Workbench bench, String id) {
        return bench.circuit().board().rail(id).orElseThrow();
    }
}
