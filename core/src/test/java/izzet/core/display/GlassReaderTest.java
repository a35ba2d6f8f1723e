package izzet.core.display;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.bench.I2cWaveform;
import izzet.core.decode.Decoding;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The glass at the end of each simulated capture is the picture that its driving script drew. */
class GlassReaderTest {

    private static Glass read(String capture, String protocol, Panel panel, int address, String at, String... settings)
            throws IOException {
        Protocol p = Protocols.of(protocol);
        Settings s = Decoding.settings(p, settings);
        GlassReader.Listener listener = new GlassReader.Listener(address, -1, 0);
        try (InputStream in = resource(capture)) {
            return new GlassReader(p, s, panel, listener, at == null ? null : new BigDecimal(at)).read(in);
        }
    }

    private static InputStream resource(String name) {
        return GlassReaderTest.class.getResourceAsStream("/captures/" + name);
    }

    /** Digits of a portable picture without its comments. */
    private static String plain(String picture) {
        return picture.lines()
                .filter(l -> !l.startsWith("#"))
                .collect(Collectors.joining(" "))
                .replaceAll("\\s+", " ");
    }

    private static String kept(String name) throws IOException {
        return plain(new String(resource(name).readAllBytes(), StandardCharsets.UTF_8));
    }

    @Test
    void aPageAddressedPanel() throws IOException {
        Panel panel = Panel.plain("page-oled", 128, 64);
        Glass.Pixels glass = (Glass.Pixels) read("i2c-page-oled.vcd", "i2c", panel, 0x3C, null, "scl=scl", "sda=sda");
        assertThat(plain(glass.memory(null).pbm()).substring(10).replace(" ", ""))
                .isEqualTo(kept("i2c-page-oled.pbm").substring(10).replace(" ", ""));
        assertThat(glass.seen().rgb())
                .as("upright as set up")
                .isEqualTo(glass.memory(null).rgb());
        assertThat(glass.state()).isEmpty();
    }

    @Test
    void aColourPanel() throws IOException {
        Panel panel = Panel.plain("dcs", 480, 480);
        Glass.Pixels glass = (Glass.Pixels)
                read("spi-dcs-tft.vcd", "spi", panel, -1, null, "clock=clk", "mosi=mosi", "select=cs", "dc=dc");
        assertThat(plain(glass.memory(null).ppm()).strip())
                .isEqualTo(kept("spi-dcs-tft.ppm").strip());
    }

    @Test
    void characterDisplaysOnPins() throws IOException {
        for (String capture : List.of("lcd-4bit.vcd", "lcd-8bit.vcd")) {
            String[] eight = {"e=E", "rs=RS", "d4=D4", "d5=D5", "d6=D6", "d7=D7", "d0=D0", "d1=D1", "d2=D2", "d3=D3"};
            String[] lines = capture.startsWith("lcd-8") ? eight : java.util.Arrays.copyOf(eight, 6);
            Glass.Text glass =
                    (Glass.Text) read(capture, "character-lcd", Panel.plain("character", 16, 2), -1, null, lines);
            assertThat(glass.lines()).containsExactly("Water tank 73% \u0001", "Pump off 21:40  ");
            assertThat(glass.glyphs()).containsOnlyKeys(1);
            assertThat(glass.glyphs().get(1)).containsExactly(4, 4, 10, 10, 17, 17, 14, 0);
        }
    }

    @Test
    void aCharacterDisplayBehindAnExpander() throws IOException {
        Panel panel = Panel.plain("character", 16, 2)
                .behind(ExpanderBits.read("rs:0,rw:1,e:2,backlight:3,d4:4,d5:5,d6:6,d7:7")
                        .map());
        Glass.Text glass = (Glass.Text) read("i2c-expander-lcd.vcd", "i2c", panel, 38, null, "scl=scl", "sda=sda");
        assertThat(glass.lines()).containsExactly("Signal box No. 4", "Platform 2 clear");
        Protocol i2c = Protocols.of("i2c");
        Settings settings = Decoding.settings(i2c, "scl=scl", "sda=sda");
        try (InputStream in = resource("i2c-expander-lcd.vcd")) {
            Glass.Text found = (Glass.Text) new GlassReader(
                            i2c, settings, Panel.plain("character", 16, 2), new GlassReader.Listener(38, -1, 0), null)
                    .findingBits()
                    .read(in);
            assertThat(found.lines()).as("bits found by trial").isEqualTo(glass.lines());
        }
        Glass.Text other = (Glass.Text) read("i2c-expander-lcd.vcd", "i2c", panel, 39, null, "scl=scl", "sda=sda");
        assertThat(other.lines()).as("nobody speaks to this address").containsOnly(" ".repeat(16));
    }

    /** Half way through the picture one half of it is there, page after page. */
    @Test
    void theGlassAtAMoment() throws IOException {
        Panel panel = Panel.plain("page-oled", 128, 64);
        Glass.Pixels whole = (Glass.Pixels) read("i2c-page-oled.vcd", "i2c", panel, 0x3C, null, "scl=scl", "sda=sda");
        int before = -1;
        for (String at : List.of("2000000", "30000000", "60000000", "90000000", "200000000")) {
            Glass.Pixels then = (Glass.Pixels) read("i2c-page-oled.vcd", "i2c", panel, 0x3C, at, "scl=scl", "sda=sda");
            int lit = (int) java.util.Arrays.stream(then.memory(null).rgb())
                    .filter(p -> p != 0)
                    .count();
            assertThat(lit).as(at).isGreaterThanOrEqualTo(before);
            before = lit;
        }
        assertThat(before)
                .isEqualTo((int) java.util.Arrays.stream(whole.memory(null).rgb())
                        .filter(p -> p != 0)
                        .count());
    }

    /** A column is written and scrolls to the right, one place each 2 frames of 54 clocks for each of 64 rows. */
    @Test
    void whatScrollsByItselfIsWhereItWasThen() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 400_000)) {
            bus.write(0x3C, true, 0x00, 0xAF, 0xB0, 0x00, 0x10);
            bus.write(0x3C, true, 0x40, 0xFF);
            bus.write(0x3C, true, 0x00, 0x26, 0x00, 0x00, 0x07, 0x00, 0x00, 0xFF, 0x2F);
            bus.idle(1_000_000_000);
        }
        Protocol i2c = Protocols.of("i2c");
        Settings settings = Settings.of(i2c, Map.of("scl", "scl", "sda", "sda")::get);
        double step = 2 * 54 * 64 / 370e3;
        for (int places : new int[] {0, 1, 20}) {
            BigDecimal at = BigDecimal.valueOf(1_000_000 + Math.round((places + 0.5) * step * 1e9));
            Glass.Pixels then = (Glass.Pixels) new GlassReader(
                            i2c, settings, Panel.plain("page-oled", 128, 64), new GlassReader.Listener(0x3C, -1, 0), at)
                    .read(new ByteArrayInputStream(out.toByteArray()));
            assertThat(then.memory(null).at(places, 0)).as("%d places", places).isNotZero();
        }
    }

    @Test
    void everyFamilyOfThePartsIsKnown() {
        Map<String, String> unknown = izzet.core.catalog.CatalogReader.shipped().parts().values().stream()
                .filter(p -> Panel.family(p) != null
                        && Interpreters.of(Panel.family(p)).isEmpty())
                .collect(Collectors.toMap(izzet.core.catalog.Part::id, Panel::family));
        assertThat(unknown).isEmpty();
    }
}
