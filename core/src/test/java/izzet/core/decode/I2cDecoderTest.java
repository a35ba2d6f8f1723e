package izzet.core.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verifyNoMoreInteractions;

import izzet.core.bench.I2cWaveform;
import izzet.core.capture.TimeScale;
import izzet.core.capture.VcdReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.mockito.InOrder;

class I2cDecoderTest {

    /** Draws the two lines by hand, one quarter of a clock at a time. */
    private static final class Hand {
        private final List<I2cTransfer> heard = new ArrayList<>();
        private final Decoder decoder = Decoding.i2c(0, heard);
        private long now;

        Hand() {
            decoder.begin(new TimeScale(1_000_000));
            lines(1, 1);
        }

        Hand lines(int scl, int sda) {
            decoder.change(0, scl);
            decoder.change(1, sda);
            decoder.moment(now);
            now += 10;
            return this;
        }

        Hand start() {
            return lines(1, 0).lines(0, 0);
        }

        Hand repeatedStart() {
            return lines(0, 1).lines(1, 1).start();
        }

        Hand stop() {
            return lines(0, 0).lines(1, 0).lines(1, 1);
        }

        Hand bit(int level) {
            return lines(0, level).lines(1, level).lines(0, level);
        }

        Hand octet(int value, boolean acknowledged) {
            for (int i = 7; i >= 0; i--) {
                bit(value >> i & 1);
            }
            return bit(acknowledged ? 0 : 1);
        }

        List<I2cTransfer> end() {
            decoder.end(now);
            return heard;
        }
    }

    /** Whatever is said on a simulated bus is heard, and nothing else. */
    @Test
    void randomTransfersComeThrough() throws IOException {
        Random random = new Random(29);
        for (int round = 0; round < 60; round++) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            List<int[]> said = new ArrayList<>();
            try (I2cWaveform bus = new I2cWaveform(out, 50_000 + random.nextInt(900_000))) {
                for (int t = 0; t < 12; t++) {
                    int address = 8 + random.nextInt(0x70);
                    boolean there = random.nextInt(5) > 0;
                    int[] bytes = random.ints(random.nextInt(20), 0, 256).toArray();
                    bus.write(address, there, bytes);
                    int[] all = new int[2 + (there ? bytes.length : 0)];
                    all[0] = address;
                    all[1] = there ? 1 : 0;
                    System.arraycopy(bytes, 0, all, 2, all.length - 2);
                    said.add(all);
                    bus.idle(random.nextInt(100_000));
                }
            }
            List<I2cTransfer> heard = new ArrayList<>();
            new VcdReader(new ByteArrayInputStream(out.toByteArray()))
                    .read(Decoding.i2c(round % 2 == 0 ? 0 : 50, heard));
            assertThat(heard).hasSameSizeAs(said);
            for (int t = 0; t < said.size(); t++) {
                int[] all = said.get(t);
                I2cTransfer got = heard.get(t);
                assertThat(got.address()).isEqualTo(all[0]);
                assertThat(got.ack()).isEqualTo(all[1] == 1);
                assertThat(got.ending()).isEqualTo(I2cTransfer.End.STOP);
                int[] bytes = new int[got.size()];
                for (int i = 0; i < bytes.length; i++) {
                    bytes[i] = got.value(i);
                }
                assertThat(bytes).isEqualTo(java.util.Arrays.copyOfRange(all, 2, all.length));
            }
        }
    }

    @Test
    void aByteGivenUpByAnEarlyStopIsLeftOut() {
        List<I2cTransfer> heard = new Hand()
                .start()
                .octet(0x3C << 1, true)
                .octet(0x40, true)
                .bit(1)
                .bit(0)
                .stop()
                .end();
        assertThat(heard).hasSize(1);
        assertThat(heard.get(0).size()).isEqualTo(1);
        assertThat(heard.get(0).ending()).isEqualTo(I2cTransfer.End.STOP);
    }

    @Test
    void aTransferWithoutAWholeAddressIsNone() {
        assertThat(new Hand().start().bit(1).bit(0).stop().end()).isEmpty();
    }

    @Test
    void dataChangingTogetherWithTheClockIsNeitherStartNorStop() {
        Hand hand = new Hand().start().octet(0x50 << 1, true);
        hand.lines(1, 1).lines(0, 0).lines(1, 1).lines(0, 0);
        assertThat(hand.end()).hasSize(1).allMatch(t -> t.ending() == I2cTransfer.End.CUT_OFF);
    }

    @Test
    void anUnknownLevelCutsTheTransferOff() {
        List<I2cTransfer> heard = new Hand()
                .start()
                .octet(0x50 << 1, true)
                .octet(7, true)
                .lines(2, 0)
                .lines(1, 1)
                .start()
                .octet(0x51 << 1 | 1, true)
                .stop()
                .end();
        assertThat(heard)
                .extracting(I2cTransfer::ending)
                .containsExactly(I2cTransfer.End.CUT_OFF, I2cTransfer.End.STOP);
        assertThat(heard.get(1).read()).isTrue();
        assertThat(heard.get(1).begin()).isEqualTo(I2cTransfer.Begin.START);
    }

    @Test
    void aTenBitReadCarriesTheWholeAddressOfTheWriteBefore() {
        List<I2cTransfer> heard = new Hand()
                .start()
                .octet(0b11110_01_0, true)
                .octet(0x55, true)
                .repeatedStart()
                .octet(0b11110_01_1, true)
                .octet(0x99, false)
                .stop()
                .start()
                .octet(0b11110_10_1, false)
                .stop()
                .end();
        assertThat(heard).extracting(I2cTransfer::address).containsExactly(0x155, 0x155, 0x200);
        assertThat(heard).allMatch(t -> t.addressBits() == 10);
        assertThat(heard.get(1).value(0)).isEqualTo(0x99);
        assertThat(heard.get(2).ack()).isFalse();
    }

    /** Bytes follow each other without gap or overlap, and only the first after a START is an address. */
    @Test
    void bytesAreToldWithTheirPlaces() {
        Hand hand = new Hand();
        Decoder.Words bytes = mock(Decoder.Words.class);
        hand.decoder.eachWord(bytes);
        hand.start()
                .octet(0x78, true)
                .octet(0x00, true)
                .octet(0xAF, false)
                .stop()
                .end();
        InOrder order = inOrder(bytes);
        order.verify(bytes).at(anyLong(), anyLong(), eq("to 0x3C"), eq(true));
        order.verify(bytes).at(anyLong(), anyLong(), eq("0x00"), eq(true));
        order.verify(bytes).at(anyLong(), anyLong(), eq("0xAF"), eq(false));
        verifyNoMoreInteractions(bytes);
    }
}
