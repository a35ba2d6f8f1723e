package izzet.core.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.capture.EdgeCollector;
import izzet.core.capture.RecordFault;
import izzet.core.capture.RecordReader;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Session;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Each protocol on lines that are drawn by hand, in the ways in which buses are really driven. */
class DecodersTest {

    /** Draws lines as a value change dump of nanoseconds. */
    private static final class Pen {
        private final StringBuilder text = new StringBuilder("$timescale 1 ns $end\n");
        private final Map<String, Character> ids = new HashMap<>();
        private final Map<String, Integer> levels = new HashMap<>();
        private long now;

        Pen(String... lines) {
            for (String line : lines) {
                char id = (char) ('!' + ids.size());
                ids.put(line, id);
                text.append("$var wire 1 ").append(id).append(' ').append(line).append(" $end\n");
            }
            text.append("$enddefinitions $end\n#0\n");
        }

        Pen set(String line, int level) {
            if (levels.getOrDefault(line, -1) != level) {
                levels.put(line, level);
                text.append(level).append(ids.get(line)).append('\n');
            }
            return this;
        }

        Pen rest(long nanos) {
            now += nanos;
            text.append('#').append(now).append('\n');
            return this;
        }

        byte[] bytes() {
            rest(1000);
            return text.toString().getBytes(StandardCharsets.US_ASCII);
        }
    }

    /** Words in one select, in any mode: data is put on the line half a clock before it is sampled. */
    private static void spi(Pen pen, int mode, int bits, boolean msb, int... words) {
        int rest = mode > 1 ? 1 : 0;
        boolean late = mode % 2 == 1;
        pen.set("sck", rest).rest(100).set("cs", 0).rest(100);
        for (int word : words) {
            for (int i = 0; i < bits; i++) {
                int bit = word >> (msb ? bits - 1 - i : i) & 1;
                if (late) {
                    pen.set("sck", rest ^ 1)
                            .set("mosi", bit)
                            .rest(50)
                            .set("sck", rest)
                            .rest(50);
                } else {
                    pen.set("mosi", bit).rest(50).set("sck", rest ^ 1).rest(50).set("sck", rest);
                }
            }
        }
        pen.rest(100).set("cs", 1).rest(100);
    }

    @ParameterizedTest
    @CsvSource({"0,8,msb", "1,8,msb", "2,8,msb", "3,8,msb", "0,16,msb", "3,9,msb", "1,8,lsb", "0,32,lsb"})
    void spiInEveryMode(int mode, int bits, String order) throws IOException {
        Random random = new Random(mode * 64L + bits);
        int[] words =
                random.ints(7).map(w -> bits == 32 ? w : w & (1 << bits) - 1).toArray();
        Pen pen = new Pen("sck", "mosi", "cs").set("cs", 1).set("mosi", 0);
        spi(pen, mode, bits, order.equals("msb"), words);
        spi(pen, mode, bits, order.equals("msb"), words[0]);
        List<BusEvent> events = Decoding.events(
                pen.bytes(),
                "spi",
                "clock=sck",
                "mosi=mosi",
                "select=cs",
                "mode=" + mode,
                "wordBits=" + bits,
                "bitOrder=" + order);
        assertThat(events).hasSize(2);
        assertThat(((SpiTransfer) events.get(0)).mosi()).isEqualTo(words);
        assertThat(((SpiTransfer) events.get(1)).mosi()).containsExactly(words[0]);
    }

    /** Nine bits a word, the first of which tells data from commands. */
    @Test
    void dataAndCommandInsideTheWord() throws IOException {
        Pen pen = new Pen("sck", "mosi", "cs").set("cs", 1).set("mosi", 0);
        spi(pen, 0, 9, true, 0x02A, 0x100, 0x10A);
        SpiTransfer t =
                (SpiTransfer) Decoding.events(pen.bytes(), "spi", "clock=sck", "mosi=mosi", "select=cs", "dcInside=yes")
                        .get(0);
        assertThat(t.mosi()).containsExactly(0x2A, 0x00, 0x0A);
        assertThat(t.dc()).containsExactly((byte) 0, (byte) 1, (byte) 1);
    }

