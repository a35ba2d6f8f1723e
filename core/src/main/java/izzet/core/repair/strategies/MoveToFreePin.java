package izzet.core.repair.strategies;

import izzet.core.catalog.Pin;
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
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Moves a line to a free pin that can serve it; of several lines the last first, of three and more on one place all but one. */
public final class MoveToFreePin implements RepairStrategy {

    private static final int MOST_PER_LINE = 2;

    @Override
    public String name() {
        return "move";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(
                Trouble.SHARED_PIN,
                Trouble.PIN_FUNCTION,
                Trouble.RESERVED_PIN,
                Trouble.BOOT_LEVEL,
                Trouble.SIDE_EFFECT,
                Trouble.SHARED_SELECT);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Wire> wires = new ArrayList<>(Spots.wires(circuit, finding));
        java.util.Collections.reverse(wires);
        List<Candidate> found = new ArrayList<>();
        for (Wire wire : wires) {
            pins(circuit, wire).limit(MOST_PER_LINE).forEach(p -> found.add(candidate(wire, p)));
        }
        if (wires.size() > 2
                && (finding.trouble() == Trouble.SHARED_PIN || finding.trouble() == Trouble.SHARED_SELECT)) {
            apart(circuit, wires).ifPresent(found::add);
        }
        return found;
    }

    private static Stream<Pin> pins(Circuit circuit, Wire wire) {
        return LegalPins.of(circuit, wire).stream()
                .filter(p -> circuit.usersOf(p).isEmpty() || ofItsBus(circuit, wire, p))
                .filter(p -> !BootLevel.kills(circuit, wire, p))
                .sorted(Comparator.comparingInt(
                        p -> p.functions().size() + 10 * p.duties().size()));
    }

    /** Whether nothing but the same line of the same bus is on a pin. */
    private static boolean ofItsBus(Circuit circuit, Wire wire, Pin pin) {
        String bus = wire.unit().placed().bus();
        return wire.role().bus()
                && bus != null
                && circuit.usersOf(pin).stream()
                        .allMatch(w -> w.role() == wire.role()
                                && bus.equals(w.unit().placed().bus()));
    }

    /** All but the last of the list, each to a pin of its own; empty when there are not enough. */
    private static Optional<Candidate> apart(Circuit circuit, List<Wire> wires) {
        List<PlanEdit> edits = new ArrayList<>();
        List<String> moves = new ArrayList<>();
        Set<Pin> taken = new HashSet<>();
        for (Wire wire : wires.subList(0, wires.size() - 1)) {
            Optional<Pin> pin = pins(circuit, wire).filter(taken::add).findFirst();
            if (pin.isEmpty()) {
                return Optional.empty();
            }
            edits.add(new PlanEdit.Connect(moved(wire, pin.get())));
            moves.add(wire.label() + " to pin " + pin.get().label());
        }
        String title = "Move " + String.join(", ", moves);
        return Optional.of(Candidate.plain("apart", title, Spots.all(title, edits)));
    }

    private static Connection moved(Wire wire, Pin pin) {
        Connection old = wire.connection();
        return new Connection(
                wire.from(),
                Target.pin(pin.id()),
                old == null ? null : old.seriesOhms(),
                old == null ? null : old.pull());
    }

    private static Candidate candidate(Wire wire, Pin pin) {
        String title = "Move " + wire.label() + " to pin " + pin.label();
        return Candidate.coded(
                wire.unit().id() + "-" + wire.line().id() + "-" + pin.id(),
                title,
                new PlanEdit.Connect(moved(wire, pin)),
                "pin of " + wire.label() + ": " + pin.label());
    }
}
