package izzet.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.core.plan.Cable;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;

/** The forms of the pages: what each does to the plan, and what a bad one is told. */
@OneApplication
class EditPagesTest {

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    private long id;

    @BeforeEach
    void start() throws Exception {
        id = plans.create(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"), "started");
        form("/parts/add", "part", "oled-128x64-page-2wire", "name", "Arrivals");
    }

    private Plan plan() {
        return plans.get(id).plan();
    }

    private ResultActions form(String path, String... fields) throws Exception {
        var request = post("/plans/" + id + path)
                .param("version", String.valueOf(plans.get(id).version()))
                .param("here", "/plans/" + id + "/pins");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return pages.perform(request);
    }

    private Connection wire(String from) {
        return plan().connection(Target.of(from)).orElseThrow();
    }

    @Test
    void aPartIsAddedConnectedAndNamed() {
        assertThat(plan().part("arrivals").orElseThrow().name()).isEqualTo("Arrivals");
        assertThat(wire("arrivals:SDA").to()).isEqualTo(Target.of("board:A4"));
        assertThat(plan().buses()).hasSize(1);
    }

    @Test
    void partsWithoutANameGetOneThatIsFree() throws Exception {
        form("/parts/add", "part", "led", "name", "");
        form("/parts/add", "part", "led", "name", " ");
        assertThat(plan().parts()).extracting(p -> p.name()).containsExactly("Arrivals", "Lamp", "Lamp 2");
        form("/parts/add", "part", "ghost", "name", "x")
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("no part &#39;ghost&#39;")));
        assertThat(plan().parts()).hasSize(3);
    }

    /** Names of any kind become ids that the format allows. */
    @Test
    void anyNameWillDo() throws Exception {
        for (String name : new String[] {"Ærø fähre", "123", "<b>x</b>", "終点", "a".repeat(80), "-"}) {
            form("/parts/add", "part", "push-button", "name", name).andExpect(status().is3xxRedirection());
        }
        assertThat(plan().parts()).hasSize(7);
        form("/parts/add", "part", "push-button", "name", "a".repeat(81)).andExpect(status().isUnprocessableContent());
        assertThat(plan().parts()).hasSize(7);
    }

    @Test
    void oneFormChangesNameStrapAndAddress() throws Exception {
        form("/parts/arrivals", "name", "Departures", "strap.address", "moved", "address", "0x3D");
        var part = plan().part("arrivals").orElseThrow();
        assertThat(part.name()).isEqualTo("Departures");
        assertThat(part.straps()).containsEntry("address", "moved");
        assertThat(part.address()).isEqualTo(0x3D);
        form("/parts/arrivals", "name", "Departures", "address", "");
        assertThat(plan().part("arrivals").orElseThrow().address()).isNull();
        form("/parts/arrivals", "name", "Departures", "address", "fish")
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("data-field=\"address\"")))
                .andExpect(content().string(containsString("write it as 0x3C")));
    }

    @Test
    void anotherInterfaceTakesAndGivesLines() throws Exception {
        form("/parts/add", "part", "character-16x2-direct", "name", "Cabin", "interface", "8-bit");
        assertThat(plan().connection(Target.of("cabin:D0"))).isPresent();
        form("/parts/cabin", "name", "Cabin", "interface", "4-bit");
        assertThat(plan().connection(Target.of("cabin:D0"))).isEmpty();
        assertThat(plan().connection(Target.of("cabin:D7"))).isPresent();
        form("/parts/cabin", "name", "Cabin", "interface", "8-bit");
        assertThat(plan().connection(Target.of("cabin:D0"))).isPresent();
    }

    @Test
    void wiresAreMovedTakenOffAndGivenResistorAndPull() throws Exception {
        form("/parts/add", "part", "push-button", "name", "Bell");
        form("/connect", "from", "bell:A", "to", "board:7", "asksPull", "true");
        assertThat(wire("bell:A")).isEqualTo(Connection.wire(Target.of("bell:A"), Target.of("board:7")));
        form("/connect", "from", "bell:A", "to", "board:7", "asksPull", "true", "pull", "internal-up");
        assertThat(wire("bell:A").pull()).isEqualTo("internal-up");
        form("/connect", "from", "bell:A", "to", "board:8", "ohms", "4k7");
        assertThat(wire("bell:A").seriesOhms()).isEqualTo(4700);
        assertThat(wire("bell:A").pull()).as("kept by a form that does not ask").isEqualTo("internal-up");
        form("/connect", "from", "bell:A", "to", "");
        assertThat(plan().connection(Target.of("bell:A"))).isEmpty();
        form("/connect", "from", "bell:A", "to", "board:99").andExpect(status().isUnprocessableContent());
        form("/connect", "from", "bell:A", "to", "nonsense").andExpect(status().isBadRequest());
        form("/connect", "from", "bell:A", "to", "board:7", "ohms", "-3").andExpect(status().isUnprocessableContent());
        assertThat(plan().connection(Target.of("bell:A"))).isEmpty();
    }

    @Test
    void resistorsComeAndGo() throws Exception {
        form("/resistors", "from", "board:A4", "to", "rail:3V3", "ohms", "4.7 k");
        assertThat(plan().resistors()).singleElement().satisfies(r -> assertThat(r.ohms())
                .isEqualTo(4700));
        form("/resistors", "from", "board:A4", "to", "rail:3V3", "ohms", "")
                .andExpect(content().string(containsString("needs a value")));
        form("/resistors", "from", "board:A4", "to", "rail:3V3", "ohms", "0")
                .andExpect(status().isUnprocessableContent());
        form("/resistors/" + plan().resistors().get(0).id() + "/remove");
        assertThat(plan().resistors()).isEmpty();
    }

    @Test
    void anotherBoardConnectsAnew() throws Exception {
        form("/board", "board", "sbc-40-pin");
        assertThat(plan().board()).isEqualTo("sbc-40-pin");
        assertThat(wire("arrivals:SDA").to()).isEqualTo(Target.of("board:GPIO2"));
        form("/board", "board", "breadbin").andExpect(status().isConflict());
    }

    @Test
    void busClockAndWireLengthAreSet() throws Exception {
        form("/buses/i2c", "clockHz", "400000");
        form("/wire", "centimetres", "55.5");
        assertThat(plan().bus("i2c").orElseThrow().clockHz()).isEqualTo(400_000);
        assertThat(plan().wireCentimetres()).isEqualTo(55.5);
        form("/wire", "centimetres", "40", "cable", "flat");
        assertThat(plan().wires()).isEqualTo(Cable.FLAT);
        form("/wire", "centimetres", "20");
        assertThat(plan().wires()).isEqualTo(Cable.FLAT);
        form("/wire", "centimetres", "20", "cable", "spaghetti").andExpect(status().isBadRequest());
        form("/buses/i2c", "clockHz", "0").andExpect(status().isUnprocessableContent());
        form("/buses/i2c", "clockHz", "fast").andExpect(status().isUnprocessableContent());
        form("/buses/spi", "clockHz", "1000").andExpect(status().isConflict());
    }

    @Test
    void aRepairIsAppliedOnceAndThenGone() throws Exception {
        form("/parts/add", "part", "oled-128x64-page-2wire", "name", "Departures");
        String repair = "I1.part-arrivals.part-departures~other-address-departures-0x3D";
        form("/repairs/" + repair).andExpect(status().is3xxRedirection());
        assertThat(plan().part("departures").orElseThrow().straps()).containsEntry("address", "moved");
        form("/repairs/" + repair)
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("no longer helps")));
    }

    @Test
    void onlyPagesOfThisApplicationAreReturnedTo() throws Exception {
        String[][] cases = {
            {"/plans/" + id + "/pins", "/plans/" + id + "/pins"},
            {"https://elsewhere.example/", "/"},
            {"//elsewhere.example/plans/1/pins", "/"},
            {"/plans/1/pins\\r\\nX: y", "/"}
        };
        for (String[] c : cases) {
            pages.perform(post("/plans/" + id + "/undo")
                            .param("version", String.valueOf(plans.get(id).version()))
                            .param("here", c[0]))
                    .andExpect(redirectedUrl(c[1]));
        }
    }

    @Test
    void plansComeAndGoAsFiles() throws Exception {
        String document = pages.perform(get("/plans/" + id + "/export"))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        int before = plans.list(0, 1000).size();
        String made = pages.perform(multipart("/plans/import")
                        .file(new MockMultipartFile(
                                "file", "wick.json", "application/json", document.getBytes(StandardCharsets.UTF_8))))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        assertThat(plans.list(0, 1000)).hasSize(before + 1);
        assertThat(plans.get(Long.parseLong(made.replaceAll("\\D", ""))).plan()).isEqualTo(plan());
        pages.perform(multipart("/plans/import")
                        .file(new MockMultipartFile(
                                "file", "x.json", "application/json", new byte[] {(byte) 0xFF, 0, 1})))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("line 1")));
        pages.perform(multipart("/plans/import")).andExpect(status().isBadRequest());
        assertThat(plans.list(0, 1000)).hasSize(before + 1);
    }

    /** A stale change comes back as a form with all that was sent, on the version of now. */
    @Test
    void aStaleChangeCanBeSentAgain() throws Exception {
        long now = plans.get(id).version();
        String page = pages.perform(post("/plans/" + id + "/parts/add")
                        .param("version", String.valueOf(now - 1))
                        .param("here", "/plans/" + id + "/parts")
                        .param("part", "led")
                        .param("name", "<Lamp>"))
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("what was done last: added Arrivals")))
                .andExpect(content().string(containsString("name=\"name\" value=\"&lt;Lamp&gt;\"")))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page).contains("name=\"version\" value=\"" + now + "\"");
        assertThat(plan().parts()).hasSize(1);
    }

    /** A long history comes page by page; the pages of the plan carry its latest changes only. */
    @Test
    void aLongHistoryIsPaged() throws Exception {
        for (int i = 0; i < 70; i++) {
            form("/rename", "name", "Halt " + i);
        }
        String parts = body("/parts");
        assertThat(parts).contains("renamed").contains("/plans/" + id + "/history");
        assertThat(body("/history")).contains("Halt 69").contains("?before=");
        String newest = body("/history");
        int before = Integer.parseInt(newest.replaceAll("(?s).*\\?before=(\\d+).*", "$1"));
        String older = body("/history?before=" + before);
        assertThat(older).contains("started").doesNotContain("?before=");
        assertThat(older.split("<tr>", -1).length + newest.split("<tr>", -1).length)
                .isEqualTo(2 * 2 + plans.history(id, 1000).size());
    }

    private String body(String path) throws Exception {
        return pages.perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get("/plans/" + id + path))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }
}