    /** On three wires a read command is answered on the line on which it came, after a dummy clock. */
    @Test
    void theDataLineTurnsRound() throws IOException {
        Pen pen = new Pen("sck", "mosi", "cs").set("cs", 1).set("mosi", 0);
        spi(pen, 0, 17, true, 0x04 << 9 | 0xA5);
        spi(pen, 0, 8, true, 0x2C, 0x11);
        List<BusEvent> events = Decoding.events(
                pen.bytes(), "spi", "clock=sck", "mosi=mosi", "select=cs", "turnAfter=1", "dummyClocks=1");
        assertThat(((SpiTransfer) events.get(0)).mosi()).containsExactly(0x04);
        assertThat(((SpiTransfer) events.get(0)).miso()).containsExactly(0xA5);
        assertThat(((SpiTransfer) events.get(1)).mosi()).containsExactly(0x2C, 0x11);
    }

    /** Without a select a rest of the clock begins anew, so one lost clock does not spoil all that follows. */
    @Test
    void withoutASelectARestPartsTheTransfers() throws IOException {
        Pen pen = new Pen("sck", "mosi", "cs").set("mosi", 0);
        spi(pen, 0, 8, true, 0xAE);
        pen.set("sck", 1).rest(40).set("sck", 0).rest(50_000);
        spi(pen, 0, 8, true, 0xA8, 0x3F);
        List<BusEvent> events = Decoding.events(pen.bytes(), "spi", "clock=sck", "mosi=mosi", "gapNs=10000");
        assertThat(events).hasSize(2);
        assertThat(((SpiTransfer) events.get(1)).mosi()).containsExactly(0xA8, 0x3F);
    }

    private static void strobe(Pen pen, int rs, int rw, int half) {
        pen.set("rs", rs).set("rw", rw);
        for (int i = 0; i < 4; i++) {
            pen.set("d" + (4 + i), half >> i & 1);
        }
        pen.rest(200).set("e", 1).rest(500).set("e", 0).rest(500);
    }

    private static Pen display() {
        return new Pen("e", "rs", "rw", "d4", "d5", "d6", "d7").set("e", 0);
    }

    private static List<String> display(Pen pen) throws IOException {
        return Decoding.events(
                        pen.bytes(), "character-lcd", "e=e", "rs=rs", "rw=rw", "d4=d4", "d5=d5", "d6=d6", "d7=d7")
                .stream()
                .map(e -> (CharacterTransfer) e)
                .map(t ->
                        (t.read() ? "r" : t.data() ? "d" : "c") + String.format("%02X", t.value()) + "/" + t.nibbles())
                .toList();
    }

    @Test
    void theWayTo4BitsAndBackIsFollowed() throws IOException {
        Pen pen = display();
        for (int half : new int[] {3, 3, 3, 2, 2, 8}) {
            strobe(pen, 0, 0, half);
        }
        strobe(pen, 0, 1, 8);
        strobe(pen, 0, 1, 0);
        strobe(pen, 1, 0, 4);
        strobe(pen, 1, 0, 1);
        // A program that starts anew without power off: two halves are one byte, and the controller takes 8 bits again.
        for (int half : new int[] {3, 3, 3, 2}) {
            strobe(pen, 0, 0, half);
        }
        assertThat(display(pen))
                .containsExactly(
                        "c30/1", "c30/1", "c30/1", "c20/1", "c28/2", "r80/2", "d41/2", "c33/2", "c30/1", "c20/1");
    }

    /** A record that begins in the middle of a byte finds its step at the first change from commands to text. */
    @Test
    void aRecordThatBeginsBetweenTheHalvesFindsItsStep() throws IOException {
        Pen pen = display();
        strobe(pen, 0, 0, 5);
        for (int half : new int[] {4, 8, 6, 9}) {
            strobe(pen, 1, 0, half);
        }
        assertThat(display(pen)).containsExactly("c50/1", "d48/2", "d69/2");
    }

