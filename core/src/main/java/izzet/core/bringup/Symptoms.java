package izzet.core.bringup;

import com.fasterxml.jackson.annotation.JsonProperty;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.discovery.Discovery;
import izzet.core.kernel.BoardSide;
import izzet.core.levels.CellBench;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import tools.jackson.databind.ObjectMapper;

/**
 * What a symptom makes likely for a plan: prior shares of causes, raised or lowered by what the plan is like and by what was found out at the
 * bench, by Bayes' rule with independent evidence. The table stands in {@code /bringup/symptoms.json}.
 */
public final class Symptoms {

    /** How likely a symptom is under a cause that does not list it. */
    private static final double HARDLY = 0.01;

    /** What a test at the bench that speaks against a cause, or for it, does to it. */
    private static final double RULED_OUT = 0.02;

    /** A cause that the test of another one speaks against, too. */
    private static final double RULED_OUT_BESIDE = 0.1;

    private static final double CONFIRMED = 30;
    private static final double LONG_CENTIMETRES = 50;
    private static final int MANY_WIRES = 20;

    private Symptoms() {}

    public record Symptom(String id, String name) {}

    private record Condition(@JsonProperty("if") String when, double factor, String because) {}

    private record Cause(
            String id,
            String name,
            double prior,
            String needs,
            Map<String, Double> seen,
            List<Condition> plan,
            String test,
            String good,
            List<String> out,
            String mend) {

        private Cause {
            out = out == null ? List.of() : out;
        }
    }

    private record Table(String source, List<Symptom> symptoms, List<Cause> causes) {}

    private static final class Known {
        static final Table TABLE = new ObjectMapper()
                .readValue(Discovery.texts("/bringup", ".json").get("symptoms.json"), Table.class);
    }

    /** Where the shares are from. */
    public static String source() {
        return Known.TABLE.source();
    }

    public static List<Symptom> all() {
        return Known.TABLE.symptoms();
    }

    /**
     * A cause with its share.
     *
     * @param share of all, from 0 to 1
     * @param because what of the plan raises it
     * @param test to do at the bench, {@code mend} if it speaks for it
     * @param good what comes of the test when it is not this
     * @param out other causes that are hardly it then, by their names
     * @param answer {@code yes}, {@code no}, or empty before it was done
     */
    public record Likely(
            String id,
            String name,
            double share,
            List<String> because,
            String test,
            String good,
            List<String> out,
            String mend,
            String answer) {}

    /**
     * @param symptom id of one of {@link #all}
     * @param answers {@code yes} or {@code no} by cause
     * @return the causes that can be, likeliest first; empty for an unknown symptom
     */
    public static List<Likely> of(Circuit circuit, Report report, String symptom, Map<String, String> answers) {
        if (Known.TABLE.symptoms().stream().noneMatch(s -> s.id().equals(symptom))) {
            return List.of();
        }
        Map<Cause, Double> weight = new LinkedHashMap<>();
        Map<Cause, List<String>> reasons = new LinkedHashMap<>();
        double sum = 0;
        for (Cause cause : Known.TABLE.causes()) {
            if (cause.needs() != null && !holds(cause.needs(), circuit, report)) {
                continue;
            }
            double w = cause.prior() * cause.seen().getOrDefault(symptom, HARDLY);
            List<String> because = new ArrayList<>();
            for (Condition condition : cause.plan()) {
                if (holds(condition.when(), circuit, report)) {
                    w *= condition.factor();
                    because.add(condition.because());
                }
            }
            String answer = answers.getOrDefault(cause.id(), "");
            w *= answer.equals("yes") ? CONFIRMED : answer.equals("no") ? RULED_OUT : beside(cause, answers);
            weight.put(cause, w);
            reasons.put(cause, because);
            sum += w;
        }
        double whole = sum;
        return weight.entrySet().stream()
                .map(e -> new Likely(
                        e.getKey().id(),
                        e.getKey().name(),
                        e.getValue() / whole,
                        reasons.get(e.getKey()),
                        e.getKey().test(),
                        e.getKey().good(),
                        names(e.getKey().out(), weight.keySet()),
                        e.getKey().mend(),
                        answers.getOrDefault(e.getKey().id(), "")))
                .sorted(Comparator.comparingDouble(Likely::share).reversed())
                .toList();
    }

