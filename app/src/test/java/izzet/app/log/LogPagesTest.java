package izzet.app.log;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import izzet.app.PagesOfAPlan;
import izzet.core.plan.PlanEdit;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;

/** The log: entries tied to what a page showed, found again over all plans, harmless to read. */
class LogPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Lamp room","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"North sign","interface":"2-wire","bus":"i2c"},
            {"id":"south","part":"oled-128x64-page-2wire","partVersion":2,"name":"South sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"north:VCC","to":"rail:5V"},{"from":"north:GND","to":"rail:GND"},
            {"from":"north:SCL","to":"board:A5"},{"from":"north:SDA","to":"board:A4"}]}
            """;

    LogPagesTest() {
        super(PLAN);
    }

    private static byte[] picture() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    private void write(long plan, String title, String text, String about) throws Exception {
        pages.perform(post("/plans/" + plan + "/log")
                        .param("title", title)
                        .param("text", text)
                        .param("about", about))
                .andExpect(status().is3xxRedirection());
    }

    /** By one key from a finding: what is written is tied to it, and shows again at the same finding of another plan. */
    @Test
    void anEntryIsTiedToWhatThePageShowsAndIsFoundAgain() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/findings");
        String sentence = page.locator("h2.says, .only .says, main h2").first().innerText();
        page.locator("a", new Page.LocatorOptions().setHasText("Address of this finding"))
                .first()
                .click();
        page.waitForURL(Pattern.compile(".*/findings/.+"));
        page.keyboard().press("l");
        page.waitForURL(Pattern.compile(".*/log\\?from=.*"));
        assertThat(page.locator(".tied")).containsText("both answer at 0x3C");
        page.locator("[name=title]").fill("Moved the strap of the south sign");
        page.locator("[name=text]").fill("Both **light up** now.");
        page.locator("[name=photos][multiple]").setInputFiles(new FilePayload("strap.png", "image/png", unchecked()));
        page.locator("button", new Page.LocatorOptions().setHasText("Keep")).click();
        Locator entry = page.locator(".entry").first();
        assertThat(entry.locator("strong")).hasText("light up");
        assertThat(entry.locator(".photos img")).hasAttribute("width", "60");
        assertThat(page.locator("#station-log .state")).hasText("1");
        long other = plans.create(plans.get(id).plan(), "for a test");
        page.navigate("/plans/" + other + "/findings");
        page.locator("a", new Page.LocatorOptions().setHasText("tried")).first().click();
        assertThat(page.locator("#before + ul")).containsText("Moved the strap of the south sign");
        Assertions.assertThat(sentence).isNotBlank();
        page.context().close();
    }

    private static byte[] unchecked() {
        try {
            return picture();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** A change of the plan goes into the log by one key, once. */
    @Test
    void whatHappenedGoesIntoTheLogByOneKey() {
        plans.apply(id, plans.get(id).version(), new PlanEdit.Rename("Lamp room, east"));
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/log");
        assertThat(page.locator(".happened li")).hasCount(1);
        page.keyboard().press("e");
        assertThat(page.locator(".entry")).hasCount(1);
        assertThat(page.locator(".entry")).containsText("revision 2");
        assertThat(page.locator(".happened li")).hasCount(0);
        page.context().close();
    }

    @Test
    void aDeletedEntryIsTakenBackAndAChangeKeepsItsTie() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/log?about=part:north");
        page.locator("[name=title]").fill("North sign stays dark");
        page.locator("button", new Page.LocatorOptions().setHasText("Keep")).click();
        page.locator(".entry button").click();
        assertThat(page.locator(".entry")).hasCount(0);
        // A camera is for fingers.
        assertThat(page.locator(".photograph")).isHidden();
        page.locator(".notification button", new Page.LocatorOptions().setHasText("Take it back"))
                .click();
        page.locator(".entry a", new Page.LocatorOptions().setHasText("Change")).click();
        page.waitForURL(Pattern.compile(".*edit=.*"));
        page.locator("[name=title]").fill("North sign lights");
        page.locator("button", new Page.LocatorOptions().setHasText("Keep the change"))
                .click();
        assertThat(page.locator(".entry")).hasCount(1);
        assertThat(page.locator(".entry")).containsText("North sign lights");
        assertThat(page.locator(".entry")).containsText("about North sign");
        page.context().close();
    }

    @Test
    void whatIsWrittenDoesNoHarmToWhoReadsIt() throws Exception {
        write(
                id,
                "<b>bold</b>",
                "<script>alert(1)</script> [go](javascript:alert(1)) ![far](http://example.org/x.png)",
                "");
        pages.perform(get("/plans/" + id + "/log"))
                .andExpect(content().string(containsString("&lt;b&gt;bold&lt;/b&gt;")))
                .andExpect(content().string(containsString("&lt;script&gt;")))
                .andExpect(content().string(not(containsString("href=\"javascript"))))
                .andExpect(content().string(not(containsString("<img src=\"http"))));
    }

    @Test
    void searchTakesWordsAsTheyStandAndReachesAllPlans() throws Exception {
        write(id, "Contrast at 100% of its way", "", "");
        write(id, "Contrast at 100 steps", "", "");
        pages.perform(get("/plans/" + id + "/log").param("q", "100%"))
                .andExpect(content().string(containsString("of its way")))
                .andExpect(content().string(not(containsString("100 steps"))));
        long other = plans.create(plans.get(id).plan(), "for a test");
        write(other, "Ferry bell rings when the line map draws", "", "");
        pages.perform(get("/log").param("q", "FERRY BELL"))
                .andExpect(content().string(containsString("/plans/" + other + "/log#entry-")));
        plans.delete(other, plans.get(other).version());
        pages.perform(get("/log").param("q", "ferry bell"))
                .andExpect(content().string(not(containsString("/plans/" + other + "/log#entry-"))));
    }

    @Test
    void aBadEntryKeepsNothing() throws Exception {
        pages.perform(post("/plans/" + id + "/log").param("title", " "))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("needs a title")));
        pages.perform(multipart("/plans/" + id + "/log")
                        .file(new MockMultipartFile("photos", "good.png", "image/png", picture()))
                        .file(new MockMultipartFile("photos", "bad.png", "image/png", new byte[] {1, 2}))
                        .param("title", "Two pictures"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("bad.png: This file is no picture")));
        pages.perform(get("/plans/" + id + "/log")).andExpect(content().string(not(containsString("Two pictures"))));
        write(id, "Tied to nothing that is there", "", "finding:gone");
        pages.perform(get("/plans/" + id + "/log")).andExpect(content().string(not(containsString("finding:gone"))));
    }

    @Test
    void theLogComesOutAsTextAndWithTheBundle() throws Exception {
        pages.perform(get("/api/plans/" + id + "/exports/log.md")).andExpect(status().isNotFound());
        write(id, "First *light*", "The **south** sign.", "part:south");
        write(id, "Second", "", "");
        pages.perform(get("/api/plans/" + id + "/exports/log.md"))
                .andExpect(status().isOk())
                .andExpect(header().string("Content-Type", containsString("text/markdown")))
                .andExpect(content().string(containsString("First \\*light\\*")))
                .andExpect(content().string(containsString("about South sign")))
                .andExpect(content().string(containsString("The **south** sign.")));
        pages.perform(multipart("/plans/" + id + "/log")
                        .file(new MockMultipartFile("photos", "", null, new byte[0]))
                        .file(new MockMultipartFile("photos", "strap.png", "image/png", picture()))
                        .param("title", "Strap, seen from below"))
                .andExpect(status().is3xxRedirection());
        byte[] bundle = pages.perform(get("/api/plans/" + id + "/exports/bundle.zip"))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bundle))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                files.put(e.getName(), zip.readAllBytes());
            }
        }
        String photograph = files.keySet().stream()
                .filter(n -> n.matches("photographs/\\d+\\.jpg"))
                .findFirst()
                .orElseThrow();
        Assertions.assertThat(new String(files.get("log.md"), StandardCharsets.UTF_8))
                .contains("strap.png (" + photograph + ")");
        Assertions.assertThat(ImageIO.read(new ByteArrayInputStream(files.get(photograph)))
                        .getWidth())
                .isEqualTo(60);
        Assertions.assertThat(files).doesNotContainKey("left-out.txt");
    }

    /** A named revision is found again, and the plan comes back to it as a change that can be undone. */
    @Test
    void aRevisionHasANameAndThePlanComesBackToIt() {
        plans.name(id, 1, "before the second sign");
        plans.apply(id, plans.get(id).version(), new PlanEdit.Rename("Lamp room, west"));
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/history");
        assertThat(page.locator("main")).containsText("Named: before the second sign");
        page.locator("[aria-label='Back to revision 1']").click();
        assertThat(page.locator("h1")).hasText("Lamp room");
        assertThat(page.locator("main tr").nth(1)).containsText("back to revision 1, before the second sign");
        page.locator("#undo").click();
        assertThat(page.locator("h1")).hasText("Lamp room, west");
        page.context().close();
        Assertions.assertThat(plans.points(id)).containsOnlyKeys(1);
        plans.name(id, 1, " ");
        Assertions.assertThat(plans.points(id)).isEmpty();
    }
}
