package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.capture.TimeScale;
import izzet.core.circuit.Unit;
import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.SerialByte;
import izzet.core.decode.SingleWireFrame;
import izzet.core.decode.SpiTransfer;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A conversation of any bus, searched, on lanes, and with what is remarked. */
class TalkTest {

    private static final TimeScale NANOSECONDS = new TimeScale(1_000_000);

    private static I2cTransfer say(long at, int address, boolean heard, int... bytes) {
        byte[] data = new byte[heard ? bytes.length : 0];
        boolean[] acks = new boolean[data.length];
        for (int i = 0; i < data.length; i++) {
            data[i] = (byte) bytes[i];
            acks[i] = true;
        }
        return new I2cTransfer(
                at, at + 100, I2cTransfer.Begin.START, I2cTransfer.End.STOP, address, 7, false, heard, data, acks);
    }

    private record Heard(List<Conversation.Line> lines, Conversation talk, Lanes lanes) {
        List<String> texts() {
            return lines.stream().map(l -> l.partner() + ": " + l.text()).toList();
        }
    }

    private static Heard hear(Workbench bench, Unit selected, BusEvent... events) {
        List<Conversation.Line> lines = new ArrayList<>();
        Lanes lanes = new Lanes(0, 10_000, 100);
        Conversation talk = new Conversation(bench.circuit(), selected, lines::add);
        talk.eachEvent(lanes::add);
        for (BusEvent event : events) {
            talk.add(event);
        }
        talk.end();
        return new Heard(lines, talk, lanes);
    }

    private static Workbench sign() {
        return Workbench.on(Workbench.MCU).with("sign", Workbench.OLED);
    }

    /** Bytes that come one by one make the line that they would have made together. */
    @Test
    void aCommandThatComesByteByByteIsOneLine() {
        Heard heard = hear(
                sign(),
                null,
                say(0, 0x3C, true, 0, 0xA8),
                say(200, 0x3C, true, 0, 0x3F),
                say(400, 0x3C, true, 0, 0xAF));
        assertThat(heard.texts()).containsExactly("the sign: 64 rows", "the sign: display on");
        assertThat(heard.lines().get(0).count()).isEqualTo(2);
    }

    @Test
    void aScanIsToldAsAScan() {
        BusEvent[] scan = new BusEvent[112];
        for (int i = 0; i < scan.length; i++) {
            scan[i] = say(i * 200, 8 + i, 8 + i == 0x3C);
        }
        List<Remark> remarks = Comparison.of(hear(sign(), null, scan).talk());
        assertThat(remarks).singleElement().satisfies(r -> assertThat(r.sentence())
                .isEqualTo("A scan of 112 addresses from 0x08 to 0x77: 0x3C answered."));
    }

    /** Two strangers that are not there are no scan: each is told. */
    @Test
    void strangersAreToldOneByOne() {
        List<Remark> remarks = Comparison.of(
                hear(sign(), null, say(0, 0x27, false), say(200, 0x50, true, 1), say(400, 0x3C, true, 0, 0xAF))
                        .talk());
        assertThat(remarks).extracting(Remark::stranger).containsExactlyInAnyOrder(0x27, 0x50);
        assertThat(remarks).extracting(Remark::tick).containsExactlyInAnyOrder(0L, 200L);
    }

    @Test
    void aSetUpForAnotherGlassIsRemarked() {
        List<Remark> remarks = Comparison.of(
                hear(sign(), null, say(0, 0x3C, true, 0, 0xA8, 0x1F, 0xAF)).talk());
        assertThat(remarks).singleElement().satisfies(r -> {
            assertThat(r.rule()).isEqualTo("T7");
            assertThat(r.sentence()).isEqualTo("the sign is set up for 32 of its 64 rows.");
        });
        assertThat(Comparison.of(hear(sign(), null, say(0, 0x3C, true, 0, 0xA8, 0x3F, 0xAF))
                        .talk()))
                .isEmpty();
    }

    /** On a bus without addresses nothing is said about addresses. */
    @Test
    void otherBusesAreHeardByThePartOnTheirLines() {
        Workbench bench = sign();
        SpiTransfer words = new SpiTransfer(0, 9, new int[] {1, 2}, null, null, new long[] {4, 9}, false);
        assertThat(hear(bench, null, words).texts()).containsExactly("the part on these lines: 2 words written");
        Unit unit = bench.circuit().units().iterator().next();
        Heard own =
                hear(bench, unit, new SpiTransfer(0, 9, new int[] {0xAF}, null, new byte[] {0}, new long[] {9}, false));
        assertThat(own.texts()).containsExactly("the sign: display on");
        assertThat(Comparison.of(own.talk())).isEmpty();
        assertThat(hear(
                                bench,
                                null,
                                new SerialByte(0, 1, 'H', true, true),
                                new SerialByte(2, 3, 'i', true, true),
                                new SerialByte(4, 5, 0, false, true))
                        .texts())
                .containsExactly(
                        "the part on these lines: says “Hi”",
                        "the part on these lines: a byte without its stop bit: another speed?");
    }

    @Test
    void humidityAndTemperatureAreReckonedFromTheirBytes() {
        byte[] frame = {0x02, (byte) 0x8C, (byte) 0x80, 0x65, 0x73};
        assertThat(hear(sign(), null, new SingleWireFrame(0, 1, 40, frame))
                        .lines()
                        .get(0)
                        .text())
                .isEqualTo("humidity 65.2 %, temperature -10.1 °C");
        frame[4]++;
        Conversation.Line wrong =
                hear(sign(), null, new SingleWireFrame(0, 1, 40, frame)).lines().get(0);
        assertThat(wrong.text()).endsWith("and the sum is wrong");
        assertThat(wrong.heard()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "'', 3",
        "not heard, 1",
        "to sign, 1",
        "from sign, 0",
        "AF, 1",
        "0x00 AF, 1",
        "50, 1",
        "display, 1",
        "longer than 50 ns, 3",
        "longer than 5 ms, 0",
        "'not heard, 27', 1",
        "'not heard, to sign', 0"
    })
    void linesAreFoundInAMakersWords(String words, int count) {
        TalkFilter filter = new TalkFilter(words, NANOSECONDS);
        List<Conversation.Line> found = new ArrayList<>();
        Conversation talk = new Conversation(sign().circuit(), null, l -> {
            if (filter.wants(l)) {
                found.add(l);
            }
        });
        for (I2cTransfer t : List.of(say(0, 0x3C, true, 0, 0xAF), say(200, 0x27, false), say(400, 0x50, true, 9, 8))) {
            talk.add(t);
            filter.event(t);
        }
        talk.end();
        assertThat(found).as(words).hasSize(count);
    }

    @Test
    void lanesTellWhenWhoAndHowMuch() {
        Lanes lanes = hear(
                        sign(),
                        null,
                        say(0, 0x3C, true, 0, 0xAF),
                        say(5000, 0x27, false),
                        say(9900, 0x3C, true, 0, 0xAE))
                .lanes();
        assertThat(lanes.lanes())
                .extracting(Lanes.Lane::partner)
                .containsExactly("the sign", "0x27, nobody in the plan");
        assertThat(lanes.lanes().get(0).cells()[0]).isEqualTo((byte) 1);
        assertThat(lanes.lanes().get(1).cells()[50]).isEqualTo((byte) 2);
        assertThat(lanes.lanes().get(1).cells()[49]).isZero();
        assertThat(lanes.busyTicks()).isEqualTo(300);
        assertThat(lanes.longestGap()).isEqualTo(4900);
        assertThat(lanes.gapFrom()).isEqualTo(100);
    }
}
