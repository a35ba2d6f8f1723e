package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.check.Finding;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ProposalTest {

    /** What is proposed never puts two jobs on a pin, never takes one that cannot serve, and says honestly what found no room. */
    @RepeatedTest(40)
    void proposalsCauseNoStopOfPins(RepetitionInfo repetition) {
        Plan plan = new RandomPlans(1000 + repetition.getCurrentRepetition()).plan(10);
        List<Finding> stops = Workbench.CHECKER.check(plan, Workbench.CATALOG).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .filter(f -> Set.of("P1", "P2", "P3", "P5", "S1").contains(f.rule()))
                .toList();
        assertThat(stops).extracting(Finding::sentence).isEmpty();
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        List<Wire> left = Proposal.of(plan, Workbench.CATALOG).left();
        for (Finding open : Workbench.CHECKER.check(plan, Workbench.CATALOG).of("P6")) {
            String part = open.places().get(0).id();
            boolean noRoom = left.stream().anyMatch(w -> w.unit().id().equals(part));
            boolean noBus = circuit.wires().stream()
                    .anyMatch(w -> w.unit().id().equals(part)
                            && !w.connected()
                            && (w.role().bus() || w.role() == izzet.core.catalog.Role.GATE_CLOCK));
            boolean noRail = circuit.wires().stream()
                    .anyMatch(w -> w.unit().id().equals(part)
                            && !w.connected()
                            && w.role() == izzet.core.catalog.Role.SUPPLY
                            && Proposal.supplyRail(circuit, w).isEmpty());
            assertThat(noRoom || noBus || noRail).as(open.sentence()).isTrue();
        }
    }

    /** A wiper is measured: no resistor of the chip bends it, and the radio takes no converter from it. */
    @Test
    void whatIsMeasuredHasNoPullAndAConverterThatStaysOn() {
        for (String board : List.of("wifi-dual-38", "wifi-dual-30", Workbench.MCU, "mcu-dual-40")) {
            Workbench bench =
                    Workbench.on(board).with("sign", "character-16x2-direct").with("dial", "potentiometer");
            assertThat(bench.plan()
                            .connection(Target.of("dial:W"))
                            .orElseThrow()
                            .pull())
                    .as(board)
                    .isNull();
            assertThat(bench.plan().resistors()).as(board).isEmpty();
            assertThat(bench.findings("P12")).as(board).isEmpty();
        }
    }

    @Test
    void crystalPinsAreTakenLast() {
        Workbench bench = Workbench.on("mcu-8bit-bare-28").with("lamp", "led").with("sign", "character-16x2-direct");
        assertThat(bench.findings("P3")).isEmpty();
    }

    @Test
    void whatIsConnectedStays() {
        Workbench bench =
                Workbench.on(Workbench.MCU).with("bell", "push-button").wire("bell:A", "board:7");
        Plan again = Proposal.of(bench.plan(), Workbench.CATALOG).edit().apply(bench.plan());
        assertThat(again.connection(Target.of("bell:A")).orElseThrow().to()).isEqualTo(Target.of("board:7"));
    }

    @Test
    void rareFunctionsAndConsolesAreLeftFreeWhileOthersAre() {
        Workbench bench = Workbench.on(Workbench.MCU);
        for (int i = 0; i < 4; i++) {
            bench.with("lever-" + i, "push-button");
        }
        assertThat(bench.plan().connections())
                .filteredOn(c -> c.from().name().equals("A"))
                .extracting(c -> c.to().name())
                .doesNotContain("0", "1", "3", "5", "6", "9", "10", "11", "13", "A4", "A5")
                .doesNotHaveDuplicates();
    }

    @Test
    void partsOfOneBusShareItsPinsAndHaveTheirOwnSelects() {
        Workbench bench = Workbench.on(Workbench.SBC)
                .with("one", "oled-128x64-page-serial")
                .with("two", "oled-128x64-page-serial");
        assertThat(end(bench, "one:D1")).isEqualTo(end(bench, "two:D1"));
        assertThat(end(bench, "one:CS")).isNotEqualTo(end(bench, "two:CS"));
        assertThat(Set.of(end(bench, "one:CS"), end(bench, "two:CS")))
                .isEqualTo(Set.of(Target.of("board:GPIO8"), Target.of("board:GPIO7")));
    }

    private static Target end(Workbench bench, String from) {
        return bench.plan().connection(Target.of(from)).orElseThrow().to();
    }

    @Test
    void lampsGetTheirResistorAndButtonsTheirPull() {
        Workbench bench = Workbench.on(Workbench.MCU).with("lamp", "led").with("bell", "push-button");
        Connection lamp = bench.plan().connection(Target.of("lamp:A")).orElseThrow();
        assertThat(lamp.seriesOhms()).isEqualTo(220);
        assertThat(bench.plan().connection(Target.of("bell:A")).orElseThrow().pull())
                .isEqualTo(Connection.INTERNAL_UP);
    }

    @Test
    void aFullBoardLeavesLinesAndSaysWhich() {
        Workbench bench = Workbench.on(Workbench.MCU);
        for (int i = 0; i < 21; i++) {
            bench.with("lever-" + i, "push-button");
        }
        Proposal proposal = Proposal.of(bench.plan(), Workbench.CATALOG);
        assertThat(proposal.left()).extracting(Wire::label).containsExactly("the lever-20 A");
        assertThat(bench.findings("P6")).hasSize(1);
    }
}
