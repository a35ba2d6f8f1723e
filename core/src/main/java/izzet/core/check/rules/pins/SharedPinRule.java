package izzet.core.check.rules.pins;

import izzet.core.catalog.First;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Sharing;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.List;

/**
 * P1: one pin carries two lines that cannot share it. Passes: the resets of two displays on pin 8. Fails: a button and a reset on
 * pin 8. Lines may share when they are the same line of one bus, or inputs that want the same thing.
 */
public final class SharedPinRule implements Rule {

    @Override
    public String id() {
        return "P1";
    }

    @Override
    public String subject() {
        return "one job a pin";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SHARED_PIN;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Pin pin : circuit.board().signalPins()) {
            List<Wire> users = circuit.linesOn(pin);
            if (users.isEmpty() || pin.can(PinFunction.BOARD_RESET)) {
                continue;
            }
            findings.looked(this);
            List<Wire> clashing = clashing(users);
            if (!clashing.isEmpty()) {
                report(findings, Place.of(pin), "Pin " + pin.label(), clashing);
            }
        }
        for (Wire port : circuit.wires()) {
            if (port.role().instead() && port.net().isPresent()) {
                List<Wire> clashing = clashing(port.net().orElseThrow().wires().stream()
                        .filter(w -> w != port)
                        .toList());
                if (!clashing.isEmpty()) {
                    report(findings, Place.of(port), port.label(), clashing);
                }
            }
        }
    }

    private static List<Wire> clashing(List<Wire> users) {
        List<Wire> clashing = new ArrayList<>();
        for (Wire wire : users) {
            if (First.any(users, other -> other != wire && !Sharing.may(wire, other))) {
                clashing.add(wire);
            }
        }
        return clashing;
    }

    private void report(Findings findings, Place place, String what, List<Wire> clashing) {
        findings.of(this, Severity.STOP, "{what} carries {lines}, which cannot share it.")
                .at(place)
                .with(clashing.stream().map(Place::of).toList())
                .word("what", what)
                .word("lines", clashing.stream().map(Wire::label).collect(Listed.and()))
                .remedy("Move one of them to a free pin.")
                .add();
    }
}