    /** What tests of other causes say of one that was not tested itself. */
    private static double beside(Cause cause, Map<String, String> answers) {
        return Known.TABLE.causes().stream()
                        .anyMatch(c -> c.out().contains(cause.id())
                                && answers.getOrDefault(c.id(), "").equals("no"))
                ? RULED_OUT_BESIDE
                : 1;
    }

    private static List<String> names(List<String> ids, Set<Cause> there) {
        return there.stream().filter(c -> ids.contains(c.id())).map(Cause::name).toList();
    }

    /** Whether the plan is as a word of the table says. */
    static boolean holds(String condition, Circuit circuit, Report report) {
        if (condition.startsWith("finding:")) {
            Trouble trouble = Trouble.valueOf(condition.substring("finding:".length()));
            return report.findings().stream().anyMatch(f -> f.trouble() == trouble && weighs(f));
        }
        return switch (condition) {
            case "twoWire" ->
                any(circuit, u -> u.part().i2c() != null && u.placed().bus() != null);
            case "serial" -> any(circuit, u -> u.part().spi() != null);
            case "sharedSerial" ->
                circuit.units().stream().filter(u -> u.part().spi() != null).count() > 1;
            case "character" -> family(circuit, "character");
            case "pageOled" -> family(circuit, "page-oled") || family(circuit, "page-oled-132");
            case "pixels" ->
                any(
                        circuit,
                        u -> u.part().glass() != null
                                && "pixels".equals(u.part().glass().shows()));
            case "colour" ->
                any(circuit, u -> u.part().glass() != null && u.part().glass().order() != null);
            case "behind" ->
                any(
                        circuit,
                        u -> u.part().kind() == PartKind.DISPLAY
                                && circuit.segmentOf(u).filter(s -> !s.trunk()).isPresent());
            case "lamp" -> !circuit.lamps().isEmpty();
            case "card" -> any(circuit, u -> named(u, "card"));
            case "touch" -> any(circuit, u -> named(u, "touch"));
            case "computer" -> !BoardSide.of(circuit).lines().isEmpty();
            case "addressStrap" -> any(circuit, u -> u.part().addresses().size() > 1);
            case "modeStrap" ->
                any(circuit, u -> u.part().straps().stream()
                        .flatMap(s -> s.settings().stream())
                        .anyMatch(s -> s.interfaceId() != null));
            case "otherHeader" -> any(circuit, u -> u.part().kin().containsKey("other-header"));
            case "wideMemory" -> any(circuit, u -> wide(u.part().glass()));
            case "contrastDial" -> Contrast.of(circuit).stream().anyMatch(Contrast::turned);
            case "resetOpen" -> open(circuit, Role.RESET, u -> u.part().busSwitch() == null);
            case "switchResetOpen" -> open(circuit, Role.RESET, u -> u.part().busSwitch() != null);
            case "rwOpen" ->
                circuit.wires().stream()
                        .anyMatch(w -> w.line().id().equals("RW") && w.net().isEmpty());
            case "cells" -> !CellBench.of(circuit).isEmpty();
            case "twoSupplies" -> any(circuit, u -> u.part().kind() == PartKind.SUPPLY);
            case "manyWires" -> circuit.connections().size() > MANY_WIRES;
            case "longWires" -> circuit.plan().wireLength() > LONG_CENTIMETRES;
            default -> throw new IllegalArgumentException("The table of symptoms asks for '" + condition + "'.");
        };
    }

    /** By its own words, so that own parts count as well. */
    private static boolean named(Unit unit, String word) {
        return unit.part().shortName().toLowerCase(Locale.ROOT).contains(word)
                || unit.part().kind() != PartKind.DISPLAY
                        && unit.part().name().toLowerCase(Locale.ROOT).contains(word)
                || unit.variant().id().contains(word);
    }

    private static boolean weighs(Finding finding) {
        return Set.of(Severity.STOP, Severity.FIX).contains(finding.severity());
    }

    private static boolean any(Circuit circuit, Predicate<Unit> which) {
        return circuit.units().stream().anyMatch(which);
    }

    private static boolean family(Circuit circuit, String family) {
        return any(
                circuit,
                u -> u.part().glass() != null && family.equals(u.part().glass().family()));
    }

    private static boolean wide(Part.Glass glass) {
        return glass != null && glass.memoryColumns() != null && glass.memoryColumns() > glass.columns();
    }

    private static boolean open(Circuit circuit, Role role, Predicate<Unit> which) {
        return circuit.wires().stream()
                .anyMatch((Wire w) ->
                        w.role() == role && which.test(w.unit()) && w.net().isEmpty());
    }
}
