package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReplacementTest {

    private static final String BEFORE = "colour-128x160-serial-shifted";
    private static final String AFTER = "colour-128x160-serial-3v3";

    private static Circuit replaced(Circuit circuit) {
        return new Circuit(
                Replacement.of(
                                circuit,
                                circuit.unit("map").orElseThrow(),
                                Workbench.CATALOG.part(AFTER).orElseThrow())
                        .orElseThrow()
                        .apply(circuit.plan()),
                Workbench.CATALOG);
    }

    /** With what is in them: a resistor, a lock. */
    @Test
    void linesOfTheSameNameKeepTheirWires() {
        Workbench bench = Workbench.sbc().with("map", BEFORE);
        Circuit before = bench.circuit();
        Circuit after = replaced(before);
        for (String line : new String[] {"RST", "CS"}) {
            Target from = Target.of("map:" + line);
            assertThat(after.wire(from).orElseThrow().connection())
                    .as(line)
                    .isEqualTo(before.wire(from).orElseThrow().connection());
        }
    }

    @Test
    void aLineOfTwoWiresKeepsBoth() {
        Workbench bench = Workbench.sbc().with("map", BEFORE).with("levers", "expander-8");
        Plan plan = bench.plan();
        List<Connection> more = new ArrayList<>(plan.connections());
        more.add(Connection.wire(Target.of("map:RST"), Target.of("levers:P0")));
        Circuit circuit = new Circuit(plan.withConnections(more), Workbench.CATALOG);
        assertThat(replaced(circuit).plan().connections())
                .filteredOn(c -> c.from().equals(Target.of("map:RST")))
                .hasSize(2);
    }

    /** Somebody drew the reset from an expander to the display: it is one wire before and after. */
    @Test
    void aWireDrawnFromItsOtherEndIsKeptToo() {
        Workbench bench = Workbench.sbc()
                .with("levers", "expander-8")
                .with("map", BEFORE)
                .off("map:RST")
                .wire("levers:P0", "map:RST");
        assertThat(replaced(bench.circuit()).plan().connections())
                .filteredOn(c -> c.to().equals(Target.of("map:RST")) || c.from().equals(Target.of("map:RST")))
                .extracting(Connection::from)
                .containsExactly(Target.of("levers:P0"));
    }
}
