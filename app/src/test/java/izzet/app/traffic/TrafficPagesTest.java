package izzet.app.traffic;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import izzet.app.PagesOfAPlan;
import izzet.core.bench.I2cWaveform;
import izzet.core.decode.Settings;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Records of every bus on their pages: words, glass, lanes, judgement. */
class TrafficPagesTest extends PagesOfAPlan {

    private static final Path CAPTURES = Path.of("../core/src/test/resources/captures");

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Signal box","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"cabin","part":"character-16x2-direct","partVersion":1,"name":"Cabin display","interface":"4-bit"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:5V"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"}]}
            """;

    @Autowired
    private RecordStore records;

    TrafficPagesTest() {
        super(PLAN);
    }

    private String upload(String capture) throws IOException {
        return upload(capture, Files.readAllBytes(CAPTURES.resolve(capture)));
    }

    private String upload(String capture, byte[] record) throws IOException {
        return "/plans/" + id + "/traffic/" + records.upload(id, capture, new ByteArrayInputStream(record));
    }

    /** The picture grows as its bytes come; keys run it back and forth, and two moments are compared. */
    @Test
    void theGlassIsRunBackAndForth() throws IOException {
        Page page = browser.page(port);
        page.navigate(upload("i2c-page-oled.vcd"));
        Locator glass = page.locator(".glass");
        assertThat(glass.locator("h2")).hasText("Hall sign");
        assertThat(glass).hasAttribute("data-shown", Pattern.compile("[1-9][0-9]*"));
        int last = Integer.parseInt(glass.getAttribute("data-shown"));
        assertThat(lit(page)).isGreaterThan(500);
        int whole = lit(page);
        glass.locator("canvas").focus();
        page.keyboard().press("Home");
        assertThat(glass).hasAttribute("data-shown", "0");
        assertThat(lit(page)).isZero();
        glass.getByText("Compare with now").click();
        page.keyboard().press("Tab");
        glass.locator("canvas").focus();
        page.keyboard().press("End");
        assertThat(glass).hasAttribute("data-shown", String.valueOf(last));
        assertThat(glass).containsText(whole + " pixels differ");
        glass.locator("a", new Locator.LocatorOptions().setHasText("what was said then"))
                .click();
        assertThat(page.locator("tr.selected")).isVisible();
        page.context().close();
    }

    private static int lit(Page page) {
        return (int) page.evaluate("() => { const c = document.querySelector('.glass canvas');"
                + " const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data; let n = 0;"
                + " for (let i = 0; i < d.length; i += 4) n += d[i] + d[i + 1] + d[i + 2] > 0 ? 1 : 0; return n; }");
    }

    /** What a table leaves open is asked beside its first rows, before anything is sent whole. */
    @Test
    void theFirstRowsOfATableAreShownAndTheirThresholdChosen() {
        StringBuilder table = new StringBuilder("sample,SCL,SDA\n");
        for (int i = 0; i < 6000; i++) {
            table.append(i).append(i < 5900 ? ",3.28,3.25\n" : ",0.2,3.25\n");
        }
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/traffic");
        page.locator("[name=file]")
                .setInputFiles(
                        new FilePayload("bus.csv", "text/csv", table.toString().getBytes(StandardCharsets.UTF_8)));
        Locator preview = page.locator(".preview");
        assertThat(preview.locator("[role=alert]")).containsText("samples a second");
        assertThat(preview.locator("tbody tr, table > tr")).hasCount(6);
        page.locator("[name=rateHz]").fill("1000000");
        page.locator("[name=rateHz]").blur();
        assertThat(preview.locator("[role=alert]")).containsText("threshold");
        for (String line : List.of("SCL", "SDA")) {
            Locator volts = preview.locator("[name='threshold of " + line + "']");
            volts.fill("1.6");
            volts.blur();
        }
        assertThat(preview).containsText("This is how its first rows are read");
        assertThat(preview).containsText("low under 1.60 V");
        assertThat(preview).not().hasAttribute("aria-busy", "true");
        page.locator("button", new Page.LocatorOptions().setHasText("Upload and decode"))
                .click();
        page.waitForURL(Pattern.compile(".*/traffic/\\d+"));
        StoredRecord stored = records.list(id, 0, 1).get(0);
        Assertions.assertThat(stored.lines())
                .extracting(StoredRecord.Line::name)
                .containsExactly("SCL", "SDA");
        Assertions.assertThat(stored.lines())
                .extracting(StoredRecord.Line::edges)
                .containsExactly(2L, 1L);
        page.context().close();
    }

    /** An answer that comes late takes nothing away that was typed meanwhile. */
    @Test
    void typingIsNotLostToALateAnswer() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/traffic");
        page.locator("[name=file]")
                .setInputFiles(
                        new FilePayload("bus.csv", "text/csv", "sample,SCL,SDA\n0,3.2,3.2\n1,0.2,3.2\n".getBytes()));
        Locator preview = page.locator(".preview");
        assertThat(preview.locator("[role=alert]")).containsText("samples a second");
        List<Route> held = new ArrayList<>();
        page.route("**/traffic/preview", held::add);
        Locator scl = preview.locator("[name='threshold of SCL']");
        Locator sda = preview.locator("[name='threshold of SDA']");
        page.waitForRequest("**/traffic/preview", () -> {
            scl.fill("1.5");
            scl.blur();
        });
        sda.fill("1.6");
        page.waitForCondition(() -> !held.isEmpty());
        page.waitForResponse("**/traffic/preview", () -> held.remove(0).resume());
        page.waitForRequest("**/traffic/preview", sda::blur);
        page.waitForCondition(() -> !held.isEmpty());
        held.remove(0).resume();
        assertThat(preview).not().hasAttribute("aria-busy", "true");
        assertThat(scl).hasValue("1.5");
        assertThat(sda).hasValue("1.6");
        page.context().close();
    }

    /** What the wave shows is what is offered to be taken away; a stretch that cannot be is told. */
    @Test
    void aStretchIsTakenAwayFromTheWave() throws Exception {
        String place = upload("i2c-page-oled.vcd");
        Page page = browser.page(port);
        page.navigate(place);
        assertThat(page.locator("#wave")).hasAttribute("data-drawn", Pattern.compile(".+"));
        page.locator(".stretch summary").click();
        assertThat(page.locator("[name=toMs]")).hasValue(Pattern.compile("\\d+(\\.\\d+)?"));
        page.locator(".stretch select").selectOption("csv");
        Download download =
                page.waitForDownload(() -> page.locator(".stretch button").click());
        Assertions.assertThat(download.suggestedFilename()).isEqualTo("i2c-page-oled.csv");
        Assertions.assertThat(Files.readString(download.path())).startsWith("time_ns,");
        page.context().close();
        pages.perform(get(place + "/file?fromMs=3&toMs=1"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("ends before it begins")));
        pages.perform(get(place + "/file?fromMs=soon"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("milliseconds")));
        pages.perform(get(place + "/file?line=40")).andExpect(status().isBadRequest());
    }

    @Test
    void aCharacterDisplayShowsItsTextAndItsOwnGlyph() throws IOException {
        Page page = browser.page(port);
        page.navigate(upload("lcd-4bit.vcd"));
        assertThat(page.locator(".talk")).containsText("writes “Pump off 21:40");
        assertThat(page.locator(".glass svg"))
                .hasAttribute("aria-label", Pattern.compile("shows: Water tank 73% . / Pump off 21:40"));
        assertThat(page.locator(".glass svg .dot")).not().hasCount(0);
        assertThat(page.locator(".why")).containsText("Spoken to: Cabin display");
        page.locator("#find").fill("clear");
        page.keyboard().press("Enter");
        assertThat(page.locator(".talk .at a")).hasCount(1);
        page.context().close();
    }

    /** A wrong guess is set right by keys, and one that cannot be stays in the form with what is wrong. */
    @Test
    void linesAreChangedInTheForm() throws IOException {
        Page page = browser.page(port);
        page.navigate(upload("spi-dcs-tft.vcd"));
        assertThat(page.locator(".why")).containsText("mode 0");
        page.locator("#change-lines").click();
        assertThat(page.locator("#role-clock")).hasValue("clk");
        page.locator("#role-mosi").selectOption("clk");
        page.getByText("Decode anew").click();
        assertThat(page.locator(".fault, .refused").first()).containsText("two roles");
        page.navigate(page.url().replaceAll("/lines.*", ""));
        page.locator("#change-lines").click();
        page.locator("#protocol").selectOption("i2c");
        assertThat(page.locator("#role-sda")).isVisible();
        page.locator("#role-scl").selectOption("clk");
        page.locator("#role-sda").selectOption("mosi");
        page.getByText("Decode anew").click();
        assertThat(page.locator(".buses-of [aria-current]")).containsText("I2C");
        page.context().close();
    }

    @Test
    void troubleIsFoundByItsKeyAndOnItsLane() throws IOException {
        Page page = browser.page(port);
        page.navigate(upload("i2c-trouble.vcd"));
        assertThat(page.locator(".glance .lane")).hasCount(5);
        assertThat(page.locator(".glance .trouble")).hasCount(3);
        page.keyboard().press("n");
        assertThat(page.locator("tr.selected")).containsText("not heard");
        page.keyboard().press("n");
        assertThat(page.locator("tr.selected")).containsText("refused");
        assertThat(page.locator(".findings")).containsText("a part held it, or the controller paused");
        page.locator(".times summary").click();
        assertThat(page.locator(".times tr").first()).isVisible();
        assertThat(page.locator(".findings")).containsText("Add ");
        page.context().close();
    }

    @Test
    void pictureAndEventsAreTakenAway() throws Exception {
        String base = upload("i2c-page-oled.vcd");
        for (String kind : new String[] {"png", "pbm", "ppm", "gif"}) {
            pages.perform(get(base + "/glass/sign." + kind))
                    .andExpect(status().isOk())
                    .andExpect(header().string("Content-Disposition", containsString("sign." + kind)));
        }
        pages.perform(get(base + "/glass/sign.pbm")).andExpect(content().string(containsString("P1\n128 64\n")));
        pages.perform(get(base + "/glass/sign.bmp")).andExpect(status().isNotFound());
        pages.perform(get(base + "/glass/cabin.png")).andExpect(status().isNotFound());
        pages.perform(get(base + "/frames?part=sign"))
                .andExpect(content().string(containsString("\"columns\":128,\"rows\":64,\"text\":false")));
        for (String kind : new String[] {"csv", "md", "json", "ndjson"}) {
            MvcResult begun = pages.perform(get(base + "/events." + kind))
                    .andExpect(request().asyncStarted())
                    .andReturn();
            pages.perform(MockMvcRequestBuilders.asyncDispatch(begun))
                    .andExpect(status().isOk())
                    .andExpect(
                            content().string(containsString(kind.contains("json") ? "\"address\":60" : "Hall sign")));
        }
        pages.perform(get(base + "/events.xls")).andExpect(status().isNotFound());
    }

    /** After the last transfer nothing is said for a second, and the glass goes on moving. */
    @Test
    void aGlassThatScrollsByItselfMovesThroughTheRecord() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 400_000)) {
            bus.write(0x3C, true, 0x00, 0xAF, 0xA1, 0xC8, 0xB0, 0x00, 0x10);
            bus.write(0x3C, true, 0x40, 0xFF, 0x81, 0x81, 0xFF);
            bus.write(0x3C, true, 0x00, 0x26, 0x00, 0x00, 0x07, 0x00, 0x00, 0xFF, 0x2F);
            bus.idle(1_000_000_000);
        }
        Page page = browser.page(port);
        page.navigate(upload("scrolling.vcd", out.toByteArray()));
        Locator glass = page.locator(".glass");
        assertThat(glass).containsText("scrolling by itself to the right, a column each 2 frames");
        assertThat(glass).containsText(Pattern.compile("picture \\d+ of 5\\d"));
        page.context().close();
    }

    @Test
    void twoRecordsAreCompared() throws Exception {
        String one = upload("i2c-page-oled.vcd");
        String two = upload("i2c-trouble.vcd");
        pages.perform(get(one + "/against/" + two.substring(two.lastIndexOf('/') + 1)))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("never")))
                .andExpect(content().string(containsString("display off, clock 0x80")));
        // Read otherwise, the same records are another question.
        StoredRecord first = records.get(id, Long.parseLong(one.substring(one.lastIndexOf('/') + 1)));
        StoredRecord.Bus bus = first.buses().get(0);
        Map<String, String> lines = bus.settings().lines();
        records.change(
                id,
                first.id(),
                bus.id(),
                bus.protocol(),
                Settings.of(bus.protocol(), Map.of("scl", lines.get("sda"), "sda", lines.get("scl"))::get),
                "chosen by you",
                null);
        pages.perform(get(one + "/against/" + two.substring(two.lastIndexOf('/') + 1)))
                .andExpect(status().isOk())
                .andExpect(content().string(not(containsString("display off, clock 0x80"))));
    }

    /** The maker's instrument is kept, and what it cannot do is told on the card. */
    @Test
    void theCardIsMadeForTheInstrument() throws Exception {
        String traffic = "/plans/" + id + "/traffic";
        pages.perform(get(traffic)).andExpect(content().string(containsString("at A5 (analog 6)")));
        pages.perform(post("/preferences/instrument")
                        .param("here", traffic)
                        .param("name", "old scope")
                        .param("kind", "scope")
                        .param("channels", "2")
                        .param("rate", "0.2")
                        .param("memory", "1000"))
                .andExpect(redirectedUrl(traffic));
        pages.perform(get(traffic))
                .andExpect(content().string(containsString("old scope")))
                .andExpect(content().string(containsString("nothing can be decoded")));
        pages.perform(post("/preferences/instrument")
                        .param("here", traffic)
                        .param("name", "none")
                        .param("kind", "logic")
                        .param("channels", "900")
                        .param("rate", "1"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("channels lies between 1 and 64")));
    }

    /** A table without times asks for its rate beside the form, and what was typed stays. */
    @Test
    void aTableThatLeavesSomethingOpenAsksForIt() throws IOException {
        Path table = Files.createTempFile("samples", ".csv");
        Files.writeString(table, "SCL,SDA\n" + "1,1\n1,0\n0,0\n0,1\n1,1\n".repeat(20));
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/traffic");
        page.locator(".table-options summary").click();
        page.locator(".drop [name=threshold]").fill("1.5");
        page.locator("input[type=file]").setInputFiles(table);
        page.getByText("Upload and decode").click();
        assertThat(page.locator(".refused")).containsText("rateHz");
        assertThat(page.locator(".drop [name=threshold]")).hasValue("1.5");
        page.locator("[name=rateHz]").fill("400000");
        page.getByText("Upload and decode").click();
        assertThat(page.locator("h2").first()).containsText(table.getFileName().toString());
        page.context().close();
    }
}
