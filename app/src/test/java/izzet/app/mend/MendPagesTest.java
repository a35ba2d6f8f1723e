package izzet.app.mend;

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
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@SpringBootTest(properties = "spring.datasource.url=jdbc:h2:mem:mend;DB_CLOSE_DELAY=-1")
@AutoConfigureMockMvc
class MendPagesTest {

    private static final Catalog CATALOG = CatalogReader.shipped();
    private static final Checker CHECKER = Checker.withAllRules();

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
