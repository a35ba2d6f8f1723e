package izzet.core.display;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.decode.I2cTransfer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Any wiring of an expander board is found from the set-up and a text. */
class ExpanderTrialTest {

    private static int port(ExpanderBits b, boolean data, int half, boolean strobe) {
        int value = 1 << b.light() | (data ? 1 << b.rs() : 0) | (strobe ? 1 << b.e() : 0);
        int[] lines = {b.d4(), b.d5(), b.d6(), b.d7()};
        for (int i = 0; i < lines.length; i++) {
            value |= (half >> i & 1) << lines[i];
        }
        return value;
    }

    private static void half(List<Integer> port, ExpanderBits b, boolean data, int half) {
        port.add(port(b, data, half, false));
        port.add(port(b, data, half, true));
        port.add(port(b, data, half, false));
    }

    private static List<Integer> script(ExpanderBits b, String text) {
        List<Integer> port = new ArrayList<>();
        for (int half : new int[] {3, 3, 3, 2}) {
            half(port, b, false, half);
        }
        for (int command : new int[] {0x28, 0x0C, 0x06, 0x01, 0x80}) {
            half(port, b, false, command >> 4);
            half(port, b, false, command & 0xF);
        }
        text.chars().forEach(c -> {
            half(port, b, true, c >> 4);
            half(port, b, true, c & 0xF);
        });
        return port;
    }

    private static String shown(ExpanderBits bits, List<Integer> port) {
        Session session = Interpreters.of("expander-character")
                .orElseThrow()
                .begin(Panel.plain("expander-character", 16, 2).behind(bits.map()));
        byte[] bytes = new byte[port.size()];
        boolean[] acks = new boolean[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = port.get(i).byteValue();
        }
        session.hear(new I2cTransfer(
                0, 1, I2cTransfer.Begin.START, I2cTransfer.End.STOP, 0x27, 7, false, true, bytes, acks));
        return ((Glass.Text) session.glass().orElseThrow()).lines().get(0).strip();
    }

    @Test
    void everyWiringShowsItsText() {
        Random random = new Random(12);
        for (int round = 0; round < 100; round++) {
            List<Integer> o = new ArrayList<>(IntStream.range(0, 8).boxed().toList());
            Collections.shuffle(o, random);
            ExpanderBits wired =
                    new ExpanderBits(o.get(0), o.get(1), o.get(2), o.get(3), o.get(4), o.get(5), o.get(6), o.get(7));
            List<Integer> port = script(wired, "Platform 2 clear");
            ExpanderBits found = ExpanderTrial.find(port).orElseThrow();
            assertThat(shown(found, port)).as(wired + " taken for " + found).isEqualTo("Platform 2 clear");
        }
    }

    @Test
    void whatIsNoSetUpIsNotGuessed() {
        Random random = new Random(4);
        assertThat(ExpanderTrial.find(random.ints(400, 0, 256).boxed().toList()))
                .isEmpty();
        assertThat(ExpanderTrial.find(List.of(1, 2, 3))).isEmpty();
    }
}
