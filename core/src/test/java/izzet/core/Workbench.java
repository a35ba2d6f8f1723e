package izzet.core;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.List;
import java.util.Map;

/** Builds plans for tests in a few words. Holds the shipped catalogue and all rules. */
public final class Workbench {

    public static final Catalog CATALOG = CatalogReader.shipped();
    public static final Checker CHECKER = Checker.withAllRules();
    public static final Repairs REPAIRS = Repairs.withAllStrategies(CHECKER);

    public static final String MCU = "mcu-8bit-5v-14-6";
    public static final String SBC = "sbc-40-pin";
    public static final String OLED = "oled-128x64-page-2wire";

    private Plan plan;

    private Workbench(String board) {
        plan = Plan.empty("Thistlewick Junction", board);
    }

    public static Workbench on(String board) {
        return new Workbench(board);
    }

    /** The 8-bit 5 V board. */
    public static Workbench mcu() {
        return on(MCU);
    }

    /** The 40-pin single-board computer. */
    public static Workbench sbc() {
        return on(SBC);
    }

    /** The sentence of the only finding of a rule; fails when there is none or more. */
    public static String only(Workbench bench, String rule) {
        List<Finding> found = bench.findings(rule);
        assertThat(found).as(rule).hasSize(1);
        return found.get(0).sentence();
    }

    /** Adds a part and connects it as proposed. */
    public Workbench with(String id, String part) {
        return with(
                id, part, CATALOG.part(part).orElseThrow().interfaces().get(0).id());
    }

    public Workbench with(String id, String part, String interfaceId) {
        bare(id, part, interfaceId);
        return edit(Proposal.of(plan, CATALOG, id).edit());
    }

    /** Adds a part without connecting it. */
    public Workbench bare(String id, String part, String interfaceId) {
        return edit(new PlanEdit.AddPart(new PlacedPart(
                id, part, CATALOG.part(part).orElseThrow().version(), "the " + id, interfaceId, Map.of(), null, null)));
    }

    public Workbench edit(PlanEdit edit) {
        plan = edit.apply(plan);
        return this;
    }

    public Workbench wire(String from, String to) {
        return edit(new PlanEdit.Connect(Target.of(from), Target.of(to)));
    }

    public Workbench wire(String from, String to, Double ohms, String pull) {
        return edit(new PlanEdit.Connect(new Connection(Target.of(from), Target.of(to), ohms, pull)));
    }

    /** A part of the first bus hangs on a channel of a switch. */
    public Workbench behind(String part, String gate, int channel) {
        return edit(new PlanEdit.SetPartBus(part, plan.buses().get(0).id()))
                .wire(part + ":SDA", gate + ":SD" + channel)
                .wire(part + ":SCL", gate + ":SC" + channel);
    }

    public Workbench off(String from) {
        return edit(new PlanEdit.Disconnect(Target.of(from)));
    }

    public Plan plan() {
        return plan;
    }

    public Circuit circuit() {
        return new Circuit(plan, CATALOG);
    }

    public Report check() {
        return CHECKER.check(plan, CATALOG);
    }

    public List<Finding> findings(String rule) {
        return check().of(rule);
    }

    public List<Repair> repairs(String rule) {
        Report report = check();
        return REPAIRS.of(circuit(), report, report.of(rule).get(0));
    }
}
