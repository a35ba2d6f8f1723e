package izzet.app.bringup;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import org.junit.jupiter.api.Test;

class BringUpPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Ticket hall","board":"sbc-40-pin","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c1","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:3V3"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:GPIO3"},{"from":"sign:SDA","to":"board:GPIO2"}]}
            """;

    BringUpPagesTest() {
        super(PLAN);
    }

    private String path() {
        return "/plans/" + id + "/bring-up";
    }

    /** At eleven at night: a blank screen, a scan, and the pad that was moved. */
    @Test
    void aScanThatDiffersNamesItsCause() {
        Page page = browser.page(port);
        page.navigate(path());
        assertThat(page.locator("#scan .facts")).containsText("0x3C Hall sign");
        page.locator("#scan-text").fill("Device found at address 0x3D");
        page.locator("#compare").click();
        assertThat(page.locator(".scan-rows")).containsText("Hall sign answers at 0x3D, moved by its pads");
        assertThat(page.locator("#scan-text")).hasValue("Device found at address 0x3D");
        page.locator("#scan-text").fill("it is dark");
        page.locator("#compare").click();
        assertThat(page.locator("#scan [role=alert]")).containsText("No address can be read here");
        assertThat(page.locator("#scan-text")).hasValue("it is dark");
        page.context().close();
    }

    @Test
    void answersNarrowTheCausesAndCanBeTakenBack() {
        Page page = browser.page(port);
        page.navigate(path());
        page.locator("#see-blank").click();
        assertThat(page.locator(".likely li")).hasCount(8);
        String first = page.locator(".likely li strong").first().innerText();
        page.locator(".likely li")
                .first()
                .locator("a", new Locator.LocatorOptions().setHasText("Not it"))
                .click();
        assertThat(page.locator(".likely li strong").first()).not().hasText(first);
        page.goBack();
        assertThat(page.locator(".likely li strong").first()).hasText(first);
        page.context().close();
    }

    /** The classic: 0x3D in the code, 0x3C on the board; either side can be taken over. */
    @Test
    void theProgramIsReadBackAndItsAddressTakenOver() {
        Page page = browser.page(port);
        page.navigate(path());
        page.locator("#told").fill("#define SCREEN_HEIGHT 64\n#define SCREEN_ADDRESS 0x3D");
        page.locator("#read").click();
        assertThat(page.locator(".read-rows .agrees")).containsText("line 1: SCREEN_HEIGHT 64");
        assertThat(page.locator(".read-rows .differs")).containsText("Plan: 0x3C Hall sign");
        page.locator(".read-rows .take").click();
        assertThat(page.locator("#scan .facts")).containsText("0x3D Hall sign");
        assertThat(page.locator("#told")).hasValue("#define SCREEN_HEIGHT 64\n#define SCREEN_ADDRESS 0x3D");
        assertThat(page.locator(".read-rows .agrees")).hasCount(2);
        page.context().close();
    }

    /** The other side: what the plan has goes into the text, one line or all of them. */
    @Test
    void thePlansValuesAreTakenIntoTheText() throws Exception {
        Page page = browser.page(port);
        page.navigate(path());
        page.locator("#told").fill("#define SCREEN_HEIGHT 32 // rows\n#define OLED_RESET 4\nADDRESS = 0x78");
        page.locator("#read").click();
        page.locator(".read-rows li", new Page.LocatorOptions().setHasText("SCREEN_HEIGHT"))
                .locator(".put")
                .click();
        assertThat(page.locator("#told"))
                .hasValue("#define SCREEN_HEIGHT 64 // rows\n#define OLED_RESET 4\nADDRESS = 0x78");
        page.locator("#put-all").click();
        assertThat(page.locator("#told"))
                .hasValue("#define SCREEN_HEIGHT 64 // rows\n#define OLED_RESET -1\nADDRESS = 0x3C");
        assertThat(page.locator(".read-rows .agrees")).hasCount(3);
        page.locator("#told").fill("Device found at address 0x3D");
        page.locator("#read").click();
        assertThat(page.locator("#read-back [role=alert]")).containsText("reads as the result of a scan");
        assertThat(page.locator(".scan-rows")).containsText("Hall sign answers at 0x3D, moved by its pads");
        page.context().close();
        pages.perform(post(path() + "/read-back")
                        .param("told", "address = 0x3D")
                        .param("put", "x"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("read it again")));
        pages.perform(post(path() + "/read-back").param("told", "rows = 32").param("take", "7"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("read it again")));
    }

    @Test
    void theBoardsSideFollowsThePlan() throws Exception {
        pages.perform(get(path()))
                .andExpect(content().string(containsString("dtparam=i2c_arm=on")))
                .andExpect(content().string(containsString("ls /dev/i2c-1 names it")))
                .andExpect(content().string(containsString("exports/code/bringup.py")))
                .andExpect(content().string(containsString("1 ms after power or reset")));
    }

    @Test
    void whatIsAskedWronglyIsTold() throws Exception {
        pages.perform(post(path() + "/scan").param("place", "9").param("scan", "0x3C"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("1 places to scan")));
        pages.perform(post(path() + "/scan").param("place", "0").param("scan", "<script>alert(1)</script>"))
                .andExpect(status().isOk())
                .andExpect(content().string(not(containsString("<script>alert"))));
        pages.perform(get(path()).param("see", "\"><b>")).andExpect(content().string(not(containsString("\"><b>"))));
    }
}
