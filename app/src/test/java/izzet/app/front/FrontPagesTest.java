package izzet.app.front;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import izzet.app.Browser;
import izzet.app.OneApplication;
import izzet.app.plan.PlanStore;
import izzet.core.plan.Plan;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.web.servlet.MockMvc;

/** The first minute: what is typed about the table becomes a plan. */
@OneApplication
class FrontPagesTest {

    private static Browser browser;

    @LocalServerPort
    private int port;

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static void make(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Make the plan"))
                .click();
    }

    private Plan made(Page page) {
        page.waitForURL(Pattern.compile("/plans/\\d+/"));
        return plans.get(Long.parseLong(page.url().replaceAll(".*/plans/(\\d+)/.*", "$1")))
                .plan();
    }

    /** Six actions from the table to a plan without stops: type, make, and for each of two findings open it and take a repair. */
    @Test
    void aTypedListBecomesAPlanWithoutStops() {
        Page page = browser.page(port);
        page.navigate("/");
        page.locator("#list").fill("2 small oled, 16x2 lcd with backpack, 3 butons, 5v board 14+6 pins");
        assertThat(page.locator(".understood li")).hasCount(3);
        assertThat(page.locator(".understood")).containsText("read as button");
        assertThat(page.locator("input[value=mcu-8bit-5v-14-6]")).isChecked();
        make(page);
        page.waitForURL(Pattern.compile("/pins"));
        for (int stops = 2; stops > 0; stops--) {
            assertThat(page.locator("#findings .finding.stop")).hasCount(stops);
            // Its repairs have come: it is not replaced under the pointer.
            assertThat(page.locator("#findings .finding.stop").first().locator(".hint"))
                    .isVisible();
            page.locator("#findings .finding.stop summary").first().click();
            page.locator("#findings .finding.stop .repair").first().click();
        }
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        Plan plan = made(page);
        assertThat(plan.parts()).hasSize(6).extracting(p -> p.name()).doesNotHaveDuplicates();
        assertThat(plan.name()).startsWith("2 × OLED 128x64");
    }

    @Test
    void whatNobodyKnowsIsToldAndADoubtIsDecidedByHand() {
        Page page = browser.page(port);
        page.navigate("/");
        page.locator("#list").fill("xylophone, oled 128x64");
        assertThat(page.locator(".unread")).containsText("xylophone");
        assertThat(page.locator(".understood .doubtful")).hasCount(1);
        page.locator(".understood select[name=part]").selectOption("oled-1v3-132-2wire");
        page.locator(".understood input[name=count]").fill("2");
        make(page);
        assertThat(page.locator(".table-list .refused")).containsText("Choose the board");
        page.locator(".board-picture:has(input[value=sbc-40-pin])").click();
        page.locator("input[name=name]").fill("Harbour light");
        make(page);
        Plan plan = made(page);
        assertThat(plan.name()).isEqualTo("Harbour light");
        assertThat(plan.board()).isEqualTo("sbc-40-pin");
        assertThat(plan.parts()).extracting(p -> p.part()).containsExactly("oled-1v3-132-2wire", "oled-1v3-132-2wire");
    }

    /** There the boards are a strip that is drawn aside; those that the words fit must not lie beyond its edge. */
    @Test
    void onAPhoneTheBoardsThatFitComeFirst() {
        Page page = browser.page(port);
        page.setViewportSize(390, 800);
        page.navigate("/");
        page.locator("#list").fill("2 small oled, wifi board");
        assertThat(page.locator("#boards .caution")).containsText("fits 3 boards");
        assertThat(page.locator(".board-picture:has(:checked)")).isInViewport();
        assertThat(page.locator(".board-picture.doubtful").first()).isInViewport();
        assertThat(page.locator(".board-picture:not(.doubtful)").first()).not().isInViewport();
    }

