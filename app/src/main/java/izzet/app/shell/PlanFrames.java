package izzet.app.shell;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.repair.Repairs;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;

/** Makes the frame of a plan's pages. */
@Service
public class PlanFrames {

    private static final Set<String> PIN_GROUPS = Set.of("pins", "spi");

    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Repairs repairs;

    PlanFrames(PlanStore plans, Shelf shelf, Checker checker, Repairs repairs) {
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.repairs = repairs;
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
                stations(id, report, station),
                findings,
                "/plans/" + id + "/" + station);
    }

    private static List<PlanFrame.Station> stations(long id, Report report, String current) {
        List<PlanFrame.Station> stations = new ArrayList<>();
        String[][] names = {{"parts", "Parts"}, {"pins", "Pins"}, {"wiring", "Wiring"}, {"traffic", "Traffic"}};
        for (String[] name : names) {
            List<Finding> own = report.findings().stream()
                    .filter(f -> name[0].equals("pins") == PIN_GROUPS.contains(f.group()))
                    .filter(f -> name[0].equals("parts") || name[0].equals("pins"))
                    .toList();
            long stops = own.stream().filter(f -> f.severity() == Severity.STOP).count();
            long fixes = own.stream().filter(f -> f.severity() == Severity.FIX).count();
            String state = stops > 0
                    ? stops + (stops == 1 ? " stop" : " stops")
                    : fixes > 0 ? fixes + (fixes == 1 ? " fix" : " fixes") : "";
            String mark = stops > 0 ? "stop" : fixes > 0 ? "fix" : "";
            stations.add(new PlanFrame.Station(
                    name[0],
                    stations.size() + 1,
                    name[1],
                    "/plans/" + id + "/" + name[0],
                    name[0].equals(current),
                    state,
                    mark));
        }
        return stations;
    }
}
