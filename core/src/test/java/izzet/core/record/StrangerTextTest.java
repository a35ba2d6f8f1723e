package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.capture.VcdReader;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A display that nobody put into the plan is read from its bytes alone; what is none is not made one. */
class StrangerTextTest {

    private static List<I2cTransfer> transfers(String capture) throws IOException {
        List<I2cTransfer> all = new ArrayList<>();
        var i2c = Protocols.of("i2c");
        try (InputStream in = StrangerTextTest.class.getResourceAsStream("/captures/" + capture)) {
            new VcdReader(in)
                    .read(i2c.decoder(
                            Settings.of(i2c, n -> n.equals("scl") || n.equals("sda") ? n : null),
                            e -> all.add((I2cTransfer) e)));
        }
        return all;
    }

    @Test
    void aCharacterDisplayBehindAnExpanderIsRead() throws IOException {
        StrangerText text = StrangerText.of(transfers("i2c-expander-lcd.vcd")).orElseThrow();
        assertThat(text.wiring()).isEqualTo("RS on bit 0, E on bit 2, data on bits 4, 5, 6, 7");
        assertThat(text.lines()).hasSizeBetween(1, 2).allMatch(l -> l.strip().length() > 3);
    }

    @Test
    void aGraphicDisplayIsNotTakenForOne() throws IOException {
        assertThat(StrangerText.of(transfers("i2c-page-oled.vcd"))).isEmpty();
        assertThat(StrangerText.of(List.of())).isEmpty();
    }
}
