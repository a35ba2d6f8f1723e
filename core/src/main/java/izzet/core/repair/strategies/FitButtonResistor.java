package izzet.core.repair.strategies;

import izzet.core.catalog.Rail;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;

/** Fits a resistor from a button's pin to the board's logic supply, or to ground: for boards without pull-ups of their own, too. */
public final class FitButtonResistor implements RepairStrategy {

    /** Common practice at a button. */
    private static final double OHMS = 10_000;

    @Override
    public String name() {
        return "button-resistor";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.NO_REST_LEVEL);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return finding.places().stream()
                .filter(p -> p.kind().equals("pin"))
                .flatMap(pin -> circuit.board().rails().stream()
                        .filter(r -> r.gives()
                                && (r.ground() || r.volts() == circuit.board().logicVolts()))
                        .map(rail -> candidate(circuit, pin.id(), pin.label(), rail)))
                .toList();
    }

    private static Candidate candidate(Circuit circuit, String pin, String label, Rail rail) {
        return new Candidate(
                rail.ground() ? "ground" : "",
                "Fit 10 kΩ from " + label + " to " + rail.label(),
                new PlanEdit.AddResistor(
                        new Resistor(circuit.plan().freeId("r-button"), Target.pin(pin), Target.rail(rail.id()), OHMS)),
                List.of("one resistor of 10 kΩ"),
                List.of(),
                List.of());
    }
}
