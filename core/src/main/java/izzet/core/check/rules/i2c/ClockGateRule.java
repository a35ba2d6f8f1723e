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
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

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
            Part.ClockGate gate = unit.part().clockGate();
            if (gate != null) {
                outputs(circuit, findings, unit, gate);
                inverted(circuit, findings, unit, gate);
            }
            if (unit.part().i2c() != null && unit.part().i2c().stretchesClock()) {
                stretching(circuit, findings, unit);
            }
        }
    }

    private void outputs(Circuit circuit, Findings findings, Unit unit, Part.ClockGate gate) {
        for (int output = 0; output < gate.outputs().size(); output++) {
            Target end = Target.line(unit.id(), gate.outputs().get(output));
            List<Wire> behind = circuit.netOf(end).map(Net::wires).orElse(List.of()).stream()
                    .filter(w -> !w.unit().id().equals(unit.id()))
                    .toList();
            if (behind.isEmpty()) {
                continue;
            }
            findings.looked(this);
            for (int bit = 0; bit < gate.selects().size(); bit++) {
                Target select = Target.line(unit.id(), gate.selects().get(bit));
                Optional<Double> tied = circuit.railVolts(select);
                boolean wanted = (output >> bit & 1) == 1;
                if (tied.isPresent() && tied.get() > 0 != wanted) {
                    unreachable(findings, circuit, end, select, tied.get() > 0, behind);
                    break;
                }
            }
        }
    }

    /** An output of the chip that is none of the gated clocks, with a part's clock on it. */
    private void inverted(Circuit circuit, Findings findings, Unit unit, Part.ClockGate gate) {
        for (Wire wire : circuit.wiresOf(unit)) {
            boolean clock = circuit.netOf(wire.from()).map(Net::wires).orElse(List.of()).stream()
                    .anyMatch(w -> w.role() == Role.I2C_SCL);
            if (wire.role() == Role.GATE_OUTPUT
                    && !gate.outputs().contains(wire.line().id())
                    && clock) {
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

    private void unreachable(
            Findings findings, Circuit circuit, Target end, Target select, boolean high, List<Wire> behind) {
        Wire line = circuit.wire(end).orElseThrow();
        String parts = behind.stream().map(w -> w.unit().name()).distinct().collect(Collectors.joining(" and "));
        findings.of(
                        this,
                        Severity.STOP,
                        "{line} can never be chosen while {select} is tied {level}: {parts} gets no clock.")
                .aspect("unreachable")
                .at(Place.of(line), Place.of(circuit.wire(select).orElseThrow()))
                .word("line", line.label())
                .word("select", select.name())
                .word("level", high ? "high" : "low")
                .word("parts", parts)
                .source(SOURCE)
                .remedy("Give " + select.name() + " a pin, or move the clock to an output that can be chosen.")
                .add();
    }

    private void stretching(Circuit circuit, Findings findings, Unit unit) {
        Bus bus = circuit.busOf(unit).orElse(null);
        if (bus == null || bus.kind() != BusKind.I2C) {
            return;
        }
        findings.looked(this);
        boolean gated = circuit.wire(unit, Role.I2C_SCL).flatMap(w -> circuit.netOf(w.from())).stream()
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
