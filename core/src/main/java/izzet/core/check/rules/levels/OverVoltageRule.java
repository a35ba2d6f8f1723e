package izzet.core.check.rules.levels;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Levels.Driver;
import izzet.core.circuit.Levels.Reading;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * L2: an input sees more than it survives. Passes: 3.3 V pull-ups on a 3.3 V board; 5 V through a divider. Fails: the same board with a
 * module that pulls the bus up to 5 V, a 5 V display whose read/write is not grounded, a wiper between ground and 5 V. What one driver
 * does to several is one finding.
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

    private record Cause(Driver driver, String receiver) {}

    @Override
    public Trouble trouble() {
        return Trouble.OVER_VOLTAGE;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Map<Cause, List<Reading>> found = new LinkedHashMap<>();
        for (Reading reading : circuit.levels().readings()) {
            findings.compared(this, Quantity.volts(reading.overMargin()), reading.line());
            if (reading.tooHigh()) {
                boolean shared = reading.driver().giver() == Levels.Giver.BUS
                        || reading.driver().giver() == Levels.Giver.PART;
                found.computeIfAbsent(
                                new Cause(
                                        reading.driver(),
                                        shared ? "" : reading.receiver().owner()),
                                c -> new ArrayList<>())
                        .add(reading);
            }
        }
        found.forEach((cause, readings) -> report(circuit, findings, cause.driver(), readings));
    }

    private void report(Circuit circuit, Findings findings, Driver driver, List<Reading> readings) {
        Reading worst = readings.stream()
                .min(Comparator.comparingDouble(Reading::overMargin))
                .orElseThrow();
        List<Place> victims = readings.stream()
                .map(r -> Victims.place(circuit, r.receiver()))
                .distinct()
                .toList();
        Map<String, Reading> byName = readings.stream()
                .collect(Collectors.toMap(r -> r.receiver().name(), r -> r, (a, b) -> a, LinkedHashMap::new));
        String survive = byName.values().stream()
                .map(r -> r.receiver().name() + " survives "
                        + Quantity.volts(r.receiver().absMax()) + " at most")
                .collect(Listed.and());
        Findings.Draft draft = findings.of(this, Severity.STOP, "{driver} puts {volts} on {lines}; {survive}.")
                .aspect(driver.key())
                .at(Victims.cause(circuit, driver, worst.receiver()))
                .with(victims)
                .word("driver", Victims.capital(driver.name()))
                .word("volts", Quantity.volts(worst.highest()))
                .word("lines", victims.stream().map(Place::label).collect(Collectors.joining(", ")))
                .word("survive", survive);
        byName.values()
                .forEach(r -> draft.compared(
                        "level at " + r.receiver().name(),
                        Quantity.volts(r.highest()),
                        Quantity.volts(r.receiver().absMax()),
                        true,
                        r.receiver().source()));
        draft.formula(
                        driver.giver() == Levels.Giver.BUS
                                ? "level = Σ(Vi / Ri) / Σ(1 / Ri) of all pull-ups ≤ absolute maximum"
                                : "level at rest, from the supply of the driver over all resistors ≤ absolute maximum")
                .source(worst.receiver().source())
                .remedy("Put a level shifter between them, choose a module made for this level, or ground read/write.")
                .add();
    }
}
