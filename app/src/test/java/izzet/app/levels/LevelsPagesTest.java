package izzet.app.levels;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import izzet.app.PagesOfAPlan;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;

class LevelsPagesTest extends PagesOfAPlan {

    /** A sign on a 3.3 V supply beside a 5 V board, a lamp without a resistor, a regulator, cells. */
    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Lock house","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"reg","part":"regulator-3v3","partVersion":2,"name":"Regulator","interface":"supply"},
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Lock sign","interface":"2-wire","bus":"i2c"},
            {"id":"cells","part":"cells-3-aa","partVersion":2,"name":"Cells","interface":"supply"},
            {"id":"cabin","part":"character-16x2-direct","partVersion":2,"name":"Cabin display","interface":"4-bit"},
            {"id":"lamp","part":"led","partVersion":1,"name":"Lock lamp","interface":"dimmed"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[
            {"from":"reg:IN","to":"rail:5V"},{"from":"reg:GND","to":"rail:GND"},
            {"from":"sign:VCC","to":"reg:OUT"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"},
            {"from":"cells:GND","to":"rail:GND"},{"from":"cabin:VDD","to":"cells:4V5"},{"from":"cabin:VSS","to":"rail:GND"},
            {"from":"cabin:V0","to":"rail:GND","seriesOhms":1000},
            {"from":"lamp:A","to":"board:3"},{"from":"lamp:K","to":"rail:GND"}]}
            """;

    LevelsPagesTest() {
        super(PLAN);
    }

    private Plan stored() {
        return plans.get(id).plan();
    }

    @Test
    void theTightestLineIsDrawnWithItsFindingAndItsRepair() throws Exception {
        pages.perform(get("/plans/" + id + "/levels"))
                .andExpect(content().string(containsString("Tightest first")))
                .andExpect(content().string(containsString("-200 mV")))
                .andExpect(content().string(containsString("200 mV short")))
                .andExpect(content().string(containsString("out of specification, commonly seen working")))
                .andExpect(content().string(containsString("4.7 kΩ to 3.3 V on Lock sign")));
        // The station owns the findings about levels, the parts no longer.
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/levels");
        assertThat(page.locator("#station-levels .state")).containsText("stop");
        assertThat(page.locator("#station-parts .state")).hasCount(0);
        assertThat(page.locator(".level-card .finding .repair").first()).isVisible();
        page.context().close();
    }

    /** From its row beside the weave, and from a finding about it. */
    @Test
    void aLineLinksToItsPicture() throws Exception {
        pages.perform(get("/plans/" + id + "/pins")).andExpect(content().string(containsString("/levels?of=lamp:A")));
        pages.perform(get("/plans/" + id + "/levels").param("of", "sign:SDA"))
                .andExpect(content().string(containsString("<h3 id=\"chosen\">SDA of I2C bus, trunk</h3>")));
        pages.perform(get("/plans/" + id + "/levels").param("of", "nobody:X")).andExpect(status().isOk());
        pages.perform(get("/plans/" + id + "/pins"))
                .andExpect(content().string(containsString("Its levels as a picture")));
    }

    @Test
    void aLineIsChosenByKeysAndKeepsTheFocus() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/levels");
        Locator other = page.locator(".margins a").last();
        String key = other.getAttribute("id");
        other.focus();
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile("line="));
        assertThat(page.locator("[id='" + key + "']")).hasAttribute("aria-current", "true");
        assertThat(page.locator("[id='" + key + "']")).isFocused();
        assertThat(page.locator("#chosen"))
                .hasText(page.locator("[id='" + key + "'] strong").innerText());
        page.context().close();
    }

    /** Five volts, ten per cent higher: what the board needs of a high rises; the plan stays as it was. */
    @Test
    void whatIfRedrawsAndChangesNothing() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/levels");
        assertThat(page.locator(".margins .mv").first()).hasText(Pattern.compile("-200 mV"));
        Locator slider = page.locator("#at-5V");
        slider.focus();
        for (int i = 0; i < 10; i++) {
            page.keyboard().press("ArrowRight");
        }
        assertThat(page.locator(".what-if")).containsText("5 V at 5.5 V");
        assertThat(page.locator(".margins .mv").first()).hasText(Pattern.compile("-550 mV"));
        assertThat(slider).isFocused();
        assertThat(plans.get(id).number()).isEqualTo(1);
        page.context().close();
    }

    @Test
    void aResistorIsWorkedOutAndPutInWithOneClick() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/levels");
        Locator lamp = page.locator(".bench li", new Page.LocatorOptions().setHasText("Lock lamp"));
        assertThat(lamp).containsText("no resistor");
        assertThat(lamp).containsText("red, red, brown, silver");
        lamp.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Put 220 Ω in"))
                .click();
        assertThat(page.locator(".bench li", new Page.LocatorOptions().setHasText("Lock lamp")))
                .containsText("13.7 mA through 220 Ω");
        assertThat(stored().connection(Target.of("lamp:A")).orElseThrow().seriesOhms())
                .isEqualTo(220);
        assertThat(page.locator("#undo")).isEnabled();
        page.keyboard().press("u");
        assertThat(page.locator(".bench li", new Page.LocatorOptions().setHasText("Lock lamp")))
                .containsText("no resistor");
        page.context().close();
    }

    @Test
    void theDrawerIsKeptAndPickedFrom() throws Exception {
        pages.perform(post("/preferences/drawer").param("drawer", "150, 180").param("here", "/plans/" + id + "/levels"))
                .andExpect(status().is3xxRedirection());
        pages.perform(get("/plans/" + id + "/levels"))
                .andExpect(content().string(containsString("From your drawer:")))
                .andExpect(content().string(containsString("150 Ω and 150 Ω in series")));
        pages.perform(post("/preferences/drawer").param("drawer", "150, cheese"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("cheese")));
        // What was kept before is still there.
        pages.perform(get("/tools/resistors")).andExpect(content().string(containsString("150 180")));
        pages.perform(post("/preferences/drawer").param("drawer", ""));
        pages.perform(get("/plans/" + id + "/levels"))
                .andExpect(content().string(not(containsString("From your drawer:"))));
    }

    @Test
    void riversTellHeatAndCellsTellTheirEnd() throws Exception {
        pages.perform(get("/plans/" + id + "/levels"))
                .andExpect(content().string(containsString("Regulator: heat")))
                .andExpect(content().string(containsString("Cells</strong>: <span>about 56 days")))
                .andExpect(content().string(containsString("Cabin display below 4.5 V")));
        // 25 mA at 1.7 V and 10 mA of its own at 5 V: 93 mW.
        pages.perform(get("/plans/" + id + "/levels").param("kelvin", "200"))
                .andExpect(content().string(containsString("at most 93 mW: up to 19 K warmer")));
        pages.perform(get("/plans/" + id + "/levels").param("lit", "50").param("asleep", "0"))
                .andExpect(content().string(containsString("about 111 days")));
    }

    @Test
    void linesAreFilteredByPartAndSupply() throws Exception {
        pages.perform(get("/plans/" + id + "/levels").param("show", "supply:3.3 V"))
                .andExpect(content().string(containsString("Lock sign SDA")))
                .andExpect(content().string(not(containsString("SDA of I2C bus, trunk</strong>"))));
        pages.perform(get("/plans/" + id + "/levels").param("show", "part:nobody"))
                .andExpect(content().string(containsString("No line of these is compared")));
    }

    @Test
    void numbersThatAreNoneAreTold() throws Exception {
        for (String[] wrong : new String[][] {{"at.5V", "much"}, {"bright", "900"}, {"lit", "x"}}) {
            pages.perform(get("/plans/" + id + "/levels").param(wrong[0], wrong[1]))
                    .andExpect(status().isBadRequest())
                    .andExpect(content().string(containsString(wrong[1])));
        }
    }

    /** Many builds of the plan, with tolerances as asked for; what cannot be meant is told. */
    @Test
    void manyBuildsSayHowSureThePlanIs() throws Exception {
        builds("").andExpect(status().isOk()).andExpect(content().string(containsString("What is lost first")));
        builds("?supply=0&resistor=0").andExpect(content().string(containsString("<strong>100.0 %</strong>")));
        builds("?other=20")
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Parts that may come otherwise")));
        pages.perform(get("/plans/" + id + "/levels/builds").param("supply", "much"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("much")));
    }

    /** Asked again while they are still being made: an answer waits for them only for a while. */
    private ResultActions builds(String query) throws Exception {
        ResultActions answer = pages.perform(get("/plans/" + id + "/levels/builds" + query));
        for (int i = 0; i < 40 && text(answer).contains("id=\"waiting\""); i++) {
            answer = pages.perform(get("/plans/" + id + "/levels/builds" + query));
        }
        return answer;
    }

    private static String text(ResultActions answer) throws Exception {
        return answer.andReturn().getResponse().getContentAsString();
    }
}
