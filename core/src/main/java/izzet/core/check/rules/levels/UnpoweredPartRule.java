package izzet.core.check.rules.levels;

import izzet.core.catalog.Board;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L14: a part whose supply line leads to nothing that gives, while its signal lines are connected: it is fed through its pins. Passes: a
 * display on a regulator that has its input. Fails: the same display on a regulator without input. A part that hangs on a pin is told with
 * what flows there.
 */
public final class UnpoweredPartRule implements Rule {

    @Override
    public String id() {
        return "L14";
    }

    @Override
    public String subject() {
        return "no part on a dead supply";
    }

    private static final String SOURCE =
            "Common practice: protection diodes lead a signal's current into the supply of a dead part";

    @Override
    public void check(Circuit circuit, Findings findings) {
        Supplies supplies = circuit.supplies();
        for (Wire wire : circuit.wires()) {
            if (wire.role() != Role.SUPPLY || wire.net().isEmpty()) {
                continue;
            }
            findings.looked(this);
            Optional<Pin> pin = supplies.pinUnder(wire);
            if (pin.isPresent()) {
                onPin(circuit, findings, wire, pin.get());
                continue;
            }
            Optional<Rail> rail = circuit.rail(wire.from());
            if (rail.isEmpty() || rail.get().gives() && !supplies.alive(rail.get())) {
                boolean speaks = circuit.wiresOf(wire.unit()).stream()
                        .anyMatch(
                                w -> !w.role().power() && !circuit.pinsUnder(w).isEmpty());
                findings.of(
                                this,
                                speaks ? Severity.FIX : Severity.STOP,
                                "{line} leads to nothing that gives a supply{fed}.")
                        .at(Place.of(wire))
                        .word("line", wire.label())
                        .word("fed", speaks ? ", and its signal lines feed the part through its inputs" : "")
                        .source(SOURCE)
                        .remedy("Connect it to a rail that gives, and the input of a regulator to its supply.")
                        .add();
            }
        }
    }

    /** Makers switch small parts with a pin: it works as far as the pin gives what all on it take. */
    private void onPin(Circuit circuit, Findings findings, Wire wire, Pin pin) {
        Board.PinCurrent current = circuit.board().current();
        double limit = current.perPinMilliamps();
        double all = 0;
        boolean known = true;
        boolean passesOn = false;
        for (Wire fed : wire.net().orElseThrow().wires()) {
            if (fed.role() == Role.SUPPLY) {
                Part.Supply supply = fed.unit().part().supply();
                boolean told = supply != null && supply.maxMilliamps() != null;
                known &= told;
                all += told ? supply.maxMilliamps() : 0;
                passesOn |= circuit.wiresOf(fed.unit()).stream().anyMatch(w -> w.role() == Role.SOURCE);
            }
        }
        Findings.Draft draft = findings.of(
                        this,
                        passesOn || all > limit ? Severity.FIX : Severity.NOTE,
                        "{line} hangs on pin {pin}: nothing works until the program sets it high{load}.")
                .aspect("pin")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("pin", pin.label())
                .word("load", load(all, limit, known, passesOn))
                .source(circuit.board().source(current.source()))
                .remedy("Connect it to a rail that gives; to switch it, use a transistor in between.");
        if (known && !passesOn) {
            findings.compared(this, Quantity.milliamps(limit - all), wire.from());
            draft.compared(
                    "through the pin",
                    Quantity.milliamps(all),
                    Quantity.milliamps(limit),
                    true,
                    circuit.board().source(current.source()));
        }
        draft.add();
    }

    private static String load(double all, double limit, boolean known, boolean passesOn) {
        String most = Quantity.milliamps(limit) + " at most";
        if (passesOn) {
            return ", and all that it feeds would flow through the pin, which should give " + most;
        }
        if (!known && all <= limit) {
            return "; what hangs on it does not say how much it takes";
        }
        return ", and then " + (known ? "up to " : "more than ") + Quantity.milliamps(all)
                + " flow, where it should give " + most;
    }
}
