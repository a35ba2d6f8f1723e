package izzet.core.buses;

import static izzet.core.Workbench.CATALOG;
import static izzet.core.Workbench.only;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.bench.Rewired;
import izzet.core.code.BringUp;
import izzet.core.code.Op;
import izzet.core.code.ReadBack;
import izzet.core.edit.BusEdits;
import izzet.core.plan.Bus;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.record.CaptureCard;
import izzet.core.record.Instrument;
import izzet.core.repair.Repair;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A display and its touch controller share a serial bus; the program speaks to each at its own clock. */
class OwnClockTest {

    /** A cabin display that takes 20 MHz, its touch that takes 2.5 MHz, and a bus at 10 MHz. */
    private static Workbench cabin() {
        Workbench bench = Workbench.on("wifi-dual-38")
                .with("cabin", "colour-320x480-serial")
                .with("touch", "touch-resistive-serial");
        return bench.edit(BusEdits.clock(bench.plan(), bus(bench), 10_000_000));
    }

    private static String bus(Workbench bench) {
        return bench.plan().part("touch").orElseThrow().bus();
    }

    private static Workbench slow(Workbench bench, int hertz) {
        return bench.edit(BusEdits.ownClock(bench.plan(), "touch", hertz));
    }

    @Test
    void theFirstRepairSlowsOneDownAndLeavesTheOthers() {
        Workbench bench = cabin();
        assertThat(only(bench, "S3")).contains("the touch takes 2.5 MHz at most");
        Repair first = bench.repairs("S3").get(0);
        assertThat(first.title()).isEqualTo("Speak to the touch at 2.5 MHz, to the others as before");
        assertThat(first.price().limits()).containsExactly("What goes to the touch takes longer.");
        bench.edit(first.edit());
        assertThat(bench.findings("S3")).isEmpty();
        assertThat(bench.plan().bus(bus(bench)).orElseThrow().clockHz()).isEqualTo(10_000_000);
    }

    @Test
    void aloneOnItsBusTheBusRunsSlower() {
        Workbench bench = Workbench.on("wifi-dual-38").with("touch", "touch-resistive-serial");
        bench.edit(BusEdits.clock(bench.plan(), bus(bench), 10_000_000));
        assertThat(bench.repairs("S3")).isNotEmpty().allMatch(r -> r.title().startsWith("Run "));
    }

    @Test
    void aClockOfItsOwnCanBeTooFastAsWell() {
        Workbench bench = slow(cabin(), 4_000_000);
        assertThat(only(bench, "S3"))
                .startsWith("the touch is spoken to at 4 MHz on")
                .endsWith("it takes 2.5 MHz at most.");
        assertThat(bench.repairs("S3"))
                .extracting(Repair::title)
                .contains("Speak to the touch at 2.5 MHz, to the others as before")
                .noneMatch(t -> t.startsWith("Run "));
    }

    @Test
    void theFastestTransferJudgesWiresAndController() {
        Workbench bench = cabin();
        bench.edit(BusEdits.clock(bench.plan(), bus(bench), 1_000_000));
        bench.edit(new PlanEdit.SetWire(100.0, null));
        assertThat(bench.findings("S8")).isEmpty();
        bench.edit(new PlanEdit.SetPartClock("cabin", 20_000_000));
        assertThat(only(bench, "S8")).contains("runs at 20 MHz over 100 cm");
        bench.edit(new PlanEdit.SetPartClock("cabin", 100_000_000));
        assertThat(bench.findings("S3"))
                .anyMatch(f ->
                        f.sentence().contains("the board's") && f.sentence().contains("100 MHz"));
    }

    @Test
    void aSlowerClockMakesPicturesSlower() {
        Workbench bench = cabin();
        double before = seconds(bench);
        bench.edit(new PlanEdit.SetPartClock("cabin", 5_000_000));
        assertThat(seconds(bench)).isEqualTo(2 * before);
        // What the bus could do is no matter of a part that does not run at its clock.
        Turns turns = Turns.of(bench.circuit()).get(0);
        assertThat(Turns.of(bench.circuit(), turns.bus(), 20_000_000).seconds()).isEqualTo(turns.seconds());
        SerialTable.Row row = SerialTable.of(bench.circuit()).get(0).rows().get(0);
        assertThat(row.clockHz()).isEqualTo(5_000_000);
        assertThat(row.own()).isTrue();
    }

