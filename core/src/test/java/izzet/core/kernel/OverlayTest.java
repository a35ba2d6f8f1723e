package izzet.core.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.export.kinds.OverlaySource;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Overlays are compiled by the device tree compiler and laid over a tree with the labels that they name. */
class OverlayTest {

    private static final String BASE =
            """
            /dts-v1/;
            / { #address-cells = <1>; #size-cells = <1>; compatible = "test,base";
              gpio: gpio@1000 { reg = <0x1000 0x100>; gpio-controller; #gpio-cells = <2>; interrupt-controller; #address-cells = <0>; #interrupt-cells = <2>; };
              i2c0: i2c@1800 { reg = <0x1800 0x100>; #address-cells = <1>; #size-cells = <0>; status = "disabled"; };
              i2c1: i2c@2000 { reg = <0x2000 0x100>; #address-cells = <1>; #size-cells = <0>; status = "disabled"; };
              spi0: spi@3000 { reg = <0x3000 0x100>; #address-cells = <1>; #size-cells = <0>; status = "disabled"; };
              spi1: spi@3800 { reg = <0x3800 0x100>; #address-cells = <1>; #size-cells = <0>; status = "disabled"; };
              i2c@7000c000 { reg = <0x7000c000 0x100>; #address-cells = <1>; #size-cells = <0>; };
              i2c@7000c400 { reg = <0x7000c400 0x100>; #address-cells = <1>; #size-cells = <0>; };
              spi@7000d400 { reg = <0x7000d400 0x200>; #address-cells = <1>; #size-cells = <0>; };
              spi@7000d600 { reg = <0x7000d600 0x200>; #address-cells = <1>; #size-cells = <0>; };
            };
            """;

    @TempDir
    Path folder;

