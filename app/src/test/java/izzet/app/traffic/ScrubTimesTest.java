package izzet.app.traffic;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.beans.factory.annotation.Autowired;

/** How fast the glass of a long record is drawn while it is run back and forth: a measurement, made when it is asked for. */
@EnabledIfSystemProperty(named = "izzet.scrub", matches = "true")
class ScrubTimesTest extends PagesOfAPlan {

    private static final int COMMANDS = 10_000;
    private static final int DRAWN = 600;

    @Autowired
    private RecordStore records;

    ScrubTimesTest() {
        super(A_SIGN);
    }

    /** Transfers of a command or of eight bytes of a picture each, as clock and data lines. */
    private static final class Lines {
        private final StringBuilder text = new StringBuilder(
                "$timescale 1us $end $var wire 1 c scl $end $var wire 1 d sda $end $enddefinitions $end\n#0 1c 1d\n");
        private long now = 100;

        private void set(char line, int level) {
            text.append('#')
                    .append(now += 2)
                    .append(' ')
                    .append(level)
                    .append(line)
                    .append('\n');
        }

        void transfer(int... bytes) {
            set('d', 0);
            set('c', 0);
            for (int value : bytes) {
                for (int bit = 7; bit >= -1; bit--) {
                    set('d', bit < 0 ? 0 : value >> bit & 1);
                    set('c', 1);
                    set('c', 0);
                }
            }
            set('d', 0);
            set('c', 1);
            set('d', 1);
            now += 20;
        }
    }

    private static byte[] record() {
        Lines lines = new Lines();
        lines.transfer(0x78, 0x00, 0xAE, 0xA8, 0x3F, 0x20, 0x00, 0x8D, 0x14, 0xDA, 0x12, 0xA1, 0xC8, 0xAF);
        Random random = new Random(9);
        for (int i = 1; i < COMMANDS; i++) {
            if (i % 16 == 0) {
                lines.transfer(0x78, 0x00, 0x81, random.nextInt(256));
            } else {
                lines.transfer(0x78, 0x40, random.nextInt(256), random.nextInt(256), random.nextInt(256), i & 0xFF);
            }
        }
        return lines.text.toString().getBytes(StandardCharsets.US_ASCII);
    }

    @Test
    @SuppressWarnings("unchecked")
    void tenThousandCommandsAreRunBackAndForth() throws Exception {
        long stored = records.upload(id, "long.vcd", new ByteArrayInputStream(record()));
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/traffic/" + stored);
        assertThat(page.locator(".glass")).hasAttribute("data-shown", Pattern.compile("[1-9][0-9]*"));
        Map<String, Object> told = (Map<String, Object>) page.evaluate(
                """
                (drawn) => new Promise((done) => {
                  const slider = document.querySelector(".glass input[type=range]"), last = +slider.max;
                  const spans = [], work = []; let before = null, n = 0;
                  const step = (t) => {
                    if (before !== null) spans.push(t - before);
                    before = t;
                    if (n++ === drawn) {
                      spans.sort((a, b) => a - b); work.sort((a, b) => a - b);
                      return done({ last, median: spans[drawn >> 1], late: spans[Math.floor(drawn * 0.95)],
                        work: work[drawn >> 1], hard: work[Math.floor(drawn * 0.95)] });
                    }
                    // Sweeps over the whole, then jumps to anywhere.
                    const at = n < drawn / 2 ? Math.round((Math.sin(n / 20) + 1) / 2 * last) : (n * 7919) % (last + 1);
                    const begin = performance.now();
                    slider.value = at;
                    slider.dispatchEvent(new Event("input", { bubbles: true }));
                    work.push(performance.now() - begin);
                    requestAnimationFrame(step);
                  };
                  requestAnimationFrame(step);
                })
                """,
                DRAWN);
        System.out.printf(
                "scrub over %s frames of %d commands: a frame each %.1f ms, 95 of 100 within %.1f ms; drawn in %.2f ms, 95 of 100 within %.2f ms%n",
                told.get("last"),
                COMMANDS,
                number(told, "median"),
                number(told, "late"),
                number(told, "work"),
                number(told, "hard"));
        Assertions.assertThat(List.of(told.get("last"))).isNotEqualTo(List.of(0));
        page.context().close();
    }

    private static double number(Map<String, Object> told, String name) {
        return ((Number) told.get(name)).doubleValue();
    }
}
