package izzet.core.bringup;

import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * A scan of one segment of a 2-wire bus, the expected beside the found.
 *
 * @param told the whole in one sentence
 * @param causes of the whole, likeliest first, where it is not about single parts
 */
public record ScanResult(Segment segment, List<Row> rows, String told, List<String> causes) {

    /** What a scan never asks: an answer everywhere means that the data line is held low. */
    private static final int MOST_BELIEVED = 64;

    /** One address. */
    public enum State {
        THERE,
        MISSING,
        EXTRA
    }

    /**
     * @param names of the parts expected there; what could live there for an extra one
     * @param causes likeliest first; empty for one that is there
     */
    public record Row(int address, State state, String names, List<String> causes) {}

    /** Segments of the plan's 2-wire buses, the trunk of each first. */
    public static List<Segment> segments(Circuit circuit) {
        Set<Segment> segments = new LinkedHashSet<>();
        circuit.plan().buses().forEach(b -> {
            List<Segment> on = circuit.units().stream()
                    .flatMap(u -> circuit.segmentOf(u).stream())
                    .filter(s -> s.bus().equals(b.id()))
                    .toList();
            if (!on.isEmpty()) {
                segments.add(new Segment(b.id(), List.of()));
                segments.addAll(on);
            }
        });
        return List.copyOf(segments);
    }

    /** Who answers on a segment by the plan: itself and all on the way to it. */
    public static Map<Integer, List<Unit>> expected(Circuit circuit, Segment segment) {
        Map<Integer, List<Unit>> expected = new TreeMap<>();
        for (Unit unit : circuit.units()) {
            circuit.segmentOf(unit)
                    .filter(s -> s.bus().equals(segment.bus())
                            && s.path().size() <= segment.path().size()
                            && s.hears(segment))
                    .flatMap(s -> circuit.addressOf(unit))
                    .ifPresent(a ->
                            expected.computeIfAbsent(a, x -> new ArrayList<>()).add(unit));
        }
        return expected;
    }

    public static ScanResult of(Circuit circuit, Report report, Segment segment, ScanText scan) {
        Map<Integer, List<Unit>> expected = expected(circuit, segment);
        TreeSet<Integer> there = scan.all();
        if (there.size() > MOST_BELIEVED) {
            return new ScanResult(
                    segment,
                    List.of(),
                    "Everything answers, " + there.size()
                            + " addresses: the data line is held low, and every question is taken for answered.",
                    stuck(report));
        }
        List<Row> rows = new ArrayList<>();
        TreeSet<Integer> extra = new TreeSet<>(there);
        extra.removeAll(expected.keySet());
        extra.removeAll(alsoAt(expected));
        expected.forEach((address, units) -> {
            String names = units.stream().map(Unit::name).collect(Listed.and());
            boolean found = there.contains(address);
            rows.add(new Row(
                    address,
                    found ? State.THERE : State.MISSING,
                    names,
                    found ? twins(units) : missing(circuit, report, units, extra)));
        });
        for (int address : extra) {
            rows.add(new Row(address, State.EXTRA, "", extra(circuit, segment, expected, there, address)));
        }
        long missing = rows.stream().filter(r -> r.state() == State.MISSING).count();
        if (there.isEmpty() && !expected.isEmpty()) {
            return new ScanResult(segment, rows, "Nothing answers.", nothing(circuit, report, segment));
        }
        String told = missing == 0 && extra.isEmpty()
                ? "As the plan says."
                : missing + " missing, " + extra.size() + " that the plan does not know.";
        return new ScanResult(segment, rows, told, List.of());
    }

    private static Set<Integer> alsoAt(Map<Integer, List<Unit>> expected) {
        return expected.values().stream()
                .flatMap(List::stream)
                .flatMap(u -> u.part().i2c().alsoAt().stream())
                .collect(Collectors.toSet());
    }

    private static List<String> twins(List<Unit> units) {
        return units.size() < 2
                ? List.of()
                : List.of("A scan cannot tell " + units.size() + " parts at one address from one.");
    }

