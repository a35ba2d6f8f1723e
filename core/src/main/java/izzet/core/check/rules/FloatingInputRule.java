package izzet.core.check.rules;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
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
        return wire.line().floats() && wire.line().rest() != null;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (!wire.connected()
                    && concerns(wire)
                    && circuit.netOf(wire.from()).isEmpty()) {
                findings.of(
                                this,
                                Severity.STOP,
                                "{line} floats: it is neither driven nor tied, so its level is chance.")
                        .at(Place.of(wire))
                        .word("line", wire.label())
                        .figure("level to rest at", wire.line().rest())
                        .remedy("Tie it to " + wire.line().rest() + ", or give it a pin.")
                        .add();
            }
        }
    }
}