    private static double seconds(Workbench bench) {
        return Turns.of(bench.circuit()).get(0).turns().get(0).seconds();
    }

    @Test
    void programsSetTheClockBeforeTheirTransfers() {
        Workbench bench = cabin();
        bench.edit(new PlanEdit.SetPartClock("cabin", 5_000_000));
        assertThat(BringUp.of(bench.circuit()).ops())
                .filteredOn(Op.Begin.class::isInstance)
                .extracting(o -> ((Op.Begin) o).hertz())
                .containsExactly(5_000_000);
        assertThat(BringUp.of(bench.circuit()).constants())
                .filteredOn(c -> c.name().endsWith("_KHZ"))
                .extracting(c -> c.name() + " " + c.text())
                .containsExactly("THE_CABIN_KHZ 5000");
        bench.edit(BusEdits.clock(bench.plan(), bus(bench), 1_000_000));
        List<String> five = lost(bench);
        bench.edit(new PlanEdit.SetPartClock("cabin", null));
        assertThat(lost(bench)).as("less is lost with all at 1 MHz").hasSizeLessThan(five.size());
    }

    private static List<String> lost(Workbench bench) {
        return CaptureCard.of(bench.circuit(), Instrument.SMALL).get(0).lost();
    }

    @Test
    void itIsKeptWithThePlanAndTakenBack() {
        Workbench bench = slow(cabin(), 2_000_000);
        PlanDocument documents = new PlanDocument();
        Plan read = documents.read(documents.write(bench.plan()), CATALOG);
        assertThat(read.part("touch").orElseThrow().clockHz()).isEqualTo(2_000_000);
        assertThat(slow(bench, 10_000_000).plan().part("touch").orElseThrow().clockHz())
                .as("the clock of the bus is no clock of its own")
                .isNull();
    }

    /** Who takes another version of a part, or sees a wrong strap at the bench, has the clock of before. */
    @Test
    void otherChangesOfThePartLeaveIt() {
        PlacedPart touch = slow(cabin(), 2_000_000).plan().part("touch").orElseThrow();
        assertThat(List.of(
                        touch.withPart(touch.part(), 9, touch.interfaceId(), Map.of()),
                        touch.withStrap("any", "left"),
                        touch.withName("other"),
                        touch.withInterface("other"),
                        touch.withBus("other")))
                .extracting(PlacedPart::clockHz)
                .containsOnly(2_000_000);
        Plan strapped = Rewired.strapped(slow(cabin(), 2_000_000).plan(), "touch,any,left");
        assertThat(strapped.part("touch").orElseThrow()).isEqualTo(touch.withStrap("any", "left"));
    }

    /** Names of parts with the words of pins in them mislead nobody who reads the constants back. */
    @Test
    void theConstantIsNotReadBackAsAPin() {
        Workbench bench = slow(cabin(), 2_000_000);
        String constants =
                "const int LED_SELECT_KHZ = 2000;\nconst int THE_CABIN_ROWS = 480;\nconst int ROWS_HERTZ = 5;";
        assertThat(ReadBack.of(bench.circuit(), constants)).singleElement().satisfies(row -> assertThat(row.verdict())
                .isEqualTo(ReadBack.Verdict.AGREES));
    }

    @Test
    void onlyASerialBusKnowsIt() {
        Workbench bench = Workbench.on("wifi-dual-38").with("sign", Workbench.OLED);
        assertThatThrownBy(() -> BusEdits.ownClock(bench.plan(), "sign", 100_000))
                .isInstanceOf(PlanEdit.EditRefused.class)
                .hasMessageContaining("the sign is on no serial bus");
        bench.edit(new PlanEdit.SetPartClock("sign", 1_000_000));
        Bus bus = bench.plan().buses().get(0);
        assertThat(List.of(
                        bench.circuit().clockOf(bench.circuit().unit("sign").orElseThrow(), bus),
                        bench.circuit().fastestOn(bus)))
                .containsOnly(bus.clockHz());
    }
}
