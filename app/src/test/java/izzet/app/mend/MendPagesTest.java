package izzet.app.mend;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasSize;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import izzet.app.Browser;
import izzet.app.OneApplication;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan;
import izzet.core.edit.QuickPlan.Want;
import izzet.core.mend.Wish;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@OneApplication
class MendPagesTest {

    private static final Catalog CATALOG = CatalogReader.shipped();
    private static final Checker CHECKER = Checker.withAllRules();

    @LocalServerPort
    private int port;

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    private static Plan plan(Want... wants) {
        return QuickPlan.of("Wick halt", "wifi-dual-38", List.of(wants), CATALOG, new SolverAssigner());
    }

    private static Plan twins() {
        return plan(new Want("oled-128x64-page-2wire", 2, "", null));
    }

    private static long stops(Plan plan) {
        return CHECKER.check(new Circuit(plan, CATALOG)).count(Severity.STOP);
    }

    private JsonNode solutions(long id) throws Exception {
        return JsonMapper.shared()
                .readTree(pages.perform(get("/api/plans/" + id + "/solutions"))
                        .andReturn()
                        .getResponse()
                        .getContentAsString());
    }

    /** What is looked for beyond the first second keeps what was found, and can be stopped and taken. */
    @Test
    void aSearchGoesOnAndIsStopped() throws Exception {
        long id = plans.create(twins(), "made from a list");
        int before = solutions(id).size();
        pages.perform(post("/plans/" + id + "/mend/further")).andExpect(status().is3xxRedirection());
        pages.perform(post("/plans/" + id + "/mend/stop")).andExpect(status().is3xxRedirection());
        assertThat(solutions(id).size()).isGreaterThanOrEqualTo(Math.min(1, before));
        StoredPlan stored = plans.get(id);
        pages.perform(post("/plans/" + id + "/mend")
                        .param("version", String.valueOf(stored.version()))
                        .param("solution", solutions(id).get(0).get("id").asString()))
                .andExpect(status().is3xxRedirection());
        assertThat(stops(plans.get(id).plan())).isZero();
    }

    /** Answers show as they come, and at the end the search can be asked for again. */
    @Test
    void waysShowAsTheyCome() {
        long id = plans.create(plan(new Want("oled-128x64-page-2wire", 3, "", null)), "made from a list");
        try (Browser browser = new Browser()) {
            Page page = browser.page(port);
            page.navigate("/plans/" + id + "/mend");
            page.locator("#further").click();
            assertThat(page.locator("#further")).hasText("Stop with what is found");
            page.locator("#further").click();
            assertThat(page.locator("#further")).hasText("Look further, up to 10 s");
            assertThat(page.locator(".ways .good").first()).isVisible();
        }
    }

    @Test
    void aWayIsTakenAsOneRevisionAndUndoneAsOne() throws Exception {
        long id = plans.create(twins(), "made from a list");
        StoredPlan before = plans.get(id);
        assertThat(stops(before.plan())).isPositive();
        pages.perform(get("/plans/" + id + "/mend"))
                .andExpect(content().string(containsString("nothing left to stop or fix")));
        String way = solutions(id).get(0).get("id").asString();
        pages.perform(post("/plans/" + id + "/mend")
                        .param("version", String.valueOf(before.version()))
                        .param("solution", way))
                .andExpect(status().is3xxRedirection());
        StoredPlan after = plans.get(id);
        assertThat(stops(after.plan())).isZero();
        assertThat(after.number()).isEqualTo(before.number() + 1);
        assertThat(plans.undo(id, after.version()).plan()).isEqualTo(before.plan());
    }

    @Test
    void theApiTellsWhatEachWayCostsAndBrings() throws Exception {
        long id = plans.create(twins(), "made from a list");
        pages.perform(get("/api/plans/" + id + "/solutions"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$", hasSize(greaterThan(1))))
                .andExpect(jsonPath("$[0].edits").isNotEmpty())
                .andExpect(jsonPath("$[0].price.pins").isNumber())
                .andExpect(jsonPath("$[0].price.parts").isArray())
                .andExpect(jsonPath("$[0].findingsGone").isNotEmpty())
                .andExpect(jsonPath("$[0].findingsLeft").isEmpty())
                .andExpect(jsonPath("$[0].plan.format").value("izzet-plan"));
        pages.perform(get("/api/plans/" + id + "/solutions").param("wish", "no-soldering"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("keep-soldering")));
        pages.perform(post("/api/solutions")
                        .param("wish", "buy-nothing")
                        .contentType("application/json")
                        .content(new PlanDocument().write(twins())))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$[*].price.parts[*]").isEmpty());
    }

    @Test
    void aProgramTakesOneWithIfMatch() throws Exception {
        long id = plans.create(twins(), "made from a list");
        String address = "/api/plans/" + id + "/solutions/"
                + solutions(id).get(0).get("id").asString();
        pages.perform(post(address)).andExpect(status().isPreconditionRequired());
        pages.perform(post(address).header("If-Match", "\"99\"")).andExpect(status().isPreconditionFailed());
        pages.perform(post(address).header("If-Match", plans.get(id).etag()))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.format").value("izzet-plan"));
        assertThat(stops(plans.get(id).plan())).isZero();
    }

    @Test
    void staleAndUnknownWaysAreRefused() throws Exception {
        long id = plans.create(twins(), "made from a list");
        pages.perform(post("/plans/" + id + "/mend").param("version", "999").param("solution", "other-address"))
                .andExpect(status().isConflict());
        pages.perform(post("/plans/" + id + "/mend")
                        .param("version", String.valueOf(plans.get(id).version()))
                        .param("solution", "magic"))
                .andExpect(status().is4xxClientError())
                .andExpect(content().string(containsString("not found again")));
        long fine = plans.create(plan(new Want("push-button", 1, "", null)), "made from a list");
        pages.perform(get("/plans/" + fine + "/mend")).andExpect(content().string(containsString("Nothing to mend")));
    }

    @Test
    void wishesHaveNames() {
        assertThat(Solutions.wishes(List.of("buy-nothing", "no-console")))
                .containsExactlyInAnyOrder(Wish.BUY_NOTHING, Wish.NO_CONSOLE);
        assertThatThrownBy(() -> Solutions.wishes(List.of("x"))).isInstanceOf(IllegalArgumentException.class);
    }
}
