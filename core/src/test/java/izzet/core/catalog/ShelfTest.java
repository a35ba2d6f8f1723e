package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.find.Search;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The shelf as a whole: what is found on it, what tells look-alikes apart, and its figures against open tables. */
class ShelfTest {

    private final Search search = new Search(Workbench.CATALOG);
    private final LookAlikes lookAlikes = new LookAlikes(Workbench.CATALOG);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "oled 128x64 | oled-128x64-page-2wire",
                "OLED 128 × 64 | oled-128x64-page-2wire",
                "1.3 inch | oled-1v3-132-2wire",
                "1,3\" | oled-1v3-132-2wire",
                "\"VCC GND SCL SDA\" | oled-128x64-page-2wire-vcc-first",
                "\"gnd vcc scl sda\" | oled-128x64-page-2wire",
                "0x27 | character-16x2-expander",
                "0x3f | character-16x2-expander-a",
                "240x320 parallel | colour-240x320-parallel",
                "16 greys | oled-256x64-grey-serial",
                "ribbon noise edge | oled-1v3-132-2wire",
                "expander 16 | expander-16",
                "Wi-Fi dual 38 | wifi-dual-38",
                "retro | retro-8bit-two-port",
                "5V buffer 3.3V | buffer-4-5v"
            })
    void isFoundByWhatAMakerKnows(String query, String id) {
        if (query.equals("ribbon noise edge")) {
            // Words of a trap count, words that stand nowhere do not.
            assertThat(search.find(query)).isEmpty();
            assertThat(search.find("noise edge")).extracting(Search.Hit::id).contains(id);
            return;
        }
        assertThat(search.find(query)).extracting(Search.Hit::id).contains(id);
    }

    /** A chip number that stands in a source note finds the part, in either case. */
    @Test
    void chipNumbersInSourceNotesAreFound() {
        Pattern number = Pattern.compile("\\(([A-Z0-9]*\\d{3,}[A-Z0-9-]*)\\)");
        int found = 0;
        for (Part part : Workbench.CATALOG.parts().values()) {
            Matcher m = number.matcher(String.join(" ", part.sources().values()));
            while (m.find()) {
                assertThat(search.find(m.group(1).toLowerCase(java.util.Locale.ROOT)))
                        .as(part.id())
                        .extracting(Search.Hit::id)
                        .contains(part.id());
                found++;
            }
        }
        assertThat(found).isGreaterThan(20);
    }

    @Test
    void namesComeBeforeMentions() {
        assertThat(search.find("potentiometer").get(0).id()).isEqualTo("potentiometer");
        assertThat(search.find("bus switch").get(0).id()).startsWith("bus-switch");
        assertThat(search.find(""))
                .hasSize(Workbench.CATALOG.boards().size()
                        + Workbench.CATALOG.parts().size());
        assertThat(search.find("zeppelin")).isEmpty();
    }

    /** Any text is a query; more words never find more. */
    @Test
    void anyQueryIsAnswered() {
        Random random = new Random(8);
        String letters = "oled 0x3c\"\\.*[({128x64,ß ü";
        for (int i = 0; i < 2000; i++) {
            StringBuilder query = new StringBuilder();
            for (int k = random.nextInt(14); k > 0; k--) {
                query.append(letters.charAt(random.nextInt(letters.length())));
            }
            int few = search.find(query + " oled").size();
            assertThat(few).isLessThanOrEqualTo(search.find("oled").size());
            search.find(query.toString());
        }
    }

    /** Whatever part of a family it is: answering truly leads to it, and what remains cannot be told apart by any question. */
    @Test
    void truthfulAnswersLeadToThePart() {
        assertThat(lookAlikes.families()).contains("small OLED", "character glass", "small colour panel");
        for (String family : lookAlikes.families()) {
            for (Part part : lookAlikes.step(family, Map.of()).candidates()) {
                Map<String, String> given = new HashMap<>();
                LookAlikes.Step step = lookAlikes.step(family, given);
                while (step.next().isPresent()) {
                    String question = step.next().get().id();
                    String own = part.tells().get(question);
                    given.put(
                            question,
                            own == null ? step.answers().keySet().iterator().next() : own);
                    LookAlikes.Step after = lookAlikes.step(family, given);
                    assertThat(after.candidates().size())
                            .isLessThanOrEqualTo(step.candidates().size());
                    step = after;
                }
                assertThat(step.candidates()).as(part.id()).contains(part);
                assertThat(given.size()).as("a short path for " + part.id()).isLessThanOrEqualTo(5);
            }
        }
    }

    /** The 0.96-inch module and its 1.3-inch look-alike are told apart by what the edges show. */
    @Test
    void theTwoSmallOledsAreToldApart() {
        LookAlikes.Step step =
                lookAlikes.step("small OLED", Map.of("header-pins", "4", "edge", "strip of noise at the edge"));
        assertThat(step.candidates()).extracting(Part::id).containsExactly("oled-1v3-132-2wire");
    }

    @Test
    void everyQuestionIsAnsweredByTwoPartsDifferently() {
        for (LookAlikes.Question q : lookAlikes.questions()) {
            TreeSet<String> answers = new TreeSet<>();
            Workbench.CATALOG.parts().values().forEach(p -> {
                if (p.tells().containsKey(q.id())) {
                    answers.add(p.tells().get(q.id()));
                }
            });
            assertThat(answers.size()).as(q.id()).isGreaterThan(1);
        }
        List<String> known =
                lookAlikes.questions().stream().map(LookAlikes.Question::id).toList();
        Workbench.CATALOG.parts().values().forEach(p -> assertThat(p.tells().keySet())
                .as(p.id())
                .allMatch(k -> k.equals(LookAlikes.FAMILY) || known.contains(k)));
    }

    /** Source: Linux kernel 6.1, addresses of device classes in bindings and board trees. */
    @ParameterizedTest
    @CsvSource({
        "oled-page-addressed, oled-128x64-page-2wire",
        "oled-page-addressed, oled-1v3-132-2wire",
        "led-matrix-driver, matrix-8x8-2wire",
        "character-lcd-on-expander, character-16x2-expander",
        "expander-quasi-bidirectional, expander-8",
        "expander-quasi-bidirectional-a, expander-8-a",
        "expander-quasi-bidirectional-a, character-16x2-expander-a",
        "multiplexer, bus-switch-4",
        "multiplexer, bus-switch-8",
        "analog-to-digital-converter, adc-4",
        "pressure-sensor, pressure-temperature"
    })
    void addressesAgreeWithTheTables(String deviceClass, String part) {
        Map<String, String> row = ReferenceTable.read("i2c-device-addresses.csv").stream()
                .filter(r -> r.get("device_class").equals(deviceClass))
                .findFirst()
                .orElseThrow();
        Circuit circuit = Workbench.on(Workbench.MCU).with("it", part).circuit();
        assertThat(Reachable.of(circuit, circuit.unit("it").orElseThrow()).keySet())
                .contains(Integer.decode(row.get("first_hex")), Integer.decode(row.get("last_hex")));
    }

    /** Source: Linux kernel 6.1, multiplexer and expander drivers. */
    @Test
    void switchesAndExpandersHaveTheirRanges() {
        for (Map<String, String> row : ReferenceTable.read("io-expanders.csv")) {
            String part = Map.of("quasi-bidirectional-8", "expander-8", "quasi-bidirectional-8-a", "expander-8-a")
                    .get(row.get("family"));
            if (part != null && row.get("item").equals("address_range")) {
                Circuit circuit = Workbench.on(Workbench.MCU).with("it", part).circuit();
                var reach =
                        Reachable.of(circuit, circuit.unit("it").orElseThrow()).keySet();
                assertThat(reach.stream().min(Integer::compare))
                        .contains(Integer.decode(row.get("first_or_register_hex")));
                assertThat(reach.stream().max(Integer::compare)).contains(Integer.decode(row.get("last_or_reset_hex")));
            }
        }
        for (Map<String, String> row : ReferenceTable.read("i2c-multiplexers.csv")) {
            if (row.get("class").matches("switch-[48]ch")) {
                Part part = Workbench.CATALOG
                        .part("bus-switch-" + row.get("channels"))
                        .orElseThrow();
                assertThat(part.busSwitch().channels()).hasSize(Integer.parseInt(row.get("channels")));
                assertThat(part.i2c().baseAddress()).isEqualTo(Integer.decode(row.get("address_base_hex")));
            }
        }
    }

    /** Source: Linux kernel 6.1, OLED driver: bytes of a whole picture. */
    @Test
    void picturesOfSmallOledsHaveTheirBytes() {
        for (Map<String, String> row : ReferenceTable.read("page-oled-geometry.csv")) {
            Workbench.CATALOG.parts().values().stream()
                    .filter(p -> "small OLED".equals(p.tells().get(LookAlikes.FAMILY)))
                    .filter(p -> p.glass().columns() == Integer.parseInt(row.get("width"))
                            && p.glass().rows() == Integer.parseInt(row.get("height")))
                    .forEach(p -> assertThat(p.glass().memoryBytes())
                            .as(p.id())
                            .isEqualTo(Integer.parseInt(row.get("frame_bytes"))));
        }
    }

    /** Source: Linux kernel 6.1, character display driver: sizes that it knows. */
    @Test
    void characterSizesAreKnownSizes() {
        List<String> sizes = ReferenceTable.read("character-lcd-lines.csv").stream()
                .map(r -> r.get("columns") + "x" + r.get("rows"))
                .toList();
        for (Part part : Workbench.CATALOG.parts().values()) {
            if (part.id().startsWith("character-")) {
                assertThat(sizes)
                        .as(part.id())
                        .contains(part.glass().columns() + "x" + part.glass().rows());
            }
        }
    }

    /** Source: Linux kernel 6.1, panel drivers: the fastest serial clock of such a panel, where one is named. */
    @Test
    void panelsAreNotFasterThanTheirDriversAllow() {
        for (Map<String, String> row : ReferenceTable.read("display-panels.csv")) {
            if (row.get("panel_class").equals("tft-240x320-b")
                    && !row.get("max_spi_hz").isEmpty()) {
                assertThat(Workbench.CATALOG
                                .part("colour-240x320-serial")
                                .orElseThrow()
                                .spi()
                                .maxWriteHz())
                        .isLessThanOrEqualTo(Integer.parseInt(row.get("max_spi_hz")));
            }
        }
    }

    /** The page that gathers the sources has every one of them. */
    @Test
    void everySourceStandsOnThePageOfSources() throws java.io.IOException {
        String page = java.nio.file.Files.readString(java.nio.file.Path.of("../docs/sources.md"));
        for (Part part : Workbench.CATALOG.parts().values()) {
            part.sources()
                    .values()
                    .forEach(text -> assertThat(page).as(part.id()).contains(text));
        }
        for (Board board : Workbench.CATALOG.boards().values()) {
            board.sources()
                    .values()
                    .forEach(text -> assertThat(page).as(board.id()).contains(text));
        }
    }

    /** Kin lead to parts, both ends of a pair of look-alikes know of each other, and headers have no gaps or doubles. */
    @Test
    void theShelfHoldsTogether() {
        for (Part part : Workbench.CATALOG.parts().values()) {
            part.kin().forEach((how, id) -> assertThat(Workbench.CATALOG.part(id))
                    .as(part.id() + " " + how)
                    .isPresent());
            if (part.kin().containsKey("look-alike")) {
                Part other =
                        Workbench.CATALOG.part(part.kin().get("look-alike")).orElseThrow();
                assertThat(other.kin().get("look-alike")).isEqualTo(part.id());
            }
            List<Integer> places = part.lines().stream()
                    .map(PartLine::header)
                    .filter(java.util.Objects::nonNull)
                    .toList();
            assertThat(places).as(part.id()).doesNotHaveDuplicates();
        }
    }
}
