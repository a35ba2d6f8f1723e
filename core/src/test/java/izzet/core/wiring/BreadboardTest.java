package izzet.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class BreadboardTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    /** No two legs share a strip, no two things a hole, and each wire ends in the strip of its own leg. */
    @ParameterizedTest
    @MethodSource("plans")
    void nothingSharesWhatItMustNot(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        for (int rows : Breadboard.SIZES) {
            Breadboard board = Breadboard.of(circuit, rows, Map.of());
            Set<Integer> strips = new HashSet<>();
            Set<Breadboard.Hole> holes = new HashSet<>();
            Map<String, Breadboard.Hole> legs = new HashMap<>();
            board.parts().forEach(p -> p.legs().forEach(l -> {
                assertThat(strips.add(l.hole().strip()))
                        .as(p.unit().name() + " " + l)
                        .isTrue();
                assertThat(holes.add(l.hole())).isTrue();
                assertThat(l.hole().row()).isBetween(1, rows);
                legs.put(p.unit().id() + ":" + l.line(), l.hole());
            }));
            assertThat(board.parts().size() + board.beside().size())
                    .isEqualTo(circuit.units().size());
            for (WiringList.Step step : WiringList.steps(circuit, WireColours.usual())) {
                Breadboard.Ends ends = board.holes().get(step.key());
                if (ends == null) {
                    continue;
                }
                List<Breadboard.Hole> used = new ArrayList<>();
                check(step.from(), ends.from(), legs, used);
                check(step.to(), ends.to(), legs, used);
                if (ends.between() != null) {
                    assertThat(strips).doesNotContain(ends.between().strip());
                    assertThat(ends.on().strip()).isEqualTo(ends.between().strip());
                    used.add(ends.between());
                    used.add(ends.on());
                }
                used.forEach(
                        h -> assertThat(holes.add(h)).as(step.words() + " " + h).isTrue());
            }
        }
    }

    private static void check(
            WiringList.End end, Breadboard.Hole hole, Map<String, Breadboard.Hole> legs, List<Breadboard.Hole> used) {
        if (hole != null) {
            assertThat(hole.strip()).isEqualTo(legs.get(end.at().toString()).strip());
            used.add(hole);
        }
    }

    @Test
    void aPartThatIsMovedTakesItsWiresAlong() {
        Circuit circuit = Workbench.mcu()
                .with("sign", Workbench.OLED)
                .with("lever", "push-button")
                .circuit();
        Breadboard before = Breadboard.of(circuit, 30, Map.of());
        Breadboard after = Breadboard.of(circuit, 30, Map.of("sign", 20));
        assertThat(before.parts().get(0).legs().get(0).hole().row()).isEqualTo(1);
        Breadboard.Laid sign = after.parts().get(0);
        assertThat(sign.unit().id()).isEqualTo("sign");
        assertThat(sign.legs().get(0).hole()).isEqualTo(new Breadboard.Hole(20, 'a'));
        String key = after.holes().keySet().stream()
                .filter(k -> k.startsWith("sign:SDA"))
                .findFirst()
                .orElseThrow();
        assertThat(after.holes().get(key).from()).isEqualTo(new Breadboard.Hole(23, 'b'));
        assertThatThrownBy(() -> Breadboard.of(circuit, 30, Map.of("sign", 29)))
                .hasMessageContaining("cannot begin in row 29");
    }

    /** A switch that came last into the plan lies beside the displays behind it, not behind all that came between. */
    @Test
    void whatIsWiredTogetherLiesTogether() {
        Workbench bench = Workbench.mcu()
                .bare("up", Workbench.OLED, "2-wire")
                .bare("down", Workbench.OLED, "2-wire")
                .with("lever", "push-button")
                .with("bell", "push-button")
                .with("dial", "potentiometer")
                .with("gate", "bus-switch-4");
        bench.behind("up", "gate", 0).behind("down", "gate", 2);
        Breadboard board = Breadboard.of(bench.circuit(), 63, Map.of());
        List<Breadboard.Ends> between = board.holes().entrySet().stream()
                .filter(e -> e.getKey().contains("gate:S") && !e.getKey().contains("board"))
                .map(Map.Entry::getValue)
                .toList();
        assertThat(between).hasSize(4);
        assertThat(between).allSatisfy(e -> assertThat(Math.abs(e.from().row() - e.to().row()))
                .isLessThanOrEqualTo(16));
        assertThat(board.cost())
                .as("as the plan has them")
                .isLessThan(Breadboard.of(bench.circuit(), 63, Map.of("up", 1, "down", 1, "gate", 20))
                        .cost());
        assertThat(board.beside()).isEmpty();
    }

    @Test
    void aChipLiesOverTheMiddle() {
        Breadboard board = Breadboard.of(
                Workbench.on("wifi-dual-38").with("gate", "decoder-2to4").circuit(), 30, Map.of());
        Breadboard.Laid chip = board.parts().get(0);
        assertThat(chip.across()).isTrue();
        assertThat(chip.legs()).anyMatch(l -> l.line().equals("GND") && l.hole().equals(new Breadboard.Hole(8, 'e')));
        assertThat(chip.legs()).anyMatch(l -> l.line().equals("VCC") && l.hole().equals(new Breadboard.Hole(1, 'f')));
    }

    /** A resistor in a wire gets a row of its own where the wire goes on. */
    @Test
    void aResistorInAWireGetsItsRow() {
        Breadboard board = Breadboard.of(Workbench.mcu().with("lamp", "led").circuit(), 30, Map.of());
        String key = board.holes().keySet().stream()
                .filter(k -> k.startsWith("lamp:A"))
                .findFirst()
                .orElseThrow();
        Breadboard.Ends ends = board.holes().get(key);
        assertThat(ends.between()).isNotNull();
        assertThat(ends.between().row()).isEqualTo(ends.on().row());
        assertThat(ends.between().strip()).isNotEqualTo(ends.from().strip());
    }
}
