package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Each board's pin map from another direction than it was written: by function. Where a table of an open source speaks of the board, it
 * is compared row by row; the rest is checked against what is commonly known of such boards.
 */
class BoardMapsTest {

    private static Board board(String id) {
        return Workbench.CATALOG.board(id).orElseThrow();
    }

    private static Pin at(Board board, String position) {
        return board.pins().stream()
                .filter(p -> p.position().equals(position))
                .findFirst()
                .orElseThrow(() -> new AssertionError(board.id() + " has no place " + position));
    }

    /** Where the usual lines of each bus are, by place on the board. Common practice; each can be checked on any such board. */
    @ParameterizedTest
    @CsvSource({
        "mcu-8bit-5v-14-6, i2c0.sda, analog 5",
        "mcu-8bit-5v-14-6, i2c0.scl, analog 6",
        "mcu-8bit-5v-14-6, spi0.sck, digital 14",
        "mcu-8bit-5v-14-6, spi0.miso, digital 13",
        "mcu-8bit-5v-14-6, spi0.mosi, digital 12",
        "mcu-8bit-5v-narrow, i2c0.sda, 23",
        "mcu-8bit-5v-narrow, i2c0.scl, 24",
        "mcu-8bit-5v-narrow, spi0.sck, 16",
        "mcu-8bit-5v-narrow, spi0.mosi, 14",
        "mcu-8bit-5v-narrow, uart0.tx, 1",
        "mcu-8bit-bare-28, i2c0.sda, 27",
        "mcu-8bit-bare-28, i2c0.scl, 28",
        "mcu-8bit-bare-28, spi0.sck, 19",
        "mcu-8bit-bare-28, spi0.mosi, 17",
        "mcu-8bit-bare-28, uart0.rx, 2",
        "mcu-dual-40, i2c0.sda/f, 26",
        "mcu-dual-40, i2c0.scl/f, 27",
        "mcu-dual-40, i2c0.sda/b, 6",
        "mcu-dual-40, i2c0.scl/b, 7",
        "mcu-dual-40, i2c1.sda/a, 4",
        "mcu-dual-40, i2c1.scl/a, 5",
        "mcu-dual-40, i2c1.sda/g, 31",
        "mcu-dual-40, i2c1.scl/g, 32",
        "mcu-dual-40, spi0.miso/e, 21",
        "mcu-dual-40, spi0.ss/e, 22",
        "mcu-dual-40, spi0.sck/e, 24",
        "mcu-dual-40, spi0.mosi/e, 25",
        "mcu-dual-40, spi1.sck/c, 14",
        "mcu-dual-40, spi1.mosi/c, 15",
        "mcu-dual-40, spi1.miso/c, 11",
        "mcu-dual-40, uart0.tx/a, 1",
        "mcu-dual-40, uart1.tx/c, 11",
        "wifi-dual-38, i2c0.sda, right 6",
        "wifi-dual-38, i2c0.scl, right 3",
        "wifi-dual-38, spi0.sck, right 9",
        "wifi-dual-38, spi0.mosi, right 2",
        "wifi-dual-30, i2c0.sda, right 5",
        "wifi-dual-30, i2c0.scl, right 2",
        "wifi-single-30, i2c0.sda, right 3",
        "wifi-single-30, i2c0.scl, right 2",
        "wifi-single-30, spi0.sck, right 8",
        "sbc-40-pin, i2c1.sda, 3",
        "sbc-40-pin, spi0.mosi, 19",
        "sbc-40-pin-overlay, spi2.sck, 13",
        "sbc-40-pin-overlay, spi2.ce1, 16"
    })
    void busLinesAreWhereTheyAreKnownToBe(String id, String function, String position) {
        assertThat(at(board(id), position).functions())
                .extracting(PinFunction::text)
                .contains(function);
    }

