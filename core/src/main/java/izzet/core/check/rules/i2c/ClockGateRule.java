package izzet.core.check.rules.i2c;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Gates;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Target;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * I6: parts and clocks that do not go together: a gated output that no select can choose, a part that holds the clock behind a gate that
 * passes one way, or on a controller that does not wait. Passes: outputs 0 and 1 with the lower select on a pin. Fails: output 2 with the
 * upper select tied low.
 */
public final class ClockGateRule implements Rule {

    private static final String SOURCE = "Common practice; function table of 74139 and 74138 decoders, from memory";

    @Override
    public String id() {
        return "I6";
    }

    @Override
    public String subject() {
        return "gated clocks reach their parts, and nobody holds them";
    }

    @Override
    public Trouble trouble() {
        return Trouble.CLOCK_GATE;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            for (Part.ClockGate gate : unit.part().clockGates()) {
                outputs(circuit, findings, unit, gate);
                inverted(circuit, findings, unit, gate);
            }
            if (unit.part().i2c() != null && unit.part().i2c().stretchesClock()) {
                stretching(circuit, findings, unit);
            }
        }
    }

    private void outputs(Circuit circuit, Findings findings, Unit unit, Part.ClockGate gate) {
        Map<Gates.Need, List<Wire>> blocked = new LinkedHashMap<>();
        for (String output : gate.outputs()) {
            Wire line = circuit.wire(Target.line(unit.id(), output)).orElseThrow();
            if (behind(circuit, line).isEmpty()) {
                continue;
            }
            findings.looked(this);
            Gates gates = circuit.gates();
            List<Gates.Need> needs = gates.needs(unit, output);
            // Of a control that is no select, rule P8 tells.
            Optional<Gates.Need> tied = needs.stream()
                    .filter(n -> n.control().role() == Role.GATE_SELECT && gates.contradicted(n))
                    .findFirst();
            if (tied.isPresent()) {
                blocked.computeIfAbsent(tied.get(), n -> new ArrayList<>()).add(line);
            } else {
                gates.atOdds(needs).ifPresent(pair -> atOdds(findings, circuit, line, pair));
            }
        }
        blocked.forEach((need, lines) -> unreachable(findings, circuit, need, lines));
    }

    /** Parts on an output, by their lines. */
    private static List<Wire> behind(Circuit circuit, Wire line) {
        return line.net().map(Net::wires).orElse(List.of()).stream()
                .filter(w -> !w.unit().id().equals(line.unit().id()))
                .toList();
    }

    /** An output of the chip that is none of the gated clocks, with a part's clock on it. */
    private void inverted(Circuit circuit, Findings findings, Unit unit, Part.ClockGate gate) {
        for (Wire wire : circuit.wiresOf(unit)) {
            boolean clock =
                    wire.net().map(Net::wires).orElse(List.of()).stream().anyMatch(w -> w.role() == Role.I2C_SCL);
            if (gate.inverted().contains(wire.line().id()) && clock) {
                findings.of(this, Severity.STOP, "{line} carries the clock upside down: use {outputs}.")
                        .aspect("inverted")
                        .at(Place.of(wire))
                        .word("line", wire.label())
                        .word("outputs", String.join(" or ", gate.outputs()))
                        .source(unit.part().source(gate.source()))
                        .remedy("Move the clock to " + String.join(" or ", gate.outputs()) + ".")
                        .add();
            }
        }
    }

    private void unreachable(Findings findings, Circuit circuit, Gates.Need need, List<Wire> lines) {
        String select = need.control().line().id();
        List<Place> places = new ArrayList<>(lines.stream().map(Place::of).toList());
        places.add(Place.of(need.control()));
        findings.of(
                        this,
                        Severity.STOP,
                        "{lines} can never be chosen while {select} is tied {level}: no clock comes to {parts}.")
                .aspect("unreachable")
                .at(places)
                .word("lines", lines.stream().map(Wire::label).collect(Listed.and()))
                .word("select", select)
                .word("level", need.high() ? "low" : "high")
                .word("parts", parts(circuit, lines))
                .source(SOURCE)
                .remedy("Give " + select + " a pin, or move the clock to an output that can be chosen.")
                .add();
    }

    private static String parts(Circuit circuit, List<Wire> lines) {
        return lines.stream()
                .flatMap(l -> behind(circuit, l).stream())
                .map(w -> w.unit().name())
                .distinct()
                .collect(Listed.and());
    }

    private void atOdds(Findings findings, Circuit circuit, Wire line, List<Gates.Need> pair) {
        String first = pair.get(0).control().line().id();
        String second = pair.get(1).control().line().id();
        findings.of(
                        this,
                        Severity.STOP,
                        "{line} can never be chosen: it wants {first} {high} and {second} {low}, and both hang together. "
                                + "No clock comes to {parts}.")
                .aspect("at-odds")
                .at(
                        Place.of(line),
                        Place.of(pair.get(0).control()),
                        Place.of(pair.get(1).control()))
                .word("line", line.label())
                .word("first", first)
                .word("high", pair.get(0).high() ? "high" : "low")
                .word("second", second)
                .word("low", pair.get(1).high() ? "high" : "low")
                .word("parts", parts(circuit, List.of(line)))
                .source(SOURCE)
                .remedy("Give " + second + " a pin of its own, or move the clock to an output that can be chosen.")
                .add();
    }

    private void stretching(Circuit circuit, Findings findings, Unit unit) {
        Bus bus = circuit.busOf(unit).orElse(null);
        if (bus == null || bus.kind() != BusKind.I2C) {
            return;
        }
        findings.looked(this);
        boolean gated = circuit.wire(unit, Role.I2C_SCL).flatMap(w -> w.net()).stream()
                .flatMap(n -> n.wires().stream())
                .anyMatch(w -> w.role() == Role.GATE_OUTPUT);
        if (gated) {
            holds(findings, unit, "the gate passes the clock one way", SOURCE, "gate");
        }
        Controller controller = bus.bitBanged()
                ? null
                : circuit.board().controller(bus.controller()).orElse(null);
        if (controller != null && Boolean.FALSE.equals(controller.waitsForClock())) {
            holds(
                    findings,
                    unit,
                    "the board's " + controller.name() + " does not wait",
                    circuit.board().source(controller.source()),
                    "controller");
        }
    }

    private void holds(Findings findings, Unit unit, String why, String source, String aspect) {
        findings.of(this, Severity.FIX, "{part} holds the clock low while it is busy, and {why}: bytes get lost.")
                .aspect(aspect)
                .at(Place.of(unit))
                .word("part", unit.name())
                .word("why", why)
                .source(source)
                .remedy("Put it on the ungated clock, on another controller, or on a bus made by the program.")
                .add();
    }
}
