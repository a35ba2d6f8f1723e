package izzet.app.pins;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class WeaveTest {

    private static final Catalog CATALOG = CatalogReader.shipped();
    private static final Checker CHECKER = Checker.withAllRules();

    private static Plan with(Plan plan, String id, String part, String variant) {
        Plan added = new PlanEdit.AddPart(new PlacedPart(id, part, 1, id, variant, Map.of(), null, null)).apply(plan);
        return Proposal.of(added, CATALOG, id).edit().apply(added);
    }

    private static Plan twins() {
        Plan plan = Plan.empty("Wick", "mcu-8bit-5v-14-6");
        plan = with(plan, "one", "oled-128x64-page-2wire", "2-wire");
        return with(plan, "two", "oled-128x64-page-2wire", "2-wire");
    }

    private static Weave weave(Plan plan) {
        Circuit circuit = new Circuit(plan, CATALOG);
        return Weave.of(circuit, CHECKER.check(circuit));
    }

    private static Weave.Row row(Weave weave, String line) {
        return weave.parts().stream()
                .flatMap(p -> p.listed().stream())
                .filter(r -> r.line().equals(line))
                .findFirst()
                .orElseThrow();
    }

    private static Weave.Column column(Weave weave, String target) {
        return weave.columns().stream()
                .filter(c -> c.target().equals(target))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aKnotSitsOnTheColumnOfItsPin() {
        Weave weave = weave(twins());
        assertThat(row(weave, "one:SDA").knotX())
                .isEqualTo(column(weave, "board:A4").x());
        assertThat(row(weave, "one:SDA").shape()).isEqualTo("ring");
        assertThat(row(weave, "one:VCC").shape()).isEqualTo("square");
        assertThat(row(weave, "one:GND").shape()).isEqualTo("bar");
    }

    @Test
    void clashingKnotsFrayAndOthersDoNot() {
        Weave weave = weave(twins());
        assertThat(weave.threads()).extracting(Weave.Thread::kind).contains("clash", "supply", "ground");
        assertThat(row(weave, "two:SCL").clash()).isTrue();
        assertThat(row(weave, "two:GND").clash()).isFalse();
        Plan apart = new PlanEdit.SetStrap("two", "address", "moved").apply(twins());
        assertThat(weave(apart).threads())
                .extracting(Weave.Thread::kind)
                .contains("i2c")
                .doesNotContain("clash");
    }

    /** Dots stand exactly where a move would be legal, and never on the knot itself. */
    @Test
    void dotsAreTheFreedomOfALine() {
        Plan plan = with(twins(), "lamp", "led", "dimmed");
        Weave weave = weave(plan);
        Weave.Row lamp = row(weave, "lamp:A");
        List<String> free = lamp.options().stream()
                .filter(o -> !o.chosen())
                .map(Weave.Option::target)
                .toList();
        assertThat(lamp.dots()).hasSameSizeAs(free).doesNotContain(lamp.knotX());
        for (String target : free.stream().filter(t -> t.startsWith("board:")).toList()) {
            Plan moved = new PlanEdit.Connect(Target.of("lamp:A"), Target.of(target)).apply(plan);
            assertThat(CHECKER.check(moved, CATALOG).findings())
                    .as(target)
                    .noneMatch(f -> f.rule().equals("P1") || f.rule().equals("P2"));
        }
        assertThat(row(weave, "one:SDA").dots()).isEmpty();
    }

    @Test
    void pinsWithADutyAreMarked() {
        Weave weave = weave(twins());
        assertThat(column(weave, "board:0").duty()).isEqualTo("console");
        assertThat(column(weave, "board:0").note()).contains("Serial console");
        assertThat(column(weave, "board:7").duty()).isEmpty();
        assertThat(column(weave(Plan.empty("Quay", "sbc-40-pin")), "board:GPIO0")
                        .duty())
                .isEqualTo("reserved");
    }

    @Test
    void everyNumberingStandsAtTheHead() {
        Weave weave = weave(Plan.empty("Quay", "sbc-40-pin"));
        Weave.Column sda = column(weave, "board:GPIO2");
        assertThat(sda.position()).isEqualTo("3");
        assertThat(sda.label()).isEqualTo("2");
        assertThat(sda.functions()).isEqualTo("SDA");
        assertThat(weave.heads()).extracting(Weave.Head::text).containsExactly("printed", "header pin", "chip GPIO");
    }

    /** The list can do what the picture cannot draw: a shifter's open lines are in it, and lines to hang on. */
    @Test
    void theListHasHelpersAndExtras() {
        Plan plan = with(with(twins(), "shifter", "level-shifter-4", "two-way"), "lamp", "led", "on-off");
        Weave weave = weave(plan);
        Weave.PartRows shifter = weave.parts().stream()
                .filter(p -> p.id().equals("shifter"))
                .findFirst()
                .orElseThrow();
        assertThat(shifter.rows()).extracting(Weave.Row::label).containsExactly("LV", "HV", "GND");
        assertThat(shifter.listed()).extracting(Weave.Row::label).contains("LV1", "HV4");
        assertThat(row(weave, "one:SDA").extras().helpers())
                .extracting(Weave.Option::label)
                .contains("shifter LV1", "shifter HV4");
        assertThat(row(weave, "lamp:A").extras().asksOhms()).isTrue();
        assertThat(row(weave, "lamp:A").insert()).isEqualTo("220 Ω");
    }

    @Test
    void aLineThroughASwitchIsDrawnAtItsPinAndSaysTheWay() {
        Plan plan = with(twins(), "switch", "bus-switch-8", "2-wire");
        plan = new PlanEdit.Connect(Target.of("two:SDA"), Target.of("switch:SD3")).apply(plan);
        Weave.Row sda = row(weave(plan), "two:SDA");
        assertThat(sda.via()).isEqualTo("switch SD3");
        assertThat(sda.where()).isEqualTo("pin A4");
        assertThat(sda.movable()).isFalse();
    }
}
