package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A set-up held against the part in the plan. */
class MisfitTest {

    private static List<String> told(Circuit circuit, String part, List<BusEvent> events) {
        Conversation talk = new Conversation(
                circuit, part == null ? null : circuit.unit(part).orElseThrow(), line -> {});
        events.forEach(talk::add);
        talk.end();
        return Comparison.of(talk).stream()
                .filter(r -> r.rule().equals("T7"))
                .map(r -> r.severity() + " " + r.sentence())
                .toList();
    }

    private static byte[] bytes(String hex) {
        byte[] all = new byte[hex.split(" ").length];
        for (int i = 0; i < all.length; i++) {
            all[i] = (byte) Integer.parseInt(hex.split(" ")[i], 16);
        }
        return all;
    }

    private static List<String> oled(String commands) {
        byte[] data = bytes("00 " + commands);
        boolean[] acks = new boolean[data.length];
        Arrays.fill(acks, true);
        return told(
                Workbench.mcu().with("sign", Workbench.OLED).circuit(),
                null,
                List.of(new I2cTransfer(
                        0, 100, I2cTransfer.Begin.START, I2cTransfer.End.STOP, 0x3C, 7, false, true, data, acks)));
    }

    private static List<BusEvent> events(String words) {
        List<BusEvent> events = new ArrayList<>();
        long at = 0;
        for (String word : words.split(" ")) {
            boolean command = word.endsWith("!");
            int value = Integer.parseInt(word.replace("!", ""), 16);
            events.add(new SpiTransfer(
                    at,
                    at + 8,
                    new int[] {value},
                    null,
                    new byte[] {(byte) (command ? 0 : 1)},
                    new long[] {at + 8},
                    false));
            at += 10;
        }
        return events;
    }

    private static List<String> panel(String words) {
        return told(Workbench.sbc().with("map", "colour-240x320-serial").circuit(), "map", events(words));
    }

    /** Of a panel without a file nobody knows which colour comes first, nor how far its memory goes behind the glass. */
    @Test
    void whatIsNotToldOfAPanelIsNotHeldAgainstIt() {
        Session session = Interpreters.of("dcs").orElseThrow().begin(Panel.plain("dcs", 128, 160));
        events("01! 11! 36! 08 29! 2A! 00 02 00 81 2B! 00 01 00 A0 2C! FF FF").forEach(session::hear);
        assertThat(session.glass().orElseThrow().misfits()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "AE A8 3F 8D 14 DA 12 AF |",
                "AF |",
                "A8 3F AF |",
                "A8 3F DA 12 AF AE |",
                "AE |",
                "A8 1F 8D 14 DA 02 AF | FIX the sign is set up for 32 of its 64 rows. NOTE the sign is told a row wiring",
                "A8 3F 8D 14 DA 02 AF | NOTE the sign is told a row wiring that glasses of 64 rows usually do not have",
                "AE A8 3F DA 12 AF | NOTE the sign is set up without its charge pump",
                "AE A8 3F 8D 10 DA 12 AF | NOTE the sign is set up without its charge pump",
                "AE A8 3F 8D 14 DA 12 | FIX the sign is set up and never switched on",
                "AE A8 3F 8D 14 DA 12 AF AE | FIX the sign is set up and never switched on, or switched off at the end"
            })
    void aSmallDisplay(String commands, String expected) {
        check(oled(commands), expected);
    }

