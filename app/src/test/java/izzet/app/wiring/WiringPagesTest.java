package izzet.app.wiring;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import izzet.app.PagesOfAPlan;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class WiringPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Ticket hall","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"lamp","part":"led","partVersion":1,"name":"Hall lamp","interface":"on-off"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:5V"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"},
            {"from":"lamp:A","to":"board:4","seriesOhms":220},{"from":"lamp:K","to":"rail:GND"}]}
            """;

    WiringPagesTest() {
        super(PLAN);
    }

    private String wiring() {
        return "/plans/" + id + "/wiring";
    }

    /** What the drawer has need not be bought. */
    @Test
    void theShoppingListLeavesOutWhatTheDrawerHas() throws Exception {
        pages.perform(post("/preferences/drawer").param("drawer", ""));
        String bought = "<span>resistor 220 Ω</span>";
        pages.perform(get(wiring())).andExpect(content().string(containsString(bought)));
        pages.perform(post("/preferences/drawer").param("drawer", "220, 4k7"));
        pages.perform(get(wiring()))
                .andExpect(content().string(not(containsString(bought))))
                .andExpect(content().string(containsString("1 × resistor 220 Ω.")));
        pages.perform(post("/preferences/drawer").param("drawer", ""));
    }

    /** On a phone: from the first step to the next by its big button, the header turned and mirrored. */
    @Test
    void oneStepAScreen() {
        Page page = browser.page(port);
        page.setViewportSize(390, 844);
        page.navigate(wiring());
        page.locator("#one-by-one").click();
        assertThat(page.locator("main h2")).containsText("Unplug the board");
        page.locator("#tick").click();
        assertThat(page.locator(".where")).containsText("Step 2 of");
        assertThat(page.locator("#tick").boundingBox().height).isGreaterThanOrEqualTo(48);
        // To the data line: its two holes are lit, and stay lit when the board is turned or seen from below.
        page.navigate(wiring());
        int step = Integer.parseInt(
                page.locator("li:has-text('Hall sign SDA') .no").innerText());
        page.navigate(wiring() + "/steps/" + step);
        assertThat(page.locator(".header-view .lit text")).hasText(new String[] {"SDA", "A4"});
        String above = page.locator(".header-view")
                .nth(1)
                .locator(".lit circle")
                .first()
                .getAttribute("cx");
        page.locator("#under").click();
        assertThat(page.locator("#under")).hasText("From above");
        assertThat(page.locator(".header-view").nth(1).locator(".lit circle").first())
                .not()
                .hasAttribute("cx", above);
        page.locator("#turn").click();
        assertThat(page.locator("#turn")).hasAttribute("href", Pattern.compile("turn=2"));
        assertThat(page.locator(".header-view .lit text")).hasText(new String[] {"SDA", "A4"});
        assertThat((int) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(390);
        page.locator("#tick").click();
        assertThat(page.locator(".where")).containsText("Step " + (step + 1) + " of");
        assertThat(page.locator("#under")).hasText("From above");
        page.context().close();
    }

    /** What one device ticks, another one sees without being touched; what is being typed there stays. */
    @Test
    void twoDevicesSeeEachOther() {
        Page phone = browser.page(port);
        Page desk = browser.page(port);
        desk.navigate(wiring());
        desk.locator("[id='told-rail:5V']").click();
        desk.keyboard().type("4.9");
        phone.navigate(wiring() + "/steps/1");
        phone.locator("#tick").click();
        assertThat(phone.locator(".where")).containsText("Step 2");
        assertThat(desk.locator("#ticked")).containsText("1 of ");
        assertThat(desk.locator("#tick-1")).isChecked();
        assertThat(desk.locator("[id='told-rail:5V']")).hasValue("4.9");
        phone.context().close();
        desk.context().close();
    }

    @Test
    void aMeasuredValueIsJudgedAndKept() throws Exception {
        Page page = browser.page(port);
        page.navigate(wiring());
        page.locator("[id='told-rail:5V']").fill("4,3 V");
        page.locator("[id='told-rail:5V']").press("Enter");
        assertThat(page.locator("li:has([id='told-rail:5V']) .verdict")).containsText("overloaded");
        page.locator("[id='told-short:5V']").fill("OL");
        page.locator("[id='told-short:5V']").press("Enter");
        assertThat(page.locator("li:has([id='told-short:5V']) .verdict")).containsText("As planned");
        page.reload();
        assertThat(page.locator("[id='told-rail:5V']")).hasValue("4,3 V");
        page.locator("[id='told-rail:5V']").fill("");
        page.locator("[id='told-rail:5V']").press("Enter");
        assertThat(page.locator("li:has([id='told-rail:5V']) .verdict")).hasCount(0);
        page.context().close();
        pages.perform(post(wiring() + "/measured").param("key", "rail:5V").param("told", "warm"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is no measured value")));
        pages.perform(post(wiring() + "/measured").param("key", "rail:9V").param("told", "9"))
                .andExpect(status().isNotFound());
    }

    @Test
    void coloursAndTheFirstNameAreTheMakers() throws Exception {
        pages.perform(post("/preferences/wires")
                        .param("DATA", "grey")
                        .param("first", "CHIP")
                        .param("here", wiring()))
                .andExpect(status().is3xxRedirection());
        pages.perform(get(wiring()))
                .andExpect(content().string(containsString("class=\"colour grey\"")))
                .andExpect(content().string(containsString("<strong>port bit PC4</strong>")));
        pages.perform(post("/preferences/wires").param("DATA", "pink")).andExpect(status().is(422));
        pages.perform(post("/preferences/wires").param("first", "NICKNAME")).andExpect(status().is(422));
        pages.perform(post("/preferences/wires").param("here", "//elsewhere.example"))
                .andExpect(status().is3xxRedirection());
        pages.perform(get(wiring())).andExpect(content().string(not(containsString("class=\"colour grey\""))));
    }

    @Test
    void theChangesSinceARevisionAreTold() throws Exception {
        pages.perform(get(wiring() + "/changes"))
                .andExpect(content().string(containsString("Nothing on the bench changes")));
        plans.apply(
                id,
                plans.get(id).version(),
                new PlanEdit.Connect(new Connection(Target.of("lamp:A"), Target.of("board:7"), 220.0, null, null)));
        pages.perform(get(wiring() + "/changes"))
                .andExpect(content().string(containsString("<s>board 4 (socket digital 5, port bit PD4)")))
                .andExpect(content().string(containsString("<strong>board 7 (socket digital 8, port bit PD7)")));
        pages.perform(get(wiring() + "/changes").param("since", "77")).andExpect(status().isNotFound());
    }

    /** Chosen, laid, a part moved, taken away; each step then names row and column. */
    @Test
    void aBreadboardIsLaidAndAPartMoved() throws Exception {
        Page page = browser.page(port);
        page.navigate(wiring());
        page.locator("#board-rows").selectOption("30");
        page.locator("#breadboard button").click();
        assertThat(page.locator(".breadboard .leg")).hasCount(6);
        assertThat(page.locator("li:has-text('Hall sign SDA') .hole")).hasText("row 4, column b");
        page.locator("[name='at.sign']").fill("20");
        page.locator("#breadboard button").click();
        assertThat(page.locator("li:has-text('Hall sign SDA') .hole")).hasText("row 23, column b");
        assertThat(page.locator("li:has-text('Hall lamp A') .hole")).containsText("the wire goes on from row");
        page.locator("[name='at.sign']").fill("29");
        page.locator("#breadboard button").click();
        assertThat(page.locator("body")).containsText("takes 4 rows and cannot begin in row 29");
        page.context().close();
        pages.perform(get("/api/plans/" + id + "/exports/breadboard.svg"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Hall sign SDA")));
        pages.perform(post(wiring() + "/breadboard").param("rows", "0")).andExpect(status().is3xxRedirection());
        pages.perform(get("/api/plans/" + id + "/exports/breadboard.svg")).andExpect(status().isNotFound());
        pages.perform(post(wiring() + "/breadboard").param("rows", "7")).andExpect(status().is(422));
    }

    @Test
    void aStepThatIsNotThereIsTold() throws Exception {
        pages.perform(get(wiring() + "/steps/99"))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString("there is no step 99")));
    }

    /** A finding that is gone when its repairs are asked for must not take the head of the page with it. */
    @Test
    void anAnswerThatComesTooLateLeavesThePageAsItIs() {
        Page page = browser.page(port);
        List<Route> asked = new ArrayList<>();
        page.route("**/repairs?*", asked::add);
        page.navigate("/plans/" + id + "/pins");
        page.waitForCondition(() -> asked.size() > 1);
        page.waitForResponse("**/repairs?*", () -> asked.get(0)
                .resume(new Route.ResumeOptions()
                        .setUrl("http://127.0.0.1:" + port + "/plans/" + id + "/findings/gone/repairs?station=pins")));
        asked.get(1).resume();
        assertThat(page.locator(".finding .repairs, .finding .figures")).not().hasCount(0);
        assertThat(page.locator(".sub")).containsText("8-bit 5 V board");
        assertThat(page.locator(".finding .fault")).hasCount(0);
        page.context().close();
    }
}
