package izzet.core.repair;

import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds repairs: asks every strategy, applies each proposal to the plan, checks the outcome, and keeps what came out better. Immutable.
 * Safe to share.
 */
public final class Repairs {

    private static final Comparator<Repair> CHEAPEST_FIRST = Comparator.<Repair>comparingInt(
                    r -> r.price().buy().size())
            .thenComparingInt(r -> r.price().pins())
            .thenComparingLong(Repair::stopsLeft)
            .thenComparingInt(r -> r.brings().size())
            .thenComparingInt(r -> r.price().limits().size())
            .thenComparing(Repair::id);

    private final Checker checker;
    private final List<RepairStrategy> strategies;

    public Repairs(Checker checker, List<RepairStrategy> strategies) {
        this.checker = checker;
        this.strategies = List.copyOf(strategies);
    }

    public static Repairs withAllStrategies(Checker checker) {
        return new Repairs(
                checker, Discovery.instances(RepairStrategy.class, Repairs.class.getPackageName() + ".strategies"));
    }

    /**
     * What mends a finding: fewest parts to buy first, then fewest pins.
     *
     * @param report the check of this circuit, in which the finding stands
     */
    public List<Repair> of(Circuit circuit, Report report, Finding finding) {
        List<Repair> kept = new ArrayList<>();
        for (RepairStrategy strategy : strategies) {
            for (Candidate candidate : strategy.propose(circuit, finding)) {
                attempt(circuit, report, finding, strategy, candidate).ifPresent(kept::add);
            }
        }
        kept.sort(CHEAPEST_FIRST);
        return kept;
    }

    /** Looks a repair up by its id, trying it anew; empty when it no longer helps this plan. */
    public Optional<Repair> find(Circuit circuit, Report report, String repairId) {
        return report.findings().stream()
                .filter(f -> repairId.startsWith(f.id() + "~"))
                .flatMap(f -> of(circuit, report, f).stream())
                .filter(r -> r.id().equals(repairId))
                .findFirst();
    }

    private static List<String> brought(Report before, Report after) {
        return after.findings().stream()
                .filter(f ->
                        f.severity() == Severity.FIX && before.finding(f.id()).isEmpty())
                .map(Finding::sentence)
                .toList();
    }

    private Optional<Repair> attempt(
            Circuit before, Report report, Finding finding, RepairStrategy strategy, Candidate candidate) {
        Plan edited;
        try {
            edited = candidate.edit().apply(before.plan());
        } catch (PlanEdit.EditRefused e) {
            return Optional.empty();
        }
        if (!PlanChecks.of(edited, before.catalog()).isEmpty()) {
            return Optional.empty();
        }
        Circuit after = new Circuit(edited, before.catalog());
        Report outcome = checker.check(after);
        if (outcome.finding(finding.id()).isPresent() || !outcome.betterThan(report)) {
            return Optional.empty();
        }
        Price price = new Price(
                before.freePins().size() - after.freePins().size(),
                candidate.buy(),
                candidate.limits(),
                candidate.code());
        String id = finding.id() + "~" + strategy.name() + (candidate.key().isEmpty() ? "" : "-" + candidate.key());
        return Optional.of(new Repair(
                id,
                finding.id(),
                candidate.title(),
                candidate.titledEdit(),
                price,
                outcome.count(Severity.STOP),
                brought(report, outcome)));
    }
}
