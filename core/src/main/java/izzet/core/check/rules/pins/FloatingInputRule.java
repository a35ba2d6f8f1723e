package izzet.core.check.rules.pins;

import izzet.core.catalog.Direction;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;

/**
 * P7: an input that must not float is neither driven nor tied. Passes: a bus switch with its reset at the supply. Fails: the same
 * with its reset open, which starts only when something happens to pull it up.
 */
public final class FloatingInputRule implements Rule {

    @Override
    public String id() {
        return "P7";
    }

    @Override
    public String subject() {
        return "no input left floating";
    }

    /** Lines with a level to rest at: they need a decision, not a pin. */
    static boolean concerns(Wire wire) {
        return wire.line().floats() && wire.rest() != null;
    }

    /** By a supply, a resistor, an output, a pin of the board, or another part that may drive it. */
    private static boolean held(Circuit circuit, Wire wire) {
        Net net = wire.net().orElse(null);
        if (net == null) {
            return false;
        }
        boolean driven = !net.pins().isEmpty()
                || net.wires().stream().anyMatch(w -> w != wire && w.line().direction() != Direction.IN);
        DcModel dc = circuit.dc();
        int node = wire.node();
        return driven
                || dc.pieceAt(node)
                        .map(p -> dc.at(p, new DcModel.State()).holds(node))
                        .orElse(true);
    }

    @Override
    public Trouble trouble() {
        return Trouble.FLOATING_INPUT;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (!concerns(wire)) {
                continue;
            }
            findings.looked(this);
            if (!held(circuit, wire)) {
                findings.of(
                                this,
                                wire.line().required() ? Severity.STOP : Severity.ADVISE,
                                "{line} floats: it is neither driven nor tied, so its level is chance.")
                        .at(Place.of(wire))
                        .word("line", wire.label())
                        .figure("level to rest at", wire.rest().text())
                        .remedy("Tie it to " + wire.rest().text() + ", or give it a pin.")
                        .add();
            }
        }
    }
}
