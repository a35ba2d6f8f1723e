package izzet.core.check;

import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Plan;
import java.lang.System.Logger.Level;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Runs all rules over a plan. Immutable. Safe to share. */
public final class Checker {

    private static final System.Logger LOG = System.getLogger(Checker.class.getName());

    private static final Comparator<Map.Entry<String, Finding>> ORDER = Comparator.comparing(
                    (Map.Entry<String, Finding> e) -> e.getValue().severity())
            .thenComparing(e -> e.getValue().rule())
            .thenComparing(Map.Entry::getKey);

    private final List<Rule> rules;

    public Checker(List<Rule> rules) {
        this.rules = List.copyOf(rules);
    }

    /** With every rule of the package {@code rules}. */
    public static Checker withAllRules() {
        return new Checker(Discovery.instances(Rule.class, Checker.class.getPackageName() + ".rules").stream()
                .sorted(Comparator.comparing(Rule::id))
                .toList());
    }

    public List<Rule> rules() {
        return rules;
    }

    public Report check(Plan plan, Catalog catalog) {
        return check(new Circuit(plan, catalog));
    }

    /** A rule that fails has not decided; what it found before it failed is left out with it. */
    private static void judge(Rule rule, Circuit circuit, Findings findings) {
        Findings own = new Findings();
        try {
            rule.check(circuit, own);
            findings.addAll(own);
        } catch (RuntimeException | StackOverflowError e) {
            LOG.log(
                    Level.WARNING,
                    "Rule " + rule.id() + " failed on the plan '"
                            + circuit.plan().name() + "'.",
                    e);
            findings.cannotTell(
                    rule,
                    new Place("plan", "rule-" + rule.id(), rule.subject()),
                    rule.subject() + " (rule " + rule.id() + " failed; see the log)");
        }
    }

    public Report check(Circuit circuit) {
        Findings findings = new Findings();
        rules.forEach(rule -> judge(rule, circuit, findings));
        List<Finding> sorted = findings.found().stream()
                .map(f -> Map.entry(f.id(), f))
                .sorted(ORDER)
                .map(Map.Entry::getValue)
                .toList();
        var hit = sorted.stream().map(Finding::rule).collect(Collectors.toSet());
        findings.undecided().forEach(u -> hit.add(u.rule()));
        Map<String, Report.Fine> clean = new LinkedHashMap<>(findings.compared());
        clean.keySet().removeAll(hit);
        return new Report(sorted, findings.undecided(), clean);
    }
}
