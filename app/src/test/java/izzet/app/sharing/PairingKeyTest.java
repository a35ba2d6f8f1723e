package izzet.app.sharing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.google.zxing.BinaryBitmap;
import izzet.app.plan.PlanStore;
import izzet.app.store.PairedDeviceRow;
import izzet.app.store.PairedDeviceRows;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.mock.env.MockEnvironment;

/** How long keys and rates last, by a clock that the tests turn. */
class PairingKeyTest {

    private static final class Hand extends Clock {
        private Instant now = Instant.parse("2026-03-01T08:00:00Z");

        void turn(Duration by) {
            now = now.plus(by);
        }

        @Override
        public Instant instant() {
            return now;
        }

        @Override
        public ZoneOffset getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(java.time.ZoneId zone) {
            return this;
        }
    }

    private final Hand clock = new Hand();
    private final PairingKey key = new PairingKey(clock);

    @Test
    void aKeyLastsTenMinutes() {
        String made = key.fresh();
        clock.turn(PairingKey.LIFE.minusSeconds(1));
        assertThat(key.there()).isTrue();
        clock.turn(Duration.ofSeconds(1));
        assertThat(key.there()).isFalse();
        assertThat(key.take(made)).isFalse();
    }

    @Test
    void aNewKeyEndsTheOneBefore() {
        String before = key.fresh();
        String after = key.fresh();
        assertThat(key.take(before)).isFalse();
        assertThat(key.take(after)).isTrue();
        assertThat(key.take(after)).isFalse();
    }

    @Test
    void withoutAKeyNothingTypedIsOne() {
        assertThat(key.take("")).isFalse();
        assertThat(key.take("null")).isFalse();
    }

    @Test
    void keysDiffer() {
        Set<String> made = new HashSet<>();
        for (int i = 0; i < 1000; i++) {
            made.add(key.fresh());
        }
        assertThat(made).hasSize(1000).allMatch(k -> k.matches("[2-9A-HJKMNP-TV-Z]{4}(-[2-9A-HJKMNP-TV-Z]{4}){2}"));
    }

    @Test
    void ratesComeBackWithTime() {
        Rates rates = new Rates(clock, 5);
        for (int i = 0; i < 5; i++) {
            assertThat(rates.take("a")).isTrue();
        }
        assertThat(rates.take("a")).isFalse();
        assertThat(rates.take("b")).isTrue();
        clock.turn(Duration.ofSeconds(11));
        assertThat(rates.take("a")).isFalse();
        clock.turn(Duration.ofSeconds(1));
        assertThat(rates.take("a")).isTrue();
        clock.turn(Duration.ofHours(1));
        for (int i = 0; i < 5; i++) {
            assertThat(rates.take("a")).isTrue();
        }
        assertThat(rates.take("a")).isFalse();
    }

    /** Many askers do not fill the memory, and one of them does not get more by hiding among them. */
    @Test
    void ratesForgetWhoAskedLongestAgo() {
        Rates rates = new Rates(clock, 1);
        for (int i = 0; i < 5000; i++) {
            assertThat(rates.take("asker " + i)).isTrue();
        }
        assertThat(rates.take("asker 4999")).isFalse();
    }

    @Test
    void aNetworkOfNewAddressesIsOneAsker() {
        assertThat(Addresses.asker("2001:db8::1")).isEqualTo(Addresses.asker("2001:db8::ffff:2"));
        assertThat(Addresses.asker("2001:db8:0:1::1")).isNotEqualTo(Addresses.asker("2001:db8::1"));
        assertThat(Addresses.asker("192.0.2.1")).isNotEqualTo(Addresses.asker("192.0.2.2"));
    }

    @Test
    void aDeviceThatWasNotUsedForLongIsNoneAnyMore() {
        PairedDeviceRows rows = mock(PairedDeviceRows.class);
        when(rows.save(any())).thenAnswer(call -> {
            PairedDeviceRow row = call.getArgument(0);
            when(rows.findByKeyDigest(anyString())).thenReturn(Optional.of(withId(row)));
            return row;
        });
        Devices devices = new Devices(rows, mock(PlanStore.class), clock);
        String made = devices.pair("Phone");
        clock.turn(Devices.LIFE.minusDays(1));
        assertThat(devices.of(made)).isPresent();
        clock.turn(Devices.LIFE.minusDays(1));
        assertThat(devices.of(made)).as("used in between").isPresent();
        clock.turn(Devices.LIFE);
        assertThat(devices.of(made)).isEmpty();
    }

    private static PairedDeviceRow withId(PairedDeviceRow row) {
        org.springframework.test.util.ReflectionTestUtils.setField(row, "id", 1L);
        return row;
    }

    /** The terminal shows a key again when somebody asks and none is left, and no more than once a minute. */
    @Test
    void theTerminalTellsANewKeyWhenOneIsWanted() {
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        MockEnvironment environment = new MockEnvironment().withProperty("local.server.port", "8080");
        PairingTerminal terminal =
                new PairingTerminal(key, environment, clock, new PrintStream(said, true, StandardCharsets.UTF_8));
        terminal.someoneAsks();
        assertThat(said.toString(StandardCharsets.UTF_8)).contains("/pair?key=");
        said.reset();
        terminal.someoneAsks();
        assertThat(said.size()).isZero();
        clock.turn(PairingKey.LIFE);
        terminal.someoneAsks();
        terminal.someoneAsks();
        assertThat(said.toString(StandardCharsets.UTF_8)).containsOnlyOnce("/pair?key=");
    }

    /** Read back by the library's own reader. */
    @Test
    void theCodeSaysTheAddress() throws Exception {
        String address = "https://192.0.2.17:8080/pair?key=2345-6789-ABCD";
        QrCode code = new QrCode(address);
        java.awt.image.BufferedImage image = new java.awt.image.BufferedImage(
                code.size() * 4, code.size() * 4, java.awt.image.BufferedImage.TYPE_BYTE_GRAY);
        java.awt.Graphics2D g = image.createGraphics();
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, image.getWidth(), image.getHeight());
        g.setColor(java.awt.Color.BLACK);
        java.util.regex.Matcher run = java.util.regex.Pattern.compile("M(\\d+) (\\d+)h(\\d+)v1h-(\\d+)z")
                .matcher(code.path());
        while (run.find()) {
            assertThat(run.group(3)).isEqualTo(run.group(4));
            g.fillRect(
                    Integer.parseInt(run.group(1)) * 4,
                    Integer.parseInt(run.group(2)) * 4,
                    Integer.parseInt(run.group(3)) * 4,
                    4);
        }
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        var light = new com.google.zxing.RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        var bitmap = new BinaryBitmap(new com.google.zxing.common.HybridBinarizer(light));
        assertThat(new com.google.zxing.qrcode.QRCodeReader().decode(bitmap).getText())
                .isEqualTo(address);
        assertThat(code.terminal().lines()).hasSize((code.size() + 1) / 2);
    }
}
