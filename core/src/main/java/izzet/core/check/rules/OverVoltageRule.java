package izzet.core.check.rules;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
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
 * L2: an input sees more than it survives. Passes: 3.3 V pull-ups on a 3.3 V board. Fails: the same board with a module that pulls the
 * bus up to 5 V, or with a 5 V display whose read/write is not grounded.
 */
public final class OverVoltageRule implements Rule {

    @Override
    public String id() {
        return "L2";
    }

    @Override
    public String subject() {
        return "no input above what it survives";
    }

    private record Excess(
            String driver, String driverName, double volts, String receiver, double limit, String source) {}

    @Override
    public void check(Circuit circuit, Findings findings) {
        Map<Excess, List<Place>> found = new LinkedHashMap<>();
        for (Levels.Meeting meeting : new Levels(circuit).meetings()) {
            for (Driver d : meeting.drivers()) {
                for (Receiver r : meeting.receivers()) {
                    if (!d.owner().equals(r.owner()) && d.highest() > r.absMax()) {
                        List<Place> places = found.computeIfAbsent(
                                new Excess(d.owner(), d.name(), d.highest(), r.name(), r.absMax(), r.source()),
                                e -> new ArrayList<>());
                        Place place = LevelRule.place(circuit, r);
                        if (!places.contains(place)) {
                            places.add(place);
                        }
                    }
                }
            }
        }
        found.forEach((excess, places) -> findings.of(
                        this,
                        Severity.STOP,
                        "{driver} puts {volts} on {receiver}, which survives {limit} at most ({lines}).")
                .aspect(excess.driver())
                .at(places)
                .word("driver", LevelRule.capital(excess.driverName()))
                .word("volts", Quantity.volts(excess.volts()))
                .word("receiver", excess.receiver())
                .word("limit", Quantity.volts(excess.limit()))
                .word("lines", places.stream().map(Place::label).collect(Collectors.joining(", ")))
                .figure("highest level", Quantity.volts(excess.volts()))
                .figure("absolute maximum", Quantity.volts(excess.limit()), excess.source())
                .figure(
                        "margin",
                        Quantity.volts(excess.limit() - excess.volts()).inMillis())
                .formula(
                        excess.driver().equals("pull-ups")
                                ? "level = Σ(Vi / Ri) / Σ(1 / Ri) of all pull-ups ≤ absolute maximum"
                                : "level of the driver's supply ≤ absolute maximum")
                .source(excess.source())
                .remedy("Put a level shifter between them, choose a module made for this level, or ground read/write.")
                .add());
    }
}
