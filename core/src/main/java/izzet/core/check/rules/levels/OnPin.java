package izzet.core.check.rules.levels;

import izzet.core.catalog.Board;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;

/** Makers switch small parts with a pin, by their supply or by their ground: it works as far as the pin bears what they take. */
final class OnPin {

    private OnPin() {}

    /** Tells of a supply or ground line on a pin, with what flows there. */
    static void tell(Rule rule, Circuit circuit, Findings findings, Wire wire, Pin pin) {
        boolean ground = wire.role() == Role.GROUND;
        Board.PinCurrent current = circuit.board().current();
        String source = circuit.board().source(current.source());
        double limit = current.perPinMilliamps();
        Supplies.PinLoad load = circuit.supplies().loadOfPin(wire);
        Findings.Draft draft = findings.of(
                        rule,
                        load.passesOn() || load.milliamps() > limit ? Severity.FIX : Severity.NOTE,
                        "{line} hangs on pin {pin}{ground}: nothing works until the program sets it {level}{load}.")
                .aspect("pin")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("pin", pin.label())
                .word("ground", ground ? ", not on ground" : "")
                .word("level", ground ? "low" : "high")
                .word("load", words(load, limit, ground))
                .source(source)
                .remedy((ground ? "Join it to the board's ground" : "Connect it to a rail that gives")
                        + "; to switch the part, switch its supply by a transistor in between.");
        if (load.known() && !load.passesOn()) {
            findings.compared(rule, Quantity.milliamps(limit - load.milliamps()), wire.from());
            draft.compared(
                    "through the pin", Quantity.milliamps(load.milliamps()), Quantity.milliamps(limit), true, source);
        }
        draft.add();
    }

    private static String words(Supplies.PinLoad load, double limit, boolean ground) {
        String most = (ground ? "take " : "give ") + Quantity.milliamps(limit) + " at most";
        if (load.passesOn()) {
            return ", and all that it feeds would flow through the pin, which should " + most;
        }
        if (!load.known() && load.milliamps() <= limit) {
            return "; what hangs on it does not say how much it takes";
        }
        return ", and then " + (load.known() ? "up to " : "more than ") + Quantity.milliamps(load.milliamps())
                + " flow, where it should " + most;
    }
}
