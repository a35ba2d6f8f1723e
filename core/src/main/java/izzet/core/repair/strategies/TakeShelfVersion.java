package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.ShelfVersion;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes the version of a board or part that the shelf has now. */
public final class TakeShelfVersion implements RepairStrategy {

    @Override
    public String name() {
        return "shelf-version";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SHELF_VERSION);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Plan plan = circuit.plan();
        Optional<PlanEdit> edit = finding.about("plan", "board")
                ? ShelfVersion.ofBoard(plan, circuit.catalog())
                : plan.parts().stream()
                        .filter(p -> finding.about("part", p.id()))
                        .findFirst()
                        .flatMap(p -> ShelfVersion.ofPart(plan, p, circuit.catalog()));
        return edit
                .map(e -> new Candidate(
                        "",
                        "Take the version on the shelf",
                        e,
                        List.of(),
                        List.of("Wires of lines that it lacks come off."),
                        List.of()))
                .stream()
                .toList();
    }
}
