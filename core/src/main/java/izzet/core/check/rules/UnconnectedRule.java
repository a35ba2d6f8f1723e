package izzet.core.check.rules;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.List;
import java.util.stream.Collectors;

/** P6: a part's required lines are not connected. Lines that only have to be tied off are rule P7's. */
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
}
