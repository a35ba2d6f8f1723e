package izzet.app.assign;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.app.jobs.Jobs;
import izzet.app.plan.PlanStore;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;

/** Assigning, locking, swapping, moving a bus and a whole plan: through the pages' forms. */
@OneApplication
class AssignPagesTest {

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    @Autowired
    private Jobs jobs;

    private long plan(String board, String... parts) {
        Plan plan = Plan.empty("Wick halt", board);
        for (int i = 0; i < parts.length; i++) {
            String[] part = parts[i].split("/");
            plan = new PlanEdit.AddPart(new PlacedPart("p" + i, part[0], 1, "Part " + i, part[1], Map.of(), null, null))
                    .apply(plan);
        }
        return plans.create(plan, "started");
    }

    private ResultActions form(long id, String path, String... fields) throws Exception {
        var request = post("/plans/" + id + path)
                .param("version", String.valueOf(plans.get(id).version()))
                .param("here", "/plans/" + id + "/pins");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return pages.perform(request);
    }

    /** Begins a search and waits for its end; the address of its page. */
    private String searched(long id) throws Exception {
        String page = form(id, "/assign", "seconds", "10")
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        jobs.get(Long.parseLong(page.substring(page.lastIndexOf('/') + 1))).await(Duration.ofSeconds(60));
        return page;
    }

    private Target to(long id, String line) {
        return plans.get(id)
                .plan()
                .connection(Target.of(line))
                .map(Connection::to)
                .orElse(null);
    }

