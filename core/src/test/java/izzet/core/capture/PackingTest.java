package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.decode.EventBlock;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class PackingTest {

    private static final I2cTransfer TRANSFER = new I2cTransfer(
            5,
            900,
            I2cTransfer.Begin.START,
            I2cTransfer.End.STOP,
            0x3C,
            7,
            false,
            true,
            new byte[] {0, 1, 2},
            new boolean[] {true, true, false});

    private static List<String> edges(EdgeBlock block) {
        List<String> seen = new ArrayList<>();
        block.visit((tick, level) -> seen.add(tick + "=" + level));
        return seen;
    }

    private static byte[] unmarked(byte[] packed) {
        return Arrays.copyOfRange(packed, 1, packed.length);
    }

    /** As transfers were stored before there were other protocols. */
    private static byte[] firstFormat() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(Packing.deflate(bytes, 1))) {
            out.writeInt(1);
            Protocols.of("i2c").pack(out, TRANSFER);
        }
        return bytes.toByteArray();
    }

    /** Blocks of the first versions, which data folders are full of. */
    @Test
    void blocksWithoutAMarkAreReadAsEver() throws IOException {
        EdgeBlock block = EdgeBlock.pack(new long[] {3, 9, 400_000}, new byte[] {1, 0, 2}, 3, 2);
        EdgeBlock old = new EdgeBlock(3, 400_000, 2, 2, 3, unmarked(block.packed()));
        assertThat(Packing.format(block.packed())).isEqualTo(1);
        assertThat(Packing.format(old.packed())).isEqualTo(Packing.UNMARKED);
        assertThat(edges(old)).isEqualTo(edges(block)).containsExactly("3=1", "9=0", "400000=2");
        byte[] transfers = firstFormat();
        assertThat(EventBlock.unpack(unmarked(transfers))).containsExactly(TRANSFER);
        assertThat(EventBlock.unpack(transfers)).containsExactly(TRANSFER);
        assertThat(EventBlock.unpack(EventBlock.pack(Protocols.of("i2c"), List.of(TRANSFER))))
                .containsExactly(TRANSFER);
    }

    @Test
    void blocksOfALaterVersionAreToldAndNotGuessed() {
        byte[] transfers = EventBlock.pack(Protocols.of("i2c"), List.of(TRANSFER));
        transfers[0] = 9;
        assertThatThrownBy(() -> EventBlock.unpack(transfers))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("format 9");
    }
}
