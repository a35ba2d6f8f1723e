package izzet.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class PlanUpgradesTest {

    private static final JsonMapper JSON = JsonMapper.shared();

    /** Two steps as later versions could need them: a field gets another name, then another unit. */
    private final PlanUpgrades upgrades = new PlanUpgrades(List.of(
            d -> (ObjectNode) d.set("cable", d.remove("wire")),
            d -> d.put("cable", d.path("cable").asInt() * 10)));

    private ObjectNode upgraded(String text) {
        return upgrades.upgraded((ObjectNode) JSON.readTree(text));
    }

    @Test
    void goesThroughEveryVersionBetween() {
        assertThat(upgraded("{\"version\": 1, \"wire\": 30}").toString()).isEqualTo("{\"version\":3,\"cable\":300}");
        assertThat(upgraded("{\"version\": 2, \"cable\": 30}").toString()).isEqualTo("{\"version\":3,\"cable\":300}");
        assertThat(upgraded("{\"version\": 3, \"cable\": 30}").toString()).isEqualTo("{\"version\":3,\"cable\":30}");
    }

    @Test
    void aStoredDocumentOfALaterApplicationIsNotMisread() {
        String later = new PlanDocument()
                .write(Plan.empty("Signal cabin", "mcu-8bit-5v-14-6"))
                .replace("\"version\" : 1", "\"version\" : 2");
        assertThatThrownBy(() -> new PlanDocument().readStored(later))
                .isInstanceOf(PlanProblems.class)
                .hasMessageContaining("version 2 is not known here");
    }

    @Test
    void leavesWhatItCannotReadToTheSchema() {
        for (String text : List.of(
                "{}", "{\"version\":\"1\"}", "{\"version\":1.5}", "{\"version\":4}", "{\"version\":99999999999}")) {
            assertThat(upgraded(text).toString()).isEqualTo(text);
        }
    }

    @Test
    void theFormatHasAStepForEveryVersionBefore() {
        assertThat(PlanUpgrades.STEPS).hasSize(Plan.VERSION - 1);
    }
}
