package izzet.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.assign.SolverAssigner;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan.Want;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import java.util.List;
import org.junit.jupiter.api.Test;

class QuickPlanTest {

    private static Plan plan(String board, Want... wants) {
        return QuickPlan.of("Wick halt", board, List.of(wants), Workbench.CATALOG, new SolverAssigner());
    }

    private static List<String> open(Plan plan) {
        return new Circuit(plan, Workbench.CATALOG)
                .wires().stream()
                        .filter(w -> w.line().required() && !w.connected())
                        .map(w -> w.from().toString())
                        .toList();
    }

    @Test
    void everythingOnTheTableIsConnectedUnderNamesOfItsOwn() {
        Plan plan = plan(
                "wifi-dual-38",
                new Want("oled-128x64-page-2wire", 2, "", null),
                new Want("character-16x2-expander", 1, "", null),
                new Want("colour-128x160-serial-shifted", 1, "panel-and-card", null),
                new Want("push-button", 3, "", null));
        assertThat(plan.parts()).hasSize(7).extracting(p -> p.name()).doesNotHaveDuplicates();
        assertThat(plan.parts().get(3).interfaceId()).isEqualTo("panel-and-card");
        assertThat(open(plan)).isEmpty();
        assertThat(PlanChecks.of(plan, Workbench.CATALOG)).isEmpty();
    }

    @Test
    void theAddressThatWasTypedIsSetOnTheFirstOfThem() {
        Plan plan = plan(Workbench.MCU, new Want("oled-128x64-page-2wire", 2, "", 0x3D));
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        assertThat(circuit.units())
                .extracting(u -> circuit.addressOf(u).orElseThrow())
                .containsExactly(0x3D, 0x3C);
        Plan beyond =
                plan(Workbench.MCU, new Want("oled-128x64-page-2wire", 1, "", 0x50), new Want("led", 1, "", 0x3C));
        assertThat(beyond.parts()).hasSize(2);
        assertThat(beyond.parts().get(0).straps()).isEmpty();
    }

    @Test
    void moreThanABoardHasPinsForStaysOpenAndTooManyPartsAreRefused() {
        Plan full = plan(Workbench.MCU, new Want("push-button", 30, "", null));
        assertThat(full.parts()).hasSize(30);
        assertThat(open(full)).isNotEmpty();
        assertThatThrownBy(
                        () -> plan(Workbench.MCU, new Want("push-button", 99, "", null), new Want("led", 2, "", null)))
                .isInstanceOf(PlanEdit.EditRefused.class)
                .hasMessageContaining("101");
    }
}
