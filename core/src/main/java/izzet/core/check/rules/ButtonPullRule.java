package izzet.core.check.rules;

import izzet.core.catalog.Direction;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;

/**
 * P13: a button's line rests at no level. Passes: with the board's own pull-up switched on. Fails: a bare button on a pin.
 */
public final class ButtonPullRule implements Rule {

    @Override
    public String id() {
        return "P13";
    }

    @Override
    public String subject() {
        return "buttons rest at a level";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            boolean button = wire.role() == Role.SIGNAL && wire.line().direction() == Direction.PASSIVE;
            if (button && wire.connected() && wire.connection().pull() == null) {
                Net net = circuit.netOf(wire.from()).orElseThrow();
                if (net.resistors().isEmpty() && !net.pins().isEmpty()) {
                    findings.of(
                                    this,
                                    Severity.FIX,
                                    "{line} rests at no level: while the button is up, pin {pin} reads chance.")
                            .at(Place.of(wire), Place.of(net.pins().get(0)))
                            .word("line", wire.label())
                            .word("pin", net.pins().get(0).label())
                            .remedy("Switch the board's own pull-up on, or fit 10 kΩ to the supply.")
                            .add();
                }
            }
        }
    }
}