    /** A record that begins after the set-up says nothing about what it did not hear. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "01! 11! 3A! 55 36! 08 29! |",
                "2A! 00 00 00 EF 2C! FF FF |",
                "29! |",
                "01! 3A! 55 29! | FIX the map was reset and never woken",
                "11! 3A! 55 | FIX the map is never switched on",
                "01! 11! 36! 00 29! | NOTE the map is told that red comes first, other than its file says",
                "11! 29! 2A! 00 00 00 F0 2C! FF | FIX the map gets a window with columns to 240, where the last is 239",
                "11! 29! 36! 28 2A! 00 00 01 3F 2C! FF |",
                "11! 29! 2A! 00 00 00 EF 36! 08 2C! FF |",
                "11! 29! 36! 28 2B! 00 00 01 3F 2C! FF | FIX the map gets a window with rows to 319, where the last is 239"
            })
    void aColourPanel(String words, String expected) {
        check(panel(words), expected);
    }

    /** The memory of 128 by 160 begins two columns and a row before the glass, whichever way round it is drawn. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "36! 00 2A! 00 02 00 81 2B! 00 01 00 A0 2C! FF |",
                "36! 00 2A! 00 00 00 7F 2C! FF | NOTE the map gets a window with columns from 0, where its glass begins at 2",
                "36! 00 2B! 00 00 00 9F 2C! FF | NOTE the map gets a window with rows from 0, where its glass begins at 1",
                "36! 20 2A! 00 01 00 A0 2B! 00 02 00 81 2C! FF |",
                "36! 20 2A! 00 00 00 9F 2C! FF | NOTE the map gets a window with columns from 0, where its glass begins at 1",
                "36! 00 2A! 00 00 00 0F 2C! FF |",
                "2A! 00 00 00 7F 2C! FF |"
            })
    void aColourPanelWithOffsets(String words, String expected) {
        Circuit circuit =
                Workbench.sbc().with("map", "colour-128x160-serial-3v3").circuit();
        check(told(circuit, "map", events(words)), expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "AE! CA! 3F 15! 1C 5B 75! 00 3F 5C! FF AF! |",
                "15! 1C 5B 5C! FF |",
                "AE! CA! 7F AF! | FIX the map is set up for 128 of its 64 rows.",
                "AE! CA! 3F | FIX the map is set up and never switched on",
                "15! 00 3F 5C! FF | NOTE the map gets a window from column 0, where its glass begins at 112"
            })
    void aGreyDisplay(String words, String expected) {
        Circuit circuit = Workbench.sbc().with("map", "oled-256x64-grey-serial").circuit();
        check(told(circuit, "map", events(words)), expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "01! C7 00 00 44! 00 18 24! FF 22! F7 20! 10! 01 |",
                "24! FF |",
                "01! 27 01 00 24! FF 20! | FIX the map is set up for 296 of its 200 rows.",
                "24! FF 10! 01 | FIX the map gets a picture and is put to sleep without showing it",
                "24! FF 20! 24! FF 10! 01 20! |",
                "44! 00 19 24! FF 20! | FIX the map gets a window to column 207, where the last is 199"
            })
    void anElectronicPaper(String words, String expected) {
        Circuit circuit = Workbench.sbc().with("map", "epaper-200x200-serial").circuit();
        check(told(circuit, "map", events(words)), expected);
    }

    private static List<String> lamps(String part, String words) {
        List<BusEvent> events = new ArrayList<>();
        long at = 0;
        for (String word : words.split(" ")) {
            int value = Integer.parseInt(word, 16);
            at += 100;
            events.add(new SpiTransfer(
                    at,
                    at + 16,
                    new int[] {value >> 8, value & 0xFF},
                    null,
                    null,
                    new long[] {at + 8, at + 16},
                    false));
        }
        return told(Workbench.mcu().with("arrow", part).circuit(), "arrow", events);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0F00 0900 0B07 0A03 0C01 01FF |",
                "0A0F 01FF |",
                "0900 0B07 | FIX the arrow is set up and never taken out of shutdown",
                "0900 0B07 0C01 0F01 | FIX the arrow is left in its lamp test",
                "09FF 0B07 0C01 | FIX the arrow is told to show numbers, and its lamps are a matrix",
                "0900 0B03 0C01 | FIX the arrow is told to light 4 of its 8 rows"
            })
    void aLampMatrix(String words, String expected) {
        check(lamps("matrix-8x8-serial", words), expected);
    }

    /** Digits are told numbers, and may be fewer than eight. */
    @Test
    void digitsMayBeToldNumbers() {
        assertThat(lamps("seven-segment-8-serial", "09FF 0B03 0C01")).isEmpty();
    }

    private static List<String> character(String part, String words) {
        List<BusEvent> events = new ArrayList<>();
        long at = 0;
        for (String word : words.split(" ")) {
            int value = Integer.parseInt(word, 16);
            events.add(new CharacterTransfer(at, at + 5, false, false, value, 2));
            at += 100;
        }
        return told(Workbench.mcu().with("cabin", part).circuit(), "cabin", events);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "16x2 | 30 30 30 28 0C 06 01 |",
                "16x2 | 80 C0 |",
                "16x2 | 20 0C | NOTE the cabin is set up for one line: the others stay dark.",
                "16x2 | 30 30 30 20 0C | FIX the cabin is set up for one line: the others stay dark.",
                "16x2 | 30 30 30 28 06 01 | FIX the cabin is set up and never switched on",
                "16x2 | 30 30 30 28 0C 08 | FIX the cabin is set up and never switched on, or switched off at the end",
                "20x4 | 28 80 C0 94 D4 |",
                "20x4 | 28 80 C0 90 D0 | NOTE the cabin gets lines 3 and 4 where those of 16 characters begin"
            })
    void aCharacterDisplay(String glass, String words, String expected) {
        check(character("character-" + glass + "-direct", words), expected);
    }

    private static void check(List<String> told, String expected) {
        if (expected == null) {
            assertThat(told).isEmpty();
            return;
        }
        String all = String.join(" ", told);
        for (String part : expected.split("(?<=\\.) ")) {
            assertThat(all).contains(part);
        }
        assertThat(told).hasSize(expected.split("(?<=\\.) (?=FIX|NOTE)").length);
    }
}
