package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

/** Whatever a plan holds, its pages come, and undo is on each of them; whatever a request brings, nothing untrue is told. */
@OneApplication
class ReachableUndoTest {

    private static final List<String> STATIONS = List.of("parts", "pins", "wiring", "traffic", "findings", "pins.svg");

    @Autowired
    private MockMvc pages;

    @Autowired
    private PlanStore plans;

    @Autowired
    private JdbcClient db;

    @Autowired
    private Shelf shelf;

    @Autowired
    private PlanDocument documents;

    private long id;

    @BeforeEach
    void start() {
        id = plans.create(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"), "started");
    }

    private void form(String path, String... fields) throws Exception {
        var request = post("/plans/" + id + path)
                .param(
                        "version",
                        String.valueOf(plans.undoable(id).map(u -> u.version()).orElse(1L)))
                .param("here", "/plans/" + id + "/pins");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        pages.perform(request).andExpect(status().is3xxRedirection());
    }

    private void everyStationComes() throws Exception {
        for (String station : STATIONS) {
            pages.perform(get("/plans/" + id + "/" + station)).andExpect(status().isOk());
        }
    }

    @Test
    void theFrontPageComesAfterDeletingAndTakesBack() throws Exception {
        pages.perform(post("/plans/" + id + "/delete").param("version", "1"))
                .andExpect(redirectedUrl("/?deleted=" + id));
        pages.perform(get("/?deleted=" + id))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("<details open=\"open\"")))
                .andExpect(content().string(containsString("/plans/" + id + "/restore")));
        pages.perform(get("/")).andExpect(status().isOk());
    }

    /** Supplies that have no supply of their own, on parts that they do not suit. */
    @ParameterizedTest
    @CsvSource({
        "cells-3-aa, regulator-5v, b:IN, a:4V5",
        "cells-3-aa, colour-240x320-serial, b:VCC, a:4V5",
        "usb-bank, colour-240x320-serial, b:VCC, a:5V",
        "breadboard-supply, regulator-5v, b:IN, a:5V"
    })
    void anUnsuitableSupplyIsAFindingAndNoFault(String supply, String part, String from, String to) throws Exception {
        form("/parts/add", "part", supply, "name", "a");
        form("/parts/add", "part", part, "name", "b");
        form("/connect", "from", from, "to", to);
        everyStationComes();
        pages.perform(get("/plans/" + id + "/findings"))
                .andExpect(content().string(containsString("L3")))
                .andExpect(content().string(containsString("id=\"undo\"")));
    }

    @Test
    void anotherInterfaceTakesWiresAndResistorsOfGoneLinesOff() throws Exception {
        form("/parts/add", "part", "character-16x2-direct", "name", "cabin", "interface", "8-bit");
        form("/parts/add", "part", "push-button", "name", "bell");
        form("/connect", "from", "bell:A", "to", "cabin:D0");
        form("/resistors", "from", "cabin:D1", "to", "rail:GND", "ohms", "10k");
        form("/parts/cabin", "name", "cabin", "interface", "4-bit");
        everyStationComes();
        Plan plan = plans.get(id).plan();
        assertThat(plan.resistors()).isEmpty();
        assertThat(plan.connections()).noneMatch(c -> c.to().toString().equals("cabin:D0"));
    }

    /** A document from elsewhere may hold such wires all the same. */
    @Test
    void wiresToLinesOfAnotherInterfaceHarmNoPage() throws Exception {
        form("/parts/add", "part", "character-16x2-direct", "name", "cabin", "interface", "8-bit");
        form("/parts/add", "part", "push-button", "name", "bell");
        form("/connect", "from", "bell:A", "to", "cabin:D0");
        form("/resistors", "from", "cabin:D1", "to", "rail:GND", "ohms", "10k");
        String document = documents.write(plans.get(id).plan()).replace("\"8-bit\"", "\"4-bit\"");
        id = plans.create(documents.read(document, shelf.catalog()), "imported");
        everyStationComes();
    }

    @Test
    void aRevisionThatCannotBeReadLeavesUndo() throws Exception {
        form("/parts/add", "part", "push-button", "name", "bell");
        form("/rename", "name", "Wick junction");
        db.sql("update plan_revision set document = '{}' where plan_id = :id and number = 3")
                .param("id", id)
                .update();
        pages.perform(get("/"))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("cannot be read")));
        pages.perform(get("/plans/" + id + "/pins"))
                .andExpect(status().isInternalServerError())
                .andExpect(content().string(containsString("id=\"undo\"")))
                .andExpect(content().string(containsString("takes back: renamed the plan to Wick junction")));
        form("/undo");
        everyStationComes();
        assertThat(plans.get(id).plan().name()).isEqualTo("Wick halt");
    }

    @Test
    void namesOfAnyScriptAreKeptAndBrokenOnesRefused() throws Exception {
        String trams = "🚋".repeat(80);
        form("/rename", "name", trams);
        assertThat(plans.get(id).plan().name()).isEqualTo(trams);
        pages.perform(post("/plans/" + id + "/duplicate")).andExpect(status().is3xxRedirection());
        for (String broken : List.of("half \ud83d", "bell \u0007", "nul \u0000")) {
            pages.perform(post("/plans/" + id + "/rename")
                            .param("version", String.valueOf(plans.get(id).version()))
                            .param("here", "/plans/" + id + "/pins")
                            .param("name", broken))
                    .andExpect(status().isUnprocessableContent())
                    .andExpect(content().string(containsString("cannot be shown")));
        }
        assertThat(plans.get(id).plan().name()).isEqualTo(trams);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/plans/1/../../x", "//elsewhere", "/plans/1/\r\nX: y", "LONG"})
    void aPlaceToReturnToThatIsNoneLeadsToThePlans(String place) throws Exception {
        String here = place.equals("LONG") ? "/plans/1/" + "a".repeat(9000) : place;
        pages.perform(post("/plans/" + id + "/rename")
                        .param("version", "1")
                        .param("here", here)
                        .param("name", "Kept"))
                .andExpect(redirectedUrl("/"));
        assertThat(plans.get(id).plan().name()).isEqualTo("Kept");
    }

    @Test
    void aTickSentManyTimesAtOnceIsOneTick() throws Exception {
        ExecutorService devices = Executors.newFixedThreadPool(8);
        try {
            Callable<Integer> tick = () -> pages.perform(post("/plans/" + id + "/wiring/ticks")
                            .param("key", "rail:GND")
                            .param("done", "true"))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            for (Future<Integer> status : devices.invokeAll(java.util.Collections.nCopies(40, tick))) {
                assertThat(status.get()).isEqualTo(302);
            }
        } finally {
            devices.shutdown();
        }
    }

    @Test
    void namesThatCameWithARecordAreCutToWhatCanBeKept() throws Exception {
        String table = "time_us," + "s".repeat(900) + "," + "s".repeat(900) + "x\n0,1,1\n1,0,1\n";
        var file = new MockMultipartFile(
                "file", "re\u0000cord\ud83d.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8));
        form("/parts/add", "part", "push-button", "name", "bell");
        pages.perform(multipart("/plans/" + id + "/traffic").file(file)).andExpect(status().is3xxRedirection());
        everyStationComes();
        pages.perform(get("/plans/" + id + "/traffic")).andExpect(content().string(containsString("record.csv")));
    }
}
