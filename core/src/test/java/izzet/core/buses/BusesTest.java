package izzet.core.buses;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferencePlans;
import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.check.Report;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.plan.Bus;
import izzet.core.plan.Cable;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The pictures of the buses tell what the check tells. */
class BusesTest {

    static List<Map.Entry<String, Plan>> plans() {
        return List.copyOf(ReferencePlans.all().entrySet());
    }

    private static boolean has(Report report, Trouble trouble) {
        return report.findings().stream().anyMatch(f -> f.trouble() == trouble);
    }

    @ParameterizedTest
    @MethodSource("plans")
    void twoNamesOnADoorAreAClash(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        Report report = Workbench.CHECKER.check(circuit);
        boolean shared = Street.of(circuit).stream()
                .flatMap(s -> s.houses().values().stream())
                .anyMatch(h -> h.dwellers().size() > 1);
        assertThat(shared).isEqualTo(has(report, Trouble.ADDRESS_CLASH));
        boolean visited = Street.of(circuit).stream()
                .flatMap(s -> s.houses().values().stream())
                .anyMatch(h -> !h.dwellers().isEmpty() && !h.guests().isEmpty());
        if (visited) {
            assertThat(has(report, Trouble.SEGMENT_CLASH)).isTrue();
        }
    }

    @ParameterizedTest
    @MethodSource("plans")
    void theWindowIsThatOfTheCheck(Map.Entry<String, Plan> entry) {
        Circuit circuit = new Circuit(entry.getValue(), Workbench.CATALOG);
        List<PullUpWindow> windows = PullUpWindow.of(circuit);
        assertThat(windows.stream().allMatch(PullUpWindow::fine))
                .isEqualTo(Workbench.CHECKER.check(circuit).of("I4").isEmpty());
        for (PullUpWindow w : windows) {
            if (!w.none() && w.rise() > 0) {
                assertThat(w.timeTo(0.7) - w.timeTo(0.3)).isCloseTo(w.rise(), within(w.rise() * 1e-6));
                assertThat(w.edge(w.timeTo(0.3))).isCloseTo(0.3 * w.idle(), within(1e-9));
            }
            assertThat(w.without(circuit)).hasSameSizeAs(w.fitted());
        }
    }

    @Test
    void anIdenticalPairSharesADoorAndSeesTheNextOne() {
        Street street = Street.of(Workbench.mcu()
                        .with("up", Workbench.OLED)
                        .with("down", Workbench.OLED)
                        .circuit())
                .get(0);
        assertThat(street.at(0x3C).clash()).isTrue();
        assertThat(street.at(0x3C).dwellers()).extracting(u -> u.id()).containsExactly("up", "down");
        assertThat(street.at(0x3D).doors()).extracting(u -> u.id()).containsExactly("up", "down");
        assertThat(street.at(0x3D).empty()).isTrue();
        assertThat(street.at(0x03).reserved()).isTrue();
    }

    @Test
    void takingOnePullUpOffWeakensTheRest() {
        Circuit circuit = Workbench.mcu()
                .with("up", Workbench.OLED)
                .with("down", Workbench.OLED)
                .circuit();
        PullUpWindow both = PullUpWindow.of(circuit).get(0);
        assertThat(both.ohms()).isCloseTo(2350, within(0.1));
        PullUpWindow one = both.without(circuit).get(0).then();
        assertThat(one.ohms()).isCloseTo(4700, within(0.1));
        assertThat(one.rise()).isCloseTo(2 * both.rise(), within(1e-12));
        assertThat(one.sink()).isCloseTo(both.sink() / 2, within(1e-9));
    }

    @Test
    void aFasterClockAndALongerWireAreTriedWithoutChangingThePlan() {
        Circuit circuit = Workbench.mcu().with("up", Workbench.OLED).circuit();
        String bus = circuit.plan().buses().get(0).id();
        PullUpWindow then = PullUpWindow.of(PullUpWindow.whatIf(circuit, bus, 400_000, 200, Cable.LOOSE))
                .get(0);
        PullUpWindow now = PullUpWindow.of(circuit).get(0);
        assertThat(then.riseLimit()).isLessThan(now.riseLimit());
        assertThat(then.farads() - now.farads()).isCloseTo(170e-12, within(1e-15));
        assertThat(now.fine()).isTrue();
        assertThat(then.tooSlow()).isTrue();
        PullUpWindow flat = PullUpWindow.of(PullUpWindow.whatIf(circuit, bus, 400_000, 200, Cable.FLAT))
                .get(0);
        assertThat(then.farads() - flat.farads()).isCloseTo(100e-12, within(1e-15));
    }