    private static List<String> stuck(Report report) {
        List<String> causes = new ArrayList<>(of(report, Trouble.PULL_UPS, Trouble.OPEN_LINE));
        causes.add("Data and ground touch, or data ends in the ground row.");
        causes.add("A part without supply pulls the line down: unplug one after the other and scan again.");
        causes.add("A transfer was cut off and a part still holds data low: switch everything off and on.");
        return causes;
    }

    private static List<String> nothing(Circuit circuit, Report report, Segment segment) {
        List<String> causes = new ArrayList<>(
                of(report, Trouble.PULL_UPS, Trouble.OPEN_LINE, Trouble.COMMON_GROUND, Trouble.SUPPLY_RANGE));
        causes.add("Data and clock are exchanged: exchange them and scan again; nothing breaks by it.");
        circuit.plan()
                .bus(segment.bus())
                .flatMap(b -> circuit.board().controller(b.controller() == null ? "" : b.controller()))
                .map(c -> c.needs())
                .filter(n -> n != null)
                .ifPresent(n -> causes.add("The bus is not switched on: " + n));
        causes.add("Another bus was scanned than the one of the plan.");
        causes.add("The parts have no supply: measure at their pins.");
        if (!segment.trunk()) {
            causes.add("The channel was not switched on before the scan.");
        }
        return causes;
    }

    private static List<String> missing(Circuit circuit, Report report, List<Unit> units, Set<Integer> extra) {
        List<String> causes = new ArrayList<>();
        for (Unit unit : units) {
            for (int address : extra) {
                Reachable.of(circuit, unit).forEach((reached, setting) -> {
                    if (reached == address) {
                        causes.add(unit.name() + " answers at " + Hex.of(address) + ", moved by its pads: "
                                + setting.label() + ". Set the plan or the pads.");
                    }
                });
            }
            report.findings().stream()
                    .filter(f -> f.aboutPart(unit.id()))
                    .filter(f -> f.severity() == Severity.STOP || f.severity() == Severity.FIX)
                    .map(Finding::sentence)
                    .forEach(causes::add);
            causes.add("Supply and ground at the pins of " + unit.name() + ": measure there, not at the row.");
            causes.add("Its two bus wires: each in its own hole, data on data.");
        }
        return causes.stream().distinct().toList();
    }

    private static List<String> extra(
            Circuit circuit, Segment segment, Map<Integer, List<Unit>> expected, Set<Integer> there, int address) {
        List<String> causes = new ArrayList<>();
        expected.forEach(
                (at, units) -> units.forEach(u -> Reachable.of(circuit, u).forEach((reached, setting) -> {
                    if (reached == address && !there.contains(at)) {
                        causes.add(u.name() + ", moved by its pads: " + setting.label() + ".");
                    }
                })));
        for (Unit unit : circuit.units()) {
            boolean behind = circuit.segmentOf(unit)
                    .filter(s -> s.bus().equals(segment.bus())
                            && (!s.hears(segment)
                                    || s.path().size() > segment.path().size()))
                    .isPresent();
            if (behind && circuit.addressOf(unit).filter(a -> a == address).isPresent()) {
                causes.add(unit.name() + " from another channel: that channel is on as well.");
            }
        }
        List<String> strangers = strangers(circuit, address);
        if (!strangers.isEmpty()) {
            causes.add("Not in the plan. On the shelf, these live there: " + String.join(", ", strangers) + ".");
        }
        if (causes.isEmpty()) {
            causes.add("Not in the plan, and nothing of the shelf lives there.");
        }
        return causes;
    }

    private static final int MOST_STRANGERS = 4;

    private static List<String> strangers(Circuit circuit, int address) {
        List<String> names = new ArrayList<>();
        for (Part part : circuit.catalog().parts().values()) {
            if (part.i2c() == null || names.size() >= MOST_STRANGERS) {
                continue;
            }
            if (part.addresses().contains(address)) {
                names.add(part.shortName());
            }
        }
        return names.stream().distinct().toList();
    }

    private static List<String> of(Report report, Trouble... troubles) {
        List<String> said = new ArrayList<>();
        for (Trouble trouble : troubles) {
            report.findings().stream()
                    .filter(f -> f.trouble() == trouble)
                    .map(Finding::sentence)
                    .forEach(said::add);
        }
        return said;
    }
}
