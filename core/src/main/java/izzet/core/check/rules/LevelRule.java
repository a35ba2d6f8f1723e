package izzet.core.check.rules;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Levels.Driver;
import izzet.core.circuit.Levels.Receiver;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * L1: a driver's high or low does not reach a receiver's threshold. Passes: 5 V logic into a 3.3 V panel that takes it. Fails: a bus
 * that idles at 3.3 V into a 5 V controller that reads high from 3.5 V. Lines with the same figures make one finding.
 */
public final class LevelRule implements Rule {

    /** Common practice: a high that misses by less than a tenth of the supply is commonly seen working. */
    private static final double SEEN_WORKING = 0.1;

    @Override
    public String id() {
        return "L1";
    }

    @Override
    public String subject() {
        return "highs and lows are read as such";
    }

    private record Miss(
            Driver driver, String receiver, boolean high, double gives, double needs, double supply, String source) {
        double margin() {
            return high ? gives - needs : needs - gives;
        }
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Levels levels = new Levels(circuit);
        Map<Miss, TreeSet<String>> misses = new LinkedHashMap<>();
        Map<Miss, List<Place>> places = new LinkedHashMap<>();
        for (Levels.Meeting meeting : levels.meetings()) {
            for (Driver d : meeting.drivers()) {
                for (Receiver r : meeting.receivers()) {
                    if (d.owner().equals(r.owner())) {
                        continue;
                    }
                    note(
                            circuit,
                            misses,
                            places,
                            r,
                            new Miss(d, r.name(), true, d.high(), or(r.vih(), 0), r.supply(), r.source()));
                    note(
                            circuit,
                            misses,
                            places,
                            r,
                            new Miss(d, r.name(), false, d.low(), or(r.vil(), 99), r.supply(), r.source()));
                }
            }
        }
        misses.forEach((miss, lines) -> report(findings, miss, lines, places.get(miss)));
        for (Wire wire : levels.unsupplied()) {
            findings.cannotTell(
                    this, Place.of(wire.unit()), "the supply of " + wire.unit().name());
        }
    }

    private static double or(Double value, double otherwise) {
        return value == null ? otherwise : value;
    }

    private static void note(
            Circuit circuit, Map<Miss, TreeSet<String>> misses, Map<Miss, List<Place>> places, Receiver r, Miss miss) {
        if (miss.margin() >= 0) {
            return;
        }
        Place place = place(circuit, r);
        misses.computeIfAbsent(miss, m -> new TreeSet<>()).add(r.end().name());
        List<Place> known = places.computeIfAbsent(miss, m -> new java.util.ArrayList<>());
        if (!known.contains(place)) {
            known.add(place);
        }
    }

    static Place place(Circuit circuit, Receiver r) {
        return r.end().isPin()
                ? Place.of(circuit.board().pin(r.end().name()).orElseThrow())
                : Place.of(circuit.wire(r.end()).orElseThrow());
    }

    private void report(Findings findings, Miss miss, TreeSet<String> lines, List<Place> places) {
        boolean seen = miss.high() && -miss.margin() < SEEN_WORKING * miss.supply();
        String side = miss.high() ? "high" : "low";
        findings.of(
                        this,
                        Severity.FIX,
                        "{driver} gives a {side} of {gives}, and {receiver} needs {needs} at {lines}: {margin}.")
                .aspect(side + "-" + miss.driver().owner())
                .at(places)
                .word("driver", capital(miss.driver().name()))
                .word("side", side)
                .word("gives", Quantity.volts(miss.gives()))
                .word("receiver", miss.receiver())
                .word("needs", Quantity.volts(miss.needs()))
                .word("lines", lines.stream().collect(Collectors.joining(", ")))
                .word("margin", Quantity.volts(miss.margin()).inMillis())
                .figure(
                        side + " given",
                        Quantity.volts(miss.gives()),
                        miss.driver().source())
                .figure(side + " needed", Quantity.volts(miss.needs()), miss.source())
                .figure("margin", Quantity.volts(miss.margin()).inMillis())
                .formula(miss.high() ? "margin = high given − high needed" : "margin = low needed − low given")
                .source(miss.source())
                .seenWorking(seen)
                .remedy("Put a level shifter between them, or choose a module made for this level.")
                .add();
    }

    static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
