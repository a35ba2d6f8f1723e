package izzet.core.check.rules.spi;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Pin;
import izzet.core.catalog.ResetPull;
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
import izzet.core.quantity.Listed;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * S1: a serial part's select is shared with another's, always on beside others, or on a pin that selects it while the board starts.
 * Passes: two panels, each with a select pin that rests high. Fails: both selects on pin 10.
 */
public final class SelectRule implements Rule {

    @Override
    public String id() {
        return "S1";
    }

    @Override
    public String subject() {
        return "one select for each serial part";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SHARED_SELECT;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        circuit.units().forEach(unit -> alwaysOn(circuit, findings, unit));
        Set<Wire> seen = new HashSet<>();
        for (Wire wire : circuit.wires()) {
            Optional<Net> net = wire.net();
            if (wire.role() != Role.SELECT || net.isEmpty()) {
                continue;
            }
            findings.looked(this);
            List<Wire> sharing = Stream.concat(
                            net.get().wires().stream(),
                            circuit.pinsUnder(wire).stream().flatMap(p -> circuit.linesOn(p).stream()))
                    .filter(w -> w.role() == Role.SELECT)
                    .distinct()
                    .toList();
            if (sharing.size() > 1 && !seen.contains(wire)) {
                seen.addAll(sharing);
                findings.of(this, Severity.STOP, "{lines} share one select: both parts take every transfer at once.")
                        .at(sharing.stream().map(Place::of).toList())
                        .word("lines", sharing.stream().map(Wire::label).collect(Listed.and()))
                        .remedy("Give each part a select pin of its own.")
                        .add();
            } else if (sharing.size() == 1) {
                alone(circuit, findings, wire, net.get());
            }
        }
    }

    /** A part without a select line takes every transfer on its bus. */
    private void alwaysOn(Circuit circuit, Findings findings, Unit unit) {
        if (unit.part().spi() == null
                || !unit.part().spi().listensAlways()
                || unit.placed().bus() == null) {
            return;
        }
        findings.looked(this);
        List<Unit> others = circuit.units().stream()
                .filter(u -> u != unit && unit.placed().bus().equals(u.placed().bus()))
                .toList();
        if (!others.isEmpty()) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{part} has no select: it takes what is meant for {others} on the same bus.")
                    .aspect("always")
                    .at(Place.of(unit))
                    .with(others.stream().map(Place::of).toList())
                    .word("part", unit.name())
                    .word("others", others.stream().map(Unit::name).collect(Listed.and()))
                    .source(unit.part().source(unit.part().spi().source()))
                    .remedy("Give it a bus of its own: another controller, or one made by the program.")
                    .add();
        }
    }

    private void alone(Circuit circuit, Findings findings, Wire wire, Net net) {
        long others = circuit.wires().stream()
                .filter(w -> w.role() == Role.SELECT && w != wire)
                .filter(w -> w.unit().placed().bus() != null
                        && w.unit().placed().bus().equals(wire.unit().placed().bus()))
                .count();
        boolean low = wire.line().active() == ActiveLevel.LOW;
        if (others > 0 && net.rail().isPresent() && net.grounded() == low) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{line} is tied on, so the part takes what is meant for {others} other(s) on the bus.")
                    .at(Place.of(wire))
                    .word("line", wire.label())
                    .word("others", others)
                    .remedy("Give it a select pin of its own.")
                    .add();
        }
        if (net.rail().isPresent() && net.grounded() != low) {
            findings.of(this, Severity.STOP, "{line} is tied off: the part is never selected and takes nothing.")
                    .aspect("off")
                    .at(Place.of(wire))
                    .word("line", wire.label())
                    .remedy("Give it a select pin, or tie it on where it is alone on its bus.")
                    .add();
        }
        for (Pin pin : net.pins()) {
            boolean pulledOn = pin.atReset() == (low ? ResetPull.PULLED_DOWN : ResetPull.PULLED_UP);
            boolean held = net.resistors().stream()
                    .map(r -> net.ends().contains(r.from()) ? r.to() : r.from())
                    .anyMatch(end ->
                            circuit.railVolts(end).filter(v -> v > 0 == low).isPresent());
            if (others > 0 && pulledOn && !held) {
                findings.of(
                                this,
                                Severity.ADVISE,
                                "{line} is selected while the board starts: pin {pin} is {pull} until the program runs.")
                        .at(Place.of(wire), Place.of(pin))
                        .word("line", wire.label())
                        .word("pin", pin.label())
                        .word("pull", pin.atReset().words())
                        .remedy("Use a pin that rests the other way, or add a resistor of 10 kΩ to the supply.")
                        .add();
            }
        }
    }
}