    @Test
    void aParallelBusCountsOnlyWhatIsSelected() throws IOException {
        Pen pen = new Pen("wr", "rd", "cs", "dc", "d0", "d1", "d2", "d3", "d4", "d5", "d6", "d7")
                .set("wr", 1)
                .set("rd", 1)
                .set("cs", 1);
        int[][] words = {{0, 0, 0x2C}, {1, 0, 0x55}, {1, 1, 0x77}, {1, 0, 0xAA}};
        for (int[] word : words) {
            pen.set("cs", word[1]).set("dc", word[0]);
            for (int i = 0; i < 8; i++) {
                pen.set("d" + i, word[2] >> i & 1);
            }
            pen.set("wr", 0).rest(30).set("wr", 1).rest(30);
        }
        pen.set("cs", 0).set("rd", 0).rest(30).set("rd", 1).rest(30);
        List<BusEvent> events = Decoding.events(
                pen.bytes(),
                "parallel-8080",
                "wr=wr",
                "rd=rd",
                "cs=cs",
                "dc=dc",
                "d0=d0",
                "d1=d1",
                "d2=d2",
                "d3=d3",
                "d4=d4",
                "d5=d5",
                "d6=d6",
                "d7=d7");
        assertThat(events).extracting(e -> ((ParallelTransfer) e).value()).containsExactly(0x2C, 0x55, 0xAA, 0xAA);
        assertThat(((ParallelTransfer) events.get(3)).read()).isTrue();
        assertThat(((ParallelTransfer) events.get(0)).dc()).isZero();
        assertThatThrownBy(() -> Decoding.settings(Protocols.of("parallel-8080"), "wr=wr", "d0=d0"))
                .hasMessageContaining("d1");
    }

    private static byte[] serial(long bitNanos, String text, boolean evenParity) {
        Pen pen = new Pen("tx").set("tx", 1).rest(bitNanos * 12);
        for (char c : text.toCharArray()) {
            pen.set("tx", 0).rest(bitNanos);
            for (int i = 0; i < 8; i++) {
                pen.set("tx", c >> i & 1).rest(bitNanos);
            }
            if (evenParity) {
                pen.set("tx", Integer.bitCount(c) & 1).rest(bitNanos);
            }
            pen.set("tx", 1).rest(bitNanos * 2);
        }
        return pen.rest(bitNanos * 12).bytes();
    }

    @Test
    void aSerialLineIsReadAndAWrongSpeedShows() throws IOException {
        byte[] record = serial(8_681, "Halt 2", false);
        List<BusEvent> right = Decoding.events(record, "serial", "rx=tx", "baud=115200");
        assertThat(right)
                .extracting(e -> (char) ((SerialByte) e).value())
                .containsExactly('H', 'a', 'l', 't', ' ', '2');
        assertThat(right).allMatch(e -> ((SerialByte) e).framed());
        List<BusEvent> wrong = Decoding.events(record, "serial", "rx=tx", "baud=38400");
        assertThat(wrong)
                .isNotEqualTo(right)
                .anyMatch(e -> !((SerialByte) e).framed() || ((SerialByte) e).value() != 'H');
        byte[] even = serial(104_167, "Halt", true);
        assertThat(Decoding.events(even, "serial", "rx=tx", "parity=even"))
                .allMatch(e -> ((SerialByte) e).parityRight());
        assertThat(Decoding.events(even, "serial", "rx=tx", "parity=odd"))
                .noneMatch(e -> ((SerialByte) e).parityRight());
    }

    @Test
    void aHumidityFrameIsReadWithItsSum() throws IOException {
        int[] bytes = {0x02, 0x8C, 0x01, 0x5F, 0xEE};
        Pen pen = new Pen("data")
                .set("data", 1)
                .rest(100_000)
                .set("data", 0)
                .rest(1_200_000)
                .set("data", 1)
                .rest(30_000);
        pen.set("data", 0).rest(80_000).set("data", 1).rest(80_000);
        for (int b : bytes) {
            for (int bit = 7; bit >= 0; bit--) {
                pen.set("data", 0).rest(50_000).set("data", 1).rest((b >> bit & 1) == 1 ? 70_000 : 27_000);
            }
        }
        pen.set("data", 0).rest(50_000).set("data", 1).rest(400_000);
        SingleWireFrame frame = (SingleWireFrame)
                Decoding.events(pen.bytes(), "single-wire", "data=data").get(0);
        assertThat(frame.bits()).isEqualTo(40);
        assertThat(frame.bytes()).containsExactly(0x02, 0x8C, 0x01, 0x5F, 0xEE);
        assertThat(frame.sumRight()).isTrue();
        assertThat(guessed(pen.bytes(), "data")).extracting(Guess::protocol).containsExactly("single-wire");
    }

