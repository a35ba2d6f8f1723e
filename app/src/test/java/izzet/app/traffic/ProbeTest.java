package izzet.app.traffic;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan;
import izzet.core.plan.Plan;
import java.util.List;
import org.junit.jupiter.api.Test;

class ProbeTest {

    private static final Catalog CATALOG = CatalogReader.shipped();

    private static List<Probe> probes(String board, String part) {
        Plan plan = QuickPlan.of(
                "Wick halt", board, List.of(new QuickPlan.Want(part, 1, "", null)), CATALOG, new SolverAssigner());
        return Probe.of(new Circuit(plan, CATALOG));
    }

    @Test
    void saysWhereTheBusIsOnTheHeaderAndHowFastToSample() {
        assertThat(probes("mcu-8bit-5v-14-6", "oled-128x64-page-2wire"))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.scl()).isEqualTo("A5 (analog 6)");
                    assertThat(p.sda()).isEqualTo("A4 (analog 5)");
                    assertThat(p.clock()).isEqualTo("100 kHz");
                    assertThat(p.samples()).isEqualTo("400 kHz");
                });
    }

    @Test
    void aPlanWithoutATwoWireBusHasNone() {
        assertThat(probes("mcu-8bit-5v-14-6", "push-button")).isEmpty();
        assertThat(probes("mcu-8bit-5v-14-6", "colour-240x240-serial")).isEmpty();
    }
}
