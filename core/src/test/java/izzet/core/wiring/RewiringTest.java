package izzet.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class RewiringTest {

    private static Rewiring between(Plan before, Plan after) {
        return Rewiring.between(
                new Circuit(before, Workbench.CATALOG), new Circuit(after, Workbench.CATALOG), WireColours.usual());
    }

    @Test
    void aMovedWireIsOneChange() {
        Workbench bench = Workbench.mcu().with("lever", "push-button").with("sign", Workbench.OLED);
        Plan before = bench.plan();
        bench.edit(new PlanEdit.Connect(Connection.wire(Target.of("lever:A"), Target.of("board:8"))))
                .edit(new PlanEdit.SetStrap("sign", "address", "moved"));
        Rewiring changes = between(before, bench.plan());
        assertThat(changes.moved()).hasSize(1);
        assertThat(changes.moved().get(0).after().to().label()).isEqualTo("8");
        assertThat(changes.straps()).hasSize(1);
        assertThat(changes.off()).isEmpty();
        assertThat(changes.in()).isEmpty();
        assertThat(between(before, before).none()).isTrue();
    }

    /** Taking off, moving and putting in what is told makes of the one plan's wires the other's. */
    @RepeatedTest(40)
    void theChangesLeadFromOnePlanToTheOther(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(4_400 + repetition.getCurrentRepetition());
        List<Plan> walk = random.walk(random.plan(6), 6);
        Plan before = walk.get(0);
        Plan after = walk.get(walk.size() - 1);
        Rewiring changes = between(before, after);
        Set<String> bench = wires(before);
        changes.off().forEach(s -> bench.remove(s.key() + s.words()));
        changes.moved().forEach(m -> {
            bench.remove(m.before().key() + m.before().words());
            bench.add(m.after().key() + m.after().words());
        });
        changes.in().forEach(s -> bench.add(s.key() + s.words()));
        assertThat(bench).isEqualTo(wires(after));
    }

    /** Pins of the same name on another board are other pins: each wire at the board goes over, wires between parts stay. */
    @Test
    void toAnotherBoardEveryWireAtTheBoardGoesOver() {
        Plan before = twoPorts("retro-8bit-two-port");
        Rewiring changes = between(before, twoPorts("retro-8bit-two-port-3v3"));
        assertThat(changes.moved())
                .extracting(m -> m.before().key())
                .contains("gate:SCL>board:PA0", "gate:SDA>board:PA1", "rail:GND", "gate:VCC>rail:5V")
                .doesNotHaveDuplicates();
        assertThat(changes.off()).extracting(WiringList.Step::key).containsExactly("rail:5V");
        assertThat(changes.in()).extracting(WiringList.Step::key).containsExactly("rail:3V3");
        assertThat(changes.boards()).hasSize(2);
        assertThat(changes.moved())
                .noneMatch(m -> m.before().from().name().contains("gate")
                        && m.before().to().name().contains("up"));
    }

    private static Plan twoPorts(String board) {
        Workbench bench = Workbench.on(board).with("gate", "bus-switch-4").bare("up", Workbench.OLED, "2-wire");
        return bench.behind("up", "gate", 0).plan();
    }

    private static Set<String> wires(Plan plan) {
        return WiringList.steps(new Circuit(plan, Workbench.CATALOG), WireColours.usual()).stream()
                .filter(s -> s.wire())
                .map(s -> s.key() + s.words())
                .collect(Collectors.toCollection(HashSet::new));
    }
}
