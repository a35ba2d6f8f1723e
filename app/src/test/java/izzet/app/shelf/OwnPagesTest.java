package izzet.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.author.Forms;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.Part;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Own boards and parts through the pages: begun, checked, saved, changed, in files and out, off the shelf. */
@OneApplication
class OwnPagesTest {

    private static final String OLED = "oled-128x64-page-2wire";

    @Autowired
    private MockMvc pages;

    @Autowired
    private Shelf shelf;

    @Autowired
    private PlanStore plans;

    private static MockHttpServletRequestBuilder with(String path, Map<String, String> fields, String... more) {
        MockHttpServletRequestBuilder request = post(path).param("kind", "part");
        fields.forEach(request::param);
        for (int i = 0; i < more.length; i += 2) {
            request.param(more[i], more[i + 1]);
        }
        return request;
    }

    private Map<String, String> oled(String name) {
        Map<String, String> fields = Forms.PART.fieldsOf(
                CatalogWriter.tree(shelf.catalog().part(OLED).orElseThrow()));
        fields.put("/name", name);
        return fields;
    }

    private ResultActions save(Map<String, String> fields, String... more) throws Exception {
        return pages.perform(with("/shelf/own", fields, more));
    }

    private Part own(String id) {
        return shelf.catalog().part(id).orElseThrow();
    }

    @Test
    void beginsFromTheNearestItemAndSavesACopyBesideIt() throws Exception {
        pages.perform(get("/shelf/own?kind=part&from=" + OLED))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Complete: it can be saved.")));
        save(oled("Drawer panel")).andExpect(redirectedUrl("/shelf/parts/own-drawer-panel"));
        assertThat(own("own-drawer-panel").version()).isEqualTo(1);
        assertThat(shelf.catalog().part(OLED).orElseThrow().name()).isNotEqualTo("Drawer panel");
        pages.perform(get("/shelf?q=drawer")).andExpect(content().string(containsString("Drawer panel")));
        pages.perform(get("/shelf/parts/own-drawer-panel")).andExpect(content().string(containsString("version 1")));
        save(oled("Drawer panel")).andExpect(redirectedUrl("/shelf/parts/own-drawer-panel-2"));
    }

