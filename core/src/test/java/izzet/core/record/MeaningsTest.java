package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.decode.I2cTransfer;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Said;
import izzet.core.display.Session;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What bytes mean. Source of the commands: Linux kernel 6.1, drivers of these families; data sheets as the meanings name them. */
class MeaningsTest {

    private static I2cTransfer write(int address, int... bytes) {
        byte[] data = new byte[bytes.length];
        boolean[] acks = new boolean[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            data[i] = (byte) bytes[i];
            acks[i] = true;
        }
        return new I2cTransfer(
                0, 1, I2cTransfer.Begin.START, I2cTransfer.End.STOP, address, 7, false, true, data, acks);
    }

    private static Session session(String family, int columns, int rows) {
        return Interpreters.of(family).orElseThrow().begin(Panel.plain(family, columns, rows));
    }

    private static int[] hex(String text) {
        return java.util.Arrays.stream(text.split(" "))
                .mapToInt(h -> Integer.parseInt(h, 16))
                .toArray();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "00 AE|display off",
                "00 21 00 7F 22 00 07|columns 0 to 127, pages 0 to 7",
                "00 A8 3F DA 12|64 rows, row wiring 0x12",
                "00 A8 1F DA 02|32 rows, row wiring 0x02",
                "00 81 CF 8D 14|contrast 207 of 255, charge pump on",
                "00 8D 10|charge pump off",
                "00 B3 05 12|page 3, column low 5, column high 2",
                "80 AF 80 A5|display on, all pixels on",
                "00 40 7F|start line 0, start line 63",
                "00 20 02|memory mode by pages",
                "00 AE AF AE AF AE AF AE AF|display off, display on, display off, display on, display off, display on and 2 more settings",
                "C7 00|control byte 0xC7, which is none of 0x00, 0x40, 0x80",
            })
    void pageOledCommandsHaveNames(String bytes, String words) {
        assertThat(session("page-oled", 128, 64).hear(write(0x3C, hex(bytes))).text())
                .isEqualTo(words);
    }

    @Test
    void pictureBytesAreCounted() {
        Said said = session("page-oled", 128, 64).hear(write(0x3C, 0x40, 1, 2, 3));
        assertThat(said.manner()).isEqualTo(Said.Manner.COUNTED);
        assertThat(said.weight()).isEqualTo(3);
        assertThat(session("page-oled", 128, 64).hear(write(0x3C)).text()).isEqualTo("nothing but its address");
    }

    @ParameterizedTest
    @CsvSource({"04,'channel 2 on'", "00,'all channels off'", "81,'channel 0, 7 on'"})
    void channelsOfTheBusSwitchAreNamed(String value, String words) {
        assertThat(session("bus-switch", 0, 0).hear(write(0x70, hex(value))).text())
                .isEqualTo(words);
    }

    /** Each nibble goes out with the strobe high and then low: bit 2; bit 3 is the light, bit 0 tells text from commands. */
    private static int[] nibbles(boolean text, int... values) {
        int[] bytes = new int[values.length * 2];
        for (int i = 0; i < values.length; i++) {
            int low = values[i] << 4 | 8 | (text ? 1 : 0);
            bytes[2 * i] = low | 4;
            bytes[2 * i + 1] = low;
        }
        return bytes;
    }

    /** Each bit that changes what is seen is told. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
                    20|set-up 0x20 (4 bits, one line, 5x8)
                    24|set-up 0x24 (4 bits, one line, 5x10)
                    2C|set-up 0x2C (4 bits, two lines, 5x8)
                    38|set-up 0x38 (8 bits, two lines, 5x8)
                    10|cursor moves left
                    14|cursor moves right
                    18|display shifts left
                    1C|display shifts right
                    0B|display off
                    0C|display on
                    0D|display on with a blinking place
                    0E|display on with a cursor
                    0F|display on with a blinking cursor
                    04|entry mode 0x04 (text goes left)
                    05|entry mode 0x05 (each character shifts the display right)
                    06|entry mode 0x06 (text goes right)
                    07|entry mode 0x07 (each character shifts the display left)
                    """)
    void theBitsOfACharacterDisplaysCommandsAreTold(String command, String words) {
        Session display = session("expander-character", 16, 2);
        display.hear(write(0x27, nibbles(false, 3, 3, 3, 2)));
        int value = Integer.parseInt(command, 16);
        assertThat(display.hear(write(0x27, nibbles(false, value >> 4, value & 15)))
                        .text())
                .isEqualTo(words);
    }

    @Test
    void aCharacterDisplayIsFollowedFromItsWakeUp() {
        Session display = session("expander-character", 16, 2);
        assertThat(display.hear(write(0x27, nibbles(false, 3, 3, 3, 2))).text())
                .isEqualTo("wake-up 3, wake-up 3, wake-up 3, 4-bit transfers from now on");
        assertThat(display.hear(write(0x27, nibbles(false, 2, 8, 0, 0xC, 0, 6, 0, 1)))
                        .text())
                .isEqualTo(
                        "set-up 0x28 (4 bits, two lines, 5x8), display on, entry mode 0x06 (text goes right), clear");
        assertThat(display.hear(write(0x27, nibbles(false, 0xC, 5))).text()).isEqualTo("cursor to row 1, column 5");
        Said text = display.hear(write(0x27, nibbles(true, 4, 8, 6, 9)));
        assertThat(text.manner()).isEqualTo(Said.Manner.JOINED);
        assertThat(text.text()).isEqualTo("Hi");
    }

    /** A byte may be cut over two transfers. */
    @Test
    void aByteInTwoTransfersIsStillOne() {
        Session display = session("expander-character", 16, 2);
        display.hear(write(0x27, nibbles(false, 3, 3, 3, 2)));
        Said half = display.hear(write(0x27, nibbles(true, 4)));
        assertThat(half.manner()).isEqualTo(Said.Manner.QUIET);
        assertThat(display.hear(write(0x27, nibbles(true, 1))).text()).isEqualTo("A");
    }

    private static List<Conversation.Line> lines(Workbench bench, I2cTransfer... transfers) {
        List<Conversation.Line> lines = new ArrayList<>();
        Conversation talk = new Conversation(bench.circuit(), null, lines::add);
        for (I2cTransfer t : transfers) {
            talk.add(t);
        }
        talk.end();
        return lines;
    }

    @Test
    void repeatsFoldAndKeepTheirFirstPlace() {
        Workbench bench = Workbench.on(Workbench.MCU).with("switch", "bus-switch-8");
        List<Conversation.Line> lines =
                lines(bench, write(0x70, 1), write(0x70, 1), write(0x70, 1), write(0x70, 2), write(0x70, 1));
        assertThat(lines).extracting(Conversation.Line::count).containsExactly(3, 1, 1);
        assertThat(lines).extracting(Conversation.Line::first).containsExactly(0, 3, 4);
    }

    /** However long the text, a line stays short enough to be shown. */
    @Test
    void aVeryLongTextIsCut() {
        Workbench bench = Workbench.on(Workbench.MCU).with("cabin", "character-16x2-expander");
        I2cTransfer[] all = new I2cTransfer[6001];
        all[0] = write(0x27, nibbles(false, 3, 3, 3, 2));
        for (int i = 1; i < all.length; i++) {
            all[i] = write(0x27, nibbles(true, 4, 1 + i % 9));
        }
        List<Conversation.Line> lines = lines(bench, all);
        assertThat(lines.get(1).count()).isEqualTo(6000);
        assertThat(lines.get(1).text().length()).isBetween(2000, 2100);
    }

    @Test
    void anAddressMeantForAPartIsToldAsSuch() {
        Workbench bench =
                Workbench.on(Workbench.MCU).with("sign", Workbench.OLED).edit(new PlanEdit.SetAddress("sign", 0x3D));
        List<Conversation.Line> lines = new ArrayList<>();
        Conversation talk = new Conversation(bench.circuit(), null, lines::add);
        talk.add(new I2cTransfer(
                0,
                1,
                I2cTransfer.Begin.START,
                I2cTransfer.End.STOP,
                0x3D,
                7,
                false,
                false,
                new byte[0],
                new boolean[0]));
        talk.add(write(0x00, 6));
        talk.end();
        assertThat(lines)
                .extracting(Conversation.Line::partner)
                .containsExactly("0x3D, meant for the sign", "0x00, everybody");
        assertThat(Comparison.of(talk)).anyMatch(r -> r.sentence()
                .equals("The program speaks to the sign at 0x3D once and nobody answers: its straps say 0x3C."));
    }
}