    @Test
    void theBestIsFoundShownAndTakenAsOneRevision() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "oled-128x64-page-2wire/2-wire", "push-button/to-ground");
        String page = searched(id);
        pages.perform(get(page))
                .andExpect(content().string(containsString("Proven best")))
                .andExpect(content().string(containsString("Price 8")))
                .andExpect(content().string(containsString("class=\"weave picture\"")));
        pages.perform(post(page + "/take").param("number", "1")).andExpect(redirectedUrl("/plans/" + id + "/pins"));
        assertThat(plans.get(id).number()).isEqualTo(2);
        assertThat(to(id, "p0:SDA")).isEqualTo(Target.of("board:A4"));
        // A second click on the same button comes too late, and says so.
        pages.perform(post(page + "/take").param("number", "1")).andExpect(status().isConflict());
        pages.perform(post(page + "/take").param("number", "9")).andExpect(status().isBadRequest());
    }

    @Test
    void whatIsImpossibleIsToldWithWaysOutThatCanBeTaken() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "led-rgb/dimmed", "led-rgb/dimmed", "led/dimmed");
        String page = searched(id);
        pages.perform(get(page))
                .andExpect(content().string(containsString("No assignment is possible")))
                .andExpect(content().string(containsString("Part 0 wants 3 pins for R, G, B (PWM)")))
                .andExpect(content().string(containsString("These are 7 lines")))
                .andExpect(content().string(containsString("as: on and off")));
        pages.perform(post(page + "/take").param("way", "1")).andExpect(status().is3xxRedirection());
        assertThat(plans.get(id).plan().parts()).anyMatch(p -> !p.interfaceId().equals("dimmed"));
    }

    @Test
    void badWeightsTimesAndSearchesAreTold() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "push-button/to-ground");
        form(id, "/assign", "weight.NEAR", "eleven").andExpect(status().isBadRequest());
        form(id, "/assign", "weight.NEAR", "11")
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("0 to 10")));
        form(id, "/assign", "seconds", "900").andExpect(status().isBadRequest());
        form(id, "/assign", "seconds", "NaN").andExpect(status().isBadRequest());
        pages.perform(get("/plans/" + id + "/assign/999999")).andExpect(status().isNotFound());
        pages.perform(post("/plans/" + id + "/assign").param("version", "77")).andExpect(status().isConflict());
    }

    @Test
    void aLockedLineStaysAndCannotBeSwapped() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "push-button/to-ground", "push-button/to-ground");
        form(id, "/connect", "from", "p0:A", "to", "board:3");
        form(id, "/connect", "from", "p1:A", "to", "board:5");
        pages.perform(get("/plans/" + id + "/verdict?from=p0:A&with=p1:A"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.stops").value(0));
        form(id, "/swap", "a", "p0:A", "b", "p1:A").andExpect(status().is3xxRedirection());
        assertThat(to(id, "p0:A")).isEqualTo(Target.of("board:5"));
        assertThat(to(id, "p1:A")).isEqualTo(Target.of("board:3"));
        form(id, "/lock", "from", "p1:A").andExpect(status().is3xxRedirection());
        form(id, "/swap", "a", "p0:A", "b", "p1:A")
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("unlock it first")));
        String page = searched(id);
        pages.perform(post(page + "/take").param("number", "1"));
        assertThat(to(id, "p1:A")).isEqualTo(Target.of("board:3"));
        form(id, "/lock", "from", "p1:A");
        assertThat(plans.get(id)
                        .plan()
                        .connection(Target.of("p1:A"))
                        .orElseThrow()
                        .staysPut())
                .isFalse();
        form(id, "/lock", "from", "p1:X").andExpect(status().isConflict());
    }

    @Test
    void aWholeBusMovesToAnotherController() throws Exception {
        long id = plan("mcu-dual-40", "oled-128x64-page-2wire/2-wire", "light-sensor/2-wire");
        form(id, "/parts/p0/connect");
        form(id, "/parts/p1/connect");
        String bus = plans.get(id).plan().buses().get(0).id();
        form(id, "/buses/" + bus + "/move", "controller", "i2c1").andExpect(status().is3xxRedirection());
        assertThat(plans.get(id).plan().bus(bus).orElseThrow().controller()).isEqualTo("i2c1");
        assertThat(to(id, "p0:SDA")).isEqualTo(to(id, "p1:SDA")).isNotNull();
        pages.perform(get("/plans/" + id + "/findings")).andExpect(content().string(containsString("Findings")));
        form(id, "/buses/ghost/move", "controller", "i2c1").andExpect(status().isConflict());
        form(id, "/buses/" + bus + "/move", "controller", "i2c9").andExpect(status().is(422));
    }

    @Test
    void aMoveIsJudgedBeforeItIsMade() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "oled-128x64-page-2wire/2-wire");
        form(id, "/parts/p0/connect");
        pages.perform(get("/plans/" + id + "/verdict?from=p0:SDA&to=board:2"))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.stops").value(1))
                .andExpect(jsonPath("$.says[0]").value(containsString("pin 2 does not have")));
        assertThat(to(id, "p0:SDA")).isEqualTo(Target.of("board:A4"));
        pages.perform(get("/plans/" + id + "/verdict?from=p9:SDA&to=board:2")).andExpect(status().isConflict());
    }

    @Test
    void theWeaveFiltersFoldsComparesAndIsAPicture() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "oled-128x64-page-2wire/2-wire", "push-button/to-ground");
        form(id, "/parts/p0/connect");
        form(id, "/parts/p1/connect");
        String before = to(id, "p1:A").name();
        form(id, "/connect", "from", "p1:A", "to", "board:13");
        String all = page("/plans/" + id + "/pins");
        assertThat(all)
                .contains("id=\"knot-p0-SDA\"")
                .contains("id=\"knot-p1-A\"")
                .doesNotContain("was here");
        assertThat(page("/plans/" + id + "/pins?show=part:p1"))
                .contains("id=\"knot-p1-A\"")
                .doesNotContain("id=\"knot-p0-SDA\"");
        assertThat(page("/plans/" + id + "/pins?show=bus:i2c"))
                .contains("id=\"knot-p0-SDA\"")
                .doesNotContain("id=\"knot-p1-A\"");
        assertThat(page("/plans/" + id + "/pins?folded=all"))
                .contains("4 lines")
                .doesNotContain("data-options=\"board");
        assertThat(page("/plans/" + id + "/pins?against=3")).contains("Part 1 A was here");
        assertThat(before).isNotEqualTo("13");
        pages.perform(get("/plans/" + id + "/pins?against=99")).andExpect(status().isNotFound());
        pages.perform(get("/plans/" + id + "/pins?against=x")).andExpect(status().isBadRequest());
        pages.perform(get("/plans/" + id + "/pins.svg"))
                .andExpect(status().isOk())
                .andExpect(content().contentType("image/svg+xml"))
                .andExpect(content().string(startsWith("<svg xmlns=\"http://www.w3.org/2000/svg\" width=")))
                .andExpect(content().string(containsString("<style>")));
        pages.perform(get("/plans/" + id + "/pins.svg?show=part:ghost")).andExpect(status().isNotFound());
    }

    private String page(String path) throws Exception {
        return pages.perform(get(path))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void whatAnotherBoardCannotDoIsToldWithWhatWouldFreeIt() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "led-rgb/dimmed");
        form(id, "/parts/p0/connect");
        String page = page("/plans/" + id + "/move?board=sbc-40-pin");
        assertThat(page)
                .contains("1 impossible")
                .contains("✕ impossible")
                .contains("Part 0 wants 3 pins for R, G, B (PWM)")
                .contains("Connect Part 0 as: on and off");
        String token = page.replaceAll("(?s).*name=\"token\" value=\"(\\d+)\".*", "$1");
        pages.perform(post("/plans/" + id + "/move").param("token", token).param("way", "7"))
                .andExpect(status().isNotFound());
        pages.perform(post("/plans/" + id + "/move").param("token", token).param("way", "1"))
                .andExpect(status().is3xxRedirection());
        Plan taken = plans.get(id).plan();
        assertThat(taken.board()).isEqualTo("sbc-40-pin");
        // The same list of wires before and after it is taken, and back again between any two revisions.
        int now = plans.get(id).number();
        String over = "every wire at the board goes over";
        assertThat(page).contains(over);
        String changes = "/plans/" + id + "/wiring/changes";
        assertThat(page(changes)).contains(over);
        assertThat(page(changes + "?since=" + now + "&until=" + (now - 1))).contains(over);
        assertThat(page(changes + "?since=1&until=2")).contains("Put in").doesNotContain(over);
        assertThat(page(changes + "?since=2&until=2")).contains("Nothing on the bench changes.");
        pages.perform(get(changes + "?since=1&until=99")).andExpect(status().isNotFound());
        assertThat(taken.part("p0").orElseThrow().interfaceId()).isEqualTo("on-off");
        assertThat(taken.connections()).filteredOn(c -> c.to().isPin()).hasSize(3);
    }

    /** A way out finds places; that the adapter then pulls the bus to (5 V + 3.3 V) / 2, by 4.7 kΩ each, is told before it is taken. */
    @Test
    void whatAWayOutWouldBringIsToldBefore() throws Exception {
        long id = plan(
                "mcu-8bit-5v-14-6", "character-16x2-direct/8-bit", "led-rgb/dimmed", "oled-128x64-page-2wire/2-wire");
        form(id, "/parts/p0/connect");
        form(id, "/parts/p1/connect");
        form(id, "/parts/p2/connect");
        // The search is bounded by time: beside other work it may have to be asked again.
        String told = page("/plans/" + id + "/move?board=wifi-single-30&seconds=10");
        for (int again = 0; again < 5 && !told.contains("Use for Part 0"); again++) {
            told = page("/plans/" + id + "/move?board=wifi-single-30&seconds=10");
        }
        assertThat(told).contains("Use for Part 0").contains("then to mend: I2C bus puts 4.15 V on");
    }

    @Test
    void aPlanGoesToAnotherBoardAndBack() throws Exception {
        long id = plan("mcu-8bit-5v-14-6", "oled-128x64-page-2wire/2-wire", "push-button/to-ground");
        form(id, "/parts/p0/connect");
        form(id, "/parts/p1/connect");
        Plan start = plans.get(id).plan();
        String there = page("/plans/" + id + "/move?board=wifi-dual-38");
        assertThat(there)
                .contains("→ moved")
                .contains("= same")
                .contains("PART_1_A")
                .contains("<s>breadboard 5 V row</s> → <strong>breadboard 3.3 V row</strong>");
        assertThat(plans.get(id).plan()).isEqualTo(start);
        String token = there.replaceAll("(?s).*name=\"token\" value=\"(\\d+)\".*", "$1");
        pages.perform(post("/plans/" + id + "/move").param("token", token)).andExpect(status().is3xxRedirection());
        assertThat(plans.get(id).plan().board()).isEqualTo("wifi-dual-38");
        pages.perform(post("/plans/" + id + "/move").param("token", token)).andExpect(status().isConflict());
        String back = page("/plans/" + id + "/move?board=mcu-8bit-5v-14-6");
        String again = back.replaceAll("(?s).*name=\"token\" value=\"(\\d+)\".*", "$1");
        pages.perform(post("/plans/" + id + "/move").param("token", again));
        assertThat(plans.get(id).plan().connections()).containsExactlyInAnyOrderElementsOf(start.connections());
        pages.perform(get("/plans/" + id + "/move?board=mcu-8bit-5v-14-6")).andExpect(status().isBadRequest());
        pages.perform(get("/plans/" + id + "/move?board=ghost")).andExpect(status().isNotFound());
        pages.perform(post("/plans/" + id + "/move").param("token", "999")).andExpect(status().isNotFound());
    }
}
