package izzet.core.check.rules.levels;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Levels.Driver;
import izzet.core.circuit.Levels.Receiver;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * L1: a driver's high or low does not reach a receiver's threshold. Passes: 5 V logic into a 3.3 V panel that takes it. Fails: a bus
 * that idles at 3.3 V into a 5 V controller that reads high from 3.5 V. What one driver does to several is one finding.
 */
public final class LevelRule implements Rule {

    @Override
    public String id() {
        return "L1";
    }

    @Override
    public String subject() {
        return "highs and lows are read as such";
    }

    /** One cause: a driver and a side; what the board or a rail gives is a matter of each part by itself. */
    private record Cause(Driver driver, String receiver, boolean high) {}

    private record Miss(Levels.Reading reading, boolean high) {
        Receiver receiver() {
            return reading.receiver();
        }

        double gives() {
            return high ? reading.high() : reading.low();
        }

        double needs() {
            return high ? receiver().vih() : receiver().vil();
        }

        double margin() {
            return high ? reading.highMargin() : reading.lowMargin();
        }
    }

    @Override
    public Trouble trouble() {
        return Trouble.LEVEL_MISS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Map<Cause, List<Miss>> misses = new LinkedHashMap<>();
        for (Levels.Reading reading : circuit.levels().readings()) {
            if (reading.highMargin() != null) {
                note(findings, misses, new Miss(reading, true), reading.missesHigh());
            }
            if (reading.lowMargin() != null) {
                note(findings, misses, new Miss(reading, false), reading.missesLow());
            }
        }
        misses.forEach((cause, list) -> report(circuit, findings, cause, list));
        circuit.levels()
                .unsupplied()
                .forEach(wire -> findings.cannotTell(
                        this,
                        Place.of(wire.unit()),
                        "the supply of " + wire.unit().name()));
    }

    private void note(Findings findings, Map<Cause, List<Miss>> misses, Miss miss, boolean bad) {
        findings.compared(this, Quantity.volts(miss.margin()), miss.reading().line());
        if (bad) {
            misses.computeIfAbsent(cause(miss.reading(), miss.high()), c -> new ArrayList<>())
                    .add(miss);
        }
    }

    private static Cause cause(Levels.Reading reading, boolean high) {
        boolean shared =
                reading.driver().giver() == Levels.Giver.BUS || reading.driver().giver() == Levels.Giver.PART;
        return new Cause(reading.driver(), shared ? "" : reading.receiver().owner(), high);
    }

    private void report(Circuit circuit, Findings findings, Cause cause, List<Miss> misses) {
        boolean high = cause.high();
        Miss worst = misses.stream()
                .min(java.util.Comparator.comparingDouble(Miss::margin))
                .orElseThrow();
        boolean seen = high && misses.stream().allMatch(m -> m.reading().nearlyHigh());
        String side = high ? "high" : "low";
        List<Place> victims = misses.stream()
                .map(m -> Victims.place(circuit, m.receiver()))
                .distinct()
                .toList();
        Findings.Draft draft = findings.of(
                        this, Severity.FIX, "{driver} gives a {side} of {gives}, and {victims}: {margin}.")
                .aspect(side + "-" + cause.driver().key())
                .at(Victims.cause(circuit, cause.driver(), worst.receiver()))
                .with(victims)
                .word("driver", Victims.capital(cause.driver().name()))
                .word("side", side)
                .word("gives", Quantity.volts(worst.gives()))
                .word("victims", needs(misses))
                .word("margin", Quantity.volts(worst.margin()).inMillis());
        misses.stream()
                .collect(Collectors.toMap(m -> m.receiver().name(), m -> m, (a, b) -> a, LinkedHashMap::new))
                .values()
                .forEach(m -> draft.compared(
                        side + " at " + m.receiver().name(),
                        Quantity.volts(m.gives()),
                        Quantity.volts(m.needs()),
                        !high,
                        m.receiver().source()));
        draft.figure(
                        side + " given",
                        Quantity.volts(worst.gives()),
                        cause.driver().source())
                .formula(high ? "margin = high given − high needed" : "margin = low needed − low given")
                .source(worst.receiver().source())
                .seenWorking(seen)
                .remedy("Put a level shifter between them, or choose a module made for this level.")
                .add();
    }

    /** "the board needs 3.5 V at A4, A5 and the sign needs 2.64 V at SDA". */
    private static String needs(List<Miss> misses) {
        Map<String, List<Miss>> byName = misses.stream()
                .collect(Collectors.groupingBy(
                        m -> m.receiver().name() + " needs " + Quantity.volts(m.needs()),
                        LinkedHashMap::new,
                        Collectors.toList()));
        return byName.entrySet().stream()
                .map(e -> e.getKey() + " at "
                        + e.getValue().stream()
                                .map(m -> m.receiver().end().name())
                                .distinct()
                                .sorted()
                                .collect(Collectors.joining(", ")))
                .collect(Collectors.joining(" and "));
    }
}
