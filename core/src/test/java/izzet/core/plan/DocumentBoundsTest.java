package izzet.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import izzet.core.Workbench;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.DocumentBounds;
import java.time.Duration;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;

/** Documents from outside cost no more than a plan can have, however they are made. */
class DocumentBoundsTest {

    private static final String HEAD =
            "{\"format\":\"izzet-plan\",\"version\":1,\"name\":\"n\",\"board\":\"mcu-8bit-5v-14-6\",\"parts\":[],\"buses\":[],";
    private static final PlanDocument DOCUMENTS = new PlanDocument();

    private static PlanProblems refused(String text) {
        return catchThrowableOfType(PlanProblems.class, () -> DOCUMENTS.read(text, Workbench.CATALOG));
    }

    @Test
    void aMillionWrongRowsAreRefusedBeforeTheyAreRead() {
        String text = HEAD + "\"connections\":[" + "0,".repeat(950_000) + "0]}";
        assertThat(refused(text).problems()).singleElement().satisfies(p -> assertThat(p.message())
                .contains("/connections has more than 1000"));
    }

    @Test
    void wrongRowsAreToldUpToTheLimitWithTheirPlaces() {
        String row = "{\"from\":\"a b\",\"to\":7},\n";
        String good = "{\"from\":\"x:A\",\"to\":\"rail:GND\"},\n";
        String text = HEAD + "\"connections\":[\n" + good.repeat(30) + row.repeat(500) + "{}]}";
        PlanProblems problems = refused(text);
        assertThat(problems.problems()).hasSize(PlanProblems.MOST);
        assertThat(problems.problems().get(0).path()).startsWith("/connections/30/");
        assertThat(problems.problems().get(0).line()).isEqualTo(32);
    }

    @Test
    void tooManyOfAKindAreToldAsSuch() {
        String resistor = "{\"id\":\"r\",\"from\":\"rail:GND\",\"to\":\"rail:5V\",\"ohms\":1}";
        String text = HEAD + "\"connections\":[],\"resistors\":[" + (resistor + ",").repeat(100) + resistor + "]}";
        assertThat(refused(text).problems().get(0).message()).isEqualTo("there are 101 entries; 100 are the most.");
    }

    @Test
    void deepAndWideDocumentsAreRefused() {
        assertThat(DocumentBounds.fault("[".repeat(30) + "]".repeat(30))).contains("nested deeper");
        assertThat(DocumentBounds.fault("{" + "\"a\":1,".repeat(70_000) + "\"b\":1}"))
                .contains("60000 values");
        assertThat(DocumentBounds.fault("[[1,2],[3,4]]")).isNull();
    }

    /** Two shift registers on one another's inputs: a walk that does not remember where it was doubles with each step. */
    @Test
    void registersOnOneAnotherEndTheWalk() {
        StringBuilder wires = new StringBuilder();
        StringBuilder parts = new StringBuilder();
        for (int i = 0; i < 8; i++) {
            parts.append(
                    "{\"id\":\"s%d\",\"part\":\"shift-register-8\",\"partVersion\":1,\"name\":\"s%d\",\"interface\":\"serial\"},"
                            .formatted(i, i));
            for (int q = 0; q < 8; q++) {
                wires.append("{\"from\":\"s%d:Q%d\",\"to\":\"s%d:DS\"},".formatted(i, q, (i + 1) % 8));
            }
        }
        for (int k = 0; k < 3; k++) {
            parts.append(
                    "{\"id\":\"k%d\",\"part\":\"push-button\",\"partVersion\":1,\"name\":\"k%d\",\"interface\":\"to-ground\"}%s"
                            .formatted(k, k, k < 2 ? "," : ""));
            wires.append("{\"from\":\"k%d:A\",\"to\":\"s0:Q%d\"}%s".formatted(k, k, k < 2 ? "," : ""));
        }
        String text =
                "{\"format\":\"izzet-plan\",\"version\":1,\"name\":\"n\",\"board\":\"mcu-8bit-5v-14-6\",\"parts\":["
                        + parts + "],\"buses\":[],\"connections\":[" + wires + "]}";
        Assertions.assertTimeoutPreemptively(Duration.ofSeconds(20), () -> assertThat(Workbench.CHECKER
                        .check(DOCUMENTS.read(text, Workbench.CATALOG), Workbench.CATALOG)
                        .findings())
                .isNotEmpty());
    }

    @Test
    void anAddressPinWithoutAnAddressIsToldWhenItIsSaved() {
        String switchFile = izzet.core.catalog.CatalogWriter.text(
                        Workbench.CATALOG.part("bus-switch-4").orElseThrow())
                .replaceAll(",\\s*\"addressBit\" : 1\\b", "");
        Throwable refused =
                org.assertj.core.api.Assertions.catchThrowable(() -> new CatalogReader().part("own.json", switchFile));
        assertThat(refused).hasMessageContaining("/lines/A0").hasMessageContaining("addressBit");
    }

    @Test
    void twentyTwoAddressStrapsAreCountedNotTried() {
        StringBuilder straps = new StringBuilder();
        for (int i = 0; i < 22; i++) {
            String settings = "[{\"id\":\"o\",\"name\":\"open\",\"addsToAddress\":0},"
                    + "{\"id\":\"c\",\"name\":\"closed\",\"addsToAddress\":%d}]";
            straps.append(("{\"id\":\"s%d\",\"name\":\"s%d\",\"settings\":" + settings + "},")
                    .formatted(i, i, 1 << Math.min(i, 20)));
        }
        String file = izzet.core.catalog.CatalogWriter.text(
                        Workbench.CATALOG.part("light-sensor").orElseThrow())
                .replace("\"straps\" : [", "\"straps\" : [" + straps)
                .replace("light-sensor", "own-light");
        var catalog = new izzet.core.catalog.Catalog(
                Workbench.CATALOG.boards().values(), java.util.List.of(new CatalogReader().part("own.json", file)));
        Plan plan = new PlanEdit.AddPart(new PlacedPart("own", "own-light", 1, "own", "2-wire", null, null, 0x30))
                .apply(Plan.empty("n", Workbench.MCU));
        Assertions.assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
            var circuit = new izzet.core.circuit.Circuit(plan, catalog);
            assertThat(izzet.core.circuit.Reachable.of(
                            circuit, circuit.unit("own").orElseThrow()))
                    .containsKey(0x24)
                    .hasSizeLessThan(5000);
        });
    }
}
