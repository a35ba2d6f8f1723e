package izzet.core.repair;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RepairsTest {

    private static Workbench twins(String board) {
        return Workbench.on(board).with("one", Workbench.OLED).with("two", Workbench.OLED);
    }

    /** The five ways out of two identical displays, each with its price. */
    @ParameterizedTest
    @ValueSource(strings = {Workbench.MCU, Workbench.SBC})
    void waysOutOfTwoIdenticalDisplays(String board) {
        List<Repair> repairs = twins(board).repairs("I1");
        for (String way : List.of("other-address", "bus-switch", "clock-gate", "second-bus", "serial-twin")) {
            assertThat(repairs).as(way).anyMatch(r -> r.id().contains("~" + way));
        }
        assertThat(repairs.get(0).id()).contains("other-address");
        assertThat(find(repairs, "bus-switch").price().buy()).anyMatch(b -> b.contains("bus switch"));
        assertThat(find(repairs, "clock-gate").price().pins()).isEqualTo(1);
        assertThat(find(repairs, "clock-gate").price().limits()).anyMatch(l -> l.contains("one-way"));
        assertThat(find(repairs, "second-bus").price().pins()).isEqualTo(2);
        assertThat(find(repairs, "serial-twin").price().pins()).isEqualTo(5);
    }

    private static Repair find(List<Repair> repairs, String way) {
        return repairs.stream()
                .filter(r -> r.id().contains("~" + way))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void threeTwinsFindRoomBehindAGateAndASwitch() {
        List<Repair> repairs =
                twins(Workbench.MCU).with("three", Workbench.OLED).repairs("I1");
        assertThat(find(repairs, "clock-gate").price().pins()).isEqualTo(2);
        assertThat(repairs).anyMatch(r -> r.id().contains("~bus-switch"));
    }

    /** Two addresses for three displays: one moves its strap, another gets a bus of its own, and nothing is bought. */
    @Test
    void threeTwinsArePartedInTwoStepsWithoutBuying() {
        Workbench three = twins(Workbench.MCU).with("three", Workbench.OLED);
        List<Repair> repairs = three.repairs("I1");
        Repair cheapest = repairs.get(0);
        assertThat(cheapest.title())
                .startsWith("Set the one to 0x3D")
                .contains(", and make a second bus in the program for the three");
        assertThat(cheapest.price().buy()).isEmpty();
        assertThat(cheapest.price().pins()).isEqualTo(2);
        assertThat(cheapest.price().code())
                .contains("address of the one: 0x3D")
                .anyMatch(c -> c.startsWith("a second bus object"));
        assertThat(repairs).filteredOn(r -> r.id().contains("-then-")).hasSizeBetween(1, 3);
        Plan mended = cheapest.edit().apply(three.plan());
        assertThat(Workbench.CHECKER.check(mended, Workbench.CATALOG).of("I1")).isEmpty();
        assertThat(Workbench.REPAIRS.find(three.circuit(), three.check(), cheapest.id()))
                .contains(cheapest);
    }

    @Test
    void theSerialTwinIsNotOfferedWithoutRoom() {
        Workbench full = twins(Workbench.MCU)
                .with("cabin", "character-16x2-direct", "8-bit")
                .with("map", "colour-128x160-serial-shifted", "panel-and-card");
        assertThat(full.repairs("I1")).noneMatch(r -> r.id().contains("serial-twin"));
    }

    /** Whatever is offered was tried: the finding goes, nothing new stops, and the plan gets better. */
    @Test
    void everyOfferHelps() {
        List<Workbench> benches = List.of(
                twins(Workbench.MCU),
                twins(Workbench.MCU).with("three", Workbench.OLED),
                twins(Workbench.SBC).with("cabin", "character-16x2-expander"),
                Workbench.on(Workbench.MCU)
                        .with("map", "colour-128x160-serial-3v3", "panel-and-card")
                        .with("lamp", "led")
                        .wire("lamp:A", "board:1"),
                Workbench.on(Workbench.MCU)
                        .bare("switch", "bus-switch-8", "2-wire")
                        .bare("gate", "decoder-2to4", "clock-on-enable"),
                Workbench.on(Workbench.SBC)
                        .with("left", "push-button")
                        .with("right", "push-button")
                        .wire("right:A", "board:GPIO0"));
        int tried = 0;
        for (Workbench bench : benches) {
            Report before = bench.check();
            for (Finding finding : before.findings()) {
                for (Repair repair : Workbench.REPAIRS.of(bench.circuit(), before, finding)) {
                    Plan after = repair.edit().apply(bench.plan());
                    Report outcome = Workbench.CHECKER.check(after, Workbench.CATALOG);
                    assertThat(outcome.finding(finding.id())).as(repair.id()).isEmpty();
                    assertThat(outcome.betterThan(before)).as(repair.id()).isTrue();
                    assertThat(outcome.count(Severity.STOP)).isEqualTo(repair.stopsLeft());
                    tried++;
                }
            }
        }
        assertThat(tried).isGreaterThan(25);
    }

    @Test
    void aRepairIsFoundByItsIdAsLongAsItHelps() {
        Workbench bench = twins(Workbench.MCU);
        Report report = bench.check();
        Repair first = bench.repairs("I1").get(0);
        assertThat(Workbench.REPAIRS.find(bench.circuit(), report, first.id())).contains(first);
        Plan mended = first.edit().apply(bench.plan());
        Circuit circuit = new Circuit(mended, Workbench.CATALOG);
        assertThat(Workbench.REPAIRS.find(circuit, Workbench.CHECKER.check(circuit), first.id()))
                .isEmpty();
    }

    /** The nearest to what was wished comes first: 10 MHz before 100 kHz. */
    @Test
    void theFastestClockThatHelpsComesFirst() {
        Workbench bench = Workbench.on("mcu-dual-40")
                .with("map", "colour-240x320-serial")
                .edit(new PlanEdit.PutBus(new Bus("spi", BusKind.SPI, "SPI bus", "spi0", 62_000_000)));
        List<String> clocks = bench.repairs("S3").stream()
                .map(Repair::title)
                .filter(t -> t.startsWith("Run SPI bus at"))
                .toList();
        assertThat(clocks)
                .startsWith("Run SPI bus at 10 MHz", "Run SPI bus at 4 MHz")
                .hasSizeGreaterThan(3);
    }

    @Test
    void fiveVoltExpanderOnTheComputerGetsAShifter() {
        Workbench bench = Workbench.on(Workbench.SBC).with("cabin", "character-16x2-expander");
        Repair shifter = find(bench.repairs("L2"), "level-shifter");
        assertThat(bench.edit(shifter.edit()).check().count(Severity.STOP)).isZero();
    }
}
