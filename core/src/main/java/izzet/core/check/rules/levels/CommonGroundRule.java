package izzet.core.check.rules.levels;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Lead;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.Optional;

/**
 * L13: a ground that is not the board's: currents have no way back, and levels mean nothing. Passes: cells with their ground on the
 * board's. Fails: a supply joined by its positive line alone, or a part's ground on a supply whose ground is apart.
 * A part whose ground hangs on a pin is told with what then flows into the pin.
 */
public final class CommonGroundRule implements Rule {

    @Override
    public String id() {
        return "L13";
    }

    @Override
    public String subject() {
        return "all grounds are one";
    }

    @Override
    public Trouble trouble() {
        return Trouble.COMMON_GROUND;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        DcModel dc = circuit.dc();
        for (Unit unit : circuit.units()) {
            boolean gives = circuit.wiresOf(unit).stream()
                    .anyMatch(w -> w.role() == Role.SOURCE && w.net().isPresent());
            for (Wire wire : circuit.wiresOf(unit)) {
                if (wire.role() != Role.GROUND) {
                    continue;
                }
                Optional<Net> net = wire.net();
                if (net.isEmpty() && !gives) {
                    continue;
                }
                findings.looked(this);
                boolean joined = dc.held(wire.node()).isPresent();
                boolean apart = net.filter(n -> n.rails().isEmpty()).isPresent();
                if (!joined && (gives || apart)) {
                    apart(circuit, findings, wire, gives);
                }
            }
        }
    }

    private void apart(Circuit circuit, Findings findings, Wire wire, boolean gives) {
        Optional<Lead> lead = circuit.lead(wire);
        if (lead.isPresent()) {
            // What resistors on the way take is reckoned by a rule of its own.
            OnContact.tell(this, circuit, findings, wire, lead.get());
            return;
        }
        Optional<Pin> pin = gives ? Optional.empty() : circuit.feedingPin(wire);
        Optional<Wire> passage = OnContact.passage(wire);
        if (pin.isPresent()) {
            OnPin.tell(this, circuit, findings, wire, pin.get());
        } else if (passage.isPresent()) {
            findings.cannotTell(
                    this, Place.of(wire), "whether " + passage.get().label() + " leads " + wire.label() + " to ground");
        } else {
            report(findings, wire, gives);
        }
    }

    private void report(Findings findings, Wire wire, boolean gives) {
        findings.of(
                        this,
                        Severity.STOP,
                        "{line} is not joined to the board's ground: what {part} {does} has no way back.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("part", wire.unit().name())
                .word("does", gives ? "gives" : "takes")
                .formula("every current returns to where it came from")
                .remedy("Join all grounds: the supply's, the board's and every part's.")
                .add();
    }
}
