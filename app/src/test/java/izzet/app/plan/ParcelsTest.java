package izzet.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.app.catalog.Shelf;
import izzet.core.edit.PartAddition;
import izzet.core.plan.Plan;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

/** Own items over the API, and plans that take theirs along. */
@OneApplication
class ParcelsTest {

    private static final String OWN = "own-lever-frame";

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    @Autowired
    private Shelf shelf;

    private String frame;

    @BeforeEach
    void start() throws Exception {
        frame = new ClassPathResource("demo-shelf/own-lever-frame.json").getContentAsString(StandardCharsets.UTF_8);
        pages.perform(put("/api/shelf/own/" + OWN).header("If-Match", "*").content(frame))
                .andExpect(status().is2xxSuccessful());
    }

    private String exported() throws Exception {
        Plan empty = Plan.empty("Stellwerk Süd", "mcu-8bit-5v-14-6");
        long id = plans.create(
                PartAddition.of(empty, shelf.catalog(), OWN, "Levers", "").apply(empty), "started");
        var answer = pages.perform(get("/plans/" + id + "/export"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse();
        // As browsers read it: RFC 6266.
        assertThat(answer.getHeader("Content-Disposition"))
                .contains("filename*=UTF-8''stellwerk-s%C3%BCd.izzet-plan.json");
        return answer.getContentAsString();
    }

    private Plan imported(String document) throws Exception {
        String place = pages.perform(multipart("/plans/import")
                        .file(new MockMultipartFile(
                                "file", "p.json", "application/json", document.getBytes(StandardCharsets.UTF_8))))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        return plans.get(Long.parseLong(place.split("/")[2])).plan();
    }

    @Test
    void whatTheShelfLacksComesAlong() throws Exception {
        String document = exported();
        assertThat(shelf.catalog().part("own-levers-elsewhere")).isEmpty();
        Plan plan = imported(document.replace(OWN, "own-levers-elsewhere"));
        assertThat(plan.parts()).extracting(p -> p.part()).containsExactly("own-levers-elsewhere");
        assertThat(shelf.catalog().parts()).containsKey("own-levers-elsewhere");
    }

    @Test
    void whatTheShelfHasIsNotTakenTwice() throws Exception {
        String document = exported();
        List<String> before = List.copyOf(shelf.catalog().parts().keySet());
        Plan plan = imported(document);
        assertThat(plan.parts()).extracting(p -> p.part()).containsExactly(OWN);
        assertThat(shelf.catalog().parts().keySet()).containsExactlyElementsOf(before);
    }

    /** Somebody else's thing of the same name and version: the one here stays as it is, the plan keeps the one it was made with. */
    @Test
    void anotherThingOfTheSameNameComesUnderAnotherId() throws Exception {
        String here = shelf.catalog().part(OWN).orElseThrow().summary();
        Plan plan = imported(exported().replace(here, "Another frame that is called so."));
        String id = plan.parts().get(0).part();
        assertThat(id).isNotEqualTo(OWN).startsWith("own-");
        assertThat(shelf.catalog().part(id).orElseThrow().summary()).isEqualTo("Another frame that is called so.");
        assertThat(shelf.catalog().part(OWN).orElseThrow().summary()).isEqualTo(here);
    }

    @Test
    void aPlanThatCannotBeUsedLeavesNothingOnTheShelf() throws Exception {
        String broken = exported().replace(OWN, "own-levers-lost").replace("\"board:", "\"board:no-such-");
        pages.perform(post("/api/plans").content(broken)).andExpect(status().isUnprocessableContent());
        assertThat(shelf.catalog().part("own-levers-lost")).isEmpty();
        pages.perform(post("/api/check").content(exported().replace(OWN, "own-levers-lost")))
                .andExpect(status().isOk());
        assertThat(shelf.catalog().part("own-levers-lost")).isEmpty();
    }

    @Test
    void aWrongItemIsToldWithItsPlace() throws Exception {
        String wrong = exported().replace("\"kind\" : \"input\"", "\"kind\" : \"attic\"");
        assertThat(wrong).contains("attic");
        String told = pages.perform(post("/api/plans").content(wrong))
                .andExpect(status().isUnprocessableContent())
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(told).contains("/ownParts/0").contains("kind");
    }

    @Test
    void ownItemsOverTheApi() throws Exception {
        String path = "/api/shelf/own/own-bell-frame";
        pages.perform(get(path)).andExpect(status().isNotFound());
        pages.perform(put(path).content(frame)).andExpect(status().isCreated()).andExpect(header().exists("ETag"));
        String tag = pages.perform(get(path)).andReturn().getResponse().getHeader("ETag");
        String other = frame.replace("Eight", "Twelve");
        pages.perform(put(path).content(other)).andExpect(status().is(428));
        pages.perform(put(path).header("If-Match", tag).content(other)).andExpect(status().isOk());
        pages.perform(put(path).header("If-Match", tag).content(frame)).andExpect(status().is(412));
        pages.perform(put(path).header("If-Match", "*").content("{")).andExpect(status().isUnprocessableContent());
        pages.perform(delete(path).header("If-Match", tag)).andExpect(status().is(412));
        pages.perform(delete(path).header("If-Match", "*")).andExpect(status().isNoContent());
        pages.perform(get(path)).andExpect(status().isNotFound());
        pages.perform(put("/api/shelf/own/led").content(frame)).andExpect(status().isBadRequest());
        assertThat(pages.perform(get("/api/shelf/own/led"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
    }
}