    @Test
    void aBoardChosenByHandStaysWhileTheWordsNameNone() {
        Page page = browser.page(port);
        page.navigate("/");
        page.locator(".board-picture:has(input[value=mcu-dual-40])").click();
        page.locator("#list").fill("rtc, e-ink");
        assertThat(page.locator(".understood li")).hasCount(2);
        assertThat(page.locator("input[value=mcu-dual-40]")).isChecked();
        page.locator("#list").fill("rtc, e-ink, retro computer");
        assertThat(page.locator("input[value=retro-8bit-two-port]")).isChecked();
    }

    /** Without scripts, or when they come late, the words as they are sent count. */
    @Test
    void wordsThatWereNotReadYetAreReadWhenThePlanIsMade() throws Exception {
        String place = pages.perform(post("/quick-list")
                        .param("list", "2 leds, retro computer")
                        .param("read", "1 led")
                        .param("part", "led")
                        .param("count", "1"))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        Plan plan = plans.get(Long.parseLong(place.split("/")[2])).plan();
        assertThat(plan.parts()).hasSize(2);
        assertThat(plan.name()).isEqualTo("2 × lamp");
        assertThat(plan.board()).isEqualTo("retro-8bit-two-port");
        pages.perform(get("/").param("list", "rtc <b>"))
                .andExpect(content().string(containsString("Real-time clock")))
                .andExpect(content().string(not(containsString("<b>"))));
    }

    @Test
    void wrongCountsTooManyPartsAndTooLongListsAreRefused() throws Exception {
        pages.perform(post("/quick-list")
                        .param("board", "sbc-40-pin")
                        .param("part", "led")
                        .param("count", "many"))
                .andExpect(status().is4xxClientError())
                .andExpect(content().string(containsString("is no count")));
        pages.perform(post("/quick-list").param("list", "99 leds, 99 buttons").param("board", "sbc-40-pin"))
                .andExpect(status().is4xxClientError())
                .andExpect(content().string(containsString("a plan holds 100")));
        pages.perform(get("/quick-list").param("list", "x".repeat(2001))).andExpect(status().isBadRequest());
        pages.perform(post("/api/quick-list").content("x".repeat(2001))).andExpect(status().isBadRequest());
    }

    @Test
    void theApiReadsAListAndSearchesInMakersWords() throws Exception {
        pages.perform(post("/api/quick-list")
                        .contentType("text/plain")
                        .content("2 small oled, 1,8\u2033 tft with card, zither"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.board").value(org.hamcrest.Matchers.nullValue()))
                .andExpect(jsonPath("$.boardSure").value(false))
                .andExpect(jsonPath("$.parts[0].part").value("oled-128x64-page-2wire"))
                .andExpect(jsonPath("$.parts[0].count").value(2))
                .andExpect(jsonPath("$.parts[0].words").value("2 small oled"))
                .andExpect(jsonPath("$.parts[0].sure").value(false))
                .andExpect(jsonPath("$.parts[0].alternatives").isNotEmpty())
                .andExpect(jsonPath("$.parts[1].interface").value("panel-and-card"))
                .andExpect(jsonPath("$.unread[0]").value("zither"));
        pages.perform(get("/api/catalog/parts").param("q", "mux"))
                .andExpect(jsonPath("$.length()").value(2))
                .andExpect(jsonPath("$[0].id").value(containsString("bus-switch")));
    }

    @Test
    void theListOfPlansComesInPages() throws Exception {
        for (int i = 0; i < 14; i++) {
            plans.create(Plan.empty("Halt " + i, "mcu-8bit-5v-14-6"), "started the plan");
        }
        String first = pages.perform(get("/")).andReturn().getResponse().getContentAsString();
        assertThat(first).contains("Halt 13").doesNotContain("Halt 0<").contains("Older plans");
        int last = (int) ((plans.count() - 1) / 12);
        String older = pages.perform(get("/").param("page", String.valueOf(last)))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(older).contains("?page=" + (last - 1)).doesNotContain("Halt 13");
        pages.perform(get("/").param("page", "99")).andExpect(status().isOk());
    }
}
