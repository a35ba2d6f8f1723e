package izzet.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class PlanEditTest {

    private final Plan plan = Workbench.on(Workbench.MCU)
            .with("sign", Workbench.OLED)
            .with("bell", "push-button")
            .edit(new PlanEdit.AddResistor(new Resistor("r", Target.line("bell", "A"), Target.rail("5V"), 10_000)))
            .plan();

    /** Whatever is done to a plan, its document is read as the plan it is, and no reference in it leads nowhere. */
    @RepeatedTest(30)
    void everyStateIsAWholeDocument(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(repetition.getCurrentRepetition());
        PlanDocument documents = new PlanDocument();
        for (Plan state : random.walk(random.plan(8), 12)) {
            assertThat(PlanChecks.of(state, Workbench.CATALOG)).isEmpty();
            assertThat(documents.read(documents.write(state), Workbench.CATALOG))
                    .isEqualTo(state);
        }
    }

    @Test
    void everyEditSaysWhatItDoes() {
        List<PlanEdit> edits = List.of(
                new PlanEdit.Rename("Wick"),
                new PlanEdit.RemovePart("sign"),
                new PlanEdit.RenamePart("sign", "Arrivals"),
                new PlanEdit.SetStrap("sign", "address", "moved"),
                new PlanEdit.Connect(Target.of("bell:A"), Target.of("board:7")),
                new PlanEdit.Disconnect(Target.of("bell:A")),
                new PlanEdit.RemoveResistor("r"),
                new PlanEdit.SetWire(20.0),
                new PlanEdit.SetAddress("sign", 0x3D),
                new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "Signs' bus", "i2c0", 400_000)));
        assertThat(edits)
                .extracting(e -> e.describe(plan))
                .containsExactly(
                        "renamed the plan to Wick",
                        "removed the sign",
                        "renamed the sign to Arrivals",
                        "set a strap of the sign",
                        "connected the bell A to 7",
                        "took the bell A off",
                        "removed a resistor",
                        "set the length of the bus wires",
                        "noted the program's address of the sign",
                        "set up Signs' bus");
        assertThat(edits).allMatch(e -> !e.apply(plan).equals(plan));
    }

    @Test
    void linesChangePlacesWithWhatIsInTheirWires() {
        Connection bell = new Connection(Target.of("bell:A"), Target.of("board:7"), null, "internal-up");
        Plan wired = new PlanEdit.Connect(bell).apply(plan);
        Target clock = wired.connection(Target.of("sign:SCL")).orElseThrow().to();
        PlanEdit swap = new PlanEdit.Swap(Target.of("bell:A"), Target.of("sign:SCL"));
        Plan swapped = swap.apply(wired);
        assertThat(swapped.connection(Target.of("bell:A"))).contains(bell.withTo(clock));
        assertThat(swapped.connection(Target.of("sign:SCL")).orElseThrow().to()).isEqualTo(Target.of("board:7"));
        assertThat(swap.apply(swapped)).isEqualTo(wired);
        assertThat(swap.describe(wired)).isEqualTo("swapped the bell A and the sign SCL");
        Plan locked = new PlanEdit.Connect(bell.withLock(true)).apply(plan);
        assertThatThrownBy(() -> swap.apply(locked)).hasMessageContaining("unlock it first");
        Plan off = new PlanEdit.Disconnect(Target.of("bell:A")).apply(plan);
        assertThatThrownBy(() -> swap.apply(off)).hasMessageContaining("connect it first");
    }

    @Test
    void aPartTakesItsWiresAndResistorsAlong() {
        Plan without = new PlanEdit.RemovePart("bell").apply(plan);
        assertThat(without.connections()).noneMatch(c -> c.from().owner().equals("bell"));
        assertThat(without.resistors()).isEmpty();
        assertThat(without.connections().size())
                .isEqualTo(plan.connections().size()
                        - plan.connections().stream()
                                .filter(c -> c.from().owner().equals("bell"))
                                .count());
    }

    @Test
    void movingAWireKeepsItsPlaceInTheDocument() {
        Plan moved = new PlanEdit.Connect(Target.of("sign:SDA"), Target.of("board:6")).apply(plan);
        assertThat(moved.connections()).hasSameSizeAs(plan.connections());
        int place = plan.connections()
                .indexOf(plan.connection(Target.of("sign:SDA")).orElseThrow());
        assertThat(moved.connections().get(place).to()).isEqualTo(Target.of("board:6"));
    }

    @Test
    void anotherBoardKeepsWiresBetweenParts() {
        Plan switched = Workbench.on(Workbench.MCU)
                .with("sign", Workbench.OLED)
                .with("switch", "bus-switch-8")
                .wire("sign:SDA", "switch:SD0")
                .plan();
        Plan moved = new PlanEdit.ChooseBoard(Workbench.SBC).apply(switched);
        assertThat(moved.connections()).extracting(Connection::from).containsExactly(Target.of("sign:SDA"));
        assertThat(moved.buses()).isEmpty();
        assertThat(moved.parts()).allMatch(p -> p.bus() == null);
        assertThat(new PlanEdit.ChooseBoard(Workbench.MCU).apply(switched)).isSameAs(switched);
    }

    @Test
    void aReplacedPartKeepsItsNameAndLosesItsWires() {
        Plan replaced = new PlanEdit.ReplacePart("sign", "oled-128x64-page-serial", 1, "4-wire", Set.of()).apply(plan);
        assertThat(replaced.part("sign").orElseThrow().name()).isEqualTo("the sign");
        assertThat(replaced.part("sign").orElseThrow().bus()).isNull();
        assertThat(replaced.connections()).noneMatch(c -> c.from().owner().equals("sign"));
    }

    @Test
    void editsOfWhatIsNotThereAreRefusedWithWhatToDo() {
        List<PlanEdit> edits = List.of(
                new PlanEdit.RemovePart("ghost"),
                new PlanEdit.RenamePart("ghost", "x"),
                new PlanEdit.SetStrap("ghost", "address", "moved"),
                new PlanEdit.SetAddress("ghost", 1),
                new PlanEdit.SetPartBus("ghost", "i2c"),
                new PlanEdit.Connect(Target.of("ghost:A"), Target.of("board:7")),
                new PlanEdit.ChooseInterface("ghost", "x"));
        for (PlanEdit edit : edits) {
            assertThatThrownBy(() -> edit.apply(plan))
                    .isInstanceOf(PlanEdit.EditRefused.class)
                    .hasMessageContaining("ghost")
                    .hasMessageContaining("Load the page again");
        }
        assertThatThrownBy(() -> new PlanEdit.AddPart(
                                new PlacedPart("sign", "led", 1, "x", "on-off", Map.of(), null, null))
                        .apply(plan))
                .hasMessageContaining("already has a part");
    }

    /** All or nothing: a refused edit in the middle leaves the plan as it was. */
    @Test
    void editsTogetherAreOne() {
        PlanEdit together = new PlanEdit.Together(
                "two things", List.of(new PlanEdit.Rename("Half"), new PlanEdit.RemovePart("ghost")));
        assertThatThrownBy(() -> together.apply(plan)).isInstanceOf(PlanEdit.EditRefused.class);
        assertThat(plan.name()).isEqualTo("Thistlewick Junction");
        assertThat(together.describe(plan)).isEqualTo("two things");
    }

    @Test
    void freeIdsAvoidEverythingThatHasOne() {
        assertThat(plan.freeId("sign")).isEqualTo("sign-2");
        assertThat(plan.freeId("r")).isEqualTo("r-2");
        assertThat(plan.freeId("i2c")).isEqualTo("i2c-2");
        assertThat(plan.freeId("board")).isEqualTo("board-2");
        assertThat(plan.freeId("lamp")).isEqualTo("lamp");
    }

    @Test
    void endsOfWiresAreReadStrictly() {
        assertThat(Target.of("sign:SDA")).isEqualTo(Target.line("sign", "SDA"));
        for (String text : List.of("", "sign", ":SDA", "sign:", ":")) {
            assertThatThrownBy(() -> Target.of(text)).hasMessageContaining("write board:PIN");
        }
    }
}
