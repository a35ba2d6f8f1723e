package izzet.core.check.rules.pins;

import izzet.core.catalog.Direction;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.check.rules.parallel.UpperHalfRule;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.List;
import java.util.stream.Collectors;

/**
 * P6: a part's required lines are not connected, or hang on a helper that leads nowhere. Lines that only have to be tied off are rule P7's. */
public final class UnconnectedRule implements Rule {

    @Override
    public String id() {
        return "P6";
    }

    @Override
    public String subject() {
        return "every required line is connected";
    }

    @Override
    public Trouble trouble() {
        return Trouble.OPEN_LINE;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            List<Wire> open = circuit.wiresOf(unit).stream()
                    .filter(w -> required(w) && w.net().isEmpty())
                    .filter(w -> !FloatingInputRule.concerns(w) && !UpperHalfRule.concerns(circuit, w))
                    .toList();
            findings.looked(this);
            for (Wire wire : circuit.wiresOf(unit)) {
                if (endsNowhere(circuit, wire)) {
                    deadEnd(findings, circuit, wire);
                }
                if (neverMoves(circuit, wire)) {
                    tied(findings, circuit, wire);
                }
            }
            halfLamps(circuit, findings, unit);
            if (!open.isEmpty()) {
                findings.of(this, Severity.STOP, "{part} cannot work: {lines} not connected.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word(
                                "lines",
                                open.stream().map(w -> w.line().id()).collect(Collectors.joining(", "))
                                        + (open.size() == 1 ? " is" : " are"))
                        .figure("lines open", open.size())
                        .figure(
                                "lines required",
                                circuit.wiresOf(unit).stream()
                                        .filter(UnconnectedRule::required)
                                        .count())
                        .remedy("Connect " + (open.size() == 1 ? "it" : "them") + ", by hand or as proposed.")
                        .add();
            }
        }
    }

    /** An end of a dial is needed where the interface ties it. */
    private static boolean required(Wire wire) {
        return wire.line().required() || wire.role() == Role.TERMINAL && wire.rest() != null;
    }

    /**
     * A line that somebody must drive or read, joined to others of which none leads to a pin of the board. Buttons, dials and lamps may
     * work on other parts alone.
     */
    private static boolean endsNowhere(Circuit circuit, Wire wire) {
        Net net = wire.net().orElse(null);
        return net != null
                && LegalPins.wantsPin(wire)
                && wire.role() != Role.SHIFT
                && wire.line().direction() != Direction.PASSIVE
                && net.rails().isEmpty()
                && net.wires().size() > 1
                && circuit.reach(wire.from()).isEmpty()
                && net.wires().stream().noneMatch(w -> w != wire && w.line().direction() == Direction.PASSIVE)
                && !(wire.line().direction() == Direction.IN
                        && net.wires().stream()
                                .anyMatch(w -> w.role() != Role.SHIFT
                                        && w.role() != Role.GATE_OUTPUT
                                        && !w.role().instead()
                                        && w.line().direction() == Direction.OUT));
    }

    /** A bus line or strobe on a supply: it never moves. */
    private static boolean neverMoves(Circuit circuit, Wire wire) {
        boolean moves = wire.role().bus()
                || wire.role() == Role.ENABLE
                || wire.role() == Role.GATE_CLOCK
                || wire.role() == Role.DATA_COMMAND
                || wire.role() == Role.DATA && wire.rest() == null;
        return moves && wire.net().filter(n -> !n.rails().isEmpty()).isPresent();
    }

    private void tied(Findings findings, Circuit circuit, Wire wire) {
        String rail = wire.net().flatMap(Net::rail).orElseThrow().label();
        findings.of(this, Severity.STOP, "{line} is tied to {rail}: it must move with what is sent, and never does.")
                .aspect("tied")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("rail", rail)
                .remedy("Connect it to a pin.")
                .add();
    }

    /** A lamp of which one lead is connected and the other leads nowhere. */
    private void halfLamps(Circuit circuit, Findings findings, Unit unit) {
        Wire back = circuit.wire(unit, Role.RETURN).orElse(null);
        for (Wire lamp : circuit.wiresOf(unit)) {
            boolean half = lamp.line().lamp() != null
                    && back != null
                    && !back.line().required()
                    && !lamp.line().required()
                    && lamp.net().isPresent() != back.net().isPresent();
            if (half) {
                Wire open = lamp.net().isPresent() ? back : lamp;
                findings.of(this, Severity.FIX, "{line} leads nowhere, so the lamp stays dark.")
                        .aspect("half")
                        .at(Place.of(open))
                        .word("line", open.label())
                        .remedy("Connect it, or take the other lead off.")
                        .add();
            }
        }
    }

    private void deadEnd(Findings findings, Circuit circuit, Wire wire) {
        String helper = wire.net().orElseThrow().wires().stream()
                .filter(w -> w != wire)
                .min(java.util.Comparator.comparing(w -> !w.role().downstream()))
                .map(Wire::label)
                .orElse("");
        findings.of(this, Severity.STOP, "{line} hangs on {helper}, which leads to no pin of the board.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("helper", helper)
                .remedy("Connect the board's side of " + helper + " to a pin, or the line straight to one.")
                .add();
    }
}