    /** What the bench tells of a switch's own pins: an open reset is not silently taken for a level. */
    @Test
    void theResetAndAddressPinsOfASwitchAreTold() {
        Workbench bench = Workbench.on("wifi-dual-38")
                .with("gate", "bus-switch-8")
                .edit(new PlanEdit.Disconnect(Target.of("gate:RESET")));
        Circuit circuit = bench.circuit();
        List<SwitchBench.Pin> pins = SwitchBench.of(
                        circuit, circuit.unit("gate").orElseThrow(), Set.of())
                .pins(circuit);
        assertThat(pins.get(0).reset()).isTrue();
        assertThat(pins.get(0).open()).isTrue();
        assertThat(pins.stream().filter(p -> !p.reset())).allMatch(p -> Boolean.FALSE.equals(p.high()));
    }

    /** The truth table of a 2-to-4 decoder, active low: its chosen output follows the clock on the enable. */
    @Test
    void aGateIsTriedByHand() {
        Circuit circuit = Workbench.on("wifi-dual-38")
                .bare("gate", "decoder-2to4", "clock-on-enable")
                .bare("up", Workbench.OLED, "2-wire")
                .wire("up:SCL", "gate:1Y0")
                .bare("down", Workbench.OLED, "2-wire")
                .wire("down:SCL", "gate:1Y2")
                .circuit();
        GateBench gate = GateBench.of(circuit).get(0);
        assertThat(gate.rows()).extracting(GateBench.Row::output).containsExactly("1Y0", "1Y1", "1Y2", "1Y3");
        assertThat(gate.rows().get(2).levels()).containsExactly(false, true);
        assertThat(gate.names("1Y2")).isEqualTo("the down");
        for (int value = 0; value < 4; value++) {
            for (String output : gate.gate().outputs()) {
                // L L L: of the function table, only the addressed output is low while the enable is low.
                assertThat(gate.level(output, value, false)).isEqualTo(!output.equals("1Y" + value));
                assertThat(gate.level(output, value, true)).isTrue();
            }
            assertThat(gate.move(0, value, true).quiet()).isTrue();
        }
        assertThat(gate.move(0, 2, false).rising()).containsExactly("1Y0");
        assertThat(gate.move(0, 2, false).falling()).containsExactly("1Y2");
    }

    @Test
    void halvesOfADecoderAreGatesOfTheirOwn() {
        Circuit circuit = Workbench.on("wifi-dual-38")
                .bare("gate", "decoder-2to4-both", "clock-on-enable")
                .circuit();
        assertThat(GateBench.of(circuit))
                .extracting(GateBench::title)
                .containsExactly("the gate, clock into 1E", "the gate, clock into 2E");
    }

    @Test
    void aSwitchTakesOneBitAChannel() {
        ReferenceTable.read("i2c-mux-select-values.csv").stream()
                .filter(r -> r.get("kind").equals("switch"))
                .forEach(row -> {
                    int channel = Integer.parseInt(row.get("channel"));
                    SwitchBench bench = new SwitchBench(null, Set.of(channel), List.of(), Map.of(), 0, 1);
                    assertThat(bench.value()).isEqualTo(Integer.decode(row.get("register_value_hex")));
                });
        assertThat(new SwitchBench(null, Set.of(0, 2), List.of(), Map.of(), 0, 1).value())
                .isEqualTo(5);
    }

