package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.display.Glass;
import izzet.core.display.Picture;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AwakeTest {

    private static Workbench sign() {
        return Workbench.mcu().with("sign", Workbench.OLED);
    }

    private static Optional<String> sleeps(Workbench bench, String part) {
        Circuit circuit = bench.circuit();
        return Awake.not(circuit, circuit.unit(part).orElseThrow(), Awake.Feeding.by(Map.of("4", 1)));
    }

    @Test
    void aPartNeedsItsSupplyAndItsGround() {
        assertThat(sleeps(sign(), "sign")).isEmpty();
        assertThat(sleeps(sign().off("sign:VCC"), "sign")).contains("VCC has no supply");
        assertThat(sleeps(sign().off("sign:GND"), "sign")).contains("GND is not on ground");
        assertThat(sleeps(sign().off("sign:GND").wire("sign:GND", "rail:5V"), "sign"))
                .contains("GND is not on ground");
    }

    /** A reset is held from whichever end its wire was drawn, and over the reset of another part. */
    @Test
    void aResetFloatsWhereNothingHoldsIt() {
        Workbench maps = Workbench.on("mcu-dual-40")
                .with("east", "colour-128x160-serial-3v3")
                .with("west", "colour-128x160-serial-3v3")
                .off("east:RST")
                .off("west:RST");
        String floats = "its reset floats, and so it hangs as it came up";
        assertThat(sleeps(maps, "west")).contains(floats);

        Workbench joined = maps.wire("east:RST", "west:RST");
        assertThat(sleeps(joined, "east")).contains(floats);
        assertThat(sleeps(joined, "west")).contains(floats);
        assertThat(joined.findings("P6")).isNotEmpty();

        Workbench chained = maps.wire("east:RST", "board:GP22").wire("west:RST", "east:RST");
        assertThat(sleeps(chained, "east")).isEmpty();
        assertThat(sleeps(chained, "west")).isEmpty();
        Workbench behind = maps.wire("east:RST", "board:GP22", 1000.0, null).wire("west:RST", "east:RST");
        assertThat(sleeps(behind, "west")).isEmpty();
        Workbench low = maps.wire("east:RST", "rail:GND").wire("west:RST", "east:RST");
        assertThat(sleeps(low, "west")).contains("its reset is held low");
        Workbench pulled = maps.edit(
                        new PlanEdit.AddResistor(new Resistor("up", Target.of("east:RST"), Target.rail("3V3"), 10_000)))
                .wire("east:RST", "west:RST");
        assertThat(sleeps(pulled, "west")).isEmpty();
    }

    @Test
    void aClosedSwitchAndASmallResistorLeadOn() {
        Workbench switched = sign().bare("switch", "push-button", "to-ground")
                .off("sign:VCC")
                .wire("sign:VCC", "switch:A")
                .wire("switch:B", "rail:5V");
        assertThat(sleeps(switched, "sign")).isEmpty();
        assertThat(sleeps(sign().off("sign:GND").wire("rail:GND", "sign:GND", 10.0, null), "sign"))
                .isEmpty();
        assertThat(sleeps(sign().off("sign:VCC").wire("sign:VCC", "rail:5V", 4700.0, null), "sign"))
                .contains("VCC stands behind 4.7 kΩ: at 12 mA it would have 0 V and wants 3 V");
    }

    /** What the check calls well fed works on the desk; what it does not, starves there. */
    @Test
    void aResistorLeavesWhatThePartsCurrentLeaves() {
        Workbench hall = Workbench.mcu().with("hall", "character-16x2-direct").off("hall:VDD");
        assertThat(sleeps(hall.wire("hall:VDD", "rail:5V", 150.0, null), "hall"))
                .isEmpty();
        assertThat(hall.findings("L18")).isEmpty();
        Workbench starved = sign().off("sign:VCC").wire("rail:5V", "sign:VCC", 220.0, null);
        assertThat(sleeps(starved, "sign"))
                .contains("VCC stands behind 220 Ω: at 12 mA it would have 2.36 V and wants 3 V");
        assertThat(sleeps(sign().off("sign:GND").wire("sign:GND", "rail:GND", 220.0, null), "sign"))
                .contains("GND stands behind 220 Ω: at 12 mA it would have 2.36 V and wants 3 V");
        assertThat(starved.findings("L18")).isNotEmpty();
    }

    /** 3.0 to 3.6 V on 5 V is far beyond; 4.5 to 5.5 V on 3.3 V is too little. */
    @Test
    void aSupplyOutsideItsRangeIsNone() {
        assertThat(sleeps(
                                Workbench.mcu()
                                        .with("map", "colour-128x160-serial-3v3")
                                        .off("map:VCC")
                                        .wire("map:VCC", "rail:5V"),
                                "map")
                        .orElseThrow())
                .contains("gets 5 V")
                .contains("a real one would be gone");
        assertThat(sleeps(
                                Workbench.on("mcu-dual-40")
                                        .with("hall", "character-16x2-direct")
                                        .off("hall:VDD")
                                        .wire("hall:VDD", "rail:3V3"),
                                "hall")
                        .orElseThrow())
                .contains("has only 3.3 V and wants 4.5 V");
    }

    @Test
    void aPinFeedsWhileTheProgramSetsIt() {
        assertThat(sleeps(sign().off("sign:VCC").wire("sign:VCC", "board:4"), "sign"))
                .isEmpty();
        assertThat(sleeps(sign().off("sign:VCC").wire("sign:VCC", "board:5"), "sign"))
                .contains("VCC hangs on pin 5, which the program does not set high");
        assertThat(sleeps(sign().off("sign:GND").wire("sign:GND", "board:4"), "sign"))
                .contains("GND hangs on pin 4, which the program does not set low");
    }

    /** The program of the plan sets them first, so that the picture comes; a program that only writes to it gets no answer. */
    @Test
    void aDisplayOnPinsShowsItsPicture() {
        Circuit fed = sign().off("sign:VCC")
                .wire("sign:VCC", "board:4")
                .off("sign:GND")
                .wire("sign:GND", "board:5")
                .circuit();
        DeskRun.Shown shown = DeskRun.of(Desk.of(fed)).get(0);
        assertThat(shown.why()).isEmpty();
        Picture picture = ((Glass.Pixels) shown.glass()).seen();
        assertThat(picture.rgb()).contains(1);
        Desk believed = Desk.of(fed).programmed(sign().plan());
        assertThat(DeskRun.of(believed).get(0).why()).contains("which the program does not set");
    }
}
