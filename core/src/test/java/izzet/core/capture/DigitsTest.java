package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DigitsTest {

    private static long bytes(byte[] eight) {
        return ByteBuffer.wrap(eight).order(ByteOrder.LITTLE_ENDIAN).getLong();
    }

    @Test
    void eightDigitsAreReadAsTheirNumber() {
        Random random = new Random(3);
        for (int i = 0; i < 20_000; i++) {
            int number = i < 10 ? i : random.nextInt(100_000_000);
            long read = bytes("%08d".formatted(number).getBytes(StandardCharsets.US_ASCII));
            assertThat(Digits.allEight(read)).isTrue();
            assertThat(Digits.valueOfEight(read)).isEqualTo(number);
        }
    }

    /** Each of the 256 bytes at each of the eight places. */
    @Test
    void whatIsNoDigitIsSeen() {
        for (int place = 0; place < 8; place++) {
            for (int b = 0; b < 256; b++) {
                byte[] eight = "48271936".getBytes(StandardCharsets.US_ASCII);
                eight[place] = (byte) b;
                assertThat(Digits.allEight(bytes(eight)))
                        .as("byte %d at %d", b, place)
                        .isEqualTo(b >= '0' && b <= '9');
            }
        }
    }
}