    /** Source: Linux kernel 6.1, board support trees of two other boards with this header. */
    @ParameterizedTest
    @ValueSource(strings = {"sbc-40-pin", "sbc-40-pin-small", "sbc-40-pin-overlay"})
    void busPlacesOfTheFortyPinHeadersAgreeWithOtherBoards(String id) {
        Board board = board(id);
        int checked = 0;
        for (Map<String, String> row : ReferenceTable.read("sbc-compatible-header.csv")) {
            String signal = row.get("signal").replace(" (second bus)", "").replace("sclk", "sck");
            Pin pin = at(board, row.get("physical_pin"));
            assertThat(pin.functions())
                    .as(id + " place " + pin.position())
                    .anyMatch(f -> signal.equals(f.signal()) || signal.equals("ce0") && "ce0".equals(f.signal()));
            checked++;
        }
        assertThat(checked).isEqualTo(20);
    }

    /** Source: Linux kernel 6.1, pin control of the module: system number and function of each pad. */
    @Test
    void numbersOfTheOverlayComputerAgreeWithItsPads() {
        Board board = board("sbc-40-pin-overlay");
        Map<String, Pin> byNumber = new HashMap<>();
        board.signalPins().forEach(p -> byNumber.put(p.chip().replace("GPIO", ""), p));
        int checked = 0;
        for (Map<String, String> row : ReferenceTable.read("sbc2-pins.csv")) {
            Pin pin = byNumber.get(row.get("gpio"));
            Optional<String> expected = signalOf(row.get("pad"), row.get("function0"));
            if (pin != null && expected.isPresent()) {
                assertThat(pin.functions())
                        .as(row.get("pad"))
                        .extracting(PinFunction::text)
                        .contains(expected.get());
                checked++;
            }
        }
        assertThat(checked).isGreaterThanOrEqualTo(15);
    }

    private static Optional<String> signalOf(String pad, String function) {
        String signal = pad.substring(pad.lastIndexOf('_') + 1).replace("cs", "ce");
        boolean known = function.startsWith("spi") || function.startsWith("i2c") || function.equals("uartb");
        return known ? Optional.of(function + "." + signal) : Optional.empty();
    }

    /** Source: avr-libc 2.0.0 headers, ports of the 28-pin microcontroller; the two other boards have the same chip. */
    @ParameterizedTest
    @ValueSource(strings = {"mcu-8bit-5v-narrow", "mcu-8bit-bare-28"})
    void boardsOfOneChipHaveTheSameFunctionsAtTheSamePort(String id) {
        Board checked = board("mcu-8bit-5v-14-6");
        Map<String, List<String>> byPort = new HashMap<>();
        for (Pin pin : checked.signalPins()) {
            byPort.put(
                    pin.chip(),
                    pin.functions().stream().map(PinFunction::text).sorted().toList());
        }
        int seen = 0;
        for (Pin pin : board(id).signalPins()) {
            if (pin.chip() != null && byPort.containsKey(pin.chip())) {
                assertThat(pin.functions().stream()
                                .map(PinFunction::text)
                                .sorted()
                                .toList())
                        .as(id + " " + pin.id())
                        .isEqualTo(byPort.get(pin.chip()));
                seen++;
            }
        }
        assertThat(seen).isEqualTo(20);
    }

    /** Every place of a header or package is described once. */
    @ParameterizedTest
    @CsvSource({
        "mcu-8bit-5v-narrow, 30",
        "mcu-8bit-bare-28, 28",
        "mcu-dual-40, 40",
        "sbc-40-pin, 40",
        "sbc-40-pin-small, 40",
        "sbc-40-pin-overlay, 40"
    })
    void everyNumberedPlaceIsThere(String id, int places) {
        assertThat(board(id).pins())
                .extracting(Pin::position)
                .filteredOn(place -> !place.startsWith("camera"))
                .containsExactlyInAnyOrderElementsOf(IntStream.rangeClosed(1, places)
                        .mapToObj(Integer::toString)
                        .toList());
    }

    @ParameterizedTest
    @CsvSource({"wifi-dual-38, 19", "wifi-dual-30, 15", "wifi-single-30, 15"})
    void bothSidesOfTheRadioBoardsAreComplete(String id, int places) {
        for (String side : List.of("left", "right")) {
            assertThat(board(id).pins().stream().map(Pin::position).filter(p -> p.startsWith(side)))
                    .containsExactlyElementsOf(IntStream.rangeClosed(1, places)
                            .mapToObj(i -> side + " " + i)
                            .toList());
        }
    }

