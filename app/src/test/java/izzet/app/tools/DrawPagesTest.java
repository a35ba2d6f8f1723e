package izzet.app.tools;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import izzet.app.drawing.Pictures;
import izzet.core.display.Picture;
import java.io.IOException;
import java.util.Base64;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;

/** The drawing tools by keyboard, for a display of a plan and for programs. */
class DrawPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Signal box","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"cabin","part":"character-20x4-direct","partVersion":1,"name":"Cabin display","interface":"4-bit"},
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],"connections":[]}
            """;

    DrawPagesTest() {
        super(PLAN);
    }

    /** From the plan by its key; the glass is filled in, and the text is shown as it is typed. */
    @Test
    void aTextIsPlacedOnADisplayOfThePlan() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/pins");
        page.keyboard().press("d");
        assertThat(page.locator("#side h1")).hasText("Text");
        assertThat(page.locator("#side [name=kind]")).isFocused();
        assertThat(page.locator("[name=columns]")).hasValue("20");
        page.locator("#text1").fill("Platform 2 in 4 min, then 3");
        assertThat(page.locator("#answer")).containsText("goes on in another row");
        page.locator("#text1").fill("Platform 2");
        assertThat(page.locator("#answer")).containsText("command(0x80)");
        assertThat(page.locator("#answer .caution")).hasCount(0);
        // By the pointer: the sixth cell of the second row.
        com.microsoft.playwright.options.BoundingBox glass =
                page.locator("#answer svg.cells").boundingBox();
        page.mouse()
                .click(
                        glass.x + glass.width * (3 + 5.5 * 12) / (20 * 12 + 6),
                        glass.y + glass.height * (3 + 1.5 * 20) / (4 * 20 + 6));
        assertThat(page.locator("[name=column1]")).hasValue("5");
        assertThat(page.locator("[name=row1]")).hasValue("1");
        assertThat(page.locator("#answer")).containsText("command(0xC5)");
        page.locator("#side a", new Page.LocatorOptions().setHasText("Hall sign"))
                .click();
        assertThat(page.locator("[name=kind]")).hasValue("pixels");
        assertThat(page).hasURL(Pattern.compile(".*/plans/" + id + "/pins"));
        page.locator("[name=columns]").focus();
        page.keyboard().press("Escape");
        assertThat(page.locator("#side")).isHidden();
        assertThat(page.locator("[aria-controls=side][data-key=d]")).isFocused();
        page.context().close();
    }

    /** Two glyphs are two slots, and run in one place. */
    @Test
    void glyphsRunOneAfterTheOther() {
        Page page = browser.page(port);
        page.navigate("/tools/glyph?rows=" + "31+".repeat(8) + "1+".repeat(8).strip());
        Locator run = page.locator("svg.run g");
        assertThat(run).hasCount(2);
        assertThat(run.nth(1)).hasAttribute("visibility", "hidden");
        page.locator("button", new Page.LocatorOptions().setHasText("Run")).click();
        assertThat(run.nth(1)).hasAttribute("visibility", "visible");
        assertThat(page.locator("button", new Page.LocatorOptions().setHasText("Stop")))
                .isVisible();
        page.context().close();
    }

    @Test
    void aGlyphIsDrawnByKeys() {
        Page page = browser.page(port);
        page.navigate("/tools/glyph");
        page.locator(".dot-cell").first().focus();
        page.keyboard().press("Enter");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Space");
        assertThat(page.locator("#answer .dots").first())
                .hasText("#....\n.#...\n.....\n.....\n.....\n.....\n.....\n.....");
        assertThat(page.locator("#answer pre").nth(1)).containsText("0x10, 0x08");
        page.context().close();
    }

    /** Another family brings its commands, another command its switches with what is usual, and each switch its bytes. */
    @Test
    void aCommandIsPutTogetherAtOnce() {
        Page page = browser.page(port);
        page.navigate("/tools/commands");
        page.locator("#family").selectOption("grey-oled");
        assertThat(page.locator("#compose")).containsText("remap");
        // What was swapped in listens a moment later than it stands there.
        page.waitForFunction("() => !document.querySelector('.htmx-request, .htmx-swapping, .htmx-settling')");
        page.locator("#compose").selectOption("remap");
        assertThat(page.locator("#answer")).containsText("A0 14 11");
        page.getByLabel("column after column").check();
        assertThat(page.locator("#answer")).containsText("A0 15 11");
        page.locator("#compose").selectOption("current");
        assertThat(page.locator("#answer")).containsText("C7 0F");
        page.locator("#bytes").fill("FD 12\nA0 15");
        assertThat(page.locator("#answer")).containsText("It takes 2 bytes more; 1 is here.");
        // What cannot be read is told in the place of the answer, and stays in the form.
        page.locator("#bytes").fill("FD GG");
        assertThat(page.locator("#answer")).containsText("'GG' is no byte");
        assertThat(page.locator("#bytes")).hasValue("FD GG");
        page.context().close();
    }

    @Test
    void wrongValuesAreToldAndStay() throws Exception {
        pages.perform(get("/tools/colour").param("colour", "rust"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("not &#39;rust&#39;")))
                .andExpect(content().string(containsString("value=\"rust\"")));
        pages.perform(get("/tools/lantern")).andExpect(status().isNotFound());
        pages.perform(get("/tools/commands")
                        .param("family", "dcs")
                        .param("bytes", "2A 00 0A 00 29")
                        .param("compose", "columns"))
                .andExpect(content().string(containsString("columns 10 to 41")))
                .andExpect(content().string(containsString("2A 00 00 00 7F")));
        pages.perform(get("/tools")).andExpect(content().string(containsString("/tools/picture")));
    }

    private static byte[] png() throws IOException {
        int[] rgb = new int[64];
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = i % 8 < 4 ? 0xFFFFFF : 0;
        }
        return Pictures.png(new Picture(8, 8, false, rgb), 1);
    }

    @Test
    void aPictureFileBecomesBytes() throws Exception {
        MockMultipartFile file = new MockMultipartFile("file", "lamp.png", "image/png", png());
        pages.perform(multipart("/tools/picture")
                        .file(file)
                        .param("columns", "8")
                        .param("rows", "8")
                        .param("form", "page")
                        .param("plan", String.valueOf(id))
                        .param("dither", "none"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("2048 bytes of memory (under 1 %)")))
                .andExpect(content().string(containsString("0xFF, 0xFF, 0xFF, 0xFF, 0x00")))
                .andExpect(content().string(containsString("data:image/png;base64,")));
        pages.perform(multipart("/tools/picture")
                        .file(new MockMultipartFile("file", "x.txt", "text/plain", "no".getBytes())))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("no picture that can be read")));
        String asked = "{\"image\":\"" + Base64.getEncoder().encodeToString(png())
                + "\",\"columns\":8,\"rows\":8,\"form\":\"rows\"}";
        pages.perform(post("/api/tools/picture")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(asked))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.base64")
                        .value(Base64.getEncoder()
                                .encodeToString(new byte[] {-16, -16, -16, -16, -16, -16, -16, -16})));
        pages.perform(post("/api/tools/text")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("[1]"))
                .andExpect(status().isBadRequest());
        pages.perform(post("/api/tools/lantern")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{}"))
                .andExpect(status().isNotFound());
    }
}
