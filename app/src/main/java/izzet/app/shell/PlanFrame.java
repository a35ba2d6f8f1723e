package izzet.app.shell;

import izzet.app.plan.StoredPlan;
import izzet.core.catalog.Board;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Target;
import izzet.core.repair.Repair;
import java.util.List;

/** What every page of a plan shows around its own content. */
public record PlanFrame(
        StoredPlan stored,
        Board board,
        Circuit circuit,
        Report report,
        List<StationView> stations,
        List<FindingView> findings,
        String here) {

    /** @param state in a word or two: "2 stops", "12 of 39" */
    public record StationView(
            String id, int number, String name, String path, boolean current, String state, String mark) {}

    /**
     * A finding with the repairs that were tried.
     *
     * @param repairs null where they are not tried yet: the page asks for them once it is shown
     */
    public record FindingView(Finding finding, List<Repair> repairs) {

        public String anchor() {
            return finding.id();
        }

        /** The line or pin whose levels it is about; null for none. */
        public String levelsOf() {
            boolean levels = finding.trouble() == Trouble.LEVEL_MISS || finding.trouble() == Trouble.OVER_VOLTAGE;
            return finding.places().stream()
                    .filter(p -> levels && (p.kind().equals("line") || p.kind().equals("pin")))
                    .map(p -> p.kind().equals("pin") ? Target.pin(p.id()).toString() : p.id())
                    .findFirst()
                    .orElse(null);
        }
    }

    /** Id of the page shown. */
    public String station() {
        return here.substring(here.lastIndexOf('/') + 1);
    }

    public long id() {
        return stored.id();
    }

    public String name() {
        return stored.plan().name();
    }

    /** Whether the board has a serial console that can be declared off. */
    public boolean console() {
        return board.hasConsole() || stored.plan().consoleFree();
    }

    public long stops() {
        return report.count(Severity.STOP);
    }

    public long fixes() {
        return report.count(Severity.FIX);
    }

    /** "2 stops, 1 fix", or "nothing to stop or fix". */
    public String summary() {
        if (stops() + fixes() == 0) {
            return "nothing to stop or fix";
        }
        String stop = stops() == 0 ? "" : stops() == 1 ? "1 stop" : stops() + " stops";
        String fix = fixes() == 0 ? "" : fixes() == 1 ? "1 fix" : fixes() + " fixes";
        return stop.isEmpty() ? fix : fix.isEmpty() ? stop : stop + ", " + fix;
    }
}
