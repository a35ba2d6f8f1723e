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
import java.lang.System.Logger.Level;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BinaryOperator;

/**
 * Finds repairs: asks every strategy, applies each proposal to the plan, checks the outcome, and keeps what came out better. Immutable.
 * Safe to share.
 */
public final class Repairs {

    /** Of equal price they stay as their strategy names them: nearest to what was wished first. */
    private static final Comparator<Repair> CHEAPEST_FIRST = Comparator.<Repair>comparingInt(
                    r -> r.price().buy().size())
            .thenComparingInt(r -> r.price().pins())
            .thenComparingLong(Repair::stopsLeft)
            .thenComparingInt(r -> r.brings().size())
            .thenComparingInt(r -> r.price().limits().size());

    private static final System.Logger LOG = System.getLogger(Repairs.class.getName());
    private static final int MOST_TRIED = 100;
    private static final int MOST_IN_TWO_STEPS = 3;

    private final Checker checker;
    private final List<RepairStrategy> strategies;

    public Repairs(Checker checker, List<RepairStrategy> strategies) {
        this.checker = checker;
        this.strategies = strategies.stream()
                .sorted(Comparator.comparing(RepairStrategy::name))
                .toList();
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
        for (RepairStrategy strategy : mending(finding)) {
            for (Candidate candidate : proposals(strategy, circuit, finding)) {
                attempt(circuit, report, finding, strategy.name(), candidate).ifPresent(kept::add);
            }
        }
        kept.sort(CHEAPEST_FIRST);
        if (parts(finding) > 2 && kept.stream().noneMatch(r -> r.price().buy().isEmpty())) {
            kept.addAll(inTwoSteps(circuit, report, finding));
            kept.sort(CHEAPEST_FIRST);
        }
        return kept;
    }

    /**
     * A change for a finding with what the check says after it, better or not.
     *
     * @param strategy name of the strategy that proposed it
     */
    public record Tried(String strategy, Candidate candidate, Circuit after, Report report) {}

    /** Everything that the strategies propose for a finding and the plan can take, in their order. */
    public List<Tried> tried(Circuit circuit, Finding finding) {
        List<Tried> tried = new ArrayList<>();
        for (RepairStrategy strategy : mending(finding)) {
            for (Candidate candidate : proposals(strategy, circuit, finding)) {
                edited(circuit, candidate)
                        .ifPresent(
                                after -> tried.add(new Tried(strategy.name(), candidate, after, checker.check(after))));
            }
        }
        return tried;
    }

    private List<RepairStrategy> mending(Finding finding) {
        return strategies.stream()
                .filter(s -> s.mends().contains(finding.trouble()))
                .toList();
    }

    /** A strategy that fails has nothing to say; it takes no page away. */
    private static List<Candidate> proposals(RepairStrategy strategy, Circuit circuit, Finding finding) {
        try {
            return strategy.propose(circuit, finding);
        } catch (RuntimeException e) {
            LOG.log(Level.WARNING, "Repair strategy " + strategy.name() + " failed on " + finding.id() + ".", e);
            return List.of();
        }
    }

    /** Trouble among three and more: a change that leaves it among fewer, and one that ends it there. The cheapest few. */
    private List<Repair> inTwoSteps(Circuit circuit, Report report, Finding finding) {
        // The cheapest of each kind; the same with other parts is no news.
        Map<String, Repair> found = new LinkedHashMap<>();
        Set<Set<String>> seen = new HashSet<>();
        int tried = 0;
        for (RepairStrategy first : mending(finding)) {
            for (Candidate one : proposals(first, circuit, finding)) {
                Circuit between = edited(circuit, one).orElse(null);
                Finding rest = between == null ? null : remainder(checker.check(between), finding);
                if (rest == null) {
                    continue;
                }
                for (RepairStrategy second : mending(rest)) {
                    for (Candidate other : proposals(second, between, rest)) {
                        Set<String> both = new HashSet<>(List.of(one.title(), other.title()));
                        if (tried < MOST_TRIED && both.size() == 2 && seen.add(both)) {
                            tried++;
                            attempt(circuit, report, finding, first.name(), one.then(second.name(), other))
                                    .ifPresent(r -> found.merge(
                                            first.name() + second.name(),
                                            r,
                                            BinaryOperator.minBy(CHEAPEST_FIRST.thenComparing(Repair::id))));
                        }
                    }
                }
            }
        }
        return found.values().stream()
                .sorted(CHEAPEST_FIRST)
                .limit(MOST_IN_TWO_STEPS)
                .toList();
    }

    private static long parts(Finding finding) {
        return finding.places().stream()
                .filter(p -> p.kind().equals("part") || p.kind().equals("line"))
                .map(p -> p.id().split(":")[0])
                .distinct()
                .count();
    }

    /** The same trouble among fewer; null when it is gone, or still as it was. */
    private static Finding remainder(Report outcome, Finding finding) {
        return outcome.of(finding.rule()).stream()
                .filter(f -> f.places().size() < finding.places().size()
                        && finding.places().containsAll(f.places()))
                .findFirst()
                .orElse(null);
    }

    private static Optional<Circuit> edited(Circuit before, Candidate candidate) {
        try {
            Plan edited = candidate.edit().apply(before.plan());
            return PlanChecks.of(edited, before.catalog()).isEmpty()
                    ? Optional.of(new Circuit(edited, before.catalog()))
                    : Optional.empty();
        } catch (PlanEdit.EditRefused e) {
            return Optional.empty();
        }
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
            Circuit before, Report report, Finding finding, String strategy, Candidate candidate) {
        Circuit after = edited(before, candidate).orElse(null);
        if (after == null) {
            return Optional.empty();
        }
        Report outcome = checker.check(after);
        if (outcome.finding(finding.id()).isPresent() || !outcome.betterThan(report)) {
            return Optional.empty();
        }
        Price price = new Price(
                before.freePins().size() - after.freePins().size(),
                candidate.buy(),
                candidate.limits(),
                candidate.code());
        String id = finding.id() + "~" + strategy + (candidate.key().isEmpty() ? "" : "-" + candidate.key());
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
