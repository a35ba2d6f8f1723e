package izzet.core.display;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.SpiTransfer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Commands of each family in words, and what they do to the glass. Sources of the commands: the data sheets that the families name. */
class FamiliesTest {

    private static Session session(String family, int columns, int rows) {
        return Interpreters.of(family).orElseThrow().begin(Panel.plain(family, columns, rows));
    }

    private static int[] hex(String bytes) {
        return Arrays.stream(bytes.split(" "))
                .mapToInt(b -> Integer.parseInt(b, 16))
                .toArray();
    }

    private static I2cTransfer write(String bytes) {
        return transfer(false, hex(bytes));
    }

    private static I2cTransfer transfer(boolean read, int... bytes) {
        byte[] data = new byte[bytes.length];
        boolean[] acks = new boolean[bytes.length];
        Arrays.fill(acks, true);
        IntStream.range(0, data.length).forEach(i -> data[i] = (byte) bytes[i]);
        return new I2cTransfer(0, 100, I2cTransfer.Begin.START, I2cTransfer.End.STOP, 0x20, 7, read, true, data, acks);
    }

    /** One select; the first byte is a command, the others are data. */
    private static SpiTransfer select(String bytes) {
        int[] words = hex(bytes);
        byte[] dc = new byte[words.length];
        Arrays.fill(dc, 1, dc.length, (byte) 1);
        return new SpiTransfer(
                0,
                words.length,
                words,
                null,
                dc,
                IntStream.rangeClosed(1, words.length).asLongStream().toArray(),
                false);
    }

    private static List<String> say(Session session, BusEvent... events) {
        List<String> said = new ArrayList<>();
        for (BusEvent event : events) {
            said.add(session.hear(event).text());
        }
        return said;
    }

    private static Glass.Pixels pixels(Session session) {
        return (Glass.Pixels) session.glass().orElseThrow();
    }

    /** Its sibling with 132 columns has no such commands, and takes the bytes behind as commands of their own. */
    @Test
    void aGlassThatScrollsByItselfSaysHow() {
        Session session = session("page-oled", 128, 64);
        session.hear(write("00 AF 27 00 01 04 06 00 FF 2F"));
        assertThat(session.glass().orElseThrow().state())
                .isEqualTo("scrolling by itself to the left, a column each 3 frames (about 28 ms), pages 1 to 6");
        session.hear(write("00 D5 F0"));
        assertThat(session.glass().orElseThrow().state()).contains("(about 28 ms, were its clock not set faster)");
        Session wide = session("page-oled-132", 132, 64);
        wide.hear(write("00 AF 27 00 01 04 06 00 FF 2F"));
        assertThat(wide.glass().orElseThrow().state()).isEmpty();
        Session late = session("page-oled", 128, 64);
        late.hear(write("00 AF 2F"));
        assertThat(late.glass().orElseThrow().state()).contains("told how before the record begins, so not drawn");
        assertThat(late.glass().orElseThrow().stepSeconds()).isZero();
    }

    /** Two frames of 64 rows, each of 2 + 2 + 50 clocks at 370 kHz: 18.7 ms a column; twice as slow with a divider of two. */
    @Test
    void aGlassThatScrollsMovesItsPagesWithTime() {
        Session session = session("page-oled", 128, 64);
        session.hear(write("00 AF A1 C8 20 00 21 00 7F 22 00 07"));
        session.hear(write("40 FF" + " 00".repeat(127) + " FF"));
        session.hear(write("00 26 00 00 07 00 00 FF 2F"));
        Glass glass = session.glass().orElseThrow();
        assertThat(glass.stepSeconds()).isCloseTo(2 * 54 * 64 / 370e3, within(1e-9));
        glass.pass(glass.stepSeconds() / 2);
        assertThat(column(session, 0)).isZero();
        glass.pass(glass.stepSeconds() / 2);
        assertThat(column(session, 0)).isEqualTo(1);
        glass.pass(126 * glass.stepSeconds());
        assertThat(column(session, 0)).isEqualTo(127);
        glass.pass(glass.stepSeconds());
        assertThat(column(session, 0)).as("round to its first place").isZero();
        assertThat(column(session, 8)).as("a page that does not move").isZero();
        session.hear(write("00 D5 81"));
        assertThat(glass.stepSeconds()).isCloseTo(2 * 2 * 54 * 64 / 370e3, within(1e-9));
        session.hear(write("00 2E"));
        glass.pass(1);
        assertThat(column(session, 0)).as("stopped").isZero();
    }

