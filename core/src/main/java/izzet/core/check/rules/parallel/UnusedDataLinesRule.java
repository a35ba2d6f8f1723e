package izzet.core.check.rules.parallel;

import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * W2: data lines that an interface leaves unused are tied to another rail than the part asks for. Open ones are rule P7's. Passes: a
 * 16-line panel with 8 lines in use and the other eight grounded. Fails: those eight at the supply.
 */
public final class UnusedDataLinesRule implements Rule {

    @Override
    public String id() {
        return "W2";
    }

    @Override
    public String subject() {
        return "unused data lines tied as the part asks";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            List<Wire> tied = circuit.wiresOf(unit).stream()
                    .filter(w -> w.role() == Role.DATA
                            && unit.variant().rests().containsKey(w.line().id()))
                    .filter(w -> level(circuit, w).isPresent())
                    .toList();
            tied.forEach(w -> findings.looked(this));
            List<Wire> wrong = tied.stream()
                    .filter(w -> (w.rest() == Rest.SUPPLY) != (level(circuit, w).orElseThrow() > 0))
                    .toList();
            if (!wrong.isEmpty()) {
                report(circuit, findings, unit, wrong);
            }
        }
    }

    private void report(Circuit circuit, Findings findings, Unit unit, List<Wire> wrong) {
        Wire first = wrong.get(0);
        findings.of(
                        this,
                        Severity.ADVISE,
                        "{lines} of {part}, unused here, should be at {rest}; at rest {volts} stand there.")
                .at(Place.of(first))
                .with(wrong.stream().skip(1).map(Place::of).toList())
                .word("lines", wrong.stream().map(w -> w.line().id()).collect(Collectors.joining(", ")))
                .word("part", unit.name())
                .word("volts", Quantity.volts(level(circuit, first).orElseThrow()))
                .word("rest", first.rest().text())
                .figure("lines tied otherwise", wrong.size())
                .figure("level to rest at", first.rest().text())
                .source(
                        unit.part().glass() == null
                                ? null
                                : unit.part().source(unit.part().glass().source()))
                .remedy("Tie " + (wrong.size() == 1 ? "it" : "them") + " to "
                        + first.rest().text() + ".")
                .add();
    }

    /** What rails or resistors hold a line at; empty for one that nothing holds, or that a pin drives. */
    private static Optional<Double> level(Circuit circuit, Wire wire) {
        DcModel dc = circuit.dc();
        int node = wire.node();
        Optional<Double> held = dc.held(node);
        if (held.isPresent() || wire.net().filter(n -> n.pins().isEmpty()).isEmpty()) {
            return held;
        }
        return dc.pieceAt(node)
                .map(piece -> dc.at(piece, new DcModel.State()))
                .filter(point -> point.holds(node))
                .map(point -> point.volts(node));
    }
}
