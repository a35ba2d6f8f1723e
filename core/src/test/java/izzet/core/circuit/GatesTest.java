package izzet.core.circuit;

import static izzet.core.Workbench.on;
import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.bench.Desk;
import izzet.core.bench.DeskRun;
import izzet.core.check.Finding;
import izzet.core.code.BringUp;
import izzet.core.code.ProgramLog;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Displays at one address behind both halves of a decoder: who can be spoken to without whom. */
class GatesTest {

    private static final String ENABLE = "decoder-2to4-both";
    private static final String ADDRESS = "decoder-2to4-address-both";

    /** @param outputs of the displays, wires of the controls as "1A0=GP10" with a pin or a rail */
    private static Workbench gated(String part, String outputs, String controls) {
        boolean enable = part.equals(ENABLE);
        Workbench bench = on("mcu-dual-40")
                .edit(new PlanEdit.AddResistor(new Resistor("r1", Target.pin("GP9"), Target.rail("3V3"), 4700)))
                .bare("gate", part, enable ? "clock-on-enable" : "clock-on-address")
                .wire("gate:VCC", "rail:3V3")
                .wire("gate:GND", "rail:GND")
                .wire(enable ? "gate:1E" : "gate:1A0", "board:GP9")
                .wire(enable ? "gate:2E" : "gate:2A0", "board:GP9");
        for (String control : controls.split(" ")) {
            String[] ends = control.split("=");
            bench.wire("gate:" + ends[0], (ends[1].startsWith("GP") ? "board:" : "rail:") + ends[1]);
        }
        for (String output : outputs.split(" ")) {
            bench.with("on-" + output, Workbench.OLED).wire("on-" + output + ":SCL", "gate:" + output);
        }
        return bench;
    }

    /** Each row worked out by hand from the function table: active low outputs, an output follows its clock while it is chosen. */
    @ParameterizedTest
    @CsvSource({
        // One display on each half, and an output of the other half to park on.
        ENABLE + ",1Y0 2Y0,1A0=GP10 1A1=GND 2A0=GP11 2A1=GND,,",
        ENABLE + ",1Y1 2Y1 2Y2,1A0=GP10 1A1=GND 2A0=GP11 2A1=GP12,,",
        // Both selects on one pin: output 0 of both halves at once.
        ENABLE + ",1Y0 2Y0,1A0=GP10 1A1=GND 2A0=GP10 2A1=GND,I7,together",
        // ... but output 0 of one and 1 of the other take turns.
        ENABLE + ",1Y0 2Y1,1A0=GP10 1A1=GND 2A0=GP10 2A1=GND,,",
        // The second half is full as far as its one free select goes.
        ENABLE + ",1Y0 2Y0 2Y1,1A0=GP10 1A1=GND 2A0=GP11 2A1=GND,I7,together",
        // With its upper select on a pin it has outputs 2 and 3 to park on.
        ENABLE + ",1Y0 2Y0 2Y1,1A0=GP10 1A1=GND 2A0=GP11 2A1=GP12,,",
        // Four on one half: no place to park.
        ENABLE + ",1Y0 2Y0 2Y1 2Y2 2Y3,1A0=GP10 1A1=GND 2A0=GP11 2A1=GP12,I7,together",
        // Both selects of a half on one pin reach outputs 0 and 3 only.
        ENABLE + ",1Y3,1A0=GP10 1A1=GP10 2A0=GP11 2A1=GND,,",
        ENABLE + ",1Y1,1A0=GP10 1A1=GP10 2A0=GP11 2A1=GND,I6,at-odds",
        ENABLE + ",1Y2,1A0=GP10 1A1=GND 2A0=GP11 2A1=GND,I6,unreachable",
        // By address: two a half, shut off by the enables.
        ADDRESS + ",1Y0 1Y2 2Y0 2Y2,1E=GP10 2E=GP11 1A1=GP12 2A1=GP12,,",
        ADDRESS + ",1Y0 2Y0,1E=GND 2E=GND 1A1=GP12 2A1=GP13,,",
        // Without its enable a half always passes the clock to one of its two.
        ADDRESS + ",1Y0 1Y2 2Y0,1E=GND 2E=GND 1A1=GP12 2A1=GP13,I7,together",
        ADDRESS + ",1Y0 1Y2 2Y0,1E=GP10 2E=GND 1A1=GP12 2A1=GP13,,",
        ADDRESS + ",1Y0 1Y2 2Y0 2Y2,1E=GND 2E=GND 1A1=GP12 2A1=GP13,I7,together",
        ADDRESS + ",1Y0 2Y0,1E=GND 2E=3V3 1A1=GP12 2A1=GP13,I6,unreachable",
        ADDRESS + ",1Y0 2Y1,1E=GP10 2E=GP11 1A1=GP12 2A1=GP13,I6,inverted",
    })
    void bothHalves(String part, String outputs, String controls, String rule, String aspect) {
        Workbench bench = gated(part, outputs, controls);
        List<Finding> gates = new ArrayList<>(bench.findings("I6"));
        gates.addAll(bench.findings("I7"));
        gates.addAll(bench.findings("I1"));
        gates.addAll(bench.findings("P1"));
        if (rule == null) {
            assertThat(gates).isEmpty();
        } else {
            assertThat(gates).extracting(Finding::rule).containsOnly(rule);
            assertThat(gates).allMatch(f -> f.id().contains(aspect));
        }
    }

