package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.decode.I2cTransfer;
import izzet.core.decode.TransferBlock;
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

    /** Blocks of the first versions, which data folders are full of. */
    @Test
    void blocksWithoutAMarkAreReadAsEver() {
        EdgeBlock block = EdgeBlock.pack(new long[] {3, 9, 400_000}, new byte[] {1, 0, 2}, 3, 2);
        EdgeBlock old = new EdgeBlock(3, 400_000, 2, 2, 3, unmarked(block.packed()));
        assertThat(Packing.format(block.packed())).isEqualTo(1);
        assertThat(Packing.format(old.packed())).isEqualTo(Packing.UNMARKED);
        assertThat(edges(old)).isEqualTo(edges(block)).containsExactly("3=1", "9=0", "400000=2");
        byte[] transfers = TransferBlock.pack(List.of(TRANSFER));
        assertThat(TransferBlock.unpack(unmarked(transfers)).get(0).start()).isEqualTo(5);
        assertThat(TransferBlock.unpack(transfers).get(0).end()).isEqualTo(900);
    }

    @Test
    void blocksOfALaterVersionAreToldAndNotGuessed() {
        byte[] transfers = TransferBlock.pack(List.of(TRANSFER));
        transfers[0] = 9;
        assertThatThrownBy(() -> TransferBlock.unpack(transfers))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("format 9");
    }
}
