package izzet.core.check.rules.levels;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Lead;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Wire;
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
            Optional<Pin> pin = circuit.feedingPin(wire);
            if (pin.isPresent()) {
                OnPin.tell(this, circuit, findings, wire, pin.get());
                continue;
            }
            Optional<Lead> lead = circuit.lead(wire);
            lead.ifPresent(l -> OnContact.tell(this, circuit, findings, wire, l));
            // What resistors on the way take is reckoned by a rule of its own.
            Optional<Rail> rail = circuit.rail(wire.from()).or(() -> lead.map(Lead::rail));
            Optional<Wire> other = rail.isEmpty() ? OnContact.passage(wire) : Optional.empty();
            if (other.isPresent()) {
                findings.cannotTell(this, Place.of(wire), "what " + other.get().label() + " gives to " + wire.label());
            } else if (rail.isEmpty() || rail.get().gives() && !supplies.alive(rail.get())) {
                boolean speaks = OnContact.speaks(circuit, wire);
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
}