    /** The two layouts of one chip agree pin by pin. */
    @Test
    void theRadioBoardsOfOneChipAgree() {
        Board wide = board("wifi-dual-38");
        for (Pin pin : board("wifi-dual-30").signalPins()) {
            if (pin.chip() != null) {
                Pin same = wide.pin(pin.id()).orElseThrow();
                assertThat(same.functions()).as(pin.id()).isEqualTo(pin.functions());
                assertThat(same.duties()).as(pin.id()).isEqualTo(pin.duties());
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "wifi-dual-38, GPIO0, high",
        "wifi-dual-38, GPIO2, low",
        "wifi-dual-38, GPIO12, low",
        "wifi-dual-38, GPIO15, high",
        "wifi-dual-38, GPIO5, high",
        "wifi-single-30, GPIO0, high",
        "wifi-single-30, GPIO2, high",
        "wifi-single-30, GPIO15, low"
    })
    void bootPinsKnowTheirLevel(String id, String pin, String level) {
        Pin.Duty duty = board(id).pin(pin).orElseThrow().duty(DutyKind.BOOT).orElseThrow();
        assertThat(duty.level()).isEqualTo(level);
    }

    @Test
    void flashPinsAreReservedAndInputsHaveNoOutput() {
        for (String id : List.of("wifi-dual-38", "wifi-single-30")) {
            for (int gpio = 6; gpio <= 11; gpio++) {
                assertThat(board(id).pin("GPIO" + gpio).orElseThrow().duty(DutyKind.RESERVED))
                        .as(id + " " + gpio)
                        .isPresent();
            }
        }
        for (int gpio : new int[] {34, 35, 36, 39}) {
            Pin pin = board("wifi-dual-38").pin("GPIO" + gpio).orElseThrow();
            assertThat(pin.can("digital-in")).isTrue();
            assertThat(pin.can("digital-out")).isFalse();
            assertThat(pin.can("pwm")).isFalse();
        }
        for (String id : List.of("A6", "A7")) {
            Pin pin = board("mcu-8bit-5v-narrow").pin(id).orElseThrow();
            assertThat(pin.can("analog-in")).isTrue();
            assertThat(pin.can("digital-in")).isFalse();
        }
    }

    /** Every pulse-width slice of the dual-core chip has two channels on neighbouring pins. */
    @Test
    void pulseWidthSlicesAreSharedByNeighbours() {
        for (Pin pin : board("mcu-dual-40").signalPins()) {
            if (pin.chip() != null) {
                int gpio = Integer.parseInt(pin.chip().substring(4));
                assertThat(pin.functions())
                        .filteredOn(f -> "pwm".equals(f.capability()))
                        .extracting(PinFunction::unit)
                        .containsExactly("slice" + gpio / 2 % 8 + (gpio % 2 == 0 ? "A" : "B"));
            }
        }
    }

    @Test
    void theRetroComputerHasPortsAndNoBus() {
        Board retro = board("retro-8bit-two-port");
        assertThat(retro.controllers()).isEmpty();
        assertThat(retro.signalPins()).filteredOn(p -> p.can("digital-out")).hasSize(18);
        assertThat(retro.pin("CA1").orElseThrow().can("digital-out")).isFalse();
    }

    /** The three boards with the same chip have the same limits in common, whatever their pins are called. */
    @ParameterizedTest
    @CsvSource({"mcu-8bit-5v-14-6", "mcu-8bit-5v-narrow"})
    void limitsInCommonAreThoseOfTheChip(String id) {
        assertThat(limits(board(id))).isEqualTo(limits(board("mcu-8bit-bare-28")));
    }

    private static Map<String, Set<String>> limits(Board board) {
        Map<String, Set<String>> limits = new TreeMap<>();
        for (Board.PinCurrent.Group group : board.current().groups()) {
            limits.put(
                    group.name() + " " + group.milliamps(),
                    group.pins().stream()
                            .map(p -> board.pin(p).orElseThrow().chip())
                            .collect(Collectors.toCollection(TreeSet::new)));
        }
        return limits;
    }
}
