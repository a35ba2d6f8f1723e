package izzet.core.check.rules.levels;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Lead;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Supply and ground lines that lead over something that opens: a switch, a transistor. */
final class OnContact {

    private static final String SOURCE =
            "Common practice: protection diodes lead a signal's current into the supply of a dead part";

    private OnContact() {}

    /** Tells of a line that reaches its rail over a contact. */
    static void tell(Rule rule, Circuit circuit, Findings findings, Wire wire, Lead lead) {
        if (lead.contacts().isEmpty()) {
            return;
        }
        boolean speaks = speaks(circuit, wire);
        findings.of(rule, Severity.NOTE, "{line} {has} only while {contact} is closed{fed}.")
                .aspect("contact")
                .at(Place.of(wire))
                .with(lead.contacts().stream().map(Place::of).toList())
                .word("line", wire.label())
                .word("has", wire.role() == Role.GROUND ? "is on ground" : "has its supply")
                .word("contact", lead.contactNames())
                .word("fed", speaks ? "; while it is open, its signal lines feed the part through its inputs" : "")
                .source(SOURCE)
                .remedy(
                        speaks
                                ? "Switch the board's supply, too, or let the program release the lines while it is open."
                                : "Close it before the program begins.")
                .add();
    }

    /** Whether signal lines of the part lead to the board. */
    static boolean speaks(Circuit circuit, Wire wire) {
        return circuit.wiresOf(wire.unit()).stream()
                .anyMatch(w -> !w.role().power() && !circuit.pinsUnder(w).isEmpty());
    }

    /**
     * The end of another part at the same place that may lead on in a way that is not known: a transistor, an output. What is known of a
     * part, such as the ends of a potentiometer, is among its elements.
     */
    static Optional<Wire> passage(Wire wire) {
        return wire.net().map(Net::wires).orElse(List.of()).stream()
                .filter(w -> !w.unit().equals(wire.unit()))
                .filter(w -> w.role() == Role.TERMINAL || w.role() == Role.PORT)
                .filter(w -> w.unit().part().elements().stream().noneMatch(e -> Arrays.asList(e.a(), e.b(), e.wiper())
                        .contains(w.line().id())))
                .findFirst();
    }
}
