package izzet.core.wiring;

import izzet.core.calc.PullUps;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.LampCurrents;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Something to measure, with what this plan makes of it.
 *
 * @param key stable while what is measured stays
 * @param where the two probes go
 * @param unit volts or ohms
 * @param least and {@code most} of what is right; {@code most} is infinite where it may be open
 * @param expected in words
 * @param ifLow what a smaller value means, {@code ifHigh} what a larger one means
 * @param source of the limits
 */
public record MeterCheck(
        String key,
        When when,
        String where,
        Unit unit,
        double least,
        double most,
        String expected,
        String ifLow,
        String ifHigh,
        String source) {

    /** Before or after power comes. */
    public enum When {
        BEFORE("Before power: everything unplugged"),
        WIRES("Each wire, end to end"),
        AFTER("After power, in this order");

        private final String title;

        When(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /**
     * What a measured value says.
     *
     * @param fine null where the value could not be judged
     */
    public record Verdict(boolean fine, String words) {}

    private static final double SHORT_OHMS = 100;
    private static final double WIRE_OHMS = 2;
    private static final double SHARE = 0.05;
    private static final double PULL_SHARE = 0.15;
    private static final String PRACTICE = "Common practice";

    /** In the order in which they are done. */
    public static List<MeterCheck> of(Circuit circuit) {
        List<MeterCheck> checks = new ArrayList<>();
        if (circuit.connections().isEmpty()) {
            return checks;
        }
        shorts(circuit, checks);
        pullUps(circuit, checks);
        lampDirections(circuit, checks);
        wires(circuit, checks);
        rails(circuit, checks);
        idleLevels(circuit, checks);
        contrast(circuit, checks);
        return List.copyOf(checks);
    }

    private static List<Rail> supplies(Circuit circuit) {
        Set<Rail> used = new LinkedHashSet<>();
        circuit.board().rails().stream()
                .filter(r -> !r.ground() && circuit.netOf(Target.rail(r.id())).isPresent())
                .forEach(used::add);
        return List.copyOf(used);
    }

    private static void shorts(Circuit circuit, List<MeterCheck> checks) {
        String ground = circuit.board().ground().label();
        for (Rail rail : supplies(circuit)) {
            checks.add(new MeterCheck(
                    "short:" + rail.id(),
                    When.BEFORE,
                    "the " + rail.label() + " row and " + ground,
                    Unit.OHM,
                    SHORT_OHMS,
                    Double.POSITIVE_INFINITY,
                    "no beep, more than " + Quantity.ohms(SHORT_OHMS),
                    "Less than it should be, and near nothing a short: a wire in the wrong row, or supply and ground of a module exchanged."
                            + " Do not power on. Unplug the modules one by one to see which it is.",
                    "",
                    PRACTICE));
        }
        List<Rail> all = supplies(circuit);
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                checks.add(new MeterCheck(
                        "short:" + all.get(i).id() + ":" + all.get(j).id(),
                        When.BEFORE,
                        "the " + all.get(i).label() + " row and the "
                                + all.get(j).label() + " row",
                        Unit.OHM,
                        SHORT_OHMS,
                        Double.POSITIVE_INFINITY,
                        "no beep, more than " + Quantity.ohms(SHORT_OHMS),
                        "Two supplies are joined: the higher one would feed the lower one. Do not power on.",
                        "",
                        PRACTICE));
            }
        }
    }

    /** A line of a 2-wire bus that a probe can reach: what lies behind a switch or shifter without power is not on it. */
    private record Line(JoinedNet joined, Net net) {
        static List<Line> of(Circuit circuit) {
            List<Line> lines = new ArrayList<>();
            Set<Net> seen = new LinkedHashSet<>();
            for (JoinedNet joined : circuit.joinedNets()) {
                joined.sides().stream()
                        .flatMap(List::stream)
                        .filter(seen::add)
                        .forEach(net -> lines.add(new Line(joined, net)));
            }
            return lines;
        }

        String key() {
            return joined.bus().id() + ":" + joined.signal().text() + ":" + at();
        }

        /** "SDA of I2C bus at pin A4". */
        String label() {
            return (joined.signal() == Role.I2C_SDA ? "SDA" : "SCL") + " of "
                    + joined.bus().name() + " at " + at();
        }

        private String at() {
            return net.pins().stream().findFirst().map(p -> "pin " + p.label()).orElseGet(() -> net.wires()
                    .get(0)
                    .label());
        }

        List<JoinedNet.Fitted> fitted(Circuit circuit) {
            return JoinedNet.fittedOn(circuit, List.of(net));
        }
    }

    /** Each line of a 2-wire bus against each supply that pulls it up. */
    private static void pullUps(Circuit circuit, List<MeterCheck> checks) {
        for (Line line : Line.of(circuit)) {
            for (Rail rail : supplies(circuit)) {
                List<PullUps.PullUp> to = line.fitted(circuit).stream()
                        .filter(f -> Math.abs(f.pullUp().volts() - rail.volts()) < 1e-6 && reaches(circuit, f, rail))
                        .map(JoinedNet.Fitted::pullUp)
                        .toList();
                if (to.isEmpty()) {
                    continue;
                }
                double ohms = new PullUps(to).parallelOhms();
                checks.add(new MeterCheck(
                        "pull:" + line.key() + ":" + rail.id(),
                        When.BEFORE,
                        line.label() + " and the " + rail.label() + " row",
                        Unit.OHM,
                        ohms * (1 - PULL_SHARE),
                        ohms * (1 + PULL_SHARE),
                        "about " + Quantity.ohms(Math.round(ohms)) + ", " + to.size()
                                + (to.size() == 1 ? " pull-up" : " pull-ups together"),
                        "More pull-ups than planned, or the probes find a way through a chip: exchange them and read again.",
                        "A pull-up is missing, or a wire of this bus makes no contact.",
                        PRACTICE + ": resistors within 15 % with the chips beside them unpowered"));
            }
        }
    }

    /** A module with a regulator of its own pulls up to that, which no probe at a row reaches. */
    private static boolean reaches(Circuit circuit, JoinedNet.Fitted fitted, Rail rail) {
        Target row = Target.rail(rail.id());
        if (fitted.resistor() != null) {
            return circuit.resistors().stream()
                    .filter(r -> r.id().equals(fitted.resistor()))
                    .anyMatch(r -> r.to().equals(row) || r.from().equals(row));
        }
        if (fitted.unit() == null) {
            return Math.abs(rail.volts() - fitted.pullUp().volts()) < 1e-6;
        }
        return circuit.unit(fitted.unit())
                .filter(u -> u.part().logicVolts() == null)
                .flatMap(u -> circuit.wire(u, Role.SUPPLY))
                .flatMap(w -> circuit.rail(w.from()))
                .filter(r -> r.id().equals(rail.id()))
                .isPresent();
    }

    private static void lampDirections(Circuit circuit, List<MeterCheck> checks) {
        for (LampCurrents.Lit lit : circuit.lamps()) {
            Wire anode = lit.lamp().anode();
            Wire cathode = lit.lamp().cathode();
            if (anode == null || cathode == null) {
                continue;
            }
            double drop = lit.lamp().data().forwardVolts();
            checks.add(new MeterCheck(
                    "lamp:" + lit.line().from(),
                    When.BEFORE,
                    "diode test, red probe on " + anode.label() + ", black on " + cathode.label(),
                    Unit.VOLT,
                    drop * 0.7,
                    drop * 1.2,
                    "about " + Quantity.volts(drop) + ", and it may glow",
                    "Something else lies across it: a wire in its row.",
                    "It is the other way round, or the meter's test voltage is too small for this colour.",
                    PRACTICE + "; forward voltage from the part's file"));
        }
    }

    private static void wires(Circuit circuit, List<MeterCheck> checks) {
        for (WiringList.Step step : WiringList.steps(circuit, WireColours.usual())) {
            if (step.kind() != WiringList.Kind.WIRE) {
                continue;
            }
            Connection c = circuit.connections().stream()
                    .filter(x -> (x.from() + ">" + x.to()).equals(step.key()))
                    .findFirst()
                    .orElseThrow();
            double ohms = c.seriesOhms() == null ? 0 : c.seriesOhms();
            checks.add(new MeterCheck(
                    "wire:" + step.key(),
                    When.WIRES,
                    step.from().words() + " and " + step.to().words(),
                    Unit.OHM,
                    ohms * (1 - SHARE),
                    ohms * (1 + SHARE) + WIRE_OHMS,
                    ohms == 0
                            ? "a beep, less than " + Quantity.ohms(WIRE_OHMS)
                            : Quantity.ohms(ohms) + ", its resistor",
                    "The resistor is missing or another one.",
                    ohms == 0
                            ? "No contact: the wire ends in another hole, or is broken."
                            : "No contact, or another resistor.",
                    PRACTICE));
        }
    }

    private static void rails(Circuit circuit, List<MeterCheck> checks) {
        String ground = circuit.board().ground().label();
        for (Rail rail : supplies(circuit)) {
            checks.add(new MeterCheck(
                    "rail:" + rail.id(),
                    When.AFTER,
                    "the " + rail.label() + " row and " + ground,
                    Unit.VOLT,
                    rail.volts() * (1 - SHARE),
                    rail.volts() * (1 + SHARE),
                    Quantity.volts(rail.volts()) + ", give or take 5 %",
                    "The supply is overloaded or not there. Unplug and look for anything warm.",
                    "A second, higher supply is on this row, or the meter stands on the wrong row.",
                    PRACTICE));
        }
        for (Wire wire : circuit.wires()) {
            wire.source()
                    .filter(r -> wire.net().isPresent())
                    .ifPresent(r -> checks.add(new MeterCheck(
                            "rail:" + wire.from(),
                            When.AFTER,
                            wire.label() + " and " + ground,
                            Unit.VOLT,
                            r.volts() * (1 - SHARE),
                            r.volts() * (1 + SHARE),
                            Quantity.volts(r.volts()) + ", give or take 5 %",
                            "It gives nothing: its own supply or enable is missing, or it is overloaded.",
                            "It does not regulate: its ground is missing.",
                            PRACTICE)));
        }
    }

    private static void idleLevels(Circuit circuit, List<MeterCheck> checks) {
        String ground = circuit.board().ground().label();
        for (Line line : Line.of(circuit)) {
            PullUps pulls = JoinedNet.pullUpsOn(circuit, List.of(line.net()));
            if (pulls.none()) {
                continue;
            }
            double idle = pulls.idleVolts();
            checks.add(new MeterCheck(
                    "idle:" + line.key(),
                    When.AFTER,
                    line.label() + " and " + ground + ", nothing sent",
                    Unit.VOLT,
                    idle * 0.9,
                    idle * (1 + SHARE),
                    Quantity.volts(idle) + ", where its pull-ups hold it",
                    "Something holds the line: a part without supply, data and clock exchanged, or no pull-up.",
                    "A pull-up leads to a higher supply: unplug, and look for the module that does it.",
                    "Thevenin's theorem on the pull-ups of this line"));
        }
        for (Wire wire : circuit.wires()) {
            if (wire.role() == Role.RESET) {
                circuit.rail(wire.from())
                        .filter(r -> !r.ground())
                        .ifPresent(r -> checks.add(new MeterCheck(
                                "reset:" + wire.from(),
                                When.AFTER,
                                wire.label() + " and " + ground,
                                Unit.VOLT,
                                r.volts() * 0.9,
                                r.volts() * (1 + SHARE),
                                Quantity.volts(r.volts()) + ": not in reset",
                                "It is held in reset or floats: a part like this starts blank.",
                                "It is on another supply.",
                                PRACTICE)));
            }
        }
    }

    private static void contrast(Circuit circuit, List<MeterCheck> checks) {
        String ground = circuit.board().ground().label();
        for (Contrast contrast : Contrast.of(circuit)) {
            double least = Math.max(0, contrast.turned() ? Contrast.READABLE_FROM : contrast.least() * 0.8 - 0.05);
            double most = contrast.turned() ? Contrast.READABLE_TO : contrast.most() * 1.2 + 0.05;
            checks.add(new MeterCheck(
                    "contrast:" + contrast.line().from(),
                    When.AFTER,
                    contrast.line().label() + " and " + ground,
                    Unit.VOLT,
                    least,
                    most,
                    contrast.turned()
                            ? "turned to between " + Quantity.volts(least) + " and " + Quantity.volts(most)
                            : "about " + Quantity.volts(contrast.least()),
                    "Every cell is black: turn the contrast the other way.",
                    "Nothing shows: turn the contrast towards ground. Blank glass is most often this.",
                    Contrast.SOURCE));
        }
    }

    /** What a measured value says; infinite for an open circuit. */
    public Verdict judge(double value) {
        if (Double.isNaN(value) || value < 0 && unit == Unit.OHM) {
            return new Verdict(false, "No value: the probes slipped. Measure again.");
        }
        if (value < least) {
            return new Verdict(false, ifLow);
        }
        if (value > most) {
            return new Verdict(false, ifHigh);
        }
        return new Verdict(true, "As planned.");
    }
}