    private static List<Guess> guessed(byte[] record, String... names) throws IOException {
        Behaviour[] behaviour = new Behaviour[1];
        RecordReader.read(
                new ByteArrayInputStream(record),
                new EdgeCollector(
                        h -> behaviour[0] =
                                new Behaviour(names.length == 0 ? h.names() : List.of(names), h.timeScale()),
                        (line, block) -> {},
                        (tick, levels) -> behaviour[0].moment(tick, levels),
                        java.util.Set.of()));
        return Guesses.of(behaviour[0]);
    }

    private static byte[] capture(String name) throws IOException {
        try (InputStream in = DecodersTest.class.getResourceAsStream("/captures/" + name)) {
            return in.readAllBytes();
        }
    }

    /** Clock and data are told by what they do, also when their names are exchanged or say nothing. */
    @ParameterizedTest
    @ValueSource(strings = {"scl,sda", "sda,scl", "D0,D1"})
    void clockAndDataAreToldByWhatTheyDo(String names) throws IOException {
        assertThat(guessed(capture("i2c-page-oled.vcd"), names.split(",")))
                .singleElement()
                .satisfies(g -> {
                    assertThat(g.protocol()).isEqualTo("i2c");
                    assertThat(g.lines()).containsEntry("scl", 0).containsEntry("sda", 1);
                    assertThat(g.why()).contains("START");
                });
    }

    @Test
    void aSelectIsToldByWhatTheClockDoes() throws IOException {
        assertThat(guessed(capture("spi-dcs-tft.vcd"), "D0", "D1", "D2", "D3"))
                .singleElement()
                .satisfies(g -> {
                    assertThat(g.protocol()).isEqualTo("spi");
                    assertThat(g.lines())
                            .containsEntry("clock", 0)
                            .containsEntry("select", 1)
                            .containsEntry("mosi", 3)
                            .containsEntry("dc", 2);
                    assertThat(g.options()).containsEntry("mode", "0");
                });
    }

    /** 3, 3, 3, 2 and what follows tell which line is which. */
    @Test
    void theOrderOfAPortIsToldByTheSetUp() throws IOException {
        assertThat(guessed(capture("lcd-4bit.vcd"), "A", "B", "C", "D", "E0", "F"))
                .singleElement()
                .satisfies(g -> {
                    assertThat(g.protocol()).isEqualTo("character-lcd");
                    assertThat(g.lines())
                            .containsEntry("rs", 0)
                            .containsEntry("e", 1)
                            .containsEntry("d4", 2)
                            .containsEntry("d7", 5);
                });
    }

    @ParameterizedTest
    @CsvSource({
        "mode=4, 'mode is one of 0, 1, 2, 3'",
        "wordBits=0, wordBits lies between 1 and 32",
        "wordBits=many, wordBits lies between",
        "turnOn=zz, turnOn is a list",
        "bitOrder=up, bitOrder is one of"
    })
    void optionsAreCheckedAndToldByName(String option, String words) {
        assertThatThrownBy(() -> Decoding.settings(Protocols.of("spi"), "clock=c", "mosi=m", option))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }

    /** Damaged records through every decoder and every interpreter: a fault that is told, or events; never anything else. */
    @Test
    void damagedRecordsNeverFail() throws IOException {
        Random random = new Random(31);
        List<List<String>> readings = List.of(
                List.of("i2c-trouble.vcd", "i2c", "scl=scl", "sda=sda", "glitchNs=50"),
                List.of("spi-two-devices.vcd", "spi", "clock=sclk", "mosi=mosi", "miso=miso", "select=cs_b", "mode=3"),
                List.of("lcd-4bit.vcd", "character-lcd", "e=E", "rs=RS", "d4=D4", "d5=D5", "d6=D6", "d7=D7"),
                List.of(
                        "lcd-8bit.vcd",
                        "parallel-8080",
                        "wr=E",
                        "dc=RS",
                        "d0=D0",
                        "d1=D1",
                        "d2=D2",
                        "d3=D3",
                        "d4=D4",
                        "d5=D5",
                        "d6=D6",
                        "d7=D7"),
                List.of("lcd-8bit.vcd", "serial", "rx=E", "baud=100000"),
                List.of("lcd-8bit.vcd", "single-wire", "data=E"));
        assertThat(readings.stream().map(r -> r.get(1)))
                .containsExactlyInAnyOrderElementsOf(
                        Protocols.all().stream().map(Protocol::id).toList());
        int rounds = Integer.getInteger("izzet.damaged", 4000) / readings.size();
        int read = 0;
        for (List<String> one : readings) {
            byte[] good = capture(one.get(0));
            for (int round = 0; round < rounds; round++) {
                byte[] bad = damaged(good, random, round % 2 == 0);
                try {
                    List<BusEvent> events = Decoding.events(
                            bad, one.get(1), one.subList(2, one.size()).toArray(String[]::new));
                    hear(events);
                    read++;
                } catch (RecordFault e) {
                    assertThat(e.getMessage()).isNotBlank();
                }
            }
        }
        assertThat(read).as("some are still records").isGreaterThan(rounds / 10);
    }

