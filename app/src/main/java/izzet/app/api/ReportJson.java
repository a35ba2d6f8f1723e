package izzet.app.api;

import izzet.core.check.Checker;
import izzet.core.check.Figure;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
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
        Map<String, Object> clean = new LinkedHashMap<>();
        report.clean().forEach((rule, fine) -> clean.put(rule, fine(fine)));
        json.put("clean", clean);
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
        json.put("trouble", f.trouble().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        json.put("figures", f.figures().stream().map(ReportJson::figure).toList());
        json.put("formula", f.formula());
        json.put("source", f.source());
        json.put("remedy", f.remedy());
        json.put("repairs", repairs.stream().map(ReportJson::repair).toList());
        return json;
    }

    /** Numbers in the base unit beside the printed text. */
    private static Map<String, Object> figure(Figure figure) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("name", figure.name());
        json.put("text", figure.value());
        json.put("value", figure.number());
        json.put("limit", figure.limit());
        json.put("margin", figure.margin());
        json.put("unit", figure.unit());
        json.put("source", figure.source());
        return json;
    }

    private static Map<String, Object> fine(Report.Fine fine) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("subject", fine.subject());
        json.put("compared", fine.count());
        json.put("tightest", fine.tightest() == null ? null : fine.tightest().value());
        json.put("unit", fine.tightest() == null ? null : fine.tightest().unit().symbol());
        json.put("where", fine.where());
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
