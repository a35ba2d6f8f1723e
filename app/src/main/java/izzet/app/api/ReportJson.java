package izzet.app.api;

import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The JSON form of a check's outcome; described in the API page. */
final class ReportJson {

    private ReportJson() {}

    static Map<String, Object> of(Circuit circuit, Checker checker, Repairs repairs) {
        Report report = checker.check(circuit);
        Map<String, Object> json = new LinkedHashMap<>();
        json.put(
                "findings",
                report.findings().stream()
                        .map(f -> finding(f, repairs.of(circuit, report, f)))
                        .toList());
        json.put("undecided", report.undecided());
        json.put("clean", report.clean());
        return json;
    }

    private static Map<String, Object> finding(Finding f, List<Repair> repairs) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("id", f.id());
        json.put("rule", f.rule());
        json.put("severity", f.severity().word());
        json.put("commonlySeenWorking", f.seenWorking());
        json.put("sentence", f.sentence());
        json.put("places", f.places());
        json.put("figures", f.figures());
        json.put("formula", f.formula());
        json.put("source", f.source());
        json.put("remedy", f.remedy());
        json.put("repairs", repairs.stream().map(ReportJson::repair).toList());
        return json;
    }

    private static Map<String, Object> repair(Repair r) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("id", r.id());
        json.put("title", r.title());
        json.put("price", r.price());
        json.put("stopsLeft", r.stopsLeft());
        json.put("brings", r.brings());
        return json;
    }
}