    /** A select that only a resistor holds cannot be moved; one on an output of an expander can, each by itself. */
    @Test
    void controlsAsMakersWireThem() {
        String movable = "1A0=GP10 1A1=GND 2A0=GP11 2A1=GND";
        Workbench pulled = gated(ENABLE, "1Y0 2Y0", movable).wire("gate:2A0", "rail:GND", 10_000.0, null);
        assertThat(pulled.findings("I7")).hasSize(1);
        assertThat(gated(ENABLE, "1Y0 2Y1", movable)
                        .wire("gate:2A0", "rail:GND", 10_000.0, null)
                        .findings("I6"))
                .singleElement()
                .satisfies(f -> assertThat(f.sentence()).contains("2A0 is tied low"));
        Workbench beside = gated(ENABLE, "1Y0 2Y0", movable)
                .off("gate:2A0")
                .edit(new PlanEdit.AddResistor(new Resistor("r2", Target.of("gate:2A0"), Target.rail("GND"), 10_000)));
        assertThat(beside.findings("I7")).hasSize(1);
        // On a pin with a pull-down beside it the program still moves it.
        Workbench both = gated(ENABLE, "1Y0 2Y0", movable)
                .edit(new PlanEdit.AddResistor(new Resistor("r2", Target.of("gate:2A0"), Target.rail("GND"), 10_000)));
        assertThat(both.findings("I7")).isEmpty();
        Workbench expander = gated(ENABLE, "1Y1 2Y2", movable)
                .with("ports", "expander-8")
                .wire("gate:1A0", "ports:P0")
                .wire("gate:1A1", "ports:P1")
                .wire("gate:2A0", "ports:P2")
                .wire("gate:2A1", "ports:P3");
        assertThat(expander.findings("I6")).isEmpty();
        assertThat(expander.findings("I7")).isEmpty();
    }

    @Test
    void whatIsSaidNamesTheGateAndThePartsThatHearTogether() {
        assertThat(Workbench.only(gated(ENABLE, "1Y0 2Y0 2Y1", "1A0=GP10 1A1=GND 2A0=GP11 2A1=GND"), "I7"))
                .contains("the gate")
                .contains("the on-1Y0")
                .contains("the on-2Y1")
                .contains("0x3C");
    }

    /** The program parks the other half before it speaks, and on the bench each display gets its own picture. */
    @Test
    void theProgramTurnsTheOtherHalfAway() {
        Workbench parked = gated(ENABLE, "1Y0 2Y1", "1A0=GP10 1A1=GND 2A0=GP11 2A1=GND");
        List<String> log = ProgramLog.of(BringUp.of(parked.circuit())).stream()
                .filter(l -> l.contains("10") || l.contains("11"))
                .filter(l -> l.startsWith("pin "))
                .toList();
        assertThat(log).containsExactly("pin 10 0", "pin 11 0", "pin 11 1", "pin 10 1");
        for (Workbench bench :
                List.of(parked, gated(ADDRESS, "1Y0 1Y2 2Y0 2Y2", "1E=GP10 2E=GP11 1A1=GP12 2A1=GP12"))) {
            assertThat(DeskRun.of(Desk.of(bench.circuit())))
                    .hasSizeGreaterThan(1)
                    .noneMatch(DeskRun.Shown::blank);
        }
    }
}
