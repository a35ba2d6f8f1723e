package izzet.core.repair.strategies;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Gives a pin to a line that must move and is tied to a rail, or that hangs on a shifter which leads nowhere; a bus line goes to the pin of
 * its bus.
 */
public final class GiveAPin implements RepairStrategy {

    private static final int MOST_PER_LINE = 2;

    @Override
    public String name() {
        return "give-a-pin";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.OPEN_LINE, Trouble.CLOCK_GATE);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        for (Wire wire : Spots.wires(circuit, finding)) {
            boolean tied = circuit.rail(wire.from()).isPresent() && !wire.role().power();
            boolean moves = finding.trouble() == Trouble.OPEN_LINE || wire.role() == Role.GATE_SELECT;
            if (tied && moves) {
                pins(circuit, wire).forEach(p -> found.add(candidate(wire, p, " from its rail")));
            }
            nearSides(circuit, wire)
                    .forEach(near -> pins(circuit, near).forEach(p -> found.add(candidate(near, p, ""))));
        }
        return found;
    }

    /** Of shifters that the line hangs on, the sides towards the board that lead nowhere. */
    private static List<Wire> nearSides(Circuit circuit, Wire wire) {
        return wire.net().stream()
                .flatMap(n -> n.wires().stream())
                .filter(w -> w.role() == Role.SHIFT)
                .flatMap(w -> w.unit().part().shifts().stream()
                        .filter(s -> s.low().equals(w.line().id())
                                || s.high().equals(w.line().id()))
                        .map(s -> s.low().equals(w.line().id()) ? s.high() : s.low())
                        .flatMap(other -> circuit.wire(Target.line(w.unit().id(), other)).stream()))
                .filter(w -> w.net().isEmpty())
                .toList();
    }

    private static Stream<Pin> pins(Circuit circuit, Wire wire) {
        boolean bus = circuit.need(wire).role().bus();
        return LegalPins.of(circuit, wire).stream()
                .filter(p -> (circuit.usersOf(p).isEmpty() || bus) && !BootLevel.kills(circuit, wire, p))
                .sorted(Comparator.comparingInt(p -> bus
                        ? circuit.usersOf(p).isEmpty() ? 1 : 0
                        : p.functions().size() + 10 * p.duties().size()))
                .limit(MOST_PER_LINE);
    }

    private static Candidate candidate(Wire wire, Pin pin, String from) {
        return Candidate.coded(
                wire.unit().id() + "-" + wire.line().id() + "-" + pin.id(),
                (from.isEmpty() ? "Connect " : "Move ") + wire.label() + from + " to pin " + pin.label(),
                new PlanEdit.Connect(Connection.wire(wire.from(), Target.pin(pin.id()))),
                "pin of " + wire.label() + ": " + pin.label());
    }
}