    @Test
    void twoOpenChannelsBringTwinsTogether() {
        Workbench bench = Workbench.mcu()
                .with("gate", "bus-switch-4")
                .edit(new PlanEdit.PutBus(new Bus("i2c", BusKind.I2C, "I2C bus", "i2c0", 100_000)));
        for (int i = 0; i < 2; i++) {
            bench.bare("sign-" + i, Workbench.OLED, "2-wire")
                    .edit(new PlanEdit.SetPartBus("sign-" + i, "i2c"))
                    .wire("sign-" + i + ":VCC", "rail:5V")
                    .wire("sign-" + i + ":SDA", "gate:SD" + i)
                    .wire("sign-" + i + ":SCL", "gate:SC" + i);
        }
        Circuit circuit = bench.circuit();
        var unit = SwitchBench.switches(circuit).get(0);
        SwitchBench one = SwitchBench.of(circuit, unit, Set.of(1));
        SwitchBench both = SwitchBench.of(circuit, unit, Set.of(0, 1));
        assertThat(one.clashes()).isEmpty();
        assertThat(one.channels().get(1).units()).extracting(u -> u.id()).containsExactly("sign-1");
        assertThat(both.clashes()).containsOnlyKeys(0x3C);
        assertThat(both.sink()).isGreaterThan(one.sink());
        assertThat(both.value()).isEqualTo(3);
        List<Street> streets = Street.of(circuit);
        assertThat(streets).extracting(Street::label).contains("trunk");
        assertThat(streets).hasSize(3);
        assertThat(streets.get(1).at(0x70).guests()).extracting(u -> u.id()).containsExactly("gate");
    }

    @Test
    void oneRoundIsTheSumOfItsPictures() {
        Circuit circuit = Workbench.on("wifi-dual-38")
                .with("map", "colour-240x320-serial")
                .with("board", "colour-128x160-serial-shifted")
                .circuit();
        Turns turns = Turns.of(circuit).get(0);
        double sum = circuit.units().stream()
                .mapToDouble(u -> PictureTime.of(
                                circuit.board(),
                                u.part(),
                                u.variant(),
                                turns.bus().clockHz())
                        .orElseThrow()
                        .seconds())
                .sum();
        double pictures = turns.turns().stream()
                .filter(t -> !t.card())
                .mapToDouble(Turns.Turn::seconds)
                .sum();
        assertThat(pictures).isCloseTo(sum, within(1e-9));
        assertThat(turns.perSecond()).isCloseTo(1 / turns.seconds(), within(1e-9));
        assertThat(Turns.of(circuit, turns.bus(), turns.bus().clockHz() * 2.0).seconds())
                .isLessThan(turns.seconds());
        assertThat(turns.packedSeconds()).isLessThan(turns.seconds());
    }

    @Test
    void everyInterfaceIsComparedAndTheOneInUseIsMarked() {
        Circuit circuit = Workbench.mcu().with("sign", Workbench.OLED).circuit();
        SpeedCompare compare = SpeedCompare.of(circuit).get(0);
        assertThat(compare.ways().stream().filter(SpeedCompare.Way::now)).hasSize(1);
        assertThat(compare.ways()).extracting(w -> w.part().id()).contains("oled-128x64-page-serial", Workbench.OLED);
        for (int i = 1; i < compare.ways().size(); i++) {
            assertThat(compare.ways().get(i - 1).seconds())
                    .isLessThanOrEqualTo(compare.ways().get(i).seconds());
        }
    }

    @ParameterizedTest
    @CsvSource({
        "powers-of-two, 16000000, 2, 128, 8000000, 8000000",
        "powers-of-two, 16000000, 2, 128, 5000000, 4000000",
        "powers-of-two, 16000000, 2, 128, 10000000, 8000000",
        "powers-of-two, 16000000, 2, 128, 1000, 125000",
        "even, 125000000, 2, 65024, 40000000, 31250000",
        "whole, 80000000, 2, 8192, 30000000, 26666666.67"
    })
    void whatADividerMakesOfAClock(String steps, int base, int least, int most, double asked, double real) {
        assertThat(new Controller.Divider(base, steps, least, most, "test").hertz(asked))
                .isCloseTo(real, within(0.01));
    }

    @Test
    void serialPartsShareWhatTheyCan() {
        SerialTable table = SerialTable.of(Workbench.mcu()
                        .with("map", "colour-128x160-serial-shifted")
                        .with("thermo", "thermocouple-amplifier")
                        .circuit())
                .get(0);
        assertThat(table.rows()).hasSize(2);
        assertThat(table.rows().get(0).selects()).isNotEmpty();
        assertThat(table.realHz()).isNotNull();
        List<Integer> common = table.commonModes();
        table.rows().forEach(r -> assertThat(r.modes()).containsAll(common));
    }
}
