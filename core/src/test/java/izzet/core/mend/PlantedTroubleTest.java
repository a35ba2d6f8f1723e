package izzet.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferencePlans;
import izzet.core.Workbench;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Repair;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Sound plans with two to four mistakes planted, and the broken twins of the reference: mended whole. */
class PlantedTroubleTest {

    /** The benchmark asks for more, and for one second each. */
    private static final int PLANS = Integer.getInteger("izzet.planted", 40);

    private static final Duration TIME = Duration.ofMillis(Integer.getInteger("izzet.planted.millis", 4000));
    private static final Mender MENDER = new Mender(Workbench.CHECKER, Workbench.REPAIRS);

    /** A mistake as makers make it. */
    private interface Mistake {
        Optional<PlanEdit> in(Circuit circuit, Random random);
    }

    private static final List<Mistake> MISTAKES = List.of(
            // A supply on the other rail.
            (c, r) -> any(wires(c, Role.SUPPLY), r)
                    .flatMap(w -> any(rails(c), r).map(rail -> new PlanEdit.Connect(w.from(), Target.rail(rail.id())))),
            // Two lines exchanged.
            (c, r) -> any(onPins(c), r).flatMap(a -> any(onPins(c), r)
                    .filter(b -> !b.from().equals(a.from()))
                    .map(b -> new PlanEdit.Swap(a.from(), b.from()))),
            // A wire forgotten.
            (c, r) -> any(onPins(c), r).map(w -> new PlanEdit.Disconnect(w.from())),
            // Two lines on one pin.
            (c, r) -> any(onPins(c), r)
                    .flatMap(a -> any(onPins(c), r).map(b -> new PlanEdit.Connect(a.from(), b.to().orElseThrow()))),
            // A line on any pin, whatever the board does with it.
            (c, r) -> any(onPins(c), r).flatMap(w -> any(c.board().signalPins(), r)
                    .map((Pin p) -> new PlanEdit.Connect(w.from(), Target.pin(p.id())))),
            // A signal on a rail.
            (c, r) -> any(onPins(c), r).flatMap(w -> any(c.board().rails(), r)
                    .map(rail -> new PlanEdit.Connect(w.from(), Target.rail(rail.id())))),
            // No resistor before a lamp.
            (c, r) -> any(
                            c.connections().stream()
                                    .filter(k -> k.seriesOhms() != null)
                                    .toList(),
                            r)
                    .map(k -> new PlanEdit.Connect(new Connection(k.from(), k.to(), null, k.pull()))),
            // A bus far too fast.
            (c, r) -> any(c.plan().buses(), r)
                    .map(b ->
                            new PlanEdit.PutBus(new Bus(b.id(), b.kind(), b.name(), b.controller(), b.clockHz() * 20))),
            // A resistor of the plan left out.
            (c, r) -> any(c.plan().resistors(), r).map(k -> new PlanEdit.RemoveResistor(k.id())));

    private static <T> Optional<T> any(List<T> list, Random random) {
        return list.isEmpty() ? Optional.empty() : Optional.of(list.get(random.nextInt(list.size())));
    }

    private static List<Rail> rails(Circuit circuit) {
        return circuit.board().rails().stream().filter(r -> !r.ground()).toList();
    }

    private static List<Wire> wires(Circuit circuit, Role role) {
        return circuit.wires().stream()
                .filter(w -> w.role() == role && w.connected())
                .toList();
    }

    private static List<Wire> onPins(Circuit circuit) {
        return circuit.wires().stream()
                .filter(w -> w.to().filter(Target::isPin).isPresent())
                .toList();
    }

    private record Planted(String from, Plan plan, int mistakes) {}

    /** Each mistake makes one more stop or fix at least; what cannot be stored is no mistake. */
    private static Optional<Planted> plant(String from, Plan sound, Random random) {
        Plan plan = sound;
        int wanted = 2 + random.nextInt(3);
        int made = 0;
        for (int tries = 0; tries < 60 && made < wanted; tries++) {
            Circuit circuit = new Circuit(plan, Workbench.CATALOG);
            Optional<PlanEdit> edit =
                    MISTAKES.get(random.nextInt(MISTAKES.size())).in(circuit, random);
            if (edit.isEmpty()) {
                continue;
            }
            Plan wrong;
            try {
                wrong = edit.get().apply(plan);
            } catch (PlanEdit.EditRefused e) {
                continue;
            }
            if (PlanChecks.of(wrong, Workbench.CATALOG).isEmpty() && toMend(wrong) > toMend(plan)) {
                plan = wrong;
                made++;
            }
        }
        return made < 2 || stops(plan) == 0 ? Optional.empty() : Optional.of(new Planted(from, plan, made));
    }