    /** Rows of the moving part go round in it; the fixed ones above stay. */
    @Test
    void aGlassThatScrollsUpwardsLeavesItsFixedRows() {
        Session session = session("page-oled", 128, 64);
        session.hear(write("00 AF A1 C8 20 00 21 00 7F 22 00 07"));
        session.hear(write("40 01" + " 00".repeat(255) + " 01"));
        session.hear(write("00 A3 08 38 2A 00 07 07 07 04 2F"));
        Glass glass = session.glass().orElseThrow();
        assertThat(glass.state()).contains("to the left and 4 rows upwards").contains("pages 7 to 7");
        assertThat(row(session)).containsExactly(0, 16);
        glass.pass(2 * glass.stepSeconds());
        assertThat(row(session)).containsExactly(0, 8);
        glass.pass(glass.stepSeconds());
        assertThat(row(session)).as("round to the end of the moving part").containsExactly(0, 60);
    }

    private static int column(Session session, int y) {
        Picture now = pixels(session).memory(null);
        return IntStream.range(0, now.width())
                .filter(x -> now.at(x, y) != 0)
                .findFirst()
                .orElse(-1);
    }

    private static List<Integer> row(Session session) {
        Picture now = pixels(session).seen();
        return IntStream.range(0, now.height())
                .filter(y -> now.at(0, y) != 0)
                .boxed()
                .toList();
    }

    /** A set-up sent one byte a transfer is understood like one in a piece. */
    @Test
    void stateLivesFromOneTransferToTheNext() {
        Session apart = session("page-oled", 128, 64);
        List<Said> said = new ArrayList<>();
        for (int b : hex("A8 3F 8D 14 81 CF AF")) {
            said.add(apart.hear(transfer(false, 0x00, b)));
        }
        assertThat(said)
                .extracting(Said::text)
                .containsExactly(
                        "rows …",
                        "64 rows",
                        "charge pump …",
                        "charge pump on",
                        "contrast … of 255",
                        "contrast 207 of 255",
                        "display on");
        assertThat(said.get(1).manner()).isEqualTo(Said.Manner.REPLACES);
        assertThat(apart.glass().orElseThrow().state()).isEmpty();
        Session whole = session("page-oled", 128, 64);
        whole.hear(write("00 A8 1F AF"));
        assertThat(whole.glass().orElseThrow().state()).isEqualTo("set up for 32 of its 64 rows");
    }

