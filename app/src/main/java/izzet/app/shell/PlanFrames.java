package izzet.app.shell;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.repair.Repairs;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;

/** Makes the frame of a plan's pages. */
@Service
public class PlanFrames {

    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Repairs repairs;
    private final Stations stations;

    PlanFrames(PlanStore plans, Shelf shelf, Checker checker, Repairs repairs, Stations stations) {
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.repairs = repairs;
        this.stations = stations;
    }

    /**
     * With the findings as they are; their repairs, which take longer, are asked for by the page.
     *
     * @param station id of the page shown
     */
    public PlanFrame of(long id, String station) {
        return of(id, station, f -> false);
    }

    /**
     * With the repairs of some findings.
     *
     * @param repaired findings whose repairs are tried at once
     */
    public PlanFrame of(long id, String station, Predicate<Finding> repaired) {
        StoredPlan stored = plans.get(id);
        Circuit circuit = new Circuit(stored.plan(), shelf.catalog());
        Report report = checker.check(circuit);
        List<PlanFrame.FindingView> findings = report.findings().stream()
                .map(f -> new PlanFrame.FindingView(f, repaired.test(f) ? repairs.of(circuit, report, f) : null))
                .toList();
        return new PlanFrame(
                stored,
                circuit.board(),
                circuit,
                report,
                stations.views(new Station.Seen(stored, circuit, report), station),
                findings,
                "/plans/" + id + "/" + station);
    }
}
