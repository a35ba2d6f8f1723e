package izzet.app.exports;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import izzet.app.Browser;
import izzet.app.OneApplication;
import izzet.app.plan.PlanStore;
import izzet.app.shell.Look;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.wiring.WireColours;
import izzet.core.wiring.WiringList;
import jakarta.servlet.http.Cookie;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Each file is opened by a program that is not ours. */
@OneApplication
class ExportsTest {

    /** Names that would do harm if they were taken for more than words. */
    private static final String HARM = "*/ \"; rm -rf <script>alert(1)</script> | =1+1";

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Ticket hall","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"lamp","part":"led","partVersion":1,"name":"=Hall lamp","interface":"on-off"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:5V"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"},
            {"from":"lamp:A","to":"board:4","seriesOhms":220},{"from":"lamp:K","to":"rail:GND"}]}
            """;

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    private long id;

    @BeforeEach
    void plan() {
        id = plans.create(new PlanDocument().read(PLAN, CatalogReader.shipped()), "for a test");
    }

    private byte[] file(String kind) throws Exception {
        return pages.perform(get("/api/plans/" + id + "/exports/" + kind))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
    }

    private String text(String kind) throws Exception {
        return new String(file(kind), StandardCharsets.UTF_8);
    }

    private List<WiringList.Step> steps() {
        return WiringList.steps(new Circuit(plans.get(id).plan(), CatalogReader.shipped()), WireColours.usual());
    }

    @Test
    void theSheetIsOneToThreePagesWithEveryStep() throws Exception {
        try (var pdf = Loader.loadPDF(file("sheet.pdf"))) {
            assertThat(pdf.getNumberOfPages()).isBetween(1, 3);
            String words = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
            assertThat(words).contains("Ticket hall", "220 Ω in series", "→", "no beep, more than 100 Ω");
            steps().stream().filter(WiringList.Step::wire).forEach(s -> assertThat(words)
                    .contains(s.from().words(), s.to().words()));
        }
    }

    /** Who reads large text takes large print away. */
    @Test
    void paperAndPhoneAreAsLargeAsTheText() throws Exception {
        float usual = sizes("device.usual").last();
        assertThat(sizes("device.large").last()).isGreaterThan(usual * 1.2f);
        assertThat(sizes("device.largest").last()).isGreaterThan(usual * 1.5f);
        Cookie large = new Cookie(Look.COOKIE, "device.large");
        pages.perform(get("/api/plans/" + id + "/exports/phone.html").cookie(large))
                .andExpect(content().string(containsString("data-size=\"large\"")));
    }

    /** Of all letters on the sheet, in points. */
    private SortedSet<Float> sizes(String look) throws Exception {
        byte[] file = pages.perform(
                        get("/api/plans/" + id + "/exports/sheet.pdf").cookie(new Cookie(Look.COOKIE, look)))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        SortedSet<Float> sizes = new TreeSet<>();
        try (var pdf = Loader.loadPDF(file)) {
            new PDFTextStripper() {
                @Override
                protected void writeString(String text, List<TextPosition> letters) {
                    letters.forEach(l -> sizes.add(Math.round(l.getFontSizeInPt() * 10) / 10f));
                }
            }.getText(pdf);
        }
        return sizes;
    }

    @Test
    void theTableHasEveryStepAndNoFormula() throws Exception {
        List<CsvRecord> rows =
                CsvReader.builder().ofCsvRecord(text("wiring.csv")).stream().toList();
        assertThat(rows).hasSize(steps().size() + 1);
        assertThat(rows).allMatch(r -> r.getFieldCount() == 15);
        assertThat(rows)
                .anyMatch(r -> r.getField(2).equals("Hall sign")
                        && r.getField(3).equals("SDA")
                        && r.getField(7).equals("A4"));
        assertThat(text("wiring.csv")).contains("'=Hall lamp").doesNotContain(",=Hall");
        List<CsvRecord> bill =
                CsvReader.builder().ofCsvRecord(text("bom.csv")).stream().toList();
        assertThat(bill)
                .anyMatch(r -> r.getField(1).equals("resistor 220 Ω")
                        && r.getField(0).equals("1")
                        && r.getField(3).equals("1"));
        List<CsvRecord> nets =
                CsvReader.builder().ofCsvRecord(text("netlist.csv")).stream().toList();
        assertThat(nets)
                .anyMatch(r -> r.getField(0).equals("ground")
                        && r.getField(1).equals("Hall sign")
                        && r.getField(3).equals("GND"));
    }

    @Test
    void picturesAreWellFormed() throws Exception {
        for (String kind : List.of("weave.svg", "header.svg")) {
            var document = DocumentBuilderFactory.newInstance()
                    .newDocumentBuilder()
                    .parse(new ByteArrayInputStream(file(kind)));
            assertThat(document.getDocumentElement().getTagName()).isEqualTo("svg");
            assertThat(document.getDocumentElement().getTextContent()).contains("Hall sign");
        }
    }

    /** Opened from the disk, without a network: ticks are still there when it is opened again. */
    @Test
    void thePhonePageWorksOffline(@TempDir Path folder) throws Exception {
        Path page = Files.write(folder.resolve("phone.html"), file("phone.html"));
        try (Browser browser = new Browser()) {
            Page phone = browser.page(1, 390, 844, ColorScheme.LIGHT);
            phone.context().setOffline(true);
            phone.navigate(page.toUri().toString());
            assertThat(phone.locator("li")).not().hasCount(0);
            assertThat(phone.locator("#done")).containsText("0 of ");
            assertThat((int) phone.evaluate("localStorage.length"))
                    .as("what is only opened writes nothing")
                    .isZero();
            phone.locator("input").first().check();
            assertThat(phone.locator("#done")).containsText("1 of ");
            // Ticks of the same page in another window come by an event.
            phone.evaluate("() => { localStorage.clear(); dispatchEvent(new StorageEvent('storage')); }");
            assertThat(phone.locator("#done")).containsText("0 of ");
            phone.locator("input").first().check();
            phone.reload();
            assertThat(phone.locator("#done")).containsText("1 of ");
            assertThat(phone.locator("input").first()).isChecked();
            assertThat((int) phone.evaluate("document.documentElement.scrollWidth"))
                    .isLessThanOrEqualTo(390);
        }
    }

    @Test
    void theBundleHasAllOfThem() throws Exception {
        JsonNode kinds = new ObjectMapper()
                .readTree(
                        pages.perform(get("/exports")).andReturn().getResponse().getContentAsString());
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file("bundle.zip")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                assertThat(zip.readAllBytes()).as(entry.getName()).isNotEmpty();
            }
        }
        for (JsonNode kind : kinds) {
            String name = kind.get("kind").asString();
            int status = pages.perform(get("/api/plans/" + id + "/exports/" + name))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            assertThat(names.contains(name)).as(name).isEqualTo(status == 200 && !name.equals("bundle.zip"));
        }
        pages.perform(get("/api/plans/" + id + "/exports/tangle.txt")).andExpect(status().isNotFound());
    }

    /** A name is words in every file, whatever stands in it. */
    @Test
    void namesDoNoHarm() throws Exception {
        long version = plans.get(id).version();
        plans.apply(id, version, new PlanEdit.Rename(HARM));
        plans.apply(id, plans.get(id).version(), new PlanEdit.RenamePart("sign", HARM));
        assertThat(text("phone.html")).doesNotContain("<script>alert");
        assertThat(text("wiring.md")).contains("\\<script\\>").doesNotContain("<script>");
        try (var pdf = Loader.loadPDF(file("sheet.pdf"))) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("<script>alert(1)</script>");
        }
        DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(file("header.svg")));
        assertThat(CsvReader.builder().ofCsvRecord(text("netlist.csv")).stream())
                .allMatch(r -> r.getFieldCount() == 4);
        assertThat(pages.perform(get("/plans/" + id + "/exports"))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .doesNotContain("<script>alert");
    }
}