    @Test
    void nothingIsSavedWhileSomethingIsWrongAndNothingTypedIsLost() throws Exception {
        Map<String, String> fields = oled("Half a panel");
        fields.put("/supply/maxVolts", "plenty");
        fields.put("/lines/0/note", "<script>alert(1)</script>");
        save(fields)
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("value=\"plenty\"")))
                .andExpect(content().string(containsString("1 thing to mend")))
                .andExpect(content().string(containsString("&lt;script&gt;")))
                .andExpect(content().string(not(containsString("<script>alert"))));
        assertThat(shelf.catalog().part("own-half-a-panel")).isEmpty();
        pages.perform(with("/shelf/own/check", fields))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("data-field=\"/supply/maxVolts\"")));
    }

    @Test
    void pastedRowsFollowTheLastOneAndLabelsTellTheRest() throws Exception {
        pages.perform(with(
                        "/shelf/own",
                        Map.of("/name", "Tide gauge panel", "/lines/0/id", "NC"),
                        "do",
                        "paste:/lines",
                        "pasted",
                        "Pin\tName\tColour\n2\tSDA\tblue\n3\tSCL\tgreen"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("2 rows taken. No column for: Colour.")))
                .andExpect(content().string(containsString("id=\"/lines/1/id\" name=\"/lines/1/id\" value=\"SDA\"")))
                .andExpect(content().string(containsString("<option value=\"i2c.scl\" selected=\"selected\">")));
        pages.perform(with("/shelf/own", Map.of("/lines/0/id", "RST"), "do", "guess:/lines"))
                .andExpect(content().string(containsString("5 fields filled from the labels")));
        pages.perform(with("/shelf/own", Map.of(), "do", "paste:/lines", "pasted", "x\n".repeat(300)))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("300 rows")));
    }

    /** A part in use cannot be broken silently. */
    @Test
    void aPlanKeepsItsVersionAndSaysThatTheShelfHasANewerOne() throws Exception {
        save(oled("Quay panel"));
        Part first = own("own-quay-panel");
        Plan plan = new PlanEdit.AddPart(new PlacedPart(
                        "quay", first.id(), 1, "Quay", first.interfaces().get(0).id(), Map.of(), null, null))
                .apply(Plan.empty("Port Ennor", "sbc-40-pin"));
        long id = plans.create(plan, "started");
        Map<String, String> fields = oled("Quay panel");
        fields.put("/i2c/maxHz", "100000");
        save(fields, "id", "own-quay-panel").andExpect(redirectedUrl("/shelf/parts/own-quay-panel"));
        assertThat(own("own-quay-panel").version()).isEqualTo(2);
        assertThat(shelf.catalog().part("own-quay-panel", 1)).contains(first);
        pages.perform(get("/plans/" + id + "/parts"))
                .andExpect(content()
                        .string(containsString("The plan keeps version 1 of Quay panel; the shelf has version 2.")));
        StoredPlan stored = plans.get(id);
        assertThat(stored.plan().boardVersion())
                .isEqualTo(shelf.catalog().board("sbc-40-pin").orElseThrow().version());
        pages.perform(post("/plans/" + id + "/repairs/V1.part-quay~shelf-version")
                        .param("version", String.valueOf(stored.version()))
                        .param("here", "/plans/" + id + "/parts"))
                .andExpect(status().is3xxRedirection());
        assertThat(plans.get(id).plan().part("quay").orElseThrow().partVersion())
                .isEqualTo(2);
    }

    @Test
    void offTheShelfItIsNotOfferedButPlansKeepIt() throws Exception {
        save(oled("Shed panel"));
        Part part = own("own-shed-panel");
        long id = plans.create(
                new PlanEdit.AddPart(new PlacedPart(
                                "shed",
                                part.id(),
                                1,
                                "Shed",
                                part.interfaces().get(0).id(),
                                Map.of(),
                                null,
                                null))
                        .apply(Plan.empty("Wick halt", "mcu-8bit-5v-14-6")),
                "started");
        pages.perform(post("/shelf/parts/own-shed-panel/off")).andExpect(redirectedUrl("/shelf"));
        assertThat(shelf.catalog().part("own-shed-panel")).isEmpty();
        pages.perform(get("/plans/" + id + "/parts"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Shed panel")));
        pages.perform(get("/shelf")).andExpect(content().string(containsString("/shelf/parts/own-shed-panel/on")));
        pages.perform(post("/shelf/parts/own-shed-panel/on")).andExpect(redirectedUrl("/shelf/parts/own-shed-panel"));
        assertThat(own("own-shed-panel")).isEqualTo(part);
        pages.perform(post("/shelf/parts/" + OLED + "/off")).andExpect(status().isBadRequest());
    }

    private ResultActions take(String name, String text) throws Exception {
        return pages.perform(multipart("/shelf/import")
                .file(new MockMultipartFile("file", name, "application/json", text.getBytes(StandardCharsets.UTF_8))));
    }

    @Test
    void aFileGoesOutAndComesIn() throws Exception {
        save(oled("Signal panel"));
        String text = pages.perform(get("/shelf/parts/own-signal-panel/file"))
                .andExpect(header().string("Content-Disposition", containsString("own-signal-panel.json")))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        take("own-signal-panel.json", text).andExpect(redirectedUrl("/shelf/parts/own-signal-panel"));
        assertThat(own("own-signal-panel").version()).isEqualTo(1);
        take("x.json", text.replace("Signal panel", "Signal panel, mended"))
                .andExpect(redirectedUrl("/shelf/parts/own-signal-panel"));
        assertThat(own("own-signal-panel").version()).isEqualTo(2);
        String board = pages.perform(get("/shelf/boards/mcu-dual-40/file"))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        take("b.json", board).andExpect(redirectedUrl("/shelf/boards/own-mcu-dual-40"));
        long id = plans.create(Plan.empty("On my own board", "own-mcu-dual-40"), "started");
        pages.perform(get("/plans/" + id + "/pins")).andExpect(status().isOk());
    }

    @Test
    void badFilesAreToldWithFilePlaceValueAndForm() throws Exception {
        String text = CatalogWriter.text(shelf.catalog().part(OLED).orElseThrow());
        take("drawer.json", text.replace("\"i2c.sda\"", "\"i2c.data\""))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("drawer.json")))
                .andExpect(content().string(containsString("/lines/3/role")))
                .andExpect(content().string(containsString("i2c.data")))
                .andExpect(content().string(containsString("i2c.sda")));
        take("cut.json", text.substring(0, 300))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("line ")));
        take("empty.json", "").andExpect(status().is(422));
        take("big.json", " ".repeat(Shelf.MOST_CHARS + 1)).andExpect(status().isBadRequest());
        assertThat(shelf.unreadable()).isEmpty();
    }

    @Test
    void unknownThingsAreTold() throws Exception {
        pages.perform(get("/shelf/own?kind=ship")).andExpect(status().isBadRequest());
        pages.perform(get("/shelf/own?kind=part&from=ghost")).andExpect(status().isNotFound());
        pages.perform(get("/shelf/parts/ghost/edit")).andExpect(status().isNotFound());
        pages.perform(get("/shelf/parts/" + OLED + "/edit"))
                .andExpect(redirectedUrl("/shelf/own?kind=part&from=" + OLED));
        save(oled("Ghost"), "id", "own-ghost").andExpect(status().isNotFound());
        save(Map.of(), "do", "paste:/ghosts").andExpect(status().isBadRequest());
    }
}
