package izzet.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class EditsTest {

    private static Plan signs() {
        Plan plan = Plan.empty("Wick halt", Workbench.MCU);
        plan = PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, "Arrivals", "")
                .apply(plan);
        return PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, " ", "").apply(plan);
    }

    private static String at(Plan plan, String line) {
        return plan.connection(Target.of(line)).orElseThrow().to().toString();
    }

    @Test
    void aPartComesConnectedUnderANameOfItsOwn() {
        Plan plan = signs();
        plan = PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, "", "").apply(plan);
        assertThat(plan.parts())
                .extracting(p -> p.name())
                .doesNotHaveDuplicates()
                .contains("Arrivals");
        assertThat(plan.parts()).extracting(p -> p.id()).doesNotHaveDuplicates();
        for (String part : plan.parts().stream().map(p -> p.id()).toList()) {
            assertThat(at(plan, part + ":SDA")).isEqualTo("board:A4");
        }
        Plan now = plan;
        assertThatThrownBy(() -> PartAddition.of(now, Workbench.CATALOG, "no-such", "", ""))
                .isInstanceOf(PlanEdit.EditRefused.class)
                .hasMessageContaining("no-such");
    }

    /** A form sends every field: those that say what is so already are no change. */
    @Test
    void aStrapThatStandsAsDeliveredIsNoChange() {
        Plan plan = signs();
        Plan after = new PartChange(null, null, Map.of("address", "left", "pull-ups", "fitted"), null)
                .of(plan, Workbench.CATALOG, "arrivals")
                .apply(plan);
        assertThat(after).isEqualTo(plan);
        PlanEdit renamed = new PartChange("Up", null, Map.of("address", "left"), Optional.empty())
                .of(plan, Workbench.CATALOG, "arrivals");
        assertThat(renamed).isInstanceOf(PlanEdit.RenamePart.class);
        Plan moved = new PartChange(null, null, Map.of("address", "moved"), null)
                .of(after, Workbench.CATALOG, "arrivals")
                .apply(after);
        Plan back = new PartChange(null, null, Map.of("address", "left"), null)
                .of(moved, Workbench.CATALOG, "arrivals")
                .apply(moved);
        assertThat(back.part("arrivals").orElseThrow().straps()).containsEntry("address", "left");
    }

    @Test
    void aNameIsGivenOnce() {
        Plan plan = signs();
        assertThatThrownBy(() -> PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, "arrivals", ""))
                .isInstanceOf(PlanEdit.EditRefused.class)
                .hasMessageContaining("'arrivals 2' is free");
        String other = plan.parts().get(1).id();
        PartChange change = new PartChange("Arrivals", null, Map.of(), null);
        assertThatThrownBy(() -> change.of(plan, Workbench.CATALOG, other)).hasMessageContaining("Another part");
        Plan same = new PartChange("ARRIVALS", null, Map.of(), null)
                .of(plan, Workbench.CATALOG, "arrivals")
                .apply(plan);
        assertThat(same.part("arrivals").orElseThrow().name()).isEqualTo("ARRIVALS");
    }

    @Test
    void allThatIsSetOnAPartIsOneStepAndWhatIsNotNamedStays() {
        Plan plan = signs();
        PartChange change = new PartChange(" Departures ", null, Map.of("address", "high"), Optional.of(0x3D));
        PlanEdit edit = change.of(plan, Workbench.CATALOG, "arrivals");
        Plan after = edit.apply(plan);
        assertThat(after.part("arrivals").orElseThrow().name()).isEqualTo("Departures");
        assertThat(after.part("arrivals").orElseThrow().address()).isEqualTo(0x3D);
        Plan renamed = new PartChange("Up", null, Map.of(), null)
                .of(after, Workbench.CATALOG, "arrivals")
                .apply(after);
        assertThat(renamed.part("arrivals").orElseThrow().address()).isEqualTo(0x3D);
        Plan without = new PartChange(null, null, Map.of(), Optional.empty())
                .of(renamed, Workbench.CATALOG, "arrivals")
                .apply(renamed);
        assertThat(without.part("arrivals").orElseThrow().address()).isNull();
        assertThat(without.part("arrivals").orElseThrow().name()).isEqualTo("Up");
    }

    /** Whatever the other interface lacks comes off; nothing of the others moves. */
    @RepeatedTest(20)
    void anotherInterfaceLeavesNoLooseWire(RepetitionInfo repetition) {
        Plan plan = new RandomPlans(4000 + repetition.getCurrentRepetition()).plan(6);
        for (var placed : plan.parts()) {
            var part = Workbench.CATALOG.part(placed.part()).orElseThrow();
            for (var variant : part.interfaces()) {
                Plan after = new PartChange(null, variant.id(), Map.of(), null)
                        .of(plan, Workbench.CATALOG, placed.id())
                        .apply(plan);
                List<String> lines = new Circuit(after, Workbench.CATALOG)
                        .wires().stream().map(w -> w.from().toString()).toList();
                assertThat(after.connections())
                        .allMatch(c -> lines.contains(c.from().toString()));
                plan.connections().stream()
                        .filter(c -> !c.from().owner().equals(placed.id())
                                && !c.to().owner().equals(placed.id()))
                        .forEach(c -> assertThat(after.connections()).contains(c));
            }
        }
    }

    @Test
    void aBusGoesToAnotherControllerWhole() {
        Plan plan = Plan.empty("Halt", "mcu-dual-40");
        plan = PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, "Arrivals", "")
                .apply(plan);
        plan = PartAddition.of(plan, Workbench.CATALOG, Workbench.OLED, "Departures", "")
                .apply(plan);
        var bus = plan.buses().get(0);
        String other = new Circuit(plan, Workbench.CATALOG)
                .board().controllersOf(bus.kind()).stream()
                        .map(c -> c.id())
                        .filter(c -> !c.equals(bus.controller()))
                        .findFirst()
                        .orElseThrow();
        String before = at(plan, "arrivals:SDA");
        Plan after = BusEdits.move(plan, Workbench.CATALOG, bus.id(), other).apply(plan);
        assertThat(after.bus(bus.id()).orElseThrow().controller()).isEqualTo(other);
        assertThat(at(after, "arrivals:SDA")).isNotEqualTo(before).isEqualTo(at(after, "departures:SDA"));
        Plan fast = BusEdits.clock(after, bus.id(), 400_000).apply(after);
        assertThat(fast.bus(bus.id()).orElseThrow().clockHz()).isEqualTo(400_000);
        assertThat(fast.bus(bus.id()).orElseThrow().controller()).isEqualTo(other);
        assertThatThrownBy(() -> BusEdits.clock(after, "none", 1)).isInstanceOf(PlanEdit.EditRefused.class);
    }

    @Test
    void aLineKeepsItsResistorAndLockWhereTheyAreNotNamed() {
        Plan plan = Workbench.mcu().with("lamp", "led").plan();
        Target line = plan.connections().get(0).from();
        Plan tied = LineEdits.tie(plan, line, Target.pin("7"), Optional.of(220.0), null)
                .apply(plan);
        Plan locked = LineEdits.lock(tied, line).apply(tied);
        Plan moved = LineEdits.tie(locked, line, Target.pin("8"), null, null).apply(locked);
        Connection wire = moved.connection(line).orElseThrow();
        assertThat(wire.seriesOhms()).isEqualTo(220.0);
        assertThat(wire.staysPut()).isTrue();
        Plan bare = LineEdits.tie(moved, line, Target.pin("8"), Optional.empty(), null)
                .apply(moved);
        assertThat(bare.connection(line).orElseThrow().seriesOhms()).isNull();
        assertThat(LineEdits.lock(moved, line)
                        .apply(moved)
                        .connection(line)
                        .orElseThrow()
                        .staysPut())
                .isFalse();
        assertThatThrownBy(() -> LineEdits.lock(plan, Target.of("lamp:none"))).isInstanceOf(PlanEdit.EditRefused.class);
    }

    /** A place offered is one that the rules of pins do not stop. */
    @RepeatedTest(10)
    void noPlaceOfferedClashes(RepetitionInfo repetition) {
        Plan plan = new RandomPlans(5000 + repetition.getCurrentRepetition()).plan(5);
        Circuit circuit = new Circuit(plan, Workbench.CATALOG);
        for (Wire wire : circuit.wires()) {
            for (Places.Place place : Places.of(circuit, wire, wire.to())) {
                if (!place.target().isPin() || wire.to().filter(Target::isLine).isPresent()) {
                    continue;
                }
                Plan moved = LineEdits.tie(plan, wire.from(), place.target(), null, null)
                        .apply(plan);
                assertThat(Workbench.CHECKER.check(moved, Workbench.CATALOG).of("P1"))
                        .as("%s at %s", wire.from(), place.target())
                        .allMatch(f -> !f.about("line", wire.from().toString())
                                || Workbench.CHECKER
                                        .check(plan, Workbench.CATALOG)
                                        .finding(f.id())
                                        .isPresent());
            }
        }
    }
}
