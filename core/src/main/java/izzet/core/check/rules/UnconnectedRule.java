package izzet.core.check.rules;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.List;
import java.util.stream.Collectors;

/**
 * P6: a part's required lines are not connected, or hang on a helper that leads nowhere. Lines that only have to be tied off are rule P7's. */
public final class UnconnectedRule implements Rule {

    @Override
    public String id() {
        return "P6";
    }

    @Override
    public String subject() {
        return "every required line is connected";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            List<Wire> open = circuit.wiresOf(unit).stream()
                    .filter(w -> w.line().required()
                            && !w.connected()
                            && circuit.netOf(w.from()).isEmpty())
                    .filter(w -> !FloatingInputRule.concerns(w))
                    .toList();
            circuit.wiresOf(unit).stream()
                    .filter(w -> endsNowhere(circuit, w))
                    .forEach(w -> deadEnd(findings, circuit, w));
            if (!open.isEmpty()) {
                findings.of(this, Severity.STOP, "{part} cannot work: {lines} not connected.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word(
                                "lines",
                                open.stream().map(w -> w.line().id()).collect(Collectors.joining(", "))
                                        + (open.size() == 1 ? " is" : " are"))
                        .figure("lines open", open.size())
                        .figure(
                                "lines required",
                                circuit.wiresOf(unit).stream()
                                        .filter(w -> w.line().required())
                                        .count())
                        .remedy("Connect them, by hand or as proposed.")
                        .add();
            }
        }
    }

    /** On a helper's line whose other side leads to no pin. */
    private static boolean endsNowhere(Circuit circuit, Wire wire) {
        return wire.to().filter(Target::isLine).isPresent()
                && LegalPins.wantsPin(wire)
                && wire.role() != Role.SHIFT
                && circuit.netOf(wire.from()).filter(n -> n.rails().isEmpty()).isPresent()
                && circuit.reach(wire.from()).isEmpty();
    }

    private void deadEnd(Findings findings, Circuit circuit, Wire wire) {
        Target to = wire.to().orElseThrow();
        String helper = circuit.wire(to).map(Wire::label).orElse(to.toString());
        findings.of(this, Severity.STOP, "{line} hangs on {helper}, which leads to no pin of the board.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("helper", helper)
                .remedy("Connect the board's side of " + helper + " to a pin, or the line straight to one.")
                .add();
    }
}
