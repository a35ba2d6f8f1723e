package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import izzet.core.assign.Suitability;
import izzet.core.check.Finding;
import izzet.core.check.Severity;
import izzet.core.discovery.Discovery;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ShippedCatalogTest {

    private final Board mcu = Workbench.CATALOG.board(Workbench.MCU).orElseThrow();
    private final Board sbc = Workbench.CATALOG.board(Workbench.SBC).orElseThrow();

    /** What the build checks is what the program reads without checking. */
    @Test
    void everyFileStandsUpToItsSchema() {
        Catalog checked = CatalogReader.checked();
        assertThat(CatalogReader.shipped().boards()).isEqualTo(checked.boards());
        assertThat(CatalogReader.shipped().parts()).isEqualTo(checked.parts());
    }

    @Test
    void holdsTheFirstShelf() {
        assertThat(Workbench.CATALOG.boards().keySet())
                .contains(
                        "mcu-8bit-5v-14-6",
                        "mcu-8bit-5v-narrow",
                        "mcu-8bit-bare-28",
                        "wifi-dual-30",
                        "wifi-dual-38",
                        "wifi-single-30",
                        "mcu-dual-40",
                        "sbc-40-pin",
                        "sbc-40-pin-small",
                        "sbc-40-pin-overlay",
                        "retro-8bit-two-port");
        assertThat(Workbench.CATALOG.parts().keySet())
                .contains(
                        "oled-128x64-page-2wire",
                        "oled-128x64-page-serial",
                        "character-16x2-direct",
                        "character-16x2-expander",
                        "colour-128x160-serial-3v3",
                        "colour-128x160-serial-shifted",
                        "bus-switch-8",
                        "decoder-2to4",
                        "push-button",
                        "led",
                        "level-shifter-4");
    }

    /** Source: avr-libc 2.0.0 headers, ports of the 28-pin microcontroller. */
    @Test
    void portsOfTheEightBitBoardAgreeWithTheHeaders() {
        Map<String, String> signals = Map.of(
                "SDA",
                "i2c0.sda",
                "SCL",
                "i2c0.scl",
                "MOSI",
                "spi0.mosi",
                "MISO",
                "spi0.miso",
                "SCK",
                "spi0.sck",
                "SS",
                "spi0.ss",
                "RXD",
                "uart0.rx",
                "TXD",
                "uart0.tx");
        int checked = 0;
        for (Map<String, String> row : ReferenceTable.read("mcu-8bit-ports.csv")) {
            String name = row.values().stream().skip(1).findFirst().orElseThrow();
            String function = signals.get(name);
            boolean pwm = name.startsWith("OC");
            boolean analog = name.startsWith("ADC");
            if (!row.values().iterator().next().equals("mcu-8bit-28-pin") || function == null && !pwm && !analog) {
                continue;
            }
            var cells = row.values().stream().toList();
            String chip = "P" + cells.get(3) + cells.get(4);
            Optional<Pin> pin =
                    mcu.signalPins().stream().filter(p -> chip.equals(p.chip())).findFirst();
            if (pin.isEmpty()) {
                continue;
            }
            checked++;
            if (function != null) {
                assertThat(pin.get().functions()).as(name + " on " + chip).anyMatch(f -> f.text()
                        .equals(function));
            } else {
                assertThat(pin.get().can(pwm ? "pwm" : "analog-in"))
                        .as(name + " on " + chip)
                        .isTrue();
            }
        }
        assertThat(checked).isGreaterThanOrEqualTo(20);
    }

    /** Source: Linux kernel 6.1, board support trees: function, signal and GPIO of the 40-pin computer. */
    @Test
    void busPinsOfTheComputerAgreeWithItsTree() {
        int checked = 0;
        for (Map<String, String> row : ReferenceTable.read("sbc-gpio-functions.csv")) {
            var cells = row.values().stream().toList();
            String controller = cells.get(2);
            String signal = cells.get(3).replace("sclk", "sck");
            boolean known = cells.get(0).equals("sbc-40-pin-all")
                    && sbc.controller(controller).isPresent()
                    && !signal.isEmpty();
            int gpio = Integer.parseInt(cells.get(1));
            if (!known || gpio > 27 || controller.startsWith("uart")) {
                continue;
            }
            Pin pin = sbc.pin("GPIO" + gpio).orElseThrow();
            assertThat(pin.signalOf(controller, signal))
                    .as(controller + " " + signal + " on GPIO " + gpio)
                    .isPresent();
            checked++;
        }
        assertThat(checked).isGreaterThanOrEqualTo(12);
    }

    @Test
    void headerOfTheComputerIsComplete() {
        assertThat(sbc.pins()).hasSize(40);
        assertThat(sbc.signalPins()).hasSize(28);
        assertThat(sbc.pin("GPIO2").orElseThrow().position()).isEqualTo("3");
        assertThat(sbc.pin("GPIO10").orElseThrow().position()).isEqualTo("19");
        assertThat(sbc.pins().stream().filter(p -> "GND".equals(p.rail())).map(Pin::position))
                .containsExactlyInAnyOrder("6", "9", "14", "20", "25", "30", "34", "39");
    }

    /**
     * Every part goes on every board that suits it, connected as proposed and checked, and no pin is given that lacks the function; and
     * every part in every interface suits some board, so that no need is named that no board has.
     */
    @Test
    void everyPartFitsOnEveryBoardThatSuitsIt() {
        for (Part part : Workbench.CATALOG.parts().values()) {
            for (Part.Interface variant : part.interfaces()) {
                int suited = 0;
                for (Board board : Workbench.CATALOG.boards().values()) {
                    String what = board.id() + " " + part.id() + " " + variant.id();
                    Suitability fit = Suitability.of(board, part, variant.id(), Workbench.CATALOG);
                    List<Finding> stops = Workbench.CHECKER.check(fit.plan(), Workbench.CATALOG).findings().stream()
                            .filter(f ->
                                    f.severity() == Severity.STOP && f.rule().startsWith("P"))
                            .toList();
                    if (fit.suits()) {
                        suited++;
                        assertThat(stops).as(what).extracting(Finding::sentence).isEmpty();
                    } else {
                        assertThat(stops).as(what).isNotEmpty();
                    }
                }
                if (part.kind() != PartKind.SUPPLY) {
                    // Supplies may want another supply than a board gives.
                    assertThat(suited).as(part.id() + " " + variant.id()).isPositive();
                }
            }
        }
    }

    @Test
    void badFilesAreToldWithFilePlaceAndReason() {
        CatalogReader reader = new CatalogReader();
        String led = Discovery.texts("/catalog/parts", ".json").get("led.json");
        assertThatThrownBy(() ->
                        reader.part("led.json", led.replace("\"lamp\", \"direction\"", "\"lantern\", \"direction\"")))
                .isInstanceOf(CatalogException.class)
                .hasMessageContaining("led.json")
                .hasMessageContaining("/lines/0/role");
        assertThatThrownBy(() ->
                        reader.part("led.json", led.replace("\"source\": \"practice\"", "\"source\": \"hearsay\"")))
                .hasMessageContaining("hearsay")
                .hasMessageContaining("practice");
        assertThatThrownBy(() -> reader.part("led.json", led.substring(0, 60))).hasMessageContaining("line");
    }
}
