package izzet.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class WiringListTest {

    private final Workbench bench = Workbench.on(Workbench.MCU)
            .with("sign", Workbench.OLED)
            .with("lamp", "led")
            .with("cabin", "character-16x2-direct");
    private final List<WiringList.Group> groups = WiringList.of(bench.circuit());

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    /** Each connection and each resistor of the plan is one step, and there is no other wire but from the board to a row. */
    @ParameterizedTest
    @MethodSource("plans")
    void everyWireOfThePlanIsOneStep(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        List<WiringList.Step> steps = WiringList.steps(circuit, WireColours.usual());
        assertThat(steps.stream().filter(s -> s.kind() == WiringList.Kind.WIRE).map(WiringList.Step::key))
                .containsExactlyInAnyOrderElementsOf(circuit.connections().stream()
                        .map(c -> c.from() + ">" + c.to())
                        .toList());
        assertThat(steps.stream()
                        .filter(s -> s.kind() == WiringList.Kind.RESISTOR)
                        .map(WiringList.Step::key))
                .containsExactlyInAnyOrderElementsOf(circuit.resistors().stream()
                        .map(r -> "resistor:" + r.id())
                        .toList());
        for (WiringList.Step step : steps) {
            assertThat(step.number()).isEqualTo(steps.indexOf(step) + 1);
            if (step.kind() == WiringList.Kind.WIRE) {
                // The words are made of the same ends as the table and the picture.
                assertThat(step.words()).contains(step.from().words(), step.to().words(), step.colour());
                Stream.of(step.from(), step.to())
                        .filter(e -> e.at() != null && e.at().isPin())
                        .forEach(e -> assertThat(e.place())
                                .endsWith(circuit.board()
                                        .pin(e.at().name())
                                        .orElseThrow()
                                        .position()));
            }
        }
    }

    @Test
    void theOrderIsThatOfTheHand() {
        assertThat(groups)
                .extracting(WiringList.Group::id)
                .containsExactly("off", "rails", "supply", "straps", "bus", "ties", "control", "lamps", "look");
        assertThat(groups.get(0).steps().get(0).words()).contains("Unplug");
    }

    @Test
    void endsCarryEveryNumber() {
        WiringList.Step sda = step("sign:SDA");
        assertThat(sda.from().numbers()).containsExactly("header pin 4");
        assertThat(sda.to().label()).isEqualTo("A4");
        assertThat(sda.to().numbers()).containsExactly("socket analog 5", "port bit PC4");
        assertThat(sda.colour()).isEqualTo("blue");
        assertThat(sda.words())
                .isEqualTo("blue wire from the sign SDA (header pin 4) to board A4 (socket analog 5, port bit PC4).");
        assertThat(sda.why()).isEqualTo("Data of I2C bus, both ways.");
    }

    @Test
    void strapsAndTheirReasonAreSteps() {
        bench.edit(new PlanEdit.SetStrap("sign", "address", "moved"));
        assertThat(WiringList.steps(bench.circuit(), WireColours.usual()))
                .filteredOn(s -> s.key().startsWith("strap:sign:address"))
                .singleElement()
                .satisfies(s -> {
                    assertThat(s.what()).isEqualTo("the sign, address strap: resistor moved to the other place.");
                    assertThat(s.why()).isEqualTo("It answers at 0x3D.");
                });
    }

    @Test
    void theOutputOfASupplyPartIsWired() {
        Workbench fed = Workbench.mcu()
                .bare("reg", "regulator-3v3", "supply")
                .bare("sign", Workbench.OLED, "2-wire")
                .wire("reg:IN", "rail:5V")
                .wire("sign:VCC", "reg:OUT");
        assertThat(WiringList.of(fed.circuit()).stream()
                        .filter(g -> g.id().equals("supply"))
                        .flatMap(g -> g.steps().stream())
                        .map(WiringList.Step::key))
                .containsExactly("reg:IN>rail:5V", "sign:VCC>reg:OUT");
    }

    @Test
    void aMakersColoursAreTaken() {
        WireColours own = WireColours.of("DATA grey, GROUND brown");
        assertThat(WiringList.steps(bench.circuit(), own))
                .filteredOn(s -> s.key().startsWith("sign:SDA"))
                .extracting(WiringList.Step::colour)
                .containsExactly("grey");
        assertThat(own.of(WireUse.SUPPLY)).isEqualTo("red");
        assertThat(WireColours.of(own.text())).isEqualTo(own);
        assertThatThrownBy(() -> WireColours.of("DATA pink")).hasMessageContaining("DATA pink");
    }

    @Test
    void resistorsInAWireAndBetweenNetsAreNamed() {
        assertThat(groups)
                .flatExtracting(WiringList.Group::steps)
                .extracting(WiringList.Step::insert)
                .contains("220 Ω in series", "1 kΩ in series");
        bench.edit(new PlanEdit.AddResistor(new Resistor("down", Target.of("lamp:A"), Target.of("rail:GND"), 10_000)));
        assertThat(WiringList.steps(bench.circuit(), WireColours.usual()))
                .filteredOn(s -> s.key().equals("resistor:down"))
                .extracting(WiringList.Step::why)
                .containsExactly("Holds the line low while nothing drives it.");
    }

    private WiringList.Step step(String key) {
        return groups.stream()
                .flatMap(g -> g.steps().stream())
                .filter(s -> s.key().startsWith(key))
                .findFirst()
                .orElseThrow();
    }
}
