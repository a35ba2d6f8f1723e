package izzet.app.reach;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import izzet.app.help.HelpPages;
import izzet.app.shell.Stations;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Everything is reached by words, and every station has its help beside it. */
class ReachPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Ferry steps","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"Tide sign","interface":"2-wire","bus":"i2c"},
            {"id":"south","part":"oled-128x64-page-2wire","partVersion":2,"name":"Ferry sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],"connections":[]}
            """;

    @Autowired
    private HelpPages help;

    @Autowired
    private Stations stations;

    ReachPagesTest() {
        super(PLAN);
    }

    @Test
    void aStationIsReachedByAKeyAndWords() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/pins");
        page.keyboard().press("k");
        assertThat(page.locator("#reach-words")).isFocused();
        page.keyboard().type("station traf");
        Locator found = page.locator("#reached a");
        assertThat(found).hasCount(1);
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile(".*/plans/" + id + "/traffic"));
        page.keyboard().press("k");
        page.locator("#reach-words").fill("sign answer");
        assertThat(found.first()).containsText("both answer at 0x3C");
        page.keyboard().press("ArrowDown");
        assertThat(found.first()).isFocused();
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile(".*/findings/.+"));
        page.context().close();
    }

    @Test
    void onlyThePlanAtHandIsSearchedAndOddWordsDoNoHarm() throws Exception {
        pages.perform(get("/reach").param("words", "tide sign").param("here", "/plans/" + id + "/pins"))
                .andExpect(content().string(containsString("/plans/" + id + "/parts#north")));
        pages.perform(get("/reach").param("words", "tide sign"))
                .andExpect(content().string(not(containsString("parts#north"))));
        pages.perform(get("/reach").param("words", "<b>(%").param("here", "/plans/x"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Nothing has all of these words")));
    }

    @Test
    void helpStandsBesideEveryStation() {
        stations.all()
                .forEach(s -> Assertions.assertThat(help.of(s.id())).as(s.id()).isPresent());
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/buses");
        page.keyboard().press("h");
        assertThat(page.locator("#side h1")).hasText("Buses");
        assertThat(page.locator("#side")).containsText("8-bit one");
        page.locator("#side a", new Page.LocatorOptions().setHasText("Words")).click();
        assertThat(page.locator("#side h1")).hasText("Words");
        assertThat(page).hasURL(Pattern.compile(".*/plans/" + id + "/buses"));
        page.locator("#side button", new Page.LocatorOptions().setHasText("Close"))
                .click();
        assertThat(page.locator("#side")).isHidden();
        page.context().close();
    }

    /** Five pages of a plan, one after the other; stopped, it stays away. */
    @Test
    void theTourGoesThroughFivePages() {
        Page page = browser.page(port);
        page.navigate("/");
        assertThat(page.locator(".tour")).isHidden();
        page.locator("button", new Page.LocatorOptions().setHasText("Tour in five steps"))
                .click();
        for (String place : List.of("pins", "findings", "wiring", "bench", "traffic")) {
            page.waitForURL(Pattern.compile(".*/plans/\\d+/" + place));
            assertThat(page.locator(".tour")).containsText(" of 5");
            if (place.equals("wiring")) {
                page.locator(".tour button", new Page.LocatorOptions().setHasText("Back"))
                        .click();
                page.waitForURL(Pattern.compile(".*/findings"));
                page.locator(".tour button", new Page.LocatorOptions().setHasText("Next"))
                        .click();
                page.waitForURL(Pattern.compile(".*/wiring"));
            }
            page.locator(".tour button", new Page.LocatorOptions().setHasText("Next"))
                    .click();
        }
        assertThat(page.locator(".tour")).isHidden();
        page.reload();
        assertThat(page.locator(".tour")).isHidden();
        page.context().close();
    }

    @Test
    void helpHasAddressesOfItsOwn() throws Exception {
        pages.perform(get("/help/wiring")).andExpect(content().string(containsString("One row off")));
        pages.perform(get("/help/nowhere")).andExpect(status().isNotFound());
    }
}