    private static Report check(Plan plan) {
        return Workbench.CHECKER.check(new Circuit(plan, Workbench.CATALOG));
    }

    private static long toMend(Plan plan) {
        Report report = check(plan);
        return report.count(Severity.STOP) + report.count(Severity.FIX);
    }

    private static long stops(Plan plan) {
        return check(plan).count(Severity.STOP);
    }

    private static List<Planted> planted(int count) {
        List<Map.Entry<String, Plan>> sound = ReferencePlans.all().entrySet().stream()
                .filter(e -> e.getKey().contains("/sound/"))
                .toList();
        List<Planted> all = new ArrayList<>();
        Random random = new Random(11);
        while (all.size() < count) {
            Map.Entry<String, Plan> entry = sound.get(random.nextInt(sound.size()));
            plant(entry.getKey(), entry.getValue(), random).ifPresent(all::add);
        }
        return all;
    }

    /** What is left of stops by the best answer; those of the plan where there is none. */
    private static long left(Plan plan) {
        List<Solution> solutions = MENDER.solve(plan, Workbench.CATALOG, Set.of(), oneAnswer(TIME));
        return solutions.isEmpty() ? stops(plan) : stops(solutions.get(0).plan());
    }

    private static Mender.Limits oneAnswer(Duration time) {
        boolean[] found = {false};
        return new Mender.Limits(time, () -> found[0], s -> found[0] = true);
    }

    /** One repair after the other, the first offered for the worst finding. */
    private static long greedy(Plan plan) {
        Plan now = plan;
        for (int step = 0; step < 12; step++) {
            Circuit circuit = new Circuit(now, Workbench.CATALOG);
            Report report = Workbench.CHECKER.check(circuit);
            Optional<Repair> first = report.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .flatMap(f -> Workbench.REPAIRS.of(circuit, report, f).stream())
                    .findFirst();
            if (first.isEmpty()) {
                break;
            }
            now = first.get().edit().apply(now);
        }
        return stops(now);
    }

    @Test
    void plansWithSeveralMistakesEndWithoutStops() {
        List<Planted> plans = planted(PLANS);
        List<String> left = new ArrayList<>();
        List<Long> nanos = new ArrayList<>();
        int greedily = 0;
        for (Planted p : plans) {
            long start = System.nanoTime();
            long stops = left(p.plan());
            nanos.add(System.nanoTime() - start);
            if (stops > 0) {
                left.add(p.from() + " with " + p.mistakes() + " mistakes: " + sentences(p.plan()));
            }
            greedily += greedy(p.plan()) == 0 ? 1 : 0;
        }
        Collections.sort(nanos);
        System.out.printf(
                Locale.ROOT,
                "planted plans without stops: %d of %d searched, %d of %d one repair after the other; median %.0f ms, worst %.0f ms%n",
                plans.size() - left.size(),
                plans.size(),
                greedily,
                plans.size(),
                nanos.get(nanos.size() / 2) / 1e6,
                nanos.get(nanos.size() - 1) / 1e6);
        left.forEach(l -> System.out.println("  left: " + l));
        assertThat(left).hasSizeLessThanOrEqualTo(PLANS / 20);
        assertThat(plans.size() - left.size()).isGreaterThanOrEqualTo(greedily);
    }

    private static List<String> sentences(Plan plan) {
        return check(plan).findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .map(Finding::sentence)
                .toList();
    }

    static List<Map.Entry<String, Plan>> twins() {
        return ReferencePlans.all().entrySet().stream()
                .filter(e -> e.getKey().contains("/broken/") && stops(e.getValue()) > 0)
                .toList();
    }

    /** Each broken twin of the reference ends without a stop. */
    @ParameterizedTest
    @MethodSource("twins")
    void aBrokenTwinIsMended(Map.Entry<String, Plan> twin) {
        assertThat(left(twin.getValue()))
                .as(sentences(twin.getValue()).toString())
                .isZero();
    }
}
