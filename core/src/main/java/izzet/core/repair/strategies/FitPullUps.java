package izzet.core.repair.strategies;

import izzet.core.catalog.Rail;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Counts;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Fits pull-ups to a bus trunk that has none. */
public final class FitPullUps implements RepairStrategy {

    @Override
    public String name() {
        return "pull-ups";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.PULL_UPS);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        String bus = finding.places().get(0).id();
        List<Candidate> found = new ArrayList<>();
        for (Rail rail : circuit.board().rails()) {
            List<PlanEdit> edits = new ArrayList<>();
            if (rail.gives() && !rail.ground()) {
                Spots.pullUpTrunk(edits, circuit.plan(), circuit.catalog(), bus, rail);
            }
            if (!edits.isEmpty()) {
                String title = "Fit " + Counts.of(edits.size(), "pull-up") + " of 4.7 kΩ to " + rail.label();
                found.add(new Candidate(
                        rail.id(),
                        title,
                        Spots.all(title, edits),
                        List.of(Counts.of(edits.size(), "resistor") + " of 4.7 kΩ"),
                        List.of(),
                        List.of()));
            }
        }
        return found;
    }
}
