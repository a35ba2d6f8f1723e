package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Brings all lines of one bus signal to one of the pins that it is spread over. */
public final class OneBusPin implements RepairStrategy {

    @Override
    public String name() {
        return "one-pin";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SPREAD_BUS);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        String bus = finding.places().get(0).id();
        String signal = finding.words().get("signal");
        List<String> pins = finding.places().stream()
                .filter(p -> p.kind().equals("pin"))
                .map(p -> p.id())
                .toList();
        List<Candidate> found = new ArrayList<>();
        for (String pin : pins) {
            List<PlanEdit> edits = new ArrayList<>();
            for (Wire wire : circuit.wires()) {
                boolean member = circuit.standsFor(wire).stream()
                        .anyMatch(w -> bus.equals(w.unit().placed().bus())
                                && w.busSignal().filter(s -> s.equals(signal)).isPresent());
                if (member
                        && wire.to()
                                .filter(t -> t.isPin() && !t.name().equals(pin))
                                .isPresent()) {
                    edits.add(new PlanEdit.Connect(wire.from(), Target.pin(pin)));
                }
            }
            String label = circuit.board().pin(pin).orElseThrow().label();
            String title = "Bring the " + signal + " lines to pin " + label;
            found.add(Candidate.plain(pin, title, Spots.all(title, edits)));
        }
        return found;
    }
}
