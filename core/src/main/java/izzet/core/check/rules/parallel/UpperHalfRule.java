package izzet.core.check.rules.parallel;

import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Target;
import java.util.List;
import java.util.stream.Collectors;

/**
 * W3: with half of its data lines a display takes the upper ones. Passes: a character display in 4-bit mode on D4 to D7. Fails: one on D0
 * to D3.
 */
public final class UpperHalfRule implements Rule {

    private static final String SOURCE =
            "Character display controller data sheet (HD44780U), interfacing: in 4-bit operation only DB4 to DB7 are used; from memory";

    @Override
    public String id() {
        return "W3";
    }

    @Override
    public String subject() {
        return "half the data lines are the upper ones";
    }

    @Override
    public Trouble trouble() {
        return Trouble.WRONG_HALF;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            if (unit.variant().bits() == null || unit.part().interfaces().size() < 2) {
                continue;
            }
            findings.looked(this);
            List<Wire> open = open(circuit, unit);
            List<Connection> beside = open.isEmpty() ? List.of() : beside(circuit, unit);
            if (open.isEmpty() || beside.isEmpty()) {
                continue;
            }
            findings.of(
                            this,
                            Severity.STOP,
                            "{part} listens on {right} in this interface, where nothing is wired; {wrong} {are}, which it does not hear.")
                    .at(Place.of(unit))
                    .word("part", unit.name())
                    .word("right", open.stream().map(w -> w.line().id()).collect(Collectors.joining(", ")))
                    .word(
                            "wrong",
                            beside.stream().map(c -> line(unit, c).name()).collect(Collectors.joining(", ")))
                    .word("are", beside.size() == 1 ? "is" : "are")
                    .figure("data lines of the interface that are open", open.size())
                    .figure("data lines wired that it has not", beside.size())
                    .source(SOURCE)
                    .remedy("Move the wires to the upper lines, or choose the interface with all data lines.")
                    .add();
        }
    }

    /** Data lines that the interface needs and nothing is on. */
    public static List<Wire> open(Circuit circuit, Unit unit) {
        return circuit.wiresOf(unit).stream()
                .filter(w ->
                        w.role() == Role.DATA && w.line().required() && w.net().isEmpty())
                .toList();
    }

    /** Wires at data lines that the part has in another interface only, in the order of its lines; those that tie one to a supply are right. */
    public static List<Connection> beside(Circuit circuit, Unit unit) {
        String variant = unit.variant().id();
        return unit.part().lines().stream()
                .filter(l -> l.role() == Role.DATA && !l.in(variant))
                .map(PartLine::id)
                .map(id -> Target.line(unit.id(), id))
                .flatMap(end -> circuit.plan().connections().stream()
                        .filter(c -> c.from().equals(end) || c.to().equals(end))
                        .filter(c -> circuit.rail(far(unit, c)).isEmpty())
                        .limit(1))
                .toList();
    }

    /** Whether a line is open for this reason alone, so that it is not told twice. */
    public static boolean concerns(Circuit circuit, Wire wire) {
        return wire.role() == Role.DATA
                && !beside(circuit, wire.unit()).isEmpty()
                && open(circuit, wire.unit()).contains(wire);
    }

    /** The end of such a wire that is a line of the part. */
    public static Target line(Unit unit, Connection wire) {
        return wire.from().owner().equals(unit.id()) ? wire.from() : wire.to();
    }

    /** Its other end. */
    public static Target far(Unit unit, Connection wire) {
        return wire.from().owner().equals(unit.id()) ? wire.to() : wire.from();
    }
}