    /** The three ways in which addresses go on: by rows, by columns, and within a page. */
    @ParameterizedTest
    @CsvSource({"00, '0,0 1,0 2,0 0,8'", "01, '0,0 0,8 1,0 1,8'", "02, '0,0 1,0 2,0 3,0'"})
    void memoryIsFilledInItsMode(String mode, String corners) {
        Session session = session("page-oled", 128, 64);
        session.hear(write("00 20 " + mode + " 21 00 02 22 00 01 A1 C8 AF"));
        if (mode.equals("02")) {
            session.hear(write("00 B0 00 10"));
        }
        session.hear(write("40 01 01 01 01"));
        Picture seen = pixels(session).seen();
        List<String> lit = new ArrayList<>();
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 128; x++) {
                if (seen.lit(x, y)) {
                    lit.add(x + "," + y);
                }
            }
        }
        assertThat(lit).containsExactlyInAnyOrder(corners.split(" "));
    }

    /** Mirrored both ways the first pixel of the memory stands in the opposite corner; a start line moves rows round. */
    @Test
    void thePictureTurnsWithItsDirections() {
        Session session = session("page-oled", 128, 64);
        session.hear(write("00 20 00 A1 C8 AF"));
        session.hear(write("40 01"));
        assertThat(pixels(session).seen().lit(0, 0)).isTrue();
        session.hear(write("00 A0 C0"));
        assertThat(pixels(session).seen().lit(127, 63)).isTrue();
        assertThat(pixels(session).memory(null).lit(0, 0))
                .as("the memory stays")
                .isTrue();
        session.hear(write("00 A1 C8 41"));
        assertThat(pixels(session).seen().lit(0, 63)).isTrue();
        session.hear(write("00 40 A7"));
        assertThat(pixels(session).seen().lit(0, 0)).isFalse();
        assertThat(pixels(session).state()).isEqualTo("inverted");
        session.hear(write("00 AE"));
        assertThat(pixels(session).seen().rgb()).containsOnly(0);
    }

    /** The sibling has no windows: what would be their ends is taken for commands of its own, and its glass begins at column 2. */
    @Test
    void theWiderSiblingLacksCommandsAndSaysSo() {
        Session session = Interpreters.of("page-oled-132")
                .orElseThrow()
                .begin(new Panel("page-oled-132", 128, 64, 132, 64, 2, 0, true, false, false, Map.of()));
        assertThat(say(session, write("00 21 00 7F")).get(0))
                .isEqualTo("command 0x21, which this controller does not have, column low 0, start line 63");
        session.hear(write("00 40 A1 C8 AF B0 02 10"));
        session.hear(write("40 01"));
        assertThat(pixels(session).seen().lit(0, 0)).isTrue();
    }

    @Test
    void colourPanelsInEveryDepth() {
        Session session = session("dcs", 8, 4);
        assertThat(say(
                        session,
                        select("11"),
                        select("29"),
                        select("3A 55"),
                        select("2A 00 01 00 02"),
                        select("2B 00 01 00 01")))
                .containsExactly("wakes up", "display on", "16 bits a pixel", "columns 1 to 2", "rows 1 to 1");
        assertThat(say(session, select("2C F8 00 07 E0"))).containsExactly("writes pixels, picture, 4 picture bytes");
        assertThat(pixels(session).seen().at(1, 1)).isEqualTo(0xFF0000);
        assertThat(pixels(session).seen().at(2, 1)).isEqualTo(0x00FF00);
        say(session, select("3A 66"), select("2C FC 80 00 00 00 FC"));
        assertThat(pixels(session).seen().at(1, 1)).isEqualTo(0xFF8200);
        say(session, select("3A 33"), select("2C F0 80 0F"));
        assertThat(pixels(session).seen().at(1, 1)).isEqualTo(0xFF0088);
        assertThat(pixels(session).seen().at(2, 1)).isEqualTo(0x0000FF);
        assertThat(pixels(session).memory(null).width())
                .as("all that was written")
                .isEqualTo(2);
    }

    /** Rows and columns exchanged, counted from the other side, and blue where red is. */
    @Test
    void theAddressModeTurnsWhatIsWritten() {
        Session session = session("dcs", 8, 4);
        assertThat(say(session, select("11"), select("29"), select("36 60")).get(2))
                .isEqualTo("address mode 0x60, rows and columns exchanged, columns from the right");
        say(session, select("2A 00 01 00 01"), select("2B 00 00 00 00"), select("2C F8 00"));
        assertThat(pixels(session).seen().at(7, 1)).isEqualTo(0xFF0000);
        say(session, select("36 68"), select("21"));
        assertThat(pixels(session).seen().at(7, 1))
                .as("blue first, and inverted")
                .isEqualTo(0xFFFF00);
        assertThat(pixels(session).state()).isEqualTo("inverted");
        say(session, select("20"), select("36 00"), select("33 00 00 00 04 00 00"), select("37 00 01"));
        assertThat(pixels(session).seen().at(7, 0)).as("scrolled up by a row").isEqualTo(0xFF0000);
    }

    /** Command and parameters, each a word of its own on a parallel bus of 16 lines. */
    @Test
    void aPanelOnSixteenLinesTakesAPixelAWord() {
        Session session = session("dcs", 8, 4);
        int[][] words = {
            {0, 0x11}, {0, 0x29}, {0, 0x2A}, {1, 0}, {1, 3}, {1, 0}, {1, 4}, {0, 0x2C}, {1, 0xF800}, {1, 0x001F}
        };
        String last = "";
        for (int[] w : words) {
            last = session.hear(new ParallelTransfer(0, 1, w[0], w[1], false)).text();
        }
        assertThat(last).isEqualTo("picture");
        assertThat(pixels(session).seen().at(3, 0)).isEqualTo(0xFF0000);
        assertThat(pixels(session).seen().at(4, 0)).isEqualTo(0x0000FF);
    }

    /** Of a transfer that is under way, only what was clocked until the moment has reached the glass. */
    @Test
    void aTransferIsHeardUntilAMoment() {
        Session session = session("dcs", 8, 4);
        say(session, select("11"), select("29"));
        session.hear(select("2C F8 00 F8 00"), 3);
        assertThat(pixels(session).seen().at(0, 0)).isEqualTo(0xFF0000);
        assertThat(pixels(session).seen().at(1, 0)).isZero();
        assertThat(transfer(false, 1, 2, 3).sizeUntil(50)).isEqualTo(1);
        assertThat(transfer(false, 1, 2, 3).sizeUntil(0)).isZero();
        assertThat(transfer(false, 1, 2, 3).sizeUntil(100)).isEqualTo(3);
    }

    @Test
    void wideOledsOfGreysHaveFourPixelsAColumn() {
        Session session = Interpreters.of("grey-oled")
                .orElseThrow()
                .begin(new Panel("grey-oled", 256, 64, 480, 128, 112, 0, true, false, false, Map.of()));
        assertThat(say(session, select("AF"), select("15 1C 5B"), select("75 00 3F"), select("5C F0 08 12 34")))
                .containsExactly(
                        "display on",
                        "columns 28 to 91, four pixels each",
                        "rows 0 to 63",
                        "writes pixels, picture, 4 picture bytes");
        Picture seen = pixels(session).seen();
        assertThat(IntStream.range(0, 8).map(x -> seen.at(x, 0) & 0xF).toArray())
                .containsExactly(15, 0, 0, 8, 1, 2, 3, 4);
        say(session, select("A7"));
        assertThat(pixels(session).seen().at(0, 0)).isZero();
        assertThat(say(session, select("C1 9F"), select("D9 01")).get(1)).isEqualTo("command 0xD9 with 1 byte");
    }

    /** Paper shows what was written only when it is told to refresh. */
    @Test
    void paperWaitsForItsRefresh() {
        Session session = session("electronic-paper", 200, 200);
        say(
                session,
                select("12"),
                select("11 03"),
                select("44 00 18"),
                select("45 00 00 C7 00"),
                select("4E 00"),
                select("4F 00 00"));
        assertThat(say(session, select("24 00 FF")))
                .containsExactly("writes black and white, picture, 2 picture bytes");
        assertThat(pixels(session).seen().at(0, 0)).isEqualTo(0xFFFFFF);
        assertThat(pixels(session).state()).contains("not refreshed");
        assertThat(say(session, select("22 F7"), select("20")))
                .containsExactly("steps of the refresh 0xF7", "refreshes the glass");
        assertThat(pixels(session).seen().at(7, 0)).isZero();
        assertThat(pixels(session).seen().at(8, 0)).isEqualTo(0xFFFFFF);
        assertThat(pixels(session).state()).isEmpty();
    }

    @Test
    void driversOfLampsAndDigits() {
        Session serial = session("digit-driver", 8, 8);
        assertThat(say(serial, select("0C 01"), select("0A 0F"), select("01 80")))
                .containsExactly("switched on", "brightness 15 of 15", "lamps");
        assertThat(pixels(serial).seen().lit(0, 0)).isTrue();
        assertThat(pixels(serial).seen().lit(1, 0)).isFalse();
        Session twoWire = session("lamp-driver", 16, 8);
        assertThat(say(twoWire, write("21"), write("81"), write("E7"), write("00 01 80")))
                .containsExactly("clock on", "switched on", "brightness 7 of 15", "lamps");
        assertThat(pixels(twoWire).seen().lit(0, 0)).isTrue();
        assertThat(pixels(twoWire).seen().lit(15, 0)).isTrue();
        twoWire.hear(write("80"));
        assertThat(pixels(twoWire).seen().lit(0, 0)).isFalse();
    }

    private static Glass.Text display(int columns, int rows, String commands, String text) {
        Session session = session("character", columns, rows);
        for (int c : hex(commands)) {
            session.hear(new CharacterTransfer(0, 1, false, false, c, 0));
        }
        text.chars().forEach(c -> session.hear(new CharacterTransfer(0, 1, true, false, c, 0)));
        return (Glass.Text) session.glass().orElseThrow();
    }

    /** Documented line addresses: the second line begins at 0x40; of four rows the third goes on behind the first. */
    @ParameterizedTest
    @CsvSource({
        "16, 2, '38 0C 01 C3', 1, '   x'",
        "20, 4, '38 0C 01 94', 2, 'x'",
        "20, 4, '38 0C 01 D4', 3, 'x'",
        "40, 2, '38 0C 01 A7', 0, '                                       x'",
        "16, 1, '38 0C 01 C0', 0, '        x'",
        "8, 2, '38 0C 01 C7', 1, '       x'",
        "16, 2, '38 0C 04 01 04 85', 0, '     x'",
        "16, 2, '38 0C 01 81 1C', 0, '  x'",
        "16, 2, '38 0C 01 81 18', 0, 'x'"
    })
    void aCharacterStandsAtItsAddress(int columns, int rows, String commands, int row, String line) {
        assertThat(display(columns, rows, commands, "x").lines().get(row).stripTrailing())
                .isEqualTo(line.stripTrailing());
    }

    @Test
    void aCharacterDisplayTellsWhyItIsDark() {
        assertThat(display(16, 2, "30 0C 01", "Halt").state()).contains("set up for one line");
        assertThat(display(16, 2, "38 08 01", "Halt").lines()).containsOnly(" ".repeat(16));
        assertThat(display(16, 2, "38 0E 01", "Halt").cursor()).isEqualTo(4);
        assertThat(display(16, 2, "38 0C 01", "Halt").cursor()).isEqualTo(-1);
        assertThat(display(16, 2, "38 0C 01", "~\u00df\\").lines().get(0)).startsWith("→°¥");
        Glass.Text own = display(16, 2, "38 0C 01 48", "\u0001\u0002\u001f");
        assertThat(own.glyphs()).containsOnlyKeys(1);
        assertThat(own.glyphs().get(1)).startsWith(1, 2, 31);
    }

    @Test
    void everyCodeOfTheTableIsFoundAgain() {
        for (int code = ' '; code <= 0xFF; code++) {
            int found = CharacterCodes.code(CharacterCodes.shown(code));
            assertThat(CharacterCodes.shown(found)).isEqualTo(CharacterCodes.shown(code));
        }
        assertThat(CharacterCodes.code('ß')).isEqualTo(0xE2);
        assertThat(CharacterCodes.code('ł')).isEqualTo(-1);
    }

    /** Registers by name; a read goes on where the last write pointed. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "real-time-clock | 00 | asks for seconds",
                "real-time-clock | 0E 1C | control: 1C",
                "real-time-clock | 3F | asks for register 0x3F",
                "expander-16 | 12 FF | port A: FF",
                "expander-8 | 81 | lines 0, 7 high or free",
                "expander-8 | 00 | all lines low",
                "light-sensor | 10 | measures on and on, 1 lx steps",
                "pressure-temperature | F4 27 | how it measures: 27",
                "adc-4 | 01 84 83 | set-up: 84 83",
                "touch-capacitive | 02 | asks for how many fingers",
            })
    void registersHaveNames(String family, String bytes, String words) {
        assertThat(say(session(family, 0, 0), write(bytes))).containsExactly(words);
    }

    @Test
    void aReadTellsWhichRegistersItWas() {
        Session clock = session("real-time-clock", 0, 0);
        assertThat(say(clock, write("00"), transfer(true, 0x30, 0x59), transfer(true, 0x12)))
                .containsExactly("asks for seconds", "seconds read: 30 59", "hours read: 12");
        Session touch = session("touch-resistive", 0, 0);
        SpiTransfer asked = new SpiTransfer(
                0, 3, new int[] {0xD0, 0, 0}, new int[] {0, 0x3C, 0x80}, null, new long[] {1, 2, 3}, false);
        assertThat(say(touch, asked)).containsExactly("measures X: 3C 80");
    }

    @Test
    void commandsOfACard() {
        Session card = session("card", 0, 0);
        assertThat(say(
                        card,
                        select("40 00 00 00 00 95"),
                        select("77 00 00 00 00 01 69 40 00 00 00 01"),
                        select("51 00 00 01 00 FF"),
                        select("FF FF FF")))
                .containsExactly(
                        "card: to idle",
                        "card: its own command next, card: starts up",
                        "card: reads block 256",
                        "card");
    }

    /** Frames tell only what changed, and the sum of them is the last picture. */
    @Test
    void framesAddUpToThePicture() {
        Session session = session("dcs", 8, 4);
        FrameRecorder recorder = new FrameRecorder(0);
        say(session, select("11"), select("29"));
        recorder.look(pixels(session), 1, false);
        say(session, select("2C F8 00"));
        recorder.look(pixels(session), 2, false);
        recorder.look(pixels(session), 3, false);
        assertThat(recorder.frames()).as("nothing changed the third time").isEqualTo(2);
        assertThat(recorder.json()).contains("{\"t\":2,\"state\":\"\",\"runs\":[0,1],\"rgb\":\"/wAA\"}");
    }
}
