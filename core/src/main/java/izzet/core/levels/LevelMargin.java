package izzet.core.levels;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Levels.Giver;
import izzet.core.circuit.Levels.Reading;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What one driver gives at one input and what that input needs.
 *
 * @param key its address on pages: the same as long as the line goes the same way
 * @param line as a maker calls it: "Line map SCK"
 * @param from who gives, {@code to} who listens
 * @param parts ids of the parts at both ends
 * @param bus id of the bus that the line belongs to; null for none
 */
public record LevelMargin(
        String key, String line, String from, String to, Reading reading, Set<String> parts, String bus) {

    /** How it stands. */
    public enum Verdict {
        FINE("fine", ""),
        SEEN_WORKING("out of specification, commonly seen working", "fix"),
        MISSES("out of specification", "fix"),
        DESTROYS("more than the input survives", "stop");

        private final String words;
        private final String mark;

        Verdict(String words, String mark) {
            this.words = words;
            this.mark = mark;
        }

        public String words() {
            return words;
        }

        /** The severity of the finding on it: stop, fix, or empty. */
        public String mark() {
            return mark;
        }
    }

    /** All of a plan, tightest first; of several states of one bus line at one input the tightest. */
    public static List<LevelMargin> of(Circuit circuit) {
        Map<String, LevelMargin> byKey = new LinkedHashMap<>();
        for (Reading reading : circuit.levels().readings()) {
            LevelMargin margin = of(circuit, reading);
            byKey.merge(margin.key(), margin, (a, b) -> a.tightest() <= b.tightest() ? a : b);
        }
        return byKey.values().stream()
                .sorted(Comparator.comparing(LevelMargin::verdict)
                        .reversed()
                        .thenComparingDouble(LevelMargin::tightest)
                        .thenComparing(LevelMargin::line)
                        .thenComparing(LevelMargin::key))
                .toList();
    }

    private static LevelMargin of(Circuit circuit, Reading reading) {
        Target end = reading.receiver().end();
        Levels.Driver driver = reading.driver();
        boolean toBoard = reading.receiver().owner().equals(Target.BOARD);
        List<Wire> users = circuit.netOf(end).map(Net::wires).orElse(List.of()).stream()
                .filter(w -> !w.role().power())
                .toList();
        Optional<Wire> spoken = users.stream()
                .filter(w -> driver.giver() == Giver.PART ? w.unit().id().equals(driver.key()) : true)
                .findFirst();
        String line = toBoard
                ? spoken.map(Wire::label).orElse("pin " + end.name())
                : circuit.wire(end).map(Wire::label).orElse(end.toString());
        Set<String> parts = Stream.concat(
                        users.stream().map(w -> w.unit().id()),
                        Stream.of(reading.receiver().owner(), driver.key()))
                .filter(id -> circuit.unit(id).isPresent())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        String bus = driver.giver() == Giver.BUS
                ? driver.key()
                : users.stream()
                        .filter(w -> w.role().bus())
                        .map(w -> w.unit().placed().bus())
                        .filter(b -> b != null)
                        .findFirst()
                        .orElse(null);
        if (toBoard && driver.giver() == Giver.BUS) {
            line = reading.line();
        }
        String to = toBoard
                ? "the board, pin "
                        + circuit.board().pin(end.name()).map(p -> p.label()).orElse(end.name())
                : reading.receiver().name();
        return new LevelMargin(
                driver.giver().name().toLowerCase(java.util.Locale.ROOT) + "."
                        + driver.key().replace(':', '.') + "-to-"
                        + end.toString().replace(':', '.'),
                line,
                driver.name(),
                to,
                reading,
                parts,
                bus);
    }

    /** The smallest of the margins, in volts; below 0 when something is amiss. */
    public double tightest() {
        double least = reading.overMargin();
        if (reading.highMargin() != null) {
            least = Math.min(least, reading.highMargin());
        }
        return reading.lowMargin() == null ? least : Math.min(least, reading.lowMargin());
    }

    public Verdict verdict() {
        if (reading.tooHigh()) {
            return Verdict.DESTROYS;
        }
        if (reading.missesLow() || reading.missesHigh() && !reading.nearlyHigh()) {
            return Verdict.MISSES;
        }
        return reading.missesHigh() ? Verdict.SEEN_WORKING : Verdict.FINE;
    }

    /** "-200 mV". */
    public String inMillis() {
        return Quantity.volts(tightest()).inMillis();
    }

    /** Pull-ups on the line, whatever they hang on. */
    public List<JoinedNet.Fitted> pullUps(Circuit circuit) {
        if (bus != null && reading.driver().giver() == Giver.BUS) {
            for (JoinedNet joined : circuit.joinedNets()) {
                if (joined.label().equals(reading.line())) {
                    return joined.fitted(circuit);
                }
            }
        }
        return circuit.netOf(reading.receiver().end())
                .map(net -> JoinedNet.fittedOn(circuit, List.of(net)))
                .orElse(List.of());
    }

    /** Whether it is about a line of a part, written {@code PART:LINE}, or about {@code board:PIN}, at either of its ends. */
    public boolean joins(String end, Circuit circuit) {
        return end.indexOf(':') > 0
                && circuit.netOf(reading.receiver().end())
                        .filter(n -> n.ends().contains(Target.of(end)))
                        .isPresent();
    }

    /** Those that join the same two ends the other way round. */
    public List<LevelMargin> otherWay(List<LevelMargin> all, Circuit circuit) {
        Optional<Net> net = circuit.netOf(reading.receiver().end());
        List<LevelMargin> back = new ArrayList<>();
        for (LevelMargin m : all) {
            if (m != this
                    && !m.key().equals(key)
                    && net.isPresent()
                    && circuit.netOf(m.reading().receiver().end()).equals(net)) {
                back.add(m);
            }
        }
        return back;
    }
}