    private String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor())
                .as(String.join(" ", command) + "\n" + said)
                .isZero();
        return said;
    }

    /** Compiled without a word, laid over the base, and the merged tree is asked. */
    private void compile(String source) throws Exception {
        Files.writeString(folder.resolve("base.dts"), BASE);
        Files.writeString(folder.resolve("plan.dts"), source);
        run("dtc", "-@", "-q", "-I", "dts", "-O", "dtb", "-o", "base.dtb", "base.dts");
        assertThat(run("dtc", "-@", "-I", "dts", "-O", "dtb", "-o", "plan.dtbo", "plan.dts"))
                .as(source)
                .isEmpty();
        run("fdtoverlay", "-i", "base.dtb", "-o", "merged.dtb", "plan.dtbo");
        assertThat(run("dtc", "-I", "dtb", "-O", "dtb", "-o", "out.dtb", "merged.dtb")
                        .lines())
                .as(source)
                .allMatch(l -> l.contains("__symbols__"));
    }

    private String get(String type, String format, String node, String property) throws Exception {
        return run("fdtget", type, format, "merged.dtb", node, property).strip();
    }

    @Test
    void aSmallDisplayOnThe2WireBus() throws Exception {
        Circuit circuit = Workbench.sbc().with("sign", Workbench.OLED).circuit();
        compile(Overlay.of(circuit));
        String node = "/i2c@2000/oled@3c";
        assertThat(get("-t", "x", node, "reg")).isEqualTo("3c");
        assertThat(get("-t", "u", node, "solomon,width")).isEqualTo("128");
        assertThat(get("-t", "u", node, "solomon,height")).isEqualTo("64");
        assertThat(get("-t", "u", node, "solomon,page-offset")).isEqualTo("0");
        assertThat(get("-t", "s", node, "compatible")).startsWith("solomon,");
        assertThat(get("-t", "s", "/i2c@2000", "status")).isEqualTo("okay");
    }

    @Test
    void twinsBehindASwitchStandOnTheirChannels() throws Exception {
        Workbench bench = Workbench.sbc()
                .with("gate", "bus-switch-8")
                .bare("up", Workbench.OLED, "2-wire")
                .bare("down", Workbench.OLED, "2-wire");
        for (String[] w : new String[][] {{"up", "0"}, {"down", "3"}}) {
            bench.wire(w[0] + ":SDA", "gate:SD" + w[1])
                    .wire(w[0] + ":SCL", "gate:SC" + w[1])
                    .wire(w[0] + ":VCC", "rail:3V3")
                    .wire(w[0] + ":GND", "rail:GND");
        }
        for (String id : List.of("up", "down")) {
            bench.edit(new PlanEdit.SetPartBus(id, "i2c"));
        }
        compile(Overlay.of(bench.circuit()));
        assertThat(get("-t", "x", "/i2c@2000/i2c-mux@70/i2c@3/oled@3c", "reg")).isEqualTo("3c");
        assertThat(get("-t", "x", "/i2c@2000/i2c-mux@70/i2c@0/oled@3c", "reg")).isEqualTo("3c");
        assertThat(get("-t", "x", "/i2c@2000/i2c-mux@70", "reg")).isEqualTo("70");
    }

    @Test
    void aColourPanelWithItsLines() throws Exception {
        Circuit circuit = Workbench.sbc().with("map", "colour-240x320-serial").circuit();
        compile(Overlay.of(circuit));
        String node = "/spi@3000/display@0";
        assertThat(get("-t", "s", node, "compatible")).contains("panel-mipi-dbi-spi");
        assertThat(get("-t", "u", node + "/panel-timing", "hactive")).isEqualTo("240");
        int dc = Integer.parseInt(circuit.wire(Target.of("map:DC"))
                .flatMap(w -> circuit.pinsUnder(w).stream().findFirst())
                .orElseThrow()
                .chip()
                .replace("GPIO", ""));
        assertThat(get("-t", "u", node, "dc-gpios").split(" ")[1]).isEqualTo(String.valueOf(dc));
        assertThat(get("-t", "u", node, "spi-max-frequency"))
                .isEqualTo(String.valueOf(Math.min(circuit.plan().buses().get(0).clockHz(), 10_000_000)));
    }

    @Test
    void aCharacterDisplayBehindItsExpander() throws Exception {
        compile(Overlay.of(
                Workbench.sbc().with("cabin", "character-16x2-expander").circuit()));
        assertThat(get("-t", "s", "/lcd-cabin", "compatible")).startsWith("hit,");
        assertThat(get("-t", "u", "/lcd-cabin", "display-width-chars")).isEqualTo("16");
        String[] data = get("-t", "u", "/lcd-cabin", "data-gpios").split(" ");
        assertThat(List.of(data[1], data[4], data[7], data[10])).containsExactly("4", "5", "6", "7");
    }

    /** A board with another order of the expander's bits gets its own. */
    @Test
    void aCharacterDisplayBehindAnExpanderOfItsOwnOrder() throws Exception {
        compile(Overlay.of(
                Workbench.sbc().with("cabin", "character-16x2-expander-high").circuit()));
        String[] data = get("-t", "u", "/lcd-cabin", "data-gpios").split(" ");
        assertThat(List.of(data[1], data[4], data[7], data[10])).containsExactly("0", "1", "2", "3");
        assertThat(get("-t", "u", "/lcd-cabin", "enable-gpios").split(" ")[1]).isEqualTo("4");
        assertThat(get("-t", "u", "/lcd-cabin", "rs-gpios").split(" ")[1]).isEqualTo("6");
    }

    @Test
    void aTouchOnThe2WireBusNeedsItsInterrupt() throws Exception {
        Workbench bench = Workbench.sbc().with("glass", "touch-capacitive-2wire");
        String without = Overlay.of(bench.off("glass:INT").circuit());
        compile(Overlay.of(bench.circuit()));
        assertThat(without).contains("interrupts-extended is missing");
        String overlay = Overlay.of(bench.wire("glass:INT", "board:GPIO25").circuit());
        compile(overlay);
        assertThat(overlay)
                .contains("interrupts-extended = <&gpio 25 2>;")
                .contains("touchscreen@38")
                .doesNotContain("missing");
    }

    /** Every plan of the reference on such a board compiles, or says why it has none. */
    @Test
    void everyPlanCompilesOrSaysWhy() throws Exception {
        int compiled = 0;
        for (Map.Entry<String, Plan> entry : ReferencePlans.all().entrySet()) {
            Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
            if (Overlay.missing(circuit).isEmpty()) {
                compile(Overlay.of(circuit));
                compiled++;
            } else {
                assertThat(Overlay.missing(circuit).get()).isNotBlank();
            }
        }
        assertThat(compiled).isGreaterThan(10);
    }

    @Test
    void aCharacterDisplayOnPinsOfTheBoard() throws Exception {
        Circuit circuit = Workbench.sbc()
                .with("cabin", "character-16x2-direct")
                .with("sign", Workbench.OLED)
                .circuit();
        compile(Overlay.of(circuit));
        assertThat(get("-t", "s", "/lcd-cabin", "compatible")).startsWith("hit,");
        String[] data = get("-t", "u", "/lcd-cabin", "data-gpios").split(" ");
        assertThat(data).hasSize(12);
        assertThat("GPIO" + data[1])
                .isEqualTo(circuit.wire(Target.of("cabin:D4"))
                        .flatMap(w -> circuit.pinsUnder(w).stream().findFirst())
                        .orElseThrow()
                        .chip());
    }

    @Test
    void aNameIsAComment() throws Exception {
        Circuit circuit = Workbench.sbc()
                .with("sign", Workbench.OLED)
                .edit(new PlanEdit.RenamePart("sign", "*/ };\" /include/ \\ sign"))
                .edit(new PlanEdit.Rename("a\u2028}; /delete-node/"))
                .circuit();
        compile(Overlay.of(circuit));
    }

    @Test
    void aWrongPlanGetsItsStopInstead() {
        Circuit clash = Workbench.sbc()
                .with("up", Workbench.OLED)
                .with("down", Workbench.OLED)
                .circuit();
        assertThat(new OverlaySource().missing(clash).orElseThrow()).contains("still has a stop", "0x3C");
        assertThat(new OverlaySource()
                        .missing(Workbench.mcu().with("up", Workbench.OLED).circuit()))
                .isPresent();
        assertThat(new OverlaySource()
                        .missing(Workbench.sbc().with("up", Workbench.OLED).circuit()))
                .isEmpty();
    }

    @Test
    void settingsLinesAndStepsFollowThePlan() {
        Workbench bench = Workbench.sbc().with("sign", Workbench.OLED);
        BoardSide side = BoardSide.of(bench.circuit());
        assertThat(side.lines()).containsExactly("dtparam=i2c_arm=on", "dtparam=i2c_arm_baudrate=100000");
        assertThat(side.steps()).extracting(BoardSide.Step::check).anyMatch(c -> c.contains("ls /dev/i2c-1"));
        assertThat(side.steps()).extracting(BoardSide.Step::check).anyMatch(c -> c.contains("shows 0x3C"));
        bench.edit(new PlanEdit.SetConsole(true));
        assertThat(BoardSide.of(bench.circuit()).lines()).contains("enable_uart=0");
        assertThat(BoardSide.of(Workbench.mcu().with("sign", Workbench.OLED).circuit())
                        .lines())
                .isEmpty();
    }
}