    /** @param levels whether only levels are changed, so that it is a record still; else anything anywhere */
    private static byte[] damaged(byte[] good, Random random, boolean levels) {
        int length = good.length - random.nextInt(good.length / 2);
        while (levels && good[length - 1] != '\n') {
            length--;
        }
        byte[] bad = Arrays.copyOf(good, length);
        for (int i = random.nextInt(8); i >= 0; i--) {
            int at = random.nextInt(bad.length - 1);
            if (!levels) {
                bad[at] = (byte) "01xz#!\"$% \n9".charAt(random.nextInt(12));
            } else if (at > 1000 && bad[at - 1] == '\n' && (bad[at] == '0' || bad[at] == '1')) {
                bad[at] = (byte) "01xz".charAt(random.nextInt(4));
            }
        }
        return bad;
    }

    private static void hear(List<BusEvent> events) {
        List<Session> sessions = new ArrayList<>();
        for (String family : Interpreters.families()) {
            sessions.add(Interpreters.of(family).orElseThrow().begin(Panel.plain(family, 16, 2)));
        }
        for (BusEvent event : events) {
            for (Session session : sessions) {
                assertThat(session.hear(event).text()).isNotNull();
            }
        }
        sessions.forEach(s -> s.glass().ifPresent(g -> assertThat(g.state()).isNotNull()));
    }

    /** Bytes by chance as commands and data of every family: a glass always has its size, and something to say. */
    @Test
    void anyBytesMakeSomePicture() {
        Random random = new Random(77);
        for (String family : Interpreters.families()) {
            for (int round = 0; round < 20; round++) {
                Session session = Interpreters.of(family).orElseThrow().begin(Panel.plain(family, 16, 2));
                for (int i = 0; i < 400; i++) {
                    boolean data = random.nextInt(3) == 0;
                    session.hear(new ParallelTransfer(i, i, data ? 1 : 0, random.nextInt(256), false));
                    session.hear(new CharacterTransfer(i, i, data, random.nextInt(9) == 0, random.nextInt(256), 2));
                    byte[] bytes = new byte[random.nextInt(6)];
                    random.nextBytes(bytes);
                    boolean[] acks = new boolean[bytes.length];
                    session.hear(new I2cTransfer(
                            i,
                            i,
                            I2cTransfer.Begin.START,
                            I2cTransfer.End.STOP,
                            0x3C,
                            7,
                            random.nextInt(9) == 0,
                            true,
                            bytes,
                            acks));
                }
                session.glass().ifPresent(g -> {
                    if (g instanceof izzet.core.display.Glass.Pixels p) {
                        assertThat(p.seen().rgb()).hasSize(p.columns() * p.rows());
                        assertThat(p.memory(null).width()).isPositive();
                    } else {
                        assertThat(((izzet.core.display.Glass.Text) g).lines())
                                .allMatch(l -> l.length() == g.columns());
                    }
                });
            }
        }
    }

    @Test
    void bitsOfNeighbouringLinesAreANumberWhateverTheOthersSay() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            long levels = 0;
            for (int role = 0; role < 32; role++) {
                levels |= (long) random.nextInt(3) << (role << 1);
            }
            int first = random.nextInt(16);
            int count = 1 + random.nextInt(16);
            int value = 0;
            for (int bit = 0; bit < count; bit++) {
                value |= Decoder.level(levels, first + bit) == 1 ? 1 << bit : 0;
            }
            assertThat(Decoder.number(levels, first, count)).isEqualTo(value);
        }
    }
}
