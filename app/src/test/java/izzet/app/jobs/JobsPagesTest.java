package izzet.app.jobs;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.equalTo;
import static org.hamcrest.Matchers.hasItem;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import izzet.app.PagesOfAPlan;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MvcResult;

class JobsPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Signal box","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:5V"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"}]}
            """;

    @Autowired
    private Jobs jobs;

    private final CountDownLatch held = new CountDownLatch(1);
    private final List<Job<?>> holding = new ArrayList<>();

    JobsPagesTest() {
        super(PLAN);
    }

    /** Keeps whoever works, so that all else waits. Names differ, since the latest are remembered. */
    private void hold(String what) {
        for (int i = 0; i < 2; i++) {
            Job<String> job = jobs.of(-1 - i, new Object(), what + i, "/jobs", j -> {
                j.say("lamp " + 7 + ".");
                try {
                    held.await();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
                return "";
            });
            holding.add(job);
            Assertions.assertThat(job.awaitBegin(Duration.ofSeconds(30))).isTrue();
        }
    }

    @AfterEach
    void letGo() {
        held.countDown();
        holding.forEach(j -> j.await(Duration.ofSeconds(30)));
    }

    /** A comparison that has to wait says so, and its answer comes without another click. */
    @Test
    void aPageTellsThatItWaitsAndShowsTheAnswerWhenItComes() {
        hold("Count the bells ");
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/move?board=sbc-40-pin");
        assertThat(page.locator("#waiting")).containsText("Compare with the");
        assertThat(page.locator("#waiting")).containsText("waiting");
        held.countDown();
        assertThat(page.locator("#main [role=status]")).containsText("moved");
        assertThat(page.locator("#waiting")).hasCount(0);
    }

    @Test
    void theListTellsWhatRunsAndStopsIt() {
        hold("Count the lamps ");
        Page page = browser.page(port);
        page.navigate("/jobs");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Count the lamps 1")))
                .containsText("running");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Count the lamps 1")))
                .containsText("lamp 7");
        page.locator("[aria-label='Stop: Count the lamps 1']").click();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Count the lamps 1")))
                .containsText("stopping");
        held.countDown();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Count the lamps 1")))
                .containsText("done");
    }

    /** Where somebody waits for a file, others see how far it is; when they stop it, who waits is told. */
    @Test
    void aFileThatIsMadeCanBeStopped() throws Exception {
        hold("Count the signals ");
        CompletableFuture<MvcResult> bundle = CompletableFuture.supplyAsync(this::bundle);
        Page page = browser.page(port);
        page.navigate("/jobs");
        page.locator("[aria-label='Stop: All of these in one file']").click();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("All of these in one file")))
                .containsText("stopping");
        held.countDown();
        MvcResult told = bundle.get(30, TimeUnit.SECONDS);
        Assertions.assertThat(told.getResponse().getStatus()).isEqualTo(409);
        Assertions.assertThat(told.getResponse().getContentAsString()).contains("stopped. Nothing was changed");
    }

    private MvcResult bundle() {
        try {
            return pages.perform(get("/api/plans/" + id + "/exports/bundle.zip"))
                    .andReturn();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void programsSeeAndStopThemToo() throws Exception {
        hold("Count the points ");
        pages.perform(get("/api/jobs"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$[*].what", hasItem("Count the points 0")))
                .andExpect(jsonPath("$[0].state", equalTo("running")));
        long number = holding.get(0).id();
        pages.perform(delete("/api/jobs/" + number))
                .andExpect(status().isAccepted())
                .andExpect(jsonPath("$.state", equalTo("stopping")));
        pages.perform(delete("/api/jobs/999999")).andExpect(status().isNotFound());
        pages.perform(get("/jobs")).andExpect(content().string(containsString("Count the points 0")));
    }
}
