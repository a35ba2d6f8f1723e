package izzet.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.RandomPlans;
import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Role;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class CircuitTest {

    private static Workbench switched() {
        return Workbench.on(Workbench.MCU)
                .with("one", Workbench.OLED)
                .with("two", Workbench.OLED)
                .with("switch", "bus-switch-8")
                .wire("one:SDA", "switch:SD0")
                .wire("one:SCL", "switch:SC0")
                .wire("two:SDA", "switch:SD1")
                .wire("two:SCL", "switch:SC1");
    }

    private static Segment segment(Circuit circuit, String part) {
        return circuit.segmentOf(circuit.unit(part).orElseThrow()).orElseThrow();
    }

    /** Every end lies in one net, and a wire's two ends in the same. */
    @RepeatedTest(20)
    void netsPartTheEnds(RepetitionInfo repetition) {
        RandomPlans random = new RandomPlans(100 + repetition.getCurrentRepetition());
        List<Plan> states = random.walk(random.plan(8), 8);
        Circuit circuit = new Circuit(states.get(states.size() - 1), Workbench.CATALOG);
        Set<Target> seen = new HashSet<>();
        for (Net net : circuit.nets()) {
            for (Target end : net.ends()) {
                assertThat(seen.add(end)).as(end.toString()).isTrue();
                assertThat(circuit.netOf(end)).containsSame(net);
            }
        }
        for (Wire wire : circuit.wires()) {
            // A resistor that leads to a rail pulls; it joins nothing.
            boolean pulls = wire.connected()
                    && wire.connection().seriesOhms() != null
                    && Stream.of(wire.from(), wire.to().orElseThrow())
                            .anyMatch(end ->
                                    circuit.netOf(end).orElseThrow().rail().isPresent());
            if (!pulls) {
                wire.to().ifPresent(to -> assertThat(circuit.netOf(wire.from())).isEqualTo(circuit.netOf(to)));
            }
        }
    }

    @Test
    void aShiftersNearLineSpeaksForWhatHangsOnItsFarSide() {
        Circuit circuit = Workbench.on(Workbench.SBC)
                .bare("one", Workbench.OLED, "2-wire")
                .bare("shifter", "level-shifter-4", "two-way")
                .wire("one:SDA", "shifter:HV1")
                .wire("shifter:LV1", "board:GPIO2")
                .circuit();
        Wire near = circuit.wire(Target.of("shifter:LV1")).orElseThrow();
        Wire far = circuit.wire(Target.of("shifter:HV1")).orElseThrow();
        Wire sda = circuit.wire(Target.of("one:SDA")).orElseThrow();
        assertThat(circuit.standsFor(near)).containsExactly(sda);
        assertThat(circuit.standsFor(far)).isEmpty();
        assertThat(circuit.standsFor(sda)).containsExactly(sda);
        assertThat(circuit.pinsUnder(sda)).extracting("id").containsExactly("GPIO2");
        assertThat(circuit.linesOn(circuit.board().pin("GPIO2").orElseThrow())).containsExactly(sda);
    }

    @Test
    void channelsOfASwitchAreSegmentsOfTheirOwn() {
        Circuit circuit = switched().circuit();
        assertThat(segment(circuit, "switch").trunk()).isTrue();
        assertThat(segment(circuit, "one").label()).isEqualTo("channel 0 of the switch");
        assertThat(segment(circuit, "one").hears(segment(circuit, "two"))).isFalse();
        assertThat(segment(circuit, "one").hears(segment(circuit, "switch"))).isTrue();
        assertThat(segment(circuit, "one").hears(new Segment("another", List.of())))
                .isFalse();
    }

    @Test
    void aSwitchBehindASwitchMakesALongerWay() {
        Circuit circuit = switched()
                .with("inner", "bus-switch-8")
                .wire("inner:SDA", "switch:SD2")
                .wire("inner:SCL", "switch:SC2")
                .wire("two:SDA", "inner:SD5")
                .wire("two:SCL", "inner:SC5")
                .circuit();
        assertThat(segment(circuit, "two").path())
                .extracting(Segment.Hop::channel)
                .containsExactly("2", "5");
        assertThat(segment(circuit, "inner").hears(segment(circuit, "two"))).isTrue();
        assertThat(circuit.reach(Target.of("two:SDA")).orElseThrow().pin().id()).isEqualTo("A4");
    }

    /** A ring of wires between parts has no end, and looking for one must stop. */
    @Test
    void ringsOfHelpersEnd() {
        Circuit circuit = Workbench.on(Workbench.MCU)
                .with("a", "bus-switch-8")
                .with("b", "bus-switch-8")
                .wire("a:SCL", "b:SC0")
                .wire("b:SCL", "a:SC0")
                .wire("a:SDA", "b:SD0")
                .wire("b:SDA", "a:SD0")
                .circuit();
        assertThat(circuit.reach(Target.of("a:SDA"))).isEmpty();
        assertThat(circuit.segmentOf(circuit.unit("a").orElseThrow())).isPresent();
    }

    @Test
    void addressPinsAndPadsAddUp() {
        Workbench bench = Workbench.on(Workbench.MCU).with("switch", "bus-switch-8");
        Unit unit = bench.circuit().unit("switch").orElseThrow();
        assertThat(bench.circuit().addressOf(unit)).contains(0x70);
        bench.wire("switch:A0", "rail:5V").wire("switch:A2", "rail:5V");
        assertThat(bench.circuit().addressOf(unit)).contains(0x75);
        bench.off("switch:A1");
        assertThat(bench.circuit().addressOf(unit)).isEmpty();
        Workbench cabin = Workbench.on(Workbench.MCU)
                .with("cabin", "character-16x2-expander")
                .edit(new PlanEdit.SetStrap("cabin", "a0", "closed"))
                .edit(new PlanEdit.SetStrap("cabin", "a2", "closed"));
        Circuit circuit = cabin.circuit();
        assertThat(circuit.addressOf(circuit.unit("cabin").orElseThrow())).contains(0x22);
    }

    /** Source of the range: Linux kernel 6.1, addresses of this expander family. */
    @Test
    void everyReachableAddressIsReachedByItsEdits() {
        for (String part : List.of("character-16x2-expander", Workbench.OLED, "bus-switch-8")) {
            Workbench bench = Workbench.on(Workbench.MCU).with("it", part);
            Circuit circuit = bench.circuit();
            var reachable = Reachable.of(circuit, circuit.unit("it").orElseThrow());
            reachable.forEach((address, setting) -> {
                Plan set = new PlanEdit.Together("", setting.edits()).apply(bench.plan());
                Circuit after = new Circuit(set, Workbench.CATALOG);
                assertThat(after.addressOf(after.unit("it").orElseThrow()))
                        .as(part + " " + setting.label())
                        .contains(address);
            });
            assertThat(reachable.keySet())
                    .isEqualTo(
                            part.equals(Workbench.OLED)
                                    ? Set.of(0x3C, 0x3D)
                                    : part.startsWith("bus")
                                            ? Set.of(0x70, 0x71, 0x72, 0x73, 0x74, 0x75, 0x76, 0x77)
                                            : Set.of(0x20, 0x21, 0x22, 0x23, 0x24, 0x25, 0x26, 0x27));
        }
    }

    @Test
    void pullUpsCountWhereTheyAreJoined() {
        List<JoinedNet> nets = JoinedNet.of(switched().circuit());
        assertThat(nets).extracting(JoinedNet::label).contains("SDA of I2C bus, trunk");
        JoinedNet channel = nets.stream()
                .filter(n -> n.signal() == Role.I2C_SDA && n.where().contains("channel 0"))
                .findFirst()
                .orElseThrow();
        assertThat(channel.pullUps(switched().circuit()).fitted()).hasSize(1);
        Workbench fitted = switched()
                .edit(new PlanEdit.AddResistor(new Resistor("r", Target.pin("A4"), Target.rail("3V3"), 4700)));
        JoinedNet withTrunk = JoinedNet.of(fitted.circuit()).stream()
                .filter(n -> n.signal() == Role.I2C_SDA && n.where().contains("channel 0"))
                .findFirst()
                .orElseThrow();
        assertThat(withTrunk.pullUps(fitted.circuit()).parallelOhms()).isCloseTo(2350, within(0.01));
    }

    @Test
    void pullUpsTakenOffCountNoMore() {
        Workbench bench =
                Workbench.on(Workbench.MCU).with("one", Workbench.OLED).with("two", Workbench.OLED);
        assertThat(trunk(bench).parallelOhms()).isCloseTo(2350, within(0.01));
        bench.edit(new PlanEdit.SetStrap("two", "pull-ups", "removed"));
        assertThat(trunk(bench).parallelOhms()).isCloseTo(4700, within(0.01));
    }

    private static izzet.core.calc.PullUps trunk(Workbench bench) {
        return JoinedNet.of(bench.circuit()).get(0).pullUps(bench.circuit());
    }

    /** 10 pF a module and 1 pF a centimetre, as common practice has it. */
    @Test
    void partsAndWireMakeTheCapacitance() {
        Workbench bench =
                Workbench.on(Workbench.MCU).with("one", Workbench.OLED).with("two", Workbench.OLED);
        assertThat(JoinedNet.of(bench.circuit()).get(0).farads(bench.circuit())).isCloseTo(50e-12, within(1e-15));
        bench.edit(new PlanEdit.SetWire(200.0));
        assertThat(JoinedNet.of(bench.circuit()).get(0).farads(bench.circuit())).isCloseTo(220e-12, within(1e-15));
    }

    @Test
    void helpersOfferTheLinesThatFit() {
        Workbench bench = switched().with("shifter", "level-shifter-4");
        Circuit circuit = bench.circuit();
        Wire sda = circuit.wire(Target.of("one:SDA")).orElseThrow();
        Wire scl = circuit.wire(Target.of("one:SCL")).orElseThrow();
        assertThat(LegalPins.helpersFor(circuit, sda))
                .extracting(w -> w.line().id())
                .contains("SD0", "SD7", "LV1", "HV4")
                .doesNotContain("SC0");
        assertThat(LegalPins.helpersFor(circuit, scl))
                .extracting(w -> w.line().id())
                .contains("SC0")
                .doesNotContain("SD0");
        Wire ground = circuit.wire(Target.of("one:GND")).orElseThrow();
        assertThat(LegalPins.helpersFor(circuit, ground)).isEmpty();
        Circuit taken = bench.wire("shifter:LV1", "board:7").circuit();
        assertThat(LegalPins.helpersFor(taken, sda))
                .noneMatch(w -> w.line().id().equals("LV1"));
    }

    @Test
    void onABusMadeByTheProgramAnyPinServes() {
        Workbench bench = Workbench.on(Workbench.MCU).with("sign", Workbench.OLED);
        Wire sda = bench.circuit().wire(Target.of("sign:SDA")).orElseThrow();
        assertThat(LegalPins.of(bench.circuit(), sda)).extracting(p -> p.id()).containsExactly("A4");
        bench.edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "made bus", null, 50_000)));
        assertThat(LegalPins.of(bench.circuit(), sda)).hasSize(20);
    }
}
